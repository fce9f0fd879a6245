package mezcla.log;

import mezcla.leaflet.WasteRoute;
import org.jspecify.annotations.Nullable;

/**
 * A fill that was poured away.
 *
 * @param fillId the fill
 * @param volumeMl how much it was, in ml
 * @param route where it went
 * @param drumId the drum; null where the house keeps none, or it went elsewhere
 */
public record DiscardedFill(long fillId, double volumeMl, WasteRoute route, @Nullable Long drumId) {
    /** One that went into no drum of the house. */
    public DiscardedFill(long fillId, double volumeMl, WasteRoute route) {
        this(fillId, volumeMl, route, null);
    }
}
