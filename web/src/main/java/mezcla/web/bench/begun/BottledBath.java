package mezcla.web.bench.begun;

import java.time.Instant;
import mezcla.batch.Mixture;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;

/**
 * A bath in its bottle, as a label needs to know it.
 *
 * @param fillId the fill
 * @param batchId the batch
 * @param batchName what that is called
 * @param leaflet what it was mixed by
 * @param bath its bath
 * @param volumeMl how much it was, in ml
 * @param mixture what it was mixed of
 * @param bottle what is written on the bottle
 * @param mixedAt when it was mixed
 * @param mixedBy by whom
 */
public record BottledBath(
        long fillId,
        long batchId,
        String batchName,
        Leaflet leaflet,
        Bath bath,
        double volumeMl,
        Mixture mixture,
        String bottle,
        Instant mixedAt,
        String mixedBy) {}
