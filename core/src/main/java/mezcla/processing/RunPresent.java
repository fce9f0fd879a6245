package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where a run stands: what was confirmed of it, folded. The browser folds the same events in the same way, to show them;
 * both are tried on the same cases.
 *
 * <ul>
 *   <li>A step begins when its pour is confirmed; only a later step than the present one can begin.
 *   <li>Anything else belongs to the step that it names, and counts while that is the present one.
 *   <li>A second pause while it waits says nothing new: it waits since the first.
 *   <li>Nothing counts after the end.
 * </ul>
 *
 * @param step the step that was begun last, from 0; −1 before the first
 * @param pouredAt when it was poured; null before the first
 * @param changedSeconds how much longer it was made, in seconds; below 0 for shorter
 * @param pausedSeconds how long it has waited in pauses that are over, in seconds
 * @param waitingSince since when it waits; null where it does not
 * @param fills how many of its fills are out
 * @param moved when the tank was moved, in seconds from its pour
 * @param done whether the run is over
 */
public record RunPresent(
        int step,
        @Nullable Instant pouredAt,
        double changedSeconds,
        double pausedSeconds,
        @Nullable Instant waitingSince,
        int fills,
        List<Double> moved,
        boolean done) {
    private static final RunPresent BEFORE = new RunPresent(-1, null, 0, 0, null, 0, List.of(), false);

    /** Keeps its own list. */
    public RunPresent {
        moved = List.copyOf(moved);
    }

    /**
     * Folds what was confirmed.
     *
     * @param steps how many steps the run has
     * @param happened what was confirmed, in the order of confirming
     */
    public static RunPresent of(int steps, List<RunProgress.Event> happened) {
        RunPresent present = BEFORE;
        for (RunProgress.Event event : happened) {
            present = present.after(event, steps);
        }
        return present;
    }

    /** After something more was confirmed. */
    RunPresent after(RunProgress.Event event, int steps) {
        if (done) {
            return this;
        }
        if (event.kind() == RunProgress.Kind.POUR) {
            return event.step() > step && event.step() < steps
                    ? new RunPresent(event.step(), event.at(), 0, 0, null, 0, List.of(), false)
                    : this;
        }
        return pouredAt == null || event.step() != step ? this : after(event, pouredAt);
    }

    private RunPresent after(RunProgress.Event event, Instant poured) {
        return switch (event.kind()) {
            case CHANGE ->
                new RunPresent(
                        step, poured, changedSeconds + event.value(), pausedSeconds, waitingSince, fills, moved, false);
            case PAUSE ->
                waitingSince != null
                        ? this
                        : new RunPresent(step, poured, changedSeconds, pausedSeconds, event.at(), fills, moved, false);
            case GO_ON ->
                waitingSince == null
                        ? this
                        : new RunPresent(
                                step,
                                poured,
                                changedSeconds,
                                pausedSeconds + between(waitingSince, event.at()),
                                null,
                                fills,
                                moved,
                                false);
            case FILL ->
                new RunPresent(step, poured, changedSeconds, pausedSeconds, waitingSince, fills + 1, moved, false);
            case MOVED -> {
                List<Double> all = new ArrayList<>(moved);
                all.add(between(poured, event.at()));
                yield new RunPresent(step, poured, changedSeconds, pausedSeconds, waitingSince, fills, all, false);
            }
            case DONE -> new RunPresent(step, poured, changedSeconds, pausedSeconds, waitingSince, fills, moved, true);
            case POUR, UNTICKED, TROUBLE, TEMPERATURE, TAKEN_BACK -> this;
        };
    }

    /** What a press of the main button says. */
    public enum Press {
        /** The next bath goes in. */
        POUR,
        /** One more fill of water is out. */
        FILL,
        /** The tank was moved. */
        MOVED,
        /** The film comes out. */
        DONE,
        /** Nothing: there is only to wait. */
        NONE
    }

    /**
     * Which press takes the run on (rules, section 7).
     *
     * @param open whether the present step goes on until somebody sees that it is enough
     * @param inFills how many fills of water it is; 0 where it is timed
     * @param last whether no step comes after it
     * @param over whether its time is over
     * @param due whether a movement is due that is ticked off
     */
    public Press press(boolean open, int inFills, boolean last, boolean over, boolean due) {
        if (done) {
            return Press.NONE;
        }
        if (step < 0) {
            return Press.POUR;
        }
        Press on = last ? Press.DONE : Press.POUR;
        if (open) {
            return on;
        }
        if (fills < inFills) {
            return Press.FILL;
        }
        if (over) {
            return on;
        }
        return due ? Press.MOVED : Press.NONE;
    }

    /** How long it has waited by a moment, in seconds, a pause that goes on among it. */
    public double waitedSeconds(Instant by) {
        return waitingSince == null ? pausedSeconds : pausedSeconds + Math.max(0, between(waitingSince, by));
    }

    /** How long the present step has lasted by a moment, in seconds, without pauses; null before the first. */
    public @Nullable Double elapsedSeconds(Instant by) {
        return pouredAt == null
                ? null
                : Double.valueOf(
                        Math.max(0, between(pouredAt, waitingSince == null ? by : waitingSince) - pausedSeconds));
    }

    private static double between(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }
}
