package mezcla.mixing;

import java.util.stream.Stream;
import mezcla.leaflet.Unit;
import mezcla.measure.Volume;

/**
 * Something to measure with.
 *
 * @param name what it is called
 * @param unit what it measures
 * @param capacity how much at once, in that unit
 * @param graduation how fine it is marked, in that unit
 */
public record Tool(String name, Unit unit, double capacity, double graduation) {
    private static final double FINEST_OUNCE = 1.0 / 32;
    private static final double NEARLY = 1e-4;

    /**
     * The unit that it is marked in, by its marks: fluid ounces where capacity and graduation are whole thirty-seconds of one,
     * else millilitres.
     */
    public Volume.Unit marking() {
        return Stream.of(Volume.Unit.US_FL_OZ, Volume.Unit.UK_FL_OZ)
                .filter(each -> unit == Unit.ML && isWhole(each.of(capacity)) && isWhole(each.of(graduation)))
                .findFirst()
                .orElse(Volume.Unit.ML);
    }

    private static boolean isWhole(double ounces) {
        double parts = ounces / FINEST_OUNCE;
        return Math.abs(parts - Math.round(parts)) < NEARLY;
    }
}
