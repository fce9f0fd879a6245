package mezcla.leaflet;

import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * A pair of limits, from the careful to the last: rolls of a capacity or days of a life.
 *
 * @param min the first printed figure, from which on the house tests first
 * @param max the last
 * @param whose whose the last of them is
 */
public record Range(double min, double max, Whose whose) {
    /** Whose a limit is. */
    public enum Whose {
        /** The sheet prints it. */
        PRINTED,
        /** The house set it beside the sheet's (rules, section 6). */
        HOUSE,
        /** The sheet prints none, and the house's stands in (rules, section 5). */
        STAND_IN
    }

    /** Refuses a range whose ends are no positive numbers or the wrong way round, as {@code range-reversed}. */
    public Range {
        if (!(min > 0 && max >= min)) {
            throw Refusal.of(new LeafletObjection.RangeReversed(min, max));
        }
    }

    /** A range as it is printed. */
    public Range(double min, double max) {
        this(min, max, Whose.PRINTED);
    }

    /**
     * A range with the house's own last limit; the careful one stays, where it is not past that.
     *
     * @param before null where there was none
     * @param most the house's own
     */
    public static Range ofHouse(@Nullable Range before, double most) {
        return new Range(before == null ? most : Math.min(before.min(), most), most, Whose.HOUSE);
    }

    /** What stands in for a limit that the sheet does not print. */
    public static Range standIn(double most) {
        return new Range(most, most, Whose.STAND_IN);
    }

    /** Whether the sheet prints it. */
    public boolean printed() {
        return whose == Whose.PRINTED;
    }
}
