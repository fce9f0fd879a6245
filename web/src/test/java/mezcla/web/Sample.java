package mezcla.web;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.leaflet.Leaflet;
import mezcla.log.BatchMixed;
import mezcla.log.Bottle;
import mezcla.log.MixedFill;
import mezcla.log.Stamp;
import mezcla.web.sheets.LeafletDocument;

/** Things to try words and forms on, without a house. */
public final class Sample {
    /** A bottle of a litre. */
    public static final Bottle BOTTLE = new Bottle(3, "B-03", 1000, Bottle.Material.PLASTIC);

    private Sample() {}

    /** A sheet of the demonstration. */
    public static Leaflet leaflet() {
        try {
            return LeafletDocument.read(Files.readString(
                    Path.of("src", "main", "resources", "demo", "leaflets", "kiln-lane-negative-powder.json")));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Its developer, 500 ml, mixed fresh. */
    public static FillState developer() {
        Leaflet leaflet = leaflet();
        MixedFill mixed =
                new MixedFill(1, leaflet, leaflet.baths().get(0).key(), 500, "500 ml", BOTTLE, List.of(), null);
        Stamp stamp = new Stamp(1, Instant.EPOCH, Instant.EPOCH, "Ines", false);
        return LogState.fold(List.of(new BatchMixed(stamp, 1, "Sample", List.of(mixed))))
                .fill(1);
    }
}
