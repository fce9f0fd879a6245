package mezcla.mixing;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * A recipe scaled to the volume wanted (rules, 3.1).
 *
 * @param recipe what was scaled
 * @param startWaterMl the water that goes in first, in ml
 * @param startWaterLoweredByMl how much less that is than the recipe says, because the parts need the room, in ml
 * @param additions the parts in the order they go in
 * @param topUpMl what topping up takes at the end, in ml; 0 where nothing is topped up
 * @param finalMl the volume that results, in ml
 * @param strength how strong it is: 1 as printed, less when it is stretched, more when it is mixed stronger
 * @param checks what is said about the plan
 */
public record MixPlan(
        Recipe recipe,
        double startWaterMl,
        double startWaterLoweredByMl,
        List<PlannedAddition> additions,
        double topUpMl,
        double finalMl,
        double strength,
        Set<Check> checks) {
    private static final double STRETCHED_FROM_ML = 1e-6;

    /** What a plan points out; nothing is mended silently. */
    public enum Check {
        /** Start water was lowered, because parts and water would overshoot. */
        START_WATER_LOWERED,
        /** The level is at the mark before topping up. */
        AT_THE_MARK,
        /** Water and parts make another volume than the one wanted. */
        MAKES_OTHER_VOLUME,
        /** Weaker than printed: the parts are for less than the volume. */
        WEAKER,
        /** Stronger than printed: the parts are for more than the volume. */
        STRONGER
    }

    /**
     * How much is wanted of a bath.
     *
     * @param volumeMl the volume that it is filled up to, in ml
     * @param partsForMl the volume for which the parts are measured, in ml; the same where it is as strong as printed
     */
    public record Wanted(double volumeMl, double partsForMl) {
        /** The volume for which the parts of a recipe are measured, in ml: what is ready to use is never stretched. */
        double partsForMl(Recipe recipe) {
            return recipe.mode() == Recipe.Mode.READY_TO_USE ? volumeMl : partsForMl;
        }
    }

    /**
     * One part of the plan.
     *
     * @param addition what the recipe says
     * @param amount how much for this volume, in the part's unit
     * @param wholePart whether all that is left of the part goes in, or it only comes whole, so that it is emptied and not
     *     measured
     * @param waterAfterMl the water that goes in between it and what follows, in ml; 0 for none
     */
    public record PlannedAddition(Addition addition, double amount, boolean wholePart, double waterAfterMl) {
        /** The room that it takes in the mix, in ml. */
        public double roomMl() {
            return addition.unit().roomMl(amount);
        }

        private PlannedAddition withWaterAfter(double ml) {
            return new PlannedAddition(addition, amount, wholePart, ml);
        }
    }

    /**
     * Scales a recipe.
     *
     * @param recipe the recipe
     * @param volumeMl the volume wanted, in ml; nominal where the recipe fixes the water
     * @param left what is left of each part, by key, to tell what is emptied whole; may be empty
     * @return the plan
     * @throws Refusal {@code parts-exceed-volume} when even without start water the parts need more room
     */
    public static MixPlan of(Recipe recipe, double volumeMl, Map<String, Double> left) {
        return of(recipe, new Wanted(volumeMl, volumeMl), left);
    }

    /**
     * Scales a recipe that may be stretched or mixed stronger: the parts are measured for one volume and filled up to
     * another, and so goes the water (rules, 3.1). What is ready to use is neither. Where the water is fixed, it becomes
     * what the parts leave of the volume.
     *
     * @param recipe the recipe
     * @param wanted both volumes
     * @param left what is left of each part, by key; may be empty
     * @return the plan
     * @throws Refusal {@code parts-exceed-volume} when even without start water the parts need more room
     */
    public static MixPlan of(Recipe recipe, Wanted wanted, Map<String, Double> left) {
        double volumeMl = wanted.volumeMl();
        double partsForMl = wanted.partsForMl(recipe);
        double scale = partsForMl / recipe.finalMl();
        double waterScale = volumeMl / recipe.finalMl();
        List<PlannedAddition> additions = recipe.additions().stream()
                .map(addition -> planned(addition, scale, waterScale, left))
                .toList();
        double partsMl = additions.stream().mapToDouble(PlannedAddition::roomMl).sum();
        boolean stretched = Math.abs(partsForMl - volumeMl) > STRETCHED_FROM_ML;
        double strength = stretched ? scale * recipe.makesMl() / volumeMl : 1;
        Set<Check> checks = EnumSet.noneOf(Check.class);
        if (Slack.exceeds(1, strength)) {
            checks.add(Check.WEAKER);
        } else if (Slack.exceeds(strength, 1)) {
            checks.add(Check.STRONGER);
        }
        if (recipe.mode() == Recipe.Mode.FIXED_WATER && stretched) {
            refuseWithoutRoom(partsMl, volumeMl);
            double printedWater = recipe.startWaterMl() + recipe.waterBetweenMl();
            double part = printedWater > 0 ? (volumeMl - partsMl) / (printedWater * waterScale) : 0;
            return new MixPlan(
                    recipe,
                    printedWater > 0 ? recipe.startWaterMl() * waterScale * part : volumeMl - partsMl,
                    0,
                    watered(additions, part),
                    0,
                    volumeMl,
                    strength,
                    checks);
        }
        if (recipe.mode() != Recipe.Mode.TOP_UP) {
            double water = recipe.startWaterMl() * waterScale;
            double made = water + recipe.waterBetweenMl() * waterScale + partsMl;
            if (Math.abs(made - volumeMl) > 0.005 * volumeMl) {
                checks.add(Check.MAKES_OTHER_VOLUME);
            }
            return new MixPlan(recipe, water, 0, additions, 0, made, 1, checks);
        }
        refuseWithoutRoom(partsMl, volumeMl);
        double water = recipe.startWaterMl() * waterScale;
        double between = recipe.waterBetweenMl() * waterScale;
        double excess = Math.max(0, water + between + partsMl - volumeMl);
        double topUp = Math.max(0, volumeMl - partsMl - water - between);
        double tooMuchBetween = Math.max(0, excess - water);
        if (Slack.exceeds(excess, 0)) {
            checks.add(Check.START_WATER_LOWERED);
        }
        if (!Slack.exceeds(topUp, 0)) {
            checks.add(Check.AT_THE_MARK);
        }
        return new MixPlan(
                recipe,
                Math.max(0, water - excess),
                excess,
                tooMuchBetween > 0 ? watered(additions, 1 - tooMuchBetween / between) : additions,
                topUp,
                volumeMl,
                strength,
                checks);
    }

    private static List<PlannedAddition> watered(List<PlannedAddition> additions, double part) {
        return additions.stream()
                .map(each -> each.withWaterAfter(each.waterAfterMl() * part))
                .toList();
    }

    /** The water that goes in between parts, in ml; 0 for none. */
    public double waterBetweenMl() {
        return additions.stream().mapToDouble(PlannedAddition::waterAfterMl).sum();
    }

    /** Everything that goes in before topping up, water of one temperature and parts of another. */
    private double waterMl() {
        return startWaterMl + waterBetweenMl();
    }

    private static void refuseWithoutRoom(double partsMl, double volumeMl) {
        if (Slack.exceeds(partsMl, volumeMl)) {
            throw Refusal.of(new MixingObjection.PartsExceedVolume(partsMl, volumeMl));
        }
    }

    private static PlannedAddition planned(
            Addition addition, double scale, double waterScale, Map<String, Double> left) {
        Double there = left.get(addition.part());
        double amount = addition.amount() * scale;
        boolean only = !addition.unit().isMeasured();
        return new PlannedAddition(
                addition,
                amount,
                only || (there != null && Math.abs(there - amount) <= 1e-6),
                addition.waterAfterMl() * waterScale);
    }

    /**
     * The temperature once all parts are in, in °C: a balance of heat over water, liquids and powder (rules, 3.2).
     *
     * @param roomC the temperature of the parts, in °C
     * @param startWaterC the temperature of the start water, in °C
     */
    public double afterPartsC(double roomC, double startWaterC) {
        double heat = partsHeat();
        return (waterMl() * startWaterC + heat * roomC) / (waterMl() + heat);
    }

    /**
     * The temperature after topping up, in °C.
     *
     * @param roomC the temperature of the parts, in °C
     * @param startWaterC the temperature of the start water, in °C
     * @param topUpC the temperature of the water that tops up, in °C
     */
    public double landedC(double roomC, double startWaterC, double topUpC) {
        double heat = partsHeat();
        return (waterMl() * startWaterC + heat * roomC + topUpMl * topUpC) / (waterMl() + heat + topUpMl);
    }

    /**
     * How warm the start water must be for the mix to land at a temperature, in °C. It may lie beyond what the house
     * can draw, or beyond the recipe's mixing maximum.
     *
     * @param roomC the temperature of the parts, in °C
     * @param topUpC the temperature of the water that tops up, in °C
     * @param wantedC where the mix shall land, in °C
     * @throws Refusal {@code no-start-water} when none goes in
     */
    public double startWaterForLandingC(double roomC, double topUpC, double wantedC) {
        if (!Slack.exceeds(waterMl(), 0)) {
            throw Refusal.of(new MixingObjection.NoStartWater());
        }
        double heat = partsHeat();
        double wanted = wantedC * (waterMl() + heat + topUpMl);
        return (wanted - heat * roomC - topUpMl * topUpC) / waterMl();
    }

    private double partsHeat() {
        return additions.stream()
                .mapToDouble(each -> each.addition().unit().heat(each.amount()))
                .sum();
    }
}
