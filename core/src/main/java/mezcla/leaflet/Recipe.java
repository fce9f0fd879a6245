package mezcla.leaflet;

import java.util.List;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * How a bath is mixed (rules, 3.1).
 *
 * @param mode how the volume comes about
 * @param finalMl the volume that the recipe makes, in ml
 * @param startWaterMl the water that goes in first, in ml
 * @param mixingC the temperature at which to mix, in °C; null where none is printed
 * @param additions the parts in the order they go in
 */
public record Recipe(
        Mode mode, double finalMl, double startWaterMl, @Nullable MixingTemperature mixingC, List<Addition> additions) {
    /** How the volume of a bath comes about. */
    public enum Mode {
        /** Start water and parts, then topped up to the volume. */
        TOP_UP,
        /** The leaflet names the water, and the volume is what results. */
        FIXED_WATER,
        /** Poured from the kit as it is. */
        READY_TO_USE
    }

    /**
     * The temperature at which to mix, in °C.
     *
     * @param min too cold below
     * @param target what to aim for
     * @param max too hot above
     */
    public record MixingTemperature(double min, double target, double max) {}

    /** Refuses a recipe that makes nothing, as {@code recipe-without-volume}. */
    public Recipe {
        if (!(finalMl > 0) || !(startWaterMl >= 0)) {
            throw Refusal.of(new LeafletObjection.RecipeWithoutVolume(finalMl));
        }
        additions = List.copyOf(additions);
    }
}
