package mezcla.log;

import java.util.List;
import java.util.Set;

/**
 * A bath of a batch was mixed afresh; the fill takes the place of the one that was poured away.
 *
 * @param stamp who and when
 * @param batchId the batch
 * @param fill the fresh fill
 */
public record BathRenewed(Stamp stamp, long batchId, MixedFill fill) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Subject.all(makes(), restsOn());
    }

    @Override
    public Set<Subject> restsOn() {
        return Subject.all(Set.of(Subject.batch(batchId)), Subject.kitsOf(usesByFill()));
    }

    @Override
    public Set<Subject> makes() {
        return Set.of(Subject.fill(fill.fillId()));
    }

    @Override
    public List<MixedFill> fillsMade() {
        return List.of(fill);
    }

    @Override
    public boolean takesPlaceOf(MixedFill gone, MixedFill own) {
        return own.bathKey().equals(gone.bathKey());
    }

    @Override
    public EntryKind kind() {
        return EntryKind.BATH_RENEWED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.bathRenewed(this);
    }
}
