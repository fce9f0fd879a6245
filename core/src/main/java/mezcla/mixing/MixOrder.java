package mezcla.mixing;

import java.util.Comparator;
import mezcla.leaflet.MixingTemperature;

/** In which order the baths of a plan are mixed (rules, 3.2 and 3.5); baths that are alike stay in the order of use. */
public enum MixOrder {
    /** As they are used, developer first, so that nothing reaches a developer that spoils it. */
    AS_USED,
    /** The coolest water first, as a tub heats on from one bath to the next; what is mixed unheated comes last. */
    COOLEST_FIRST,
    /** The warmest water first, as a tub that is heated once cools down; what is mixed unheated comes last. */
    WARMEST_FIRST;

    Comparator<BatchPlan.PlannedBath> comparator() {
        return Comparator.comparingDouble(this::place);
    }

    private double place(BatchPlan.PlannedBath planned) {
        MixingTemperature water = planned.bath().recipe().mixingC();
        double unheated = water == null ? Double.POSITIVE_INFINITY : 0;
        double targetC = water == null ? 0 : water.target();
        return switch (this) {
            case AS_USED -> 0;
            case COOLEST_FIRST -> unheated + targetC;
            case WARMEST_FIRST -> unheated - targetC;
        };
    }
}
