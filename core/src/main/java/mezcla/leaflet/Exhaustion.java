package mezcla.leaflet;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import mezcla.measure.Refusal;

/** How a leaflet lengthens a time as a bath is used (rules, 4.2). */
public sealed interface Exhaustion {
    /**
     * What it comes to, by its kind.
     *
     * @param fixed where the time stays the same
     * @param perRoll takes the percent of the base time a roll
     * @param steps takes the list, one line at least
     */
    <T> T by(Supplier<T> fixed, DoubleFunction<T> perRoll, Function<List<Step>, T> steps);

    /** The same for what only has to be done. */
    default void tell(Runnable fixed, DoubleConsumer perRoll, Consumer<List<Step>> steps) {
        Runnable told = by(() -> fixed, percent -> () -> perRoll.accept(percent), list -> () -> steps.accept(list));
        told.run();
    }

    /** The time stays the same as long as the bath is good. */
    record Fixed() implements Exhaustion {
        @Override
        public <T> T by(Supplier<T> fixed, DoubleFunction<T> perRoll, Function<List<Step>, T> steps) {
            return fixed.get();
        }
    }

    /**
     * So many percent more for every roll already done.
     *
     * @param percent percent of the base time a roll
     */
    record PerRoll(double percent) implements Exhaustion {
        @Override
        public <T> T by(Supplier<T> fixed, DoubleFunction<T> perRoll, Function<List<Step>, T> steps) {
            return perRoll.apply(percent);
        }
    }

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

        @Override
        public <T> T by(Supplier<T> fixed, DoubleFunction<T> perRoll, Function<List<Step>, T> listed) {
            return listed.apply(steps);
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
