package mezcla.leaflet;

import java.util.List;
import mezcla.measure.Refusal;

/** How a leaflet lengthens a time as a bath is used (rules, 4.2). */
public sealed interface Exhaustion {
    /** The time stays the same as long as the bath is good. */
    record Fixed() implements Exhaustion {}

    /**
     * So many percent more for every roll already done.
     *
     * @param percent percent of the base time a roll
     */
    record PerRoll(double percent) implements Exhaustion {}

    /**
     * A list of times by the number of the roll.
     *
     * @param steps in rising order of rolls, one at least
     */
    record Steps(List<Step> steps) implements Exhaustion {
        /** Refuses an empty list as {@code steps-missing}, steps out of order as {@code steps-out-of-order}. */
        public Steps {
            steps = List.copyOf(steps);
            if (steps.isEmpty()) {
                throw Refusal.of(new LeafletObjection.StepsMissing());
            }
            for (int i = 1; i < steps.size(); i++) {
                if (steps.get(i).upTo() <= steps.get(i - 1).upTo()) {
                    throw Refusal.of(
                            new LeafletObjection.StepsOutOfOrder(steps.get(i).upTo()));
                }
            }
        }
    }

    /**
     * One line of the list.
     *
     * @param upTo the last roll that it holds for
     * @param seconds the time for it
     */
    record Step(double upTo, double seconds) {}
}
