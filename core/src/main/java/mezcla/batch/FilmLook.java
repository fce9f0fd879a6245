package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import org.jspecify.annotations.Nullable;

/** When film can be judged, and what that corrects (rules, sections 4.5 and 6). */
public final class FilmLook {
    /** How much a trim changes at once, in percent; <em>house</em>. */
    public static final double TRIM_STEP = 4;

    private static final Duration DRY_AFTER = Duration.ofHours(2);

    private FilmLook() {}

    /** Whether the film of a run is dry, so that it can be judged. */
    public static boolean isDry(RunLogged run, Instant now) {
        return !now.isBefore(run.stamp().happenedAt().plus(DRY_AFTER));
    }

    /**
     * The trim that a look leaves a developer with, in percent: thin film adds, dense film takes away.
     *
     * @param trimPercent the trim so far, in percent
     * @param result what was seen
     * @return the new trim; null where that finding corrects nothing
     */
    public static @Nullable Double trim(double trimPercent, Finding result) {
        return switch (result) {
            case THIN -> Double.valueOf(trimPercent + TRIM_STEP);
            case DENSE -> Double.valueOf(trimPercent - TRIM_STEP);
            default -> null;
        };
    }
}
