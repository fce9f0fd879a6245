package mezcla.log;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A roll of a run was looked at when it was dry.
 *
 * @param stamp who and when
 * @param batchId the batch
 * @param run the sequence of the run's row
 * @param roll which of its rolls, from 0
 * @param fillIds the fills that the run used, for which it counts
 * @param result what was seen
 * @param suspects what it is put down to; empty where nothing is wrong or nobody knows
 * @param note what else; null for nothing
 */
public record FilmInspected(
        Stamp stamp,
        long batchId,
        long run,
        int roll,
        List<Long> fillIds,
        Finding result,
        Set<Suspect> suspects,
        @Nullable String note)
        implements LogEntry {
    /** Keeps its own collections. */
    public FilmInspected {
        fillIds = List.copyOf(fillIds);
        suspects = Set.copyOf(suspects);
    }

    /** Whether it says something about the chemistry: put down to it, or nothing wrong at all. */
    public boolean chemistry() {
        return result.isGood() || suspects.contains(Suspect.CHEMISTRY);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(
                Set.of(Subject.batch(batchId), Subject.entry(run)), Subject.fillsOf(fillIds, Long::longValue));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILM_INSPECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.filmInspected(this);
    }
}
