package mezcla.log;

import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import org.jspecify.annotations.Nullable;

/**
 * A bath as it was mixed.
 *
 * @param fillId the fill
 * @param leaflet the leaflet that it was mixed by
 * @param bathKey its bath
 * @param volumeMl how much was mixed, in ml
 * @param volumeTyped what was typed for that
 * @param bottle where it went
 * @param uses what it took from which kit
 * @param before what it had behind it when it was taken over; null for one that was mixed fresh
 * @param mixedC the temperature that was measured before its parts went in, in °C; null where nobody did
 */
public record MixedFill(
        long fillId,
        Leaflet leaflet,
        String bathKey,
        double volumeMl,
        String volumeTyped,
        Bottle bottle,
        List<PartUse> uses,
        @Nullable Before before,
        @Nullable Double mixedC) {
    /** A bath of whose mixing nobody measured the temperature. */
    public MixedFill(
            long fillId,
            Leaflet leaflet,
            String bathKey,
            double volumeMl,
            String volumeTyped,
            Bottle bottle,
            List<PartUse> uses,
            @Nullable Before before) {
        this(fillId, leaflet, bathKey, volumeMl, volumeTyped, bottle, uses, before, null);
    }

    /** Keeps its own list. */
    public MixedFill {
        uses = List.copyOf(uses);
    }

    /** What the leaflet says of the bath. */
    public Bath bath() {
        return leaflet.bath(bathKey);
    }
}
