package mezcla.log;

import java.util.Set;

/**
 * A waste drum was collected, or emptied into what is.
 *
 * @param stamp who and when
 * @param drumId the drum
 * @param drum what it is called
 * @param volumeMl how much was in it, in ml
 */
public record DrumCollected(Stamp stamp, long drumId, String drum, double volumeMl) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.drum(drumId));
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.DRUM_COLLECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.drumCollected(this);
    }
}
