package mezcla.web.drawing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Recipe;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.BenchAct;
import mezcla.mixing.BenchWalk;
import mezcla.mixing.MixPlan;
import mezcla.web.words.Figures;

/**
 * A jug with the layers of a bath: start water, each part, and what tops it up. Lengths are in the units of the drawing.
 *
 * @param layers from the bottom up
 * @param marks graduation marks from the bottom up
 * @param topUpY where the line to top up to is drawn
 * @param topUp what is written at it
 */
public record JugDrawing(List<Layer> layers, List<Mark> marks, double topUpY, String topUp) {
    private static final double BOTTOM = 150;
    private static final double FULL = 130;
    private static final double LEAST_APART = 12;

    /**
     * One layer.
     *
     * @param y its top
     * @param height how tall
     * @param kind {@code water}, {@code part}, {@code ready} or {@code top-up}; with {@code now} where it is about to be
     *     poured
     * @param label what it is; empty where nothing is written
     */
    public record Layer(double y, double height, String kind, String label) {}

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
            y = add(layers, y, planned.waterAfterMl() * scale, "water");
        }
        add(layers, y, plan.topUpMl() * scale, "top-up");
        return new JugDrawing(
                layers,
                marks(plan.finalMl(), scale),
                BOTTOM - plan.finalMl() * scale,
                "up to " + Figures.ml(plan.finalMl()));
    }

    /**
     * Draws the jug of a bath as it fills: what was poured, and outlined what is poured now.
     *
     * @param walk how far the mix has come
     * @param bath the bath at hand
     * @param now the act at hand
     */
    public static JugDrawing filling(BenchWalk walk, BatchPlan.PlannedBath bath, BenchAct now) {
        MixPlan plan = bath.mix();
        double most = Math.max(plan.finalMl(), walk.made(bath).levelMl());
        double scale = FULL / (most * 1.12);
        List<Layer> layers = new ArrayList<>();
        double level = 0;
        for (BenchAct act : walk.acts()) {
            boolean done = walk.done().containsKey(act.number());
            if (act.bath().equals(bath.bath().key()) && (done || act.number() == now.number())) {
                double added = added(walk, act, level);
                if (added > 0) {
                    layers.add(new Layer(
                            BOTTOM - (level + added) * scale,
                            added * scale,
                            kind(act, plan) + (done ? "" : " now"),
                            label(act, walk)));
                    level += added;
                }
            }
        }
        return new JugDrawing(
                layers,
                marks(plan.finalMl(), scale),
                BOTTOM - plan.finalMl() * scale,
                "up to " + Figures.ml(plan.finalMl()));
    }

    private static double added(BenchWalk walk, BenchAct act, double level) {
        double amount = walk.really(act);
        return switch (act.kind()) {
            case WATER, RINSE_MEASURE -> amount;
            case PART -> act.unit().roomMl(amount);
            case TOP_UP -> amount - level;
            case WAIT, BOTTLE, RINSE_ALL -> 0;
        };
    }

    private static String kind(BenchAct act, MixPlan plan) {
        return switch (act.kind()) {
            case PART -> plan.recipe().mode() == Recipe.Mode.READY_TO_USE ? "ready" : "part";
            case TOP_UP -> "top-up";
            default -> "water";
        };
    }

    private static String label(BenchAct act, BenchWalk walk) {
        MixPlan.PlannedAddition planned = act.planned();
        return switch (act.kind()) {
            case PART ->
                planned == null
                        ? ""
                        : walk.plan().leaflet().part(planned.addition().part()).name();
            case TOP_UP -> "top up";
            default -> "water";
        };
    }

    private static double add(List<Layer> layers, double below, double height, String kind) {
        if (height > 0) {
            layers.add(new Layer(below - height, height, kind, ""));
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
