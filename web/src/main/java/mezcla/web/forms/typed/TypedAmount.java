package mezcla.web.forms.typed;

import mezcla.leaflet.SheetLines;
import mezcla.leaflet.Unit;
import mezcla.measure.Mass;
import mezcla.measure.Volume;

/** How much of a part somebody typed. */
public final class TypedAmount {
    private TypedAmount() {}

    /**
     * The amount, in the unit of the part.
     *
     * @param typed the text
     * @param unit in what the part is measured
     * @param volume in what a bare volume is
     * @throws mezcla.measure.Refusal what is refused of a volume, a mass or a number of sachets
     */
    public static double of(String typed, Unit unit, Volume.Unit volume) {
        return switch (unit) {
            case ML -> Volume.parse(typed, volume).ml();
            case G -> Mass.parse(typed).grams();
            case SACHET -> SheetLines.sachets(typed);
        };
    }
}
