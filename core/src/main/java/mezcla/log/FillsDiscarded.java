package mezcla.log;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Fills were poured away for good.
 *
 * @param stamp who and when
 * @param batchId the batch
 * @param fills which, and where each went
 * @param reason why
 */
public record FillsDiscarded(Stamp stamp, long batchId, List<DiscardedFill> fills, String reason) implements LogEntry {
    /** Keeps its own list. */
    public FillsDiscarded {
        fills = List.copyOf(fills);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(restsOn(), Subject.drumsOf(fills));
    }

    @Override
    public Set<Subject> restsOn() {
        return Subject.all(Set.of(Subject.batch(batchId)), Subject.fillsOf(fills, DiscardedFill::fillId));
    }

    @Override
    public Map<Long, Double> pouredIntoDrums() {
        Map<Long, Double> poured = new HashMap<>();
        for (DiscardedFill fill : fills) {
            if (fill.drumId() != null) {
                poured.merge(fill.drumId(), fill.volumeMl(), Double::sum);
            }
        }
        return poured;
    }

    @Override
    public boolean freesBottles() {
        return true;
    }

    @Override
    public boolean freesPlaces() {
        return true;
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILLS_DISCARDED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillsDiscarded(this);
    }
}
