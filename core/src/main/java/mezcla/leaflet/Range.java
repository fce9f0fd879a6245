package mezcla.leaflet;

import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * A printed pair of limits, from the careful to the last: rolls of a capacity or days of a life.
 *
 * @param min from here on a leaflet says to test
 * @param max here it says to stop
 * @param house whether the last of them is the house's own rather than printed
 */
public record Range(double min, double max, boolean house) {
    /** Refuses a range whose ends are no positive numbers or the wrong way round, as {@code range-reversed}. */
    public Range {
        if (!(min > 0 && max >= min)) {
            throw Refusal.of(new LeafletObjection.RangeReversed(min, max));
        }
    }

    /** A range as it is printed. */
    public Range(double min, double max) {
        this(min, max, false);
    }

    /**
     * A printed range with the house's own last limit; the careful one stays, where it is not past that.
     *
     * @param printed null where nothing is printed
     * @param most the house's own
     */
    public static Range ofHouse(@Nullable Range printed, double most) {
        return new Range(printed == null ? most : Math.min(printed.min(), most), most, true);
    }
}
