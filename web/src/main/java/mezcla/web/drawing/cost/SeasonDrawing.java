package mezcla.web.drawing.cost;

import java.util.ArrayList;
import java.util.List;
import mezcla.planning.Season;
import mezcla.web.words.Figures;
import org.joda.money.Money;

/**
 * How what a roll costs spreads over seasons: what it costs across, how many seasons up.
 *
 * @param bars the seasons, from cheap to dear
 * @param marks marks of the axis of money
 * @param text the same in words
 */
public record SeasonDrawing(List<Bar> bars, List<CostCurveDrawing.Axis> marks, String text) {
    private static final int BARS = 16;
    private static final double LEFT = 20;
    private static final double WIDE = 480;
    private static final double HIGH = 110;
    private static final double FLOOR = 122;
    private static final double GAP = 3;

    /** Keeps its own lists. */
    public SeasonDrawing {
        bars = List.copyOf(bars);
        marks = List.copyOf(marks);
    }

    /** Seasons that cost about the same; those between the cheap and the dear ones are the usual ones. */
    public record Bar(double x, double y, double width, double height, boolean usual) {}

    /** Draws seasons; one at least. */
    public static SeasonDrawing of(Season season) {
        List<Money> costs = season.costs();
        double least = (double) costs.get(0).getAmountMinorLong();
        double most = Math.max(least + 1, (double) costs.get(costs.size() - 1).getAmountMinorLong());
        double step = (most - least) / BARS;
        int[] counts = new int[BARS];
        costs.forEach(cost -> counts[(int) Math.min(BARS - 1, (cost.getAmountMinorLong() - least) / step)]++);
        int tallest = 1;
        for (int count : counts) {
            tallest = Math.max(tallest, count);
        }
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i < BARS; i++) {
            double middle = least + step * (i + 0.5);
            double height = HIGH * counts[i] / tallest;
            bars.add(new Bar(
                    LEFT + WIDE * i / BARS + GAP / 2,
                    FLOOR - height,
                    WIDE / BARS - GAP,
                    height,
                    middle >= (double) season.cheap().getAmountMinorLong() - step
                            && middle <= (double) season.dear().getAmountMinorLong() + step));
        }
        return new SeasonDrawing(
                bars,
                List.of(
                        at(season.cheap(), least, most),
                        at(season.middle(), least, most),
                        at(season.dear(), least, most)),
                "%d seasons: a roll costs from %s to %s, mostly %s to %s"
                        .formatted(
                                costs.size(),
                                Figures.money(costs.get(0)),
                                Figures.money(costs.get(costs.size() - 1)),
                                Figures.money(season.cheap()),
                                Figures.money(season.dear())));
    }

    private static CostCurveDrawing.Axis at(Money cost, double least, double most) {
        return new CostCurveDrawing.Axis(
                LEFT + WIDE * (cost.getAmountMinorLong() - least) / (most - least),
                cost.getAmount().toPlainString());
    }
}
