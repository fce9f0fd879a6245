package mezcla.batch;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Part;
import mezcla.measure.Refusal;
import mezcla.mixing.BatchPlan;

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
     * @param entry the sequence of the row with which it was taken
     * @param fraction the share, 0 to 1
     * @param givenBack whether a void gave it back
     */
    public record Share(long fillId, long entry, double fraction, boolean givenBack) {}

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

    /** The baths that it has every part for, whatever is left of them, in the order of use. */
    public List<Bath> complete() {
        Set<String> came = arrival.parts().stream().map(Part::key).collect(Collectors.toSet());
        return arrival.leaflet().baths().stream()
                .filter(bath -> bath.recipe().additions().stream().allMatch(addition -> came.contains(addition.part())))
                .toList();
    }

    /**
     * Plans every bath of it.
     *
     * @param volumeMl the volume of each, in ml
     * @throws Refusal what {@link BatchPlan#of} refuses
     */
    public BatchPlan plan(double volumeMl) {
        return plan(volumeMl, arrival.leaflet().baths().stream().map(Bath::key).toList());
    }

    /**
     * Plans some of its baths.
     *
     * @param volumeMl the volume of each, in ml
     * @param bathKeys which
     * @throws Refusal what {@link BatchPlan#of} refuses
     */
    public BatchPlan plan(double volumeMl, Collection<String> bathKeys) {
        return BatchPlan.of(arrival.leaflet(), left(), arrival::valueShare, volumeMl, bathKeys);
    }

    /** What a planned bath takes of it, as the log keeps it. */
    public List<LogEntry.PartUse> uses(BatchPlan.PlannedBath bath) {
        return bath.takes().stream()
                .filter(take -> take.amount() > 0)
                .map(take -> new LogEntry.PartUse(id, take.part(), take.amount(), take.kitShare()))
                .toList();
    }
}
