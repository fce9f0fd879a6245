package mezcla.web.drawing;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.log.Bottle;
import mezcla.verdict.FillLimits;

/**
 * A bottle with its fill: outline by material, liquid by volume, a notch for each roll of capacity, the days on a neck
 * tag, the bath's letters and hatch. All lengths are in the units of the drawing, from the bottle's left edge.
 *
 * @param id unique on the page
 * @param x where its left edge stands in the crate
 * @param outline the path of the glass
 * @param cap the path of the cap
 * @param liquidTop where the liquid begins
 * @param liquidHeight how far it reaches down
 * @param letters the bath's two letters
 * @param notches one for each roll of capacity, the first at the bottom
 * @param days days since mixing
 * @param tagY the top of the neck tag
 * @param text the same in words
 */
public record BottleDrawing(
        String id,
        double x,
        String outline,
        String cap,
        double liquidTop,
        double liquidHeight,
        String letters,
        List<Notch> notches,
        int days,
        double tagY,
        String text) {
    /** How wide a bottle is drawn. */
    public static final double WIDTH = 48;

    /** Where bottles stand. */
    public static final double FLOOR = 134;

    private static final int NOTCH_X = 38;
    private static final int NOTCH_WIDTH = 6;

    /**
     * One roll of capacity.
     *
     * @param y its top
     * @param height how tall
     * @param used whether that roll has been done
     */
    public record Notch(double y, double height, boolean used) {}

    /** All notches of one kind in a line of their own: used ones, or those that are left. */
    public String notches(boolean used) {
        StringBuilder path = new StringBuilder();
        for (Notch notch : notches) {
            if (notch.used() == used) {
                path.append(
                        PathData.of("M%s %sh%sv%sh%sz", NOTCH_X, notch.y(), NOTCH_WIDTH, notch.height(), -NOTCH_WIDTH));
            }
        }
        return path.toString();
    }

    /**
     * Draws a fill in its bottle.
     *
     * @param fill the fill
     * @param days days since it was mixed
     * @param x the left edge
     */
    public static BottleDrawing of(FillState fill, int days, double x) {
        Bottle bottle = fill.bottle();
        double height = height(bottle.capacityMl());
        double top = FLOOR - height;
        double shoulder = top + 32;
        double share = Math.min(1, fill.inBottleMl() / bottle.capacityMl());
        double liquidHeight = share * (FLOOR - shoulder + 8);
        return new BottleDrawing(
                "fill-" + fill.id(),
                x,
                outline(bottle.material(), top, shoulder),
                cap(bottle.material(), top),
                FLOOR - liquidHeight,
                liquidHeight,
                fill.bath().role().letters(),
                notches(fill, shoulder),
                days,
                top + 8,
                words(fill, days));
    }

    private static double height(double capacityMl) {
        return 84 + 42 * Math.min(1, Math.sqrt(capacityMl / 1200));
    }

    private static String outline(Bottle.Material material, double top, double shoulder) {
        return switch (material) {
            case GLASS ->
                PathData.of(
                        "M %s %s v 12 c 0 8 -16 8 -16 22 V %s q 0 5 5 5 h 36 q 5 0 5 -5 V %s c 0 -14 -16 -14 -16 -22 v -12 Z",
                        17, top + 6, FLOOR - 5, shoulder + 8);
            case PLASTIC ->
                PathData.of(
                        "M %s %s v 8 l -11 12 q -3 4 -3 8 V %s q 0 3 3 3 h 40 q 3 0 3 -3 V %s q 0 -4 -3 -8 l -11 -12 v -8 Z",
                        15, top + 6, FLOOR - 3, shoulder + 2);
            case FOLDING -> folding(top, shoulder);
        };
    }

    private static String folding(double top, double shoulder) {
        int folds = 5;
        double step = (FLOOR - shoulder) / folds;
        StringBuilder down = new StringBuilder(PathData.of("M %s %s v 8 L %s %s", 17, top + 6, 3, shoulder));
        StringBuilder up = new StringBuilder();
        for (int i = 0; i < folds; i++) {
            double middle = shoulder + step * (i + 0.5);
            double end = shoulder + step * (i + 1);
            down.append(PathData.of(" L %s %s L %s %s", 7, middle, 3, end));
            up.insert(0, PathData.of(" L %s %s L %s %s", 41, middle, 45, shoulder + step * i));
        }
        return down.append(PathData.of(" L %s %s", 45, FLOOR))
                .append(up)
                .append(PathData.of(" L %s %s v -8 Z", 31, top + 14))
                .toString();
    }

    private static String cap(Bottle.Material material, double top) {
        double width = material == Bottle.Material.PLASTIC ? 24 : 20;
        return PathData.of("M %s %s h %s v 8 h %s Z", (WIDTH - width) / 2, top - 1, width, -width);
    }

    private static List<Notch> notches(FillState fill, double shoulder) {
        Bath bath = fill.bath();
        Range capacity = bath.capacity();
        if (capacity == null) {
            return List.of();
        }
        boolean oneShot = bath.oneShot() != null;
        double all = oneShot ? bath.rollsIn(fill.mixed().volumeMl(), capacity.max()) : fill.rollsOf(capacity.max());
        double used = oneShot ? all * (1 - fill.volumeMl() / fill.mixed().volumeMl()) : fill.rolls();
        int count = (int) Math.min(FillLimits.MOST_COUNTED, Math.max(1, Math.round(all)));
        double pitch = Math.min(7, (FLOOR - 14 - shoulder) / count);
        List<Notch> notches = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            notches.add(new Notch(FLOOR - 10 - (i + 1) * pitch, pitch - 1.6, used / all * count > i + 0.499));
        }
        return notches;
    }

    private static String words(FillState fill, int days) {
        return fill.bath().role().name() + ", " + Math.round(fill.volumeMl()) + " of "
                + Math.round(fill.bottle().capacityMl()) + " ml, " + days + " days old";
    }
}
