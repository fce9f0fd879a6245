package mezcla.batch;

import java.time.Instant;
import mezcla.leaflet.Part;
import org.jspecify.annotations.Nullable;

/**
 * What is left of one part of a kit.
 *
 * @param part what the leaflet says of it
 * @param left how much is left, in its unit
 * @param openedAt when it was first opened; null while it is sealed
 */
public record PartState(Part part, double left, @Nullable Instant openedAt) {}
