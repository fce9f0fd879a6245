package mezcla.web.drums;

import mezcla.leaflet.WasteRoute;
import org.jspecify.annotations.Nullable;

/**
 * Where something is poured.
 *
 * @param route its kind of waste
 * @param drumId the drum; null where the house keeps none, or it went elsewhere
 */
public record Destination(WasteRoute route, @Nullable Long drumId) {}
