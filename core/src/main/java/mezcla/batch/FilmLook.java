package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import mezcla.log.RunLogged;

/** When film can be judged (rules, section 6). */
public final class FilmLook {
    private static final Duration DRY_AFTER = Duration.ofHours(2);

    private FilmLook() {}

    /** When the film of a run is dry. */
    public static Instant dryAt(RunLogged run) {
        return run.stamp().happenedAt().plus(DRY_AFTER);
    }

    /** Whether the film of a run is dry, so that it can be judged. */
    public static boolean isDry(RunLogged run, Instant now) {
        return !now.isBefore(dryAt(run));
    }
}
