package mezcla.batch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A kit as the log leaves it.
 *
 * @param id the kit
 * @param arrival the row with which it came
 * @param parts what is left of each part, in the order of the leaflet
 * @param shares what fills took of its value, in the order of recording
 */
public record KitState(long id, LogEntry.KitArrived arrival, List<PartState> parts, List<Share> shares) {
    /**
     * A share of the kit's value, taken by a fill or given back by a void.
     *
     * @param fillId the fill
     * @param fraction the share, 0 to 1
     * @param givenBack whether a void gave it back
     */
    public record Share(long fillId, double fraction, boolean givenBack) {}

    /** Keeps its own lists. */
    public KitState {
        parts = List.copyOf(parts);
        shares = List.copyOf(shares);
    }

    /** What is left of each part, by key. */
    public Map<String, Double> left() {
        Map<String, Double> left = new LinkedHashMap<>();
        parts.forEach(state -> left.put(state.part().key(), state.left()));
        return left;
    }
}
