package mezcla.processing;

import java.util.function.Function;
import java.util.function.Supplier;
import mezcla.measure.Refusal;

/** How the tank is moved during a step (rules, section 7). */
public sealed interface Agitation {
    /**
     * What it comes to, by its kind.
     *
     * @param continuous where it never rests
     * @param intervals where it does
     */
    <T> T by(Supplier<T> continuous, Function<Intervals, T> intervals);

    /** Without a pause, from when the tank is full until pouring out. */
    record Continuous() implements Agitation {
        @Override
        public <T> T by(Supplier<T> continuous, Function<Intervals, T> intervals) {
            return continuous.get();
        }
    }

    /**
     * At first for a while, then for a moment at regular times.
     *
     * @param initialSeconds how long at first
     * @param everySeconds how often after that, counted from the start of the step; infinite where it then stands still
     * @param forSeconds how long each time
     * @param turns how many turns that is, where it is counted and not timed; 0 else
     */
    record Intervals(double initialSeconds, double everySeconds, double forSeconds, int turns) implements Agitation {
        /** Intervals by seconds. */
        public Intervals(double initialSeconds, double everySeconds, double forSeconds) {
            this(initialSeconds, everySeconds, forSeconds, 0);
        }

        /** Refuses intervals of no length, as {@code agitation-missing}. */
        public Intervals {
            if (!(initialSeconds >= 0 && everySeconds > 0 && forSeconds > 0)) {
                throw Refusal.of(new ProcessingObjection.AgitationMissing());
            }
        }

        /** Whether the tank stands still once it was moved at first. */
        public boolean isAtFirstOnly() {
            return Double.isInfinite(everySeconds);
        }

        @Override
        public <T> T by(Supplier<T> continuous, Function<Intervals, T> intervals) {
            return intervals.apply(this);
        }
    }
}
