package mezcla.web.settings.things;

import java.util.Locale;
import mezcla.leaflet.Unit;

/**
 * Something to measure with.
 *
 * @param id which one
 * @param name what it is called
 * @param kind what it is
 * @param capacity what it measures at once: ml, or g for scales
 * @param graduation how fine it is marked, in the same unit
 */
public record Tool(long id, String name, Kind kind, double capacity, double graduation) {
    /** The tool as the rules see it. */
    public mezcla.mixing.Tool measuring() {
        return new mezcla.mixing.Tool(name, kind.unit(), capacity, graduation);
    }

    /** What a tool is. */
    public enum Kind {
        /** A measuring cylinder. */
        CYLINDER,
        /** A pipette. */
        PIPETTE,
        /** A syringe without a needle. */
        SYRINGE,
        /** Scales. */
        SCALES;

        /** In words. */
        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** What it measures. */
        public Unit unit() {
            return this == SCALES ? Unit.G : Unit.ML;
        }
    }
}
