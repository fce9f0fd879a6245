package mezcla.verdict;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import org.jspecify.annotations.Nullable;

/**
 * What the house takes where a sheet prints no life or no capacity (rules, section 5). It counts like a printed figure,
 * and is said to be the house's.
 *
 * @param lifeDays how long a bath lasts once it is mixed, in days
 * @param rollsALitre how many roll equivalents a litre of it takes
 */
public record StandIns(Map<BathRole.Nature, Double> lifeDays, Map<BathRole.Nature, Double> rollsALitre) {
    private static final double ML_A_LITRE = 1000;

    /** Keeps its own maps. */
    public StandIns {
        lifeDays = Map.copyOf(lifeDays);
        rollsALitre = Map.copyOf(rollsALitre);
    }

    /** Those that a house begins with; <em>house</em>. */
    public static StandIns usual() {
        return new StandIns(limits(BathRole.Usual::lifeDays), limits(BathRole.Usual::rollsALitre));
    }

    private static Map<BathRole.Nature, Double> limits(ToDoubleFunction<BathRole.Usual> which) {
        Map<BathRole.Nature, Double> limits = new EnumMap<>(BathRole.Nature.class);
        for (BathRole.Nature nature : BathRole.Nature.values()) {
            double limit = which.applyAsDouble(nature.usual());
            if (Double.isFinite(limit)) {
                limits.put(nature, limit);
            }
        }
        return limits;
    }

    /** None: a bath without a printed limit has none. */
    public static StandIns none() {
        return new StandIns(Map.of(), Map.of());
    }

    /** The same with others for one kind of bath; null for no limit. */
    public StandIns with(BathRole.Nature nature, @Nullable Double otherLifeDays, @Nullable Double otherRollsALitre) {
        return new StandIns(changed(lifeDays, nature, otherLifeDays), changed(rollsALitre, nature, otherRollsALitre));
    }

    private static Map<BathRole.Nature, Double> changed(
            Map<BathRole.Nature, Double> all, BathRole.Nature nature, @Nullable Double other) {
        Map<BathRole.Nature, Double> changed = new EnumMap<>(BathRole.Nature.class);
        changed.putAll(all);
        if (other == null) {
            changed.remove(nature);
        } else {
            changed.put(nature, other);
        }
        return changed;
    }

    /** Whether anything stands in for what a sheet leaves out. */
    public boolean standsIn(Bath printed) {
        BathRole.Nature nature = printed.role().nature();
        return (printed.capacity() == null && rollsALitre.containsKey(nature))
                || (printed.lifeDays() == null && lifeDays.containsKey(nature));
    }

    /** A bath with what stands in for what its sheet leaves out. */
    public Bath over(Bath printed) {
        BathRole.Nature nature = printed.role().nature();
        return printed.limited(
                orElse(printed.capacity(), rollsALitre.get(nature), printed.capacityForMl() / ML_A_LITRE),
                orElse(printed.lifeDays(), lifeDays.get(nature), 1));
    }

    /** A leaflet with what stands in for what it leaves out of each of its baths. */
    public Leaflet over(Leaflet printed) {
        Leaflet standing = printed;
        for (Bath bath : printed.baths()) {
            standing = standing.with(over(printed.counted(bath.key())));
        }
        return standing;
    }

    private static @Nullable Range orElse(@Nullable Range printed, @Nullable Double standIn, double times) {
        return printed != null || standIn == null ? printed : Range.standIn(standIn * times);
    }
}
