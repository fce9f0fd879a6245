package mezcla.web.drawing;

import java.util.List;
import java.util.stream.IntStream;
import mezcla.batch.FillState;

/**
 * A crate with the bottles of a batch.
 *
 * @param width the drawing's width
 * @param height the drawing's height
 * @param bottles its bottles, in the order of use
 * @param frontY where the crate's front begins
 * @param frontWidth how wide the front is
 * @param text the same in words
 */
public record CrateDrawing(
        double width, double height, List<BottleDrawing> bottles, double frontY, double frontWidth, String text) {
    private static final double PITCH = 56;
    private static final double MARGIN = 18;
    private static final double LEAST_WIDTH = 3 * PITCH + 2 * MARGIN - 8;

    /** How high a crate is drawn. */
    public static final double HEIGHT = 170;

    /**
     * Draws a crate.
     *
     * @param fills the fills that stand in it, in the order of use
     * @param days days since each was mixed
     */
    public static CrateDrawing of(List<FillState> fills, List<Integer> days) {
        double needed = fills.size() * PITCH - 8 + 2 * MARGIN;
        double width = Math.max(LEAST_WIDTH, needed);
        double start = MARGIN + (width - needed) / 2;
        List<BottleDrawing> bottles = IntStream.range(0, fills.size())
                .mapToObj(i -> BottleDrawing.of(fills.get(i), days.get(i), start + i * PITCH))
                .toList();
        String text =
                String.join("; ", bottles.stream().map(BottleDrawing::text).toList());
        return new CrateDrawing(width, HEIGHT, bottles, BottleDrawing.FLOOR - 6, width, text);
    }
}
