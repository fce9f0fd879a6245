package mezcla.batch;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Part;

/** Adds up what happened to one kit. */
final class KitFolding {
    private final LogEntry.KitArrived arrival;
    private final Map<String, Double> left = new HashMap<>();
    private final Map<String, Instant> openedAt = new HashMap<>();

    KitFolding(LogEntry.KitArrived arrival) {
        this.arrival = arrival;
        arrival.parts().forEach(part -> left.put(part.key(), part.amount()));
    }

    void open(String part, Stamp stamp) {
        openedAt.putIfAbsent(part, stamp.happenedAt());
    }

    void use(LogEntry.PartUse use, Stamp stamp) {
        open(use.part(), stamp);
        left.merge(use.part(), -use.amount(), Double::sum);
    }

    KitState state(List<KitState.Share> shares) {
        return new KitState(
                arrival.kitId(),
                arrival,
                arrival.parts().stream().map(this::partState).toList(),
                shares);
    }

    private PartState partState(Part part) {
        double rest = left.getOrDefault(part.key(), 0.0);
        return new PartState(part, rest < 1e-6 ? 0 : rest, openedAt.get(part.key()));
    }
}
