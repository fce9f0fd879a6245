package mezcla.log;

import java.util.Set;

/**
 * What was left of a part was put to another kit with the same part. Its money stays with the kit it came with.
 *
 * @param stamp who and when
 * @param kitId the kit that it came with
 * @param part the part's key
 * @param toKitId the kit that it is with now
 * @param amount how much, in the part's unit
 */
public record PartMoved(Stamp stamp, long kitId, String part, long toKitId, double amount) implements OfOnePart {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.kit(kitId), Subject.kit(toKitId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public boolean supports(LogEntry later) {
        return later.restsOn().contains(Subject.kit(toKitId));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.PART_MOVED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partMoved(this);
    }
}
