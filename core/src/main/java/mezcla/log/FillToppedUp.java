package mezcla.log;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Fresh solution was added to a fill.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param volumeMl how much, in ml
 * @param uses what that took from which kit
 */
public record FillToppedUp(Stamp stamp, long fillId, double volumeMl, List<PartUse> uses) implements OfOneFill {
    /** Keeps its own list. */
    public FillToppedUp {
        uses = List.copyOf(uses);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(Set.of(Subject.fill(fillId)), Subject.kitsOf(usesByFill()));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Map<Long, List<PartUse>> usesByFill() {
        return Map.of(fillId, uses);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILL_TOPPED_UP;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillToppedUp(this);
    }
}
