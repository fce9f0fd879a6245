package mezcla.mixing;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Unit;
import mezcla.measure.Slack;

/**
 * A way to divide a powder of which so little is wanted that no scale of the house weighs it well (rules, 3.3 and 3.4): more
 * of it is dissolved in a known volume, and what holds the wanted amount is measured out of that. Unofficial, as every
 * powder that is divided.
 *
 * @param dissolvedG how much powder is dissolved, in g
 * @param whole whether that is the whole sachet, which nobody weighs
 * @param stockMl to which volume, in ml
 * @param measuredMl how much of that holds the wanted amount, in ml
 * @param measure what measures the solution out
 */
public record Stock(double dissolvedG, boolean whole, double stockMl, double measuredMl, Tool measure) {
    /** As much powder as dissolves without doubt, in g for each ml; <em>house</em>. */
    private static final double MOST_G_PER_ML = 0.1;

    private static final double[] VOLUMES_ML = {50, 100, 200, 250, 500};

    /**
     * A stock for a part of a plan, as small as one that is exact enough can be.
     *
     * @param planned the part, of which too little is wanted to be weighed
     * @param leftG how much of it there is, in g
     * @param untouched whether that is a whole sachet, of the printed weight
     * @param tools what the house measures with
     * @param waterMl how much water the bath takes, of which the stock's replaces a part, in ml
     * @return empty where the part is no powder, or where even that is not exact enough
     */
    public static Optional<Stock> of(
            MixPlan.PlannedAddition planned, double leftG, boolean untouched, Collection<Tool> tools, double waterMl) {
        Addition addition = planned.addition();
        if (addition.unit() != Unit.G || planned.wholePart() || !(planned.amount() > 0)) {
            return Optional.empty();
        }
        double tolerance = addition.care().tolerance();
        Stream<Weighed> weighed = Stream.concat(
                untouched ? Stream.of(new Weighed(leftG, 0, true)) : Stream.of(),
                tools.stream()
                        .filter(tool -> tool.unit() == Unit.G)
                        .flatMap(scale -> weighed(scale, leftG, tolerance)));
        return weighed.flatMap(powder -> DoubleStream.of(VOLUMES_ML)
                        .filter(stockMl -> Slack.reaches(stockMl * MOST_G_PER_ML, powder.grams()))
                        .boxed()
                        .flatMap(stockMl -> measured(planned, powder, stockMl, tools, tolerance, waterMl)))
                .min(Comparator.comparingDouble(Stock::dissolvedG).thenComparingDouble(Stock::stockMl));
    }

    private record Weighed(double grams, double relative, boolean whole) {}

    /** What a scale weighs within half of what the part tolerates: the other half is the measure's. */
    private static Stream<Weighed> weighed(Tool scale, double leftG, double tolerance) {
        double grams = Math.ceil(scale.graduation() / tolerance / scale.graduation()) * scale.graduation();
        return Slack.exceeds(grams, Math.min(leftG, scale.capacity()))
                ? Stream.empty()
                : Stream.of(new Weighed(grams, scale.graduation() / 2 / grams, false));
    }

    private static Stream<Stock> measured(
            MixPlan.PlannedAddition planned,
            Weighed powder,
            double stockMl,
            Collection<Tool> tools,
            double tolerance,
            double waterMl) {
        double ml = planned.amount() / powder.grams() * stockMl;
        if (Slack.exceeds(ml, Math.min(stockMl, waterMl)) || tools.stream().noneMatch(tool -> tool.unit() == Unit.ML)) {
            return Stream.empty();
        }
        ToolChoice choice = ToolChoice.of(ml, Unit.ML, planned.addition().care(), tools);
        return Slack.reaches(tolerance, choice.relative() + powder.relative())
                ? Stream.of(new Stock(powder.grams(), powder.whole(), stockMl, ml, choice.tool()))
                : Stream.empty();
    }
}
