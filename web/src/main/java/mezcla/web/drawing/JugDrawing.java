package mezcla.web.drawing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Recipe;
import mezcla.mixing.MixPlan;

/**
 * A jug with the layers of a bath: start water, each part, and what tops it up. Lengths are in the units of the drawing.
 *
 * @param layers from the bottom up
 * @param marks graduation marks from the bottom up
 * @param topUpY where the line to top up to is drawn
 */
public record JugDrawing(List<Layer> layers, List<Mark> marks, double topUpY) {
    private static final double BOTTOM = 150;
    private static final double FULL = 130;
    private static final double LEAST_APART = 12;

    /**
     * One layer.
     *
     * @param y its top
     * @param height how tall
     * @param kind {@code water}, {@code part} or {@code top-up}
     */
    public record Layer(double y, double height, String kind) {}

    /**
     * A graduation mark.
     *
     * @param y where
     * @param ml what it says
     */
    public record Mark(double y, int ml) {}

    /** Draws the jug in which a plan ends. */
    public static JugDrawing of(MixPlan plan) {
        double scale = FULL / (plan.finalMl() * 1.12);
        List<Layer> layers = new ArrayList<>();
        double y = BOTTOM;
        y = add(layers, y, plan.startWaterMl() * scale, "water");
        for (MixPlan.PlannedAddition planned : plan.additions()) {
            y = add(
                    layers,
                    y,
                    planned.roomMl() * scale,
                    plan.recipe().mode() == Recipe.Mode.READY_TO_USE ? "ready" : "part");
        }
        add(layers, y, plan.topUpMl() * scale, "top-up");
        return new JugDrawing(layers, marks(plan.finalMl(), scale), BOTTOM - plan.finalMl() * scale);
    }

    private static double add(List<Layer> layers, double below, double height, String kind) {
        if (height > 0) {
            layers.add(new Layer(below - height, height, kind));
        }
        return below - height;
    }

    private static List<Mark> marks(double finalMl, double scale) {
        int step = step(finalMl);
        List<Mark> marks = new ArrayList<>();
        for (int ml = step; (finalMl - ml) * scale > LEAST_APART; ml += step) {
            marks.add(new Mark(BOTTOM - ml * scale, ml));
        }
        return marks;
    }

    private static int step(double finalMl) {
        int step = 5;
        while (finalMl / step > 6) {
            step *= String.valueOf(step).startsWith("5") ? 2 : 5;
        }
        return step;
    }
}
