package mezcla.processing;

import mezcla.leaflet.PrintedTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * How a house or a member does one step otherwise than its sheet prints it (rules, section 7).
 *
 * @param leftOut whether it is left out
 * @param seconds how long it takes, in seconds; null for as planned
 * @param water whether water that is printed both ways goes by its time or by its fills
 * @param rinsed whether half a minute of water comes after it
 * @param movement how the tank is moved in it; null for as in the whole run
 */
public record StepChoice(
        boolean leftOut, @Nullable Integer seconds, Water water, boolean rinsed, @Nullable Movement movement) {
    private static final double LONGEST_SECONDS = 3600;

    /** As printed. */
    public static final StepChoice PRINTED = new StepChoice(false, null, Water.PRINTED, false, null);

    /** How long water lasts that a sheet prints both ways. */
    public enum Water {
        /** By the first that is printed. */
        PRINTED,
        /** By the clock. */
        TIME,
        /** By fills. */
        FILLS
    }

    /** Whether it says nothing else than the sheet. */
    public boolean isAsPrinted() {
        return equals(PRINTED);
    }

    StepChoice withoutTime() {
        return new StepChoice(leftOut, null, water, rinsed, movement);
    }

    /**
     * How long the step takes.
     *
     * @param name what it is called
     * @param plannedSeconds how long it is to take, in seconds
     * @param printed what the sheet allows of it
     * @param developer whether it develops, so that more of it is not harmless
     * @throws Refusal {@code time-too-short} where the time is shorter than planned; {@code time-outside-sheet} where a
     *     developer's is, or is longer than
     *     the range that is printed for it, as much longer as it was planned
     */
    double lasts(String name, double plannedSeconds, PrintedTime printed, boolean developer) {
        if (seconds == null) {
            return plannedSeconds;
        }
        double most = developer && !Double.isInfinite(printed.mostSeconds())
                ? plannedSeconds * printed.mostSeconds() / printed.seconds()
                : LONGEST_SECONDS;
        if (!developer && !Slack.reaches(seconds, plannedSeconds)) {
            throw Refusal.of(new ProcessingObjection.TimeTooShort(name, plannedSeconds));
        }
        if (!Slack.reaches(seconds, plannedSeconds) || Slack.exceeds(seconds, most)) {
            throw Refusal.of(new ProcessingObjection.TimeOutsideSheet(name, plannedSeconds, most));
        }
        return seconds;
    }
}
