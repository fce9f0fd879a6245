package mezcla.leaflet;

import java.util.List;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * How a bath is mixed (rules, 3.1).
 *
 * @param mode how the volume comes about
 * @param finalMl the volume that the recipe makes, in ml
 * @param startWaterMl the water that goes in first, in ml; of a range the least, because topping up follows
 * @param mostStartWaterMl the most that is printed, in ml; null where there is one figure
 * @param mixingC how warm the water is that it is mixed with; null where nothing is printed
 * @param additions the parts in the order they go in
 */
public record Recipe(
        Mode mode,
        double finalMl,
        double startWaterMl,
        @Nullable Double mostStartWaterMl,
        @Nullable MixingTemperature mixingC,
        List<Addition> additions) {
    /** A recipe that prints one figure for the water to start with. */
    public Recipe(
            Mode mode,
            double finalMl,
            double startWaterMl,
            @Nullable MixingTemperature mixingC,
            List<Addition> additions) {
        this(mode, finalMl, startWaterMl, null, mixingC, additions);
    }

    /** How the volume of a bath comes about. */
    public enum Mode {
        /** Start water and parts, then topped up to the volume. */
        TOP_UP,
        /** The leaflet names the water, and the volume is what results. */
        FIXED_WATER,
        /** Poured from the kit as it is. */
        READY_TO_USE
    }

    /** Refuses a recipe that makes nothing, as {@code recipe-without-volume}. */
    public Recipe {
        if (!(finalMl > 0) || !(startWaterMl >= 0)) {
            throw Refusal.of(new LeafletObjection.RecipeWithoutVolume(finalMl));
        }
        additions = List.copyOf(additions);
    }

    /** The water that goes in between parts, in ml; 0 for none. */
    public double waterBetweenMl() {
        return additions.stream().mapToDouble(Addition::waterAfterMl).sum();
    }

    /** The room that its parts take, in ml. */
    public double partsMl() {
        return additions.stream()
                .mapToDouble(each -> each.unit().roomMl(each.amount()))
                .sum();
    }

    /** What it really makes, in ml: what its sheet says, or where the water is fixed, what results (rules, 3.7 and 4.11). */
    public double makesMl() {
        return mode == Mode.FIXED_WATER ? startWaterMl + waterBetweenMl() + partsMl() : finalMl;
    }

    /** Whether something goes into it that cannot be divided. */
    public boolean takesSachets() {
        return additions.stream().anyMatch(each -> !each.unit().isMeasured());
    }
}
