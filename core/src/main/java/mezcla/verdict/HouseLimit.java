package mezcla.verdict;

import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import org.jspecify.annotations.Nullable;

/**
 * What the house allows of a bath, whatever its leaflet prints (rules, section 6): it takes the place of the printed
 * maximum.
 *
 * @param leaflet the leaflet's key
 * @param bath the bath's key
 * @param rolls in roll equivalents for the volume that the leaflet's capacity is printed for; null for as printed
 * @param days since mixing; null for as printed
 */
public record HouseLimit(String leaflet, String bath, @Nullable Double rolls, @Nullable Double days) {
    /** Refuses limits that are no positive numbers, as {@code range-reversed}. */
    public HouseLimit {
        if (rolls != null) {
            Range.ofHouse(null, rolls);
        }
        if (days != null) {
            Range.ofHouse(null, days);
        }
    }

    /** The bath as the house takes it. */
    Bath over(Bath printed) {
        return printed.limited(
                rolls == null ? printed.capacity() : Range.ofHouse(printed.capacity(), rolls),
                days == null ? printed.lifeDays() : Range.ofHouse(printed.lifeDays(), days));
    }
}
