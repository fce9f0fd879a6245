package mezcla.log;

import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A waste drum was collected, or emptied into what is.
 *
 * @param stamp who and when
 * @param drumId the drum
 * @param drum what it is called
 * @param volumeMl how much was in it, in ml
 * @param firm who collected it; null where nobody noted that
 * @param receipt the number of the receipt; null for none
 */
public record DrumCollected(
        Stamp stamp, long drumId, String drum, double volumeMl, @Nullable String firm, @Nullable String receipt)
        implements LogEntry {
    /** A drum of which nobody noted who took it. */
    public DrumCollected(Stamp stamp, long drumId, String drum, double volumeMl) {
        this(stamp, drumId, drum, volumeMl, null, null);
    }

    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.drum(drumId));
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public Optional<Long> drumEmptied() {
        return Optional.of(drumId);
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
