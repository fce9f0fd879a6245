package mezcla.leaflet;

import java.util.ArrayList;
import java.util.List;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What is odd about a sheet as it was typed in: it may be a slip of the typist or of the printer. Each is pointed out
 * and none is mended (rules, 3.1, 4.2 and 4.4).
 */
public final class LeafletCheck {
    private static final double MOST_OF_A_DEVELOPER_C = 0.5;
    private static final double SAME = 0.005;

    private static final double SHORT_SECONDS = 60;
    private static final double LONG_SECONDS = 1800;
    private static final double COLD_C = 15;
    private static final double HOT_C = 50;
    private static final double SAME_C = 0.05;

    private final Leaflet leaflet;
    private final List<Remark> remarks = new ArrayList<>();

    private LeafletCheck(Leaflet leaflet) {
        this.leaflet = leaflet;
    }

    /** What is odd. */
    public enum Code {
        /** A bath that is mixed of nothing. */
        BATH_WITHOUT_PARTS,
        /** Start water and parts need more room than the bath has; the figure is by how much, in ml. */
        RECIPE_OVERSHOOTS,
        /** Water and parts make another volume than the sheet says; the figure is what they make, in ml. */
        RECIPE_MAKES_OTHER_VOLUME,
        /** All baths together take more of a part than the kit has; figure and limit are both amounts. */
        PART_TAKES_MORE,
        /** All baths together leave some of a part; the figure is how much. */
        PART_LEFT_OVER,
        /** A part that goes into no bath. */
        PART_UNUSED,
        /** The capacity goes beyond the last printed time; figure and limit are rolls. */
        CAPACITY_BEYOND_STEPS,
        /** A later roll has a shorter time; the figure is the roll. */
        STEPS_FALL,
        /** A developer that may be off by more than half a degree; the figure is by how much, in K. */
        DEVELOPER_TOLERANCE,
        /** A warmer bath takes longer; the figure is the temperature, in °C. */
        TABLE_RISES,
        /** Shares of the kit's value make something else than the whole; the figure is what, 1 for the whole. */
        VALUE_SHARES,
        /** Once open a part lasts longer than sealed. */
        OPENED_OUTLASTS_SEALED,
        /** A bath that the list of steps leaves out. */
        STEP_MISSING,
        /** A developer or bleach for less than a minute; the figure is the time, in seconds. */
        SHORT_TIME,
        /** Longer than any such bath takes; the figure is the time, in seconds. */
        LONG_TIME,
        /** Colder or hotter than such a bath is run; the figure is the temperature, in °C. */
        TEMPERATURE_ODD,
        /** The capacity is printed for another volume than the kit makes; figure and limit are ml. */
        CAPACITY_FOR_OTHER_VOLUME,
        /** No tolerance is printed, so that the house's stands in; the figure is by how much, in K. */
        TOLERANCE_NOT_PRINTED,
        /** Its process needs a bath that the sheet does not have; {@link Remark#missing} is its role. */
        BATH_MISSING,
        /** The table has another time for the printed temperature; figure and limit are seconds. */
        TABLE_CONTRADICTS,
        /** No life is printed, so that the house's stands in. */
        LIFE_NOT_PRINTED,
        /** No capacity is printed, so that the house's stands in. */
        CAPACITY_NOT_PRINTED,
        /** A bath whose role does not belong to the sheet's process. */
        ROLE_OF_ANOTHER_PROCESS,
        /** A bath after one that no process has before it; {@link Remark#missing} is that one. */
        ORDER_ODD,
        /** A part that is named for another bath than it goes into; {@link Remark#missing} is what it is named for. */
        PART_OF_ANOTHER_BATH
    }

    /**
     * One remark.
     *
     * @param code what is odd
     * @param bath the bath; null where it is about none
     * @param part the part; null where it is about none
     * @param figure the figure that is odd
     * @param limit what it should be
     * @param missing the role of a bath that is missing, or that something is mistaken for; null for everything else
     */
    public record Remark(
            Code code,
            @Nullable Bath bath,
            @Nullable Part part,
            double figure,
            double limit,
            @Nullable BathRole missing) {
        /** Whether it only says what stands in for what the sheet leaves out. */
        public boolean isOnlySaid() {
            return code == Code.LIFE_NOT_PRINTED
                    || code == Code.CAPACITY_NOT_PRINTED
                    || code == Code.TOLERANCE_NOT_PRINTED;
        }
    }

    /** Everything that is odd about a leaflet, in the order of the sheet. */
    public static List<Remark> of(Leaflet leaflet) {
        LeafletCheck check = new LeafletCheck(leaflet);
        leaflet.parts().forEach(check::part);
        leaflet.baths().forEach(check::bath);
        check.order();
        check.valueShares();
        if (!leaflet.isOfOneBathAlone()) {
            leaflet.process()
                    .missing(leaflet.baths().stream().map(Bath::role).toList())
                    .forEach(role -> check.remarks.add(new Remark(Code.BATH_MISSING, null, null, 0, 0, role)));
        }
        return check.remarks;
    }

    private void part(Part part) {
        double taken = leaflet.baths().stream()
                .mapToDouble(bath -> taken(bath.recipe(), part.key()))
                .sum();
        if (taken == 0) {
            add(Code.PART_UNUSED, null, part, 0, 0);
        } else if (taken > part.amount() * (1 + SAME)) {
            add(Code.PART_TAKES_MORE, null, part, taken, part.amount());
        } else if (taken < part.amount() * (1 - SAME)) {
            add(Code.PART_LEFT_OVER, null, part, part.amount() - taken, part.amount());
        }
        Double sealed = part.unopenedDays();
        Double opened = part.openedDays();
        if (sealed != null && opened != null && opened > sealed) {
            add(Code.OPENED_OUTLASTS_SEALED, null, part, opened, sealed);
        }
    }

    private double taken(Recipe recipe, String part) {
        double scale = leaflet.makesMl() / recipe.finalMl();
        return recipe.additions().stream()
                .filter(addition -> addition.part().equals(part))
                .mapToDouble(addition -> addition.amount() * scale)
                .sum();
    }

    private void bath(Bath bath) {
        Recipe recipe = bath.recipe();
        if (recipe.additions().isEmpty()) {
            add(Code.BATH_WITHOUT_PARTS, bath, null, 0, 0);
        }
        double made = recipe.startWaterMl() + recipe.waterBetweenMl() + recipe.partsMl();
        if (recipe.mode() == Recipe.Mode.TOP_UP) {
            if (made > recipe.finalMl() * (1 + SAME)) {
                add(Code.RECIPE_OVERSHOOTS, bath, null, made - recipe.finalMl(), recipe.finalMl());
            }
        } else if (!recipe.additions().isEmpty() && Math.abs(made - recipe.finalMl()) > recipe.finalMl() * SAME) {
            add(Code.RECIPE_MAKES_OTHER_VOLUME, bath, null, made, recipe.finalMl());
        }
        timing(bath);
        limits(bath);
        recipe.additions().forEach(addition -> namedFor(bath, addition.part()));
        if (!leaflet.process().expects(bath.role())) {
            add(Code.ROLE_OF_ANOTHER_PROCESS, bath, null, 0, 0);
        }
        if (!leaflet.steps().isEmpty()
                && leaflet.steps().stream().noneMatch(step -> bath.key().equals(step.bath()))) {
            add(Code.STEP_MISSING, bath, null, 0, 0);
        }
    }

    /** Each after what comes before it; a stop belongs after a developer. */
    private void order() {
        BathRole before = null;
        BathRole last = null;
        for (Bath bath : leaflet.baths()) {
            BathRole role = bath.role();
            if (role.nature() == BathRole.Nature.STOP) {
                if (last != null && !last.isDeveloper()) {
                    remarks.add(new Remark(Code.ORDER_ODD, bath, null, 0, 0, last));
                }
            } else if (role.nature() != BathRole.Nature.OTHER) {
                if (before != null && role.place().compareTo(before.place()) < 0) {
                    remarks.add(new Remark(Code.ORDER_ODD, bath, null, 0, 0, before));
                }
                before = role;
            }
            last = role;
        }
    }

    private void namedFor(Bath bath, String key) {
        Part part = leaflet.part(key);
        BathRole named = BathRole.namedBy(part.name());
        if (named != null && !bath.role().mayTakeWhatIsNamedFor(named)) {
            remarks.add(new Remark(Code.PART_OF_ANOTHER_BATH, bath, part, 0, 0, named));
        }
    }

    private void limits(Bath bath) {
        BathRole.Nature nature = bath.role().nature();
        if (bath.lifeDays() == null && nature != BathRole.Nature.OTHER) {
            add(Code.LIFE_NOT_PRINTED, bath, null, 0, 0);
        }
        boolean wears = bath.role().isDeveloper()
                || bath.role().fixes()
                || nature == BathRole.Nature.BLEACH
                || nature == BathRole.Nature.STABILISER;
        if (bath.capacity() == null && wears) {
            add(Code.CAPACITY_NOT_PRINTED, bath, null, 0, 0);
        }
        boolean another = isAnother(bath.capacityForMl(), bath.recipe().finalMl())
                && isAnother(bath.capacityForMl(), leaflet.makesMl());
        if (bath.capacity() != null && bath.oneShot() == null && another) {
            add(
                    Code.CAPACITY_FOR_OTHER_VOLUME,
                    bath,
                    null,
                    bath.capacityForMl(),
                    bath.recipe().finalMl());
        }
    }

    private static boolean isAnother(double ml, double printedMl) {
        return Math.abs(ml - printedMl) > SAME * printedMl;
    }

    private void timing(Bath bath) {
        Timing timing = bath.timing();
        boolean takesLong =
                bath.role().isDeveloper() || bath.role().fixes() || bath.role().nature() == BathRole.Nature.BLEACH;
        if (takesLong && Slack.exceeds(SHORT_SECONDS, timing.baseSeconds())) {
            add(Code.SHORT_TIME, bath, null, timing.baseSeconds(), SHORT_SECONDS);
        }
        if (Slack.exceeds(timing.baseSeconds(), LONG_SECONDS)) {
            add(Code.LONG_TIME, bath, null, timing.baseSeconds(), LONG_SECONDS);
        }
        boolean cold = takesLong && Slack.exceeds(COLD_C, timing.atC());
        if (cold || Slack.exceeds(timing.atC(), HOT_C)) {
            add(Code.TEMPERATURE_ODD, bath, null, timing.atC(), cold ? COLD_C : HOT_C);
        }
        if (!timing.printsTolerance()) {
            add(Code.TOLERANCE_NOT_PRINTED, bath, null, timing.mostC() - timing.atC(), 0);
        }
        for (Timing.TimeAt point : timing.temperatureTable()) {
            if (Math.abs(point.c() - timing.atC()) <= SAME_C
                    && Math.abs(point.seconds() - timing.baseSeconds()) > SAME * timing.baseSeconds()) {
                add(Code.TABLE_CONTRADICTS, bath, null, point.seconds(), timing.baseSeconds());
            }
        }
        timing.exhaustion().tell(() -> {}, percent -> {}, steps -> lengthening(bath, steps));
        double off = Math.max(timing.mostC() - timing.atC(), timing.atC() - timing.leastC());
        if (bath.role().isDeveloper() && Slack.exceeds(off, MOST_OF_A_DEVELOPER_C)) {
            add(Code.DEVELOPER_TOLERANCE, bath, null, off, MOST_OF_A_DEVELOPER_C);
        }
        List<Timing.TimeAt> table = timing.temperatureTable();
        for (int i = 1; i < table.size(); i++) {
            if (table.get(i).seconds() > table.get(i - 1).seconds()) {
                add(
                        Code.TABLE_RISES,
                        bath,
                        null,
                        table.get(i).c(),
                        table.get(i - 1).c());
            }
        }
    }

    private void lengthening(Bath bath, List<Exhaustion.Step> steps) {
        double last = steps.get(steps.size() - 1).upTo();
        Range capacity = bath.capacity();
        if (capacity != null && Slack.exceeds(capacity.max(), last)) {
            add(Code.CAPACITY_BEYOND_STEPS, bath, null, capacity.max(), last);
        }
        for (int i = 1; i < steps.size(); i++) {
            if (steps.get(i).seconds() < steps.get(i - 1).seconds()) {
                add(
                        Code.STEPS_FALL,
                        bath,
                        null,
                        steps.get(i).upTo(),
                        steps.get(i - 1).upTo());
            }
        }
    }

    private void valueShares() {
        if (leaflet.parts().stream().allMatch(part -> part.valueShare() == null)) {
            return;
        }
        double sum = leaflet.parts().stream()
                .mapToDouble(part -> leaflet.valueShare(part.key()))
                .sum();
        if (Math.abs(sum - 1) > SAME) {
            add(Code.VALUE_SHARES, null, null, sum, 1);
        }
    }

    private void add(Code code, @Nullable Bath bath, @Nullable Part part, double figure, double limit) {
        remarks.add(new Remark(code, bath, part, figure, limit, null));
    }
}
