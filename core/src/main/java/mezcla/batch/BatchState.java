package mezcla.batch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;

/**
 * A batch as the log leaves it.
 *
 * @param id the batch, which is also its number on the shelf
 * @param mixed the row with which it began
 * @param fills its fills, in the order of use
 * @param runs the runs that it took, in the order in which they happened
 */
public record BatchState(long id, LogEntry.BatchMixed mixed, List<FillState> fills, List<LogEntry.RunLogged> runs) {
    /** Keeps its own lists. */
    public BatchState {
        fills = List.copyOf(fills);
        runs = List.copyOf(runs);
    }

    /** The leaflet of its first fill, which gives the batch its process. */
    public Leaflet leaflet() {
        return fills.get(0).leaflet();
    }

    /** Its family of chemistry. */
    public FilmProcess process() {
        return leaflet().process();
    }

    /** Roll equivalents that it took. */
    public double rolls() {
        return runs.stream().mapToDouble(LogEntry.RunLogged::equivalents).sum();
    }

    /** How many rolls of film it took, of whatever format. */
    public int filmCount() {
        return runs.stream().mapToInt(run -> run.rolls().size()).sum();
    }

    /**
     * Refuses a run at a moment at which it cannot have been.
     *
     * @param when when the run is said to have been
     * @param now the present
     * @throws Refusal {@code in-the-future} or {@code before-mixing}
     */
    public void refuseRunAt(Instant when, Instant now) {
        if (when.isAfter(now)) {
            throw Refusal.of("in-the-future");
        }
        if (when.isBefore(mixed.stamp().happenedAt())) {
            throw Refusal.of("before-mixing", "mixedAt", mixed.stamp().happenedAt());
        }
    }

    /** Whether nothing of it stands on the shelf any more. */
    public boolean ended() {
        return fills.stream().allMatch(fill -> fill.discarded() != null);
    }

    /** The fill whose time people ask for first (rules, 4.3). */
    public Optional<FillState> imageDeveloper() {
        Optional<FillState> first = fills.stream()
                .filter(fill -> fill.bath().role().nature() == BathRole.Nature.FIRST_DEVELOPER)
                .findFirst();
        return first.isPresent()
                ? first
                : fills.stream()
                        .filter(fill -> fill.bath().role().isDeveloper())
                        .findFirst();
    }
}
