package mezcla.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.log.KitArrived;
import mezcla.log.KitPriced;
import mezcla.log.LeafletRevised;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartUse;
import mezcla.log.Stamp;
import org.jspecify.annotations.Nullable;

/** Adds up what happened to one kit. */
final class KitFolding {
    private KitArrived arrival;
    private final Map<String, Double> left = new HashMap<>();
    private final Map<String, Instant> openedAt = new HashMap<>();
    private final Map<String, PartState.Decanted> decanted = new HashMap<>();
    private final Map<String, Double> movedIn = new HashMap<>();
    private final List<KitPriced> priced = new ArrayList<>();
    private final Set<String> looked = new HashSet<>();
    private @Nullable LeafletRevised revised;
    private @Nullable Instant finishedAt;

    KitFolding(KitArrived arrival) {
        this.arrival = arrival;
        arrival.parts().forEach(part -> left.put(part.key(), part.amount()));
    }

    void finish(Stamp stamp) {
        finishedAt = stamp.happenedAt();
    }

    /** It goes by another version: what a bottle holds is what that says, unless somebody has looked since it came. */
    void goBy(LeafletRevised entry) {
        Map<String, Double> before = new HashMap<>();
        arrival.parts().forEach(part -> before.put(part.key(), part.amount()));
        arrival = arrival.goingBy(entry.leaflet());
        revised = entry;
        for (Part part : arrival.parts()) {
            if (!looked.contains(part.key())) {
                double more = part.amount() - before.getOrDefault(part.key(), 0.0);
                left.put(part.key(), Math.max(0, left.getOrDefault(part.key(), 0.0) + more));
            }
        }
    }

    /** The version of its leaflet that something mixed from it should go by; null where that is the one it came with. */
    @Nullable
    Leaflet revisedLeaflet() {
        return revised == null ? null : revised.leaflet();
    }

    void price(KitPriced entry) {
        priced.add(entry);
        priced.sort(Comparator.comparingLong(each -> each.stamp().sequence()));
    }

    void open(String part, Stamp stamp) {
        openedAt.putIfAbsent(part, stamp.happenedAt());
    }

    void use(PartUse use, Stamp stamp) {
        open(use.part(), stamp);
        take(use.part(), use.amount());
    }

    /** What the kit's own money paid for goes first. */
    void take(String part, double amount) {
        double rest = left.merge(part, -amount, Double::sum);
        movedIn.computeIfPresent(part, (key, moved) -> Math.max(0, Math.min(moved, rest)));
        decanted.computeIfPresent(part, (key, vials) -> vials.without(amount));
    }

    void decant(PartDecanted decant) {
        open(decant.part(), decant.stamp());
        decanted.put(
                decant.part(),
                PartState.Decanted.of(
                        decant.stamp().happenedAt(),
                        decant.vials(),
                        decant.each(),
                        left.getOrDefault(decant.part(), 0.0)));
    }

    void correct(PartCorrected corrected) {
        looked.add(corrected.part());
        left.put(corrected.part(), corrected.left());
        decanted.computeIfPresent(corrected.part(), (key, vials) -> vials.holding(corrected.left()));
        movedIn.computeIfPresent(corrected.part(), (key, moved) -> Math.min(moved, corrected.left()));
    }

    /** The older of the two clocks counts for what is mixed up. */
    void receive(PartMoved moved, KitFolding from) {
        left.merge(moved.part(), moved.amount(), Double::sum);
        movedIn.merge(moved.part(), moved.amount(), Double::sum);
        Instant theirs = from.openedAt.getOrDefault(moved.part(), moved.stamp().happenedAt());
        openedAt.merge(moved.part(), theirs, (mine, other) -> mine.isBefore(other) ? mine : other);
        decanted.remove(moved.part());
    }

    /** Whether a part of that name was past its printed life. */
    boolean isPast(String key, Instant at) {
        return arrival.parts().stream().filter(part -> part.key().equals(key)).anyMatch(part -> partState(part)
                .isPast(arrival.stamp().happenedAt(), at));
    }

    KitState state(List<KitState.Share> shares) {
        return new KitState(
                arrival.kitId(),
                arrival,
                arrival.parts().stream().map(this::partState).toList(),
                shares,
                priced,
                revised,
                finishedAt);
    }

    private PartState partState(Part part) {
        double rest = left.getOrDefault(part.key(), 0.0);
        return new PartState(
                part,
                rest < 1e-6 ? 0 : rest,
                openedAt.get(part.key()),
                decanted.get(part.key()),
                movedIn.getOrDefault(part.key(), 0.0),
                arrival.leaflet().standInOpenedDays(part));
    }
}
