package mezcla.log;

import java.util.Set;

/**
 * A fill of one batch serves in another one as well, where that has none of its own any more.
 *
 * @param stamp who and when
 * @param batchId the batch that it serves in as well
 * @param fillId the fill
 */
public record FillShared(Stamp stamp, long batchId, long fillId) implements OfOneFill {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.batch(batchId), Subject.fill(fillId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public boolean supports(LogEntry later) {
        return later.kind().group() == EntryGroup.RUNS && later.restsOn().containsAll(restsOn());
    }

    @Override
    public boolean takesPlaceOf(MixedFill gone, MixedFill own) {
        return own.bath().role().equals(gone.bath().role());
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILL_SHARED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillShared(this);
    }
}
