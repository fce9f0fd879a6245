package mezcla.log;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Film went through.
 *
 * @param stamp who and when
 * @param batchId the batch
 * @param rolls what film it was
 * @param baths the fills that it went through
 * @param tankMl what the tank took of each bath, in ml
 * @param against codes of what spoke against it; empty for a run that fitted
 * @param started the sequence of the row with which it was started; null for one that was logged in one go
 * @param abandoned why it was given up before its end; null for a run that was done. Its baths are those that the
 *     film had reached
 */
public record RunLogged(
        Stamp stamp,
        long batchId,
        List<Roll> rolls,
        List<RunBath> baths,
        double tankMl,
        List<String> against,
        @Nullable Long started,
        @Nullable String abandoned)
        implements LogEntry {
    /** A run that was done. */
    public RunLogged(
            Stamp stamp,
            long batchId,
            List<Roll> rolls,
            List<RunBath> baths,
            double tankMl,
            List<String> against,
            @Nullable Long started) {
        this(stamp, batchId, rolls, baths, tankMl, against, started, null);
    }

    /** Keeps its own lists. */
    public RunLogged {
        rolls = List.copyOf(rolls);
        baths = List.copyOf(baths);
        against = List.copyOf(against);
    }

    /** Its rolls in roll equivalents. */
    public double equivalents() {
        return rolls.stream().mapToDouble(Roll::equivalents).sum();
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(
                started == null ? Set.of() : Set.of(Subject.entry(started)),
                Set.of(Subject.batch(batchId)),
                Subject.fillsOf(baths, RunBath::fillId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.RUN_LOGGED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.runLogged(this);
    }
}
