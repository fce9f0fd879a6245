package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Leaflet;
import mezcla.log.PartUse;
import mezcla.measure.Refusal;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.KitSplit;
import mezcla.mixing.MixPlan;

/**
 * The parts of one kit, or of several of the same leaflet, to mix from: the first one's go first (rules, 3.4).
 *
 * <p>A stock remembers what was taken from it, so that baths that need the same part share what is left.
 */
public final class Stock {
    private final List<KitState> kits;
    private final Map<Long, Map<String, Double>> left = new HashMap<>();
    private final Map<Long, Map<String, Double>> own = new HashMap<>();
    private final Map<Long, Double> shareLeft = new HashMap<>();

    private Stock(List<KitState> kits) {
        this.kits = List.copyOf(kits);
        for (KitState kit : kits) {
            left.put(kit.id(), new HashMap<>(kit.left()));
            Map<String, Double> paid = new HashMap<>();
            kit.parts().forEach(state -> paid.put(state.part().key(), state.own()));
            own.put(kit.id(), paid);
            shareLeft.put(kit.id(), kit.shareLeft());
        }
    }

    /** One kit. */
    public static Stock of(KitState kit) {
        return new Stock(List.of(kit));
    }

    /**
     * Several kits, in the order in which their parts go.
     *
     * @throws Refusal {@code kits-differ} where they are of different leaflets, or one stands there twice
     */
    public static Stock of(List<KitState> kits) {
        long leaflets = kits.stream()
                .map(kit -> kit.arrival().leaflet().key())
                .distinct()
                .count();
        if (leaflets != 1 || kits.stream().map(KitState::id).distinct().count() != kits.size()) {
            throw Refusal.of(new BatchObjection.KitsDiffer());
        }
        return new Stock(kits);
    }

    /** The leaflet of the first. */
    public Leaflet leaflet() {
        return kits.get(0).arrival().leaflet();
    }

    /** What is left of each part in all of them, by key. */
    public Map<String, Double> left() {
        Map<String, Double> all = new LinkedHashMap<>();
        kits.forEach(kit -> kit.left().keySet().forEach(part -> all.merge(part, leftIn(kit, part), Double::sum)));
        return all;
    }

    /**
     * Plans baths from it.
     *
     * @param wanted how much of which bath, by its key
     * @throws Refusal what {@link BatchPlan#of} refuses
     */
    public BatchPlan plan(Map<String, MixPlan.Wanted> wanted) {
        return BatchPlan.of(leaflet(), left(), kits.get(0).arrival()::valueShare, wanted);
    }

    /** How much of some baths, each of the same volume, all of them together still make, in ml. */
    public double makesMl(Collection<String> bathKeys) {
        return KitSplit.of(leaflet().recipes(bathKeys), left(), leaflet().makesMl())
                .largestMl();
    }

    /** Takes what a planned bath takes. */
    public List<PartUse> uses(BatchPlan.PlannedBath bath) {
        Map<String, Double> amounts = new LinkedHashMap<>();
        bath.takes().forEach(take -> amounts.merge(take.part(), take.amount(), Double::sum));
        return uses(amounts);
    }

    /**
     * Takes amounts of parts, as they were really poured: from the first kit what it has, then from the next. What goes
     * beyond all of them was there all the same, and is written to the last one.
     *
     * @param amounts how much, by part, in its unit
     */
    public List<PartUse> uses(Map<String, Double> amounts) {
        List<PartUse> uses = new ArrayList<>();
        amounts.forEach((part, amount) -> {
            double rest = amount;
            for (int i = 0; i < kits.size() && rest > 1e-9; i++) {
                KitState kit = kits.get(i);
                boolean last = i == kits.size() - 1;
                double taken = last ? rest : Math.min(rest, leftIn(kit, part));
                if (taken > 1e-9) {
                    uses.add(take(kit, part, taken));
                    rest -= taken;
                }
            }
        });
        return uses;
    }

    private double leftIn(KitState kit, String part) {
        return left.getOrDefault(kit.id(), Map.of()).getOrDefault(part, 0.0);
    }

    /** What other kits paid for, and what is beyond the kit's whole value, costs nothing more. */
    private PartUse take(KitState kit, String part, double amount) {
        Map<String, Double> paid = own.getOrDefault(kit.id(), Map.of());
        double charged = Math.min(amount, paid.getOrDefault(part, 0.0));
        double whole = kit.arrival().leaflet().part(part).amount();
        double there = shareLeft.getOrDefault(kit.id(), 0.0);
        double share = Math.min(there, kit.arrival().valueShare(part) * charged / whole);
        paid.merge(part, -charged, Double::sum);
        left.getOrDefault(kit.id(), new HashMap<>()).merge(part, -amount, Double::sum);
        shareLeft.put(kit.id(), there - share);
        return new PartUse(kit.id(), part, amount, share);
    }
}
