package mezcla.verdict;

import java.util.EnumMap;
import java.util.Map;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
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
        Map<BathRole.Nature, Double> life = new EnumMap<>(BathRole.Nature.class);
        life.put(BathRole.Nature.PRE_BATH, 90.0);
        life.put(BathRole.Nature.DEVELOPER, 42.0);
        life.put(BathRole.Nature.FIRST_DEVELOPER, 28.0);
        life.put(BathRole.Nature.REVERSAL_BATH, 42.0);
        life.put(BathRole.Nature.COLOUR_DEVELOPER, 42.0);
        life.put(BathRole.Nature.STOP, 90.0);
        life.put(BathRole.Nature.BLEACH, 180.0);
        life.put(BathRole.Nature.FIXER, 120.0);
        life.put(BathRole.Nature.BLEACH_FIX, 60.0);
        life.put(BathRole.Nature.STABILISER, 60.0);
        life.put(BathRole.Nature.WETTING_AGENT, 90.0);
        Map<BathRole.Nature, Double> rolls = new EnumMap<>(BathRole.Nature.class);
        rolls.put(BathRole.Nature.DEVELOPER, 12.0);
        rolls.put(BathRole.Nature.FIRST_DEVELOPER, 12.0);
        rolls.put(BathRole.Nature.COLOUR_DEVELOPER, 12.0);
        rolls.put(BathRole.Nature.BLEACH, 30.0);
        rolls.put(BathRole.Nature.FIXER, 20.0);
        rolls.put(BathRole.Nature.BLEACH_FIX, 16.0);
        rolls.put(BathRole.Nature.STABILISER, 24.0);
        return new StandIns(life, rolls);
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

    private static @Nullable Range orElse(@Nullable Range printed, @Nullable Double standIn, double times) {
        return printed != null || standIn == null ? printed : Range.standIn(standIn * times);
    }
}
