package mezcla.verdict;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.ToDoubleFunction;
import mezcla.batch.FillState;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.Timing;
import mezcla.measure.Slack;
import mezcla.mixing.HouseWater;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.processing.WarmUp;

/**
 * What a run wants warm (rules, section 9): every bath whose range lies above the room, each to its own range and all of
 * them in one tub, and the water for soaking and washing: from the taps where the house's hot water reaches it, else from
 * a vessel of its own in the tub.
 *
 * @param bottles the bottles that stand in the tub, in the order of use
 * @param inTub the water that stands in the tub with them
 * @param fromTaps the water that comes from the taps
 * @param targetC how warm the tub is held, in °C: what the developer wants
 * @param leastC the least that the developer wants, in °C
 * @param mostC the most that it stands, in °C
 */
public record Warming(
        List<Bottle> bottles, List<Water> inTub, List<FromTaps> fromTaps, double targetC, double leastC, double mostC) {
    /** How near water for soaking and washing has to be to what is printed, in °C; <em>house</em>. */
    public static final double WATER_TOLERANCE_C = 1;

    private static final double ML_A_LITRE = 1000;

    /** Keeps its own lists. */
    public Warming {
        bottles = List.copyOf(bottles);
        inTub = List.copyOf(inTub);
        fromTaps = List.copyOf(fromTaps);
    }

    /**
     * A bottle in the tub.
     *
     * @param fill what is in it
     * @param leastC from where on it is warm enough, in °C
     * @param mostC up to where it is not too warm, in °C
     */
    public record Bottle(FillState fill, double leastC, double mostC) {}

    /**
     * Water in the tub.
     *
     * @param name what it is for
     * @param ml how much, in ml
     * @param atC how warm it is wanted, in °C
     * @param leastC from where on that is near enough, in °C
     * @param mostC up to where, in °C
     * @param neededAfter how long after the first pouring it is needed, in seconds
     */
    public record Water(String name, double ml, double atC, double leastC, double mostC, int neededAfter) {}

    /**
     * Water from the taps.
     *
     * @param name what it is for
     * @param ml how much, in ml
     * @param atC how warm it is wanted, in °C
     * @param drawn how it is blended
     */
    public record FromTaps(String name, double ml, double atC, HouseWater.Drawn drawn) {}

    /**
     * What a run wants warm.
     *
     * @param plan the run: its tank says how much water
     * @param steps what its film goes through, as it is done here
     * @param house the water of the house's taps, and how warm its room is
     */
    public static Warming of(RunPlan plan, RunSteps steps, HouseWater house) {
        List<Bottle> bottles = new ArrayList<>();
        double targetC = house.roomC();
        double leastC = house.roomC();
        double mostC = house.roomC();
        for (RunPlan.PlannedBath bath : plan.baths()) {
            Timing timing = bath.fill().bath().timing();
            double shift =
                    plan.celsius(bath).map(celsius -> celsius - timing.atC()).orElse(0.0);
            if (plan.batch().isImageDeveloper(bath.fill())) {
                targetC = timing.atC() + shift;
                leastC = timing.leastC() + shift;
                mostC = timing.mostC() + shift;
            }
            boolean isPoured = isPoured(plan, bath, steps);
            if (isPoured && bath.fill().inBottleMl() > 0 && Slack.exceeds(timing.leastC() + shift, house.roomC())) {
                bottles.add(new Bottle(bath.fill(), timing.leastC() + shift, timing.mostC() + shift));
            }
        }
        List<Water> inTub = new ArrayList<>();
        List<FromTaps> fromTaps = new ArrayList<>();
        for (Water water : water(plan, steps, house.roomC())) {
            HouseWater.Drawn drawn = house.drawn(water.ml(), water.atC());
            if (drawn.source() == HouseWater.Source.HOT_TAP || drawn.source() == HouseWater.Source.COLD_TAP) {
                fromTaps.add(new FromTaps(water.name(), water.ml(), water.atC(), drawn));
            } else {
                inTub.add(water);
            }
        }
        return new Warming(bottles, inTub, fromTaps, targetC, leastC, mostC);
    }

    /** Whether a bath is poured as warm as it is printed: not where its step is left out or goes in as warm as the room. */
    private static boolean isPoured(RunPlan plan, RunPlan.PlannedBath bath, RunSteps steps) {
        String place = plan.batch().placeOf(bath.fill());
        return steps.steps().stream().anyMatch(step -> place.equals(step.bath()) && step.atC() != null);
    }

    /** Warm water by what it is for and how warm: as much as the tank takes for each filling. */
    private static List<Water> water(RunPlan plan, RunSteps steps, double roomC) {
        Map<String, Water> all = new LinkedHashMap<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            RunSteps.Step step = steps.steps().get(i);
            Schedule.Timed timed = steps.schedule().steps().get(i);
            Double atC = step.atC();
            if (!isWater(step) || atC == null) {
                continue;
            }
            double leastC = Objects.requireNonNullElse(step.leastC(), atC - WATER_TOLERANCE_C);
            double mostC = Objects.requireNonNullElse(step.mostC(), atC + WATER_TOLERANCE_C);
            if (Slack.exceeds(leastC, roomC)) {
                double ml = Math.max(1, step.fills()) * plan.question().tankMl();
                Water water = new Water(
                        step.kind() == ProcessStep.Kind.PRE_SOAK ? "the pre-soak" : "washing",
                        ml,
                        atC,
                        leastC,
                        mostC,
                        (int) Math.floor(timed.startsAt()));
                all.merge(
                        water.name() + atC + leastC + mostC,
                        water,
                        (first, more) -> new Water(
                                first.name(),
                                first.ml() + more.ml(),
                                first.atC(),
                                first.leastC(),
                                first.mostC(),
                                first.neededAfter()));
            }
        }
        return List.copyOf(all.values());
    }

    private static boolean isWater(RunSteps.Step step) {
        return step.role() == null && step.kind() != ProcessStep.Kind.WETTING_AGENT;
    }

    /**
     * Everything in the tub as it is simulated, the bottles first, then the water.
     *
     * @param bottleWPerK what passes between a bottle and the tub, in W/K
     * @param bottlesC how warm bottles and water are at the beginning, in °C
     */
    public List<WarmUp.Wanted> wanted(ToDoubleFunction<FillState> bottleWPerK, double bottlesC) {
        List<WarmUp.Wanted> wanted = new ArrayList<>();
        for (Bottle bottle : bottles) {
            wanted.add(new WarmUp.Wanted(
                    new WarmUp.Warmed(
                            bottle.fill().inBottleMl() / ML_A_LITRE,
                            bottleWPerK.applyAsDouble(bottle.fill()),
                            bottlesC),
                    bottle.leastC(),
                    bottle.mostC()));
        }
        for (Water water : inTub) {
            double litres = water.ml() / ML_A_LITRE;
            wanted.add(new WarmUp.Wanted(
                    new WarmUp.Warmed(litres, WarmUp.usualWPerK(false, litres), bottlesC),
                    water.leastC(),
                    water.mostC(),
                    water.neededAfter()));
        }
        return wanted;
    }
}
