package mezcla.leaflet;

import mezcla.measure.Refusal;

/**
 * A printed pair of limits, from the careful to the last: rolls of a capacity or days of a life.
 *
 * @param min from here on a leaflet says to test
 * @param max here it says to stop
 */
public record Range(double min, double max) {
    /** Refuses a range whose ends are no positive numbers or the wrong way round, as {@code range-reversed}. */
    public Range {
        if (!(min > 0 && max >= min)) {
            throw Refusal.of("range-reversed", "min", min, "max", max);
        }
    }
}
