package mezcla.web.words;

import mezcla.batch.Bottling;
import mezcla.leaflet.BathRole;
import mezcla.log.Bottle;

/** Bottles, in words. */
public final class BottleWords {
    private BottleWords() {}

    /** A bottle to choose for a bath: what is written on it, what it holds, and what it held last. */
    public static String choice(Bottle bottle, Bottling shelf, BathRole role) {
        String held = shelf.lastHeld(bottle)
                .map(last -> (shelf.suits(bottle, role) ? ", held %s last" : ", held %s: not for a developer")
                        .formatted(Figures.within(last.name())))
                .orElse("");
        return "%s, %s %s%s"
                .formatted(
                        bottle.label(),
                        Figures.ml(bottle.capacityMl()),
                        bottle.material().words(),
                        held);
    }
}
