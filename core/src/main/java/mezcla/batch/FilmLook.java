package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.log.FilmInspected;
import mezcla.log.RunLogged;

/** When film can be judged (rules, section 6). */
public final class FilmLook {
    private static final Duration ASKED_FOR = Duration.ofDays(30);

    private FilmLook() {}

    /**
     * When the film of a run is dry.
     *
     * @param dries how long film hangs here: two hours in a room, less in a drying cabinet (<em>house</em>)
     */
    public static Instant dryAt(RunLogged run, Duration dries) {
        return run.stamp().happenedAt().plus(dries);
    }

    /** The runs of a batch whose film is dry and was looked at by nobody, as long as somebody may still have it; the latest last. */
    public static List<RunLogged> due(BatchState batch, Instant now, Duration dries) {
        Set<Long> looked = batch.looks().stream().map(FilmInspected::run).collect(Collectors.toSet());
        return batch.runs().stream()
                .filter(run -> run.abandoned() == null
                        && !looked.contains(run.stamp().sequence())
                        && isDry(run, now, dries)
                        && run.stamp().happenedAt().isAfter(now.minus(ASKED_FOR)))
                .toList();
    }

    /** Whether the film of a run is dry, so that it can be judged. */
    public static boolean isDry(RunLogged run, Instant now, Duration dries) {
        return !now.isBefore(dryAt(run, dries));
    }
}
