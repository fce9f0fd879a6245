package mezcla.log;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
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
 * @param charges what each roll was charged, in their order; empty for a run that nothing was charged for
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
        boolean turned,
        List<Charge> charges)
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
        this(stamp, batchId, rolls, baths, tankMl, against, started, null, List.of(), null, false, List.of());
    }

    /** Keeps its own lists. */
    public RunLogged {
        rolls = List.copyOf(rolls);
        baths = List.copyOf(baths);
        against = List.copyOf(against);
        accidents = List.copyOf(accidents);
        charges = List.copyOf(charges);
        if (!charges.isEmpty() && charges.size() != rolls.size()) {
            throw new IllegalArgumentException(charges.size() + " charges for " + rolls.size() + " rolls");
        }
    }

    /** The same with its tank turned without a pause, or not. */
    public RunLogged turned(boolean without) {
        return new RunLogged(
                stamp, batchId, rolls, baths, tankMl, against, started, abandoned, accidents, hangs, without, charges);
    }

    /** The same with what each of its rolls is charged. */
    public RunLogged charged(List<Charge> each) {
        return new RunLogged(
                stamp, batchId, rolls, baths, tankMl, against, started, abandoned, accidents, hangs, turned, each);
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
                Subject.films(rolls.stream()
                        .map(Roll::queued)
                        .filter(Objects::nonNull)
                        .toList()),
                Subject.fillsOf(baths, RunBath::fillId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Optional<Long> ends() {
        return Optional.ofNullable(started);
    }

    @Override
    public boolean holdsAmount() {
        return !charges.isEmpty();
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
