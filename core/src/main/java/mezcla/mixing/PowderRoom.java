package mezcla.mixing;

import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;

/** How much room and how much heat a part brings into a mix (rules, 3.1 and 3.2). */
final class PowderRoom {
    private static final double HEAT_PER_GRAM = 0.35;

    private PowderRoom() {}

    static double ml(double amount, Unit unit) {
        return unit == Unit.G ? amount * Part.ML_PER_GRAM : amount;
    }

    static double heat(double amount, Unit unit) {
        return unit == Unit.G ? amount * HEAT_PER_GRAM : amount;
    }
}
