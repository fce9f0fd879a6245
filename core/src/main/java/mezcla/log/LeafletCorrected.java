package mezcla.log;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.leaflet.Leaflet;

/**
 * Fills are governed by another version of their leaflet, from the day on which they were mixed.
 *
 * @param stamp who and when
 * @param fillIds the fills
 * @param leaflet the version that is right
 * @param reason what was wrong
 */
public record LeafletCorrected(Stamp stamp, List<Long> fillIds, Leaflet leaflet, String reason) implements LogEntry {
    /** Keeps its own list. */
    public LeafletCorrected {
        fillIds = List.copyOf(fillIds);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.fillsOf(fillIds, Long::longValue);
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Map<Long, Leaflet> leafletsFromTheFirstDay() {
        return fillIds.stream().distinct().collect(Collectors.toMap(Function.identity(), fill -> leaflet));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.LEAFLET_CORRECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.leafletCorrected(this);
    }
}
