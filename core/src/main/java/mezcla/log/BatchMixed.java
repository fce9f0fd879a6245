package mezcla.log;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * A batch was mixed.
 *
 * @param stamp who and when
 * @param batchId the batch, which is also its number on the shelf
 * @param name what it is called
 * @param fills one for each bath mixed, in the order of use
 */
public record BatchMixed(Stamp stamp, long batchId, String name, List<MixedFill> fills) implements LogEntry {
    /** Keeps its own list. */
    public BatchMixed {
        fills = List.copyOf(fills);
    }

    /** What was taken over counts from when it was mixed, so that runs in between can still be logged (rules, 3.6). */
    @Override
    public Instant foldedAt() {
        Instant happened = stamp.happenedAt();
        return fills.stream()
                .map(MixedFill::before)
                .filter(Objects::nonNull)
                .map(Before::mixedAt)
                .filter(mixedAt -> mixedAt.isBefore(happened))
                .min(Comparator.naturalOrder())
                .orElse(happened);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(makes(), Subject.kitsOf(usesByFill()));
    }

    @Override
    public Set<Subject> restsOn() {
        return Subject.kitsOf(usesByFill());
    }

    @Override
    public Set<Subject> makes() {
        return Subject.all(Set.of(Subject.batch(batchId)), Subject.fillsOf(fills, MixedFill::fillId));
    }

    @Override
    public List<MixedFill> fillsMade() {
        return fills;
    }

    @Override
    public boolean holdsAmount() {
        return fills.stream()
                .anyMatch(fill -> fill.before() != null && fill.before().cost() != null);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.BATCH_MIXED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.batchMixed(this);
    }
}
