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
 * @param accidents what went wrong in it, in order
 * @param hangs where its film hangs; null where nobody said
 * @param turned whether its tank was turned without a pause
 */
public record RunLogged(
        Stamp stamp,
        long batchId,
        List<Roll> rolls,
        List<RunBath> baths,
        double tankMl,
        List<String> against,
        @Nullable Long started,
        @Nullable String abandoned,
        List<RunAccident> accidents,
        @Nullable String hangs,
        boolean turned)
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
        this(stamp, batchId, rolls, baths, tankMl, against, started, null, List.of(), null, false);
    }

    /** Keeps its own lists. */
    public RunLogged {
        rolls = List.copyOf(rolls);
        baths = List.copyOf(baths);
        against = List.copyOf(against);
        accidents = List.copyOf(accidents);
    }

    /** The same with its tank turned without a pause, or not. */
    public RunLogged turned(boolean without) {
        return new RunLogged(
                stamp, batchId, rolls, baths, tankMl, against, started, abandoned, accidents, hangs, without);
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
