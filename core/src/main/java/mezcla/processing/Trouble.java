package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mezcla.log.Accident;

/**
 * Something that went wrong in a run (rules, section 7).
 *
 * @param step the step, from 0
 * @param seconds how long after the step began, in seconds; 0 for before
 * @param what it was
 * @param otherStep the step whose bath came in instead, or whose bottle was taken; −1 where nobody said, or for none
 */
public record Trouble(int step, double seconds, Accident what, int otherStep) {
    private static final int STEPS = 100;

    /**
     * Everything that went wrong, in the order of saying.
     *
     * @param happened what was confirmed and stands
     */
    public static List<Trouble> all(List<RunProgress.Event> happened) {
        List<Trouble> all = new ArrayList<>();
        for (RunProgress.Event event : happened) {
            if (event.kind() == RunProgress.Kind.TROUBLE) {
                read(event, seconds(happened, event)).ifPresent(all::add);
            }
        }
        return all;
    }

    private static double seconds(List<RunProgress.Event> happened, RunProgress.Event event) {
        Instant poured = happened.stream()
                .filter(each -> each.kind() == RunProgress.Kind.POUR && each.step() == event.step())
                .map(RunProgress.Event::at)
                .findFirst()
                .orElse(event.at());
        return Math.max(0, Duration.between(poured, event.at()).toMillis() / 1000.0);
    }

    /** A ribbon notes the number of the accident, and 100 more for each step up to the other one, from 1. */
    private static Optional<Trouble> read(RunProgress.Event event, double seconds) {
        int whole = (int) event.value();
        return Accident.of(whole % STEPS).map(what -> new Trouble(event.step(), seconds, what, whole / STEPS - 1));
    }

    /**
     * Whether a ribbon may note that.
     *
     * @param event a trouble
     * @param steps how many steps the run has
     */
    public static boolean isKnown(RunProgress.Event event, int steps) {
        return event.value() == Math.rint(event.value())
                && read(event, 0).filter(trouble -> trouble.otherStep() < steps).isPresent();
    }

    /** As a ribbon notes it. */
    public static double noted(Accident what, int otherStep) {
        return what.number() + (otherStep + 1.0) * STEPS;
    }
}
