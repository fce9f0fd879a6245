package mezcla.web.drawing.cost;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.money.BatchSpending;
import mezcla.money.ExpectedCost;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a roll of a batch costs as it is used up (rules, section 8): rolls across, money up; the three figures as marks, a
 * laboratory's price as a line, and what age will probably take as a ground.
 *
 * @param path the curve
 * @param rest the same if nothing more were mixed from its kits; empty where that changes nothing
 * @param marks so far, expected, at printed capacity
 * @param laboratory where a laboratory's price lies; null where nobody looked it up, or it is off the picture
 * @param laboratoryText that price
 * @param ageFrom where age will probably end it; null where it will not
 * @param rolls marks of the axis of rolls
 * @param money marks of the axis of money
 * @param text the same in words
 */
public record CostCurveDrawing(
        String path,
        String rest,
        List<Mark> marks,
        @Nullable Double laboratory,
        String laboratoryText,
        @Nullable Double ageFrom,
        List<Axis> rolls,
        List<Axis> money,
        String text) {
    /** Where the picture begins and ends. */
    public static final double LEFT = 56;

    /** Its right edge. */
    public static final double RIGHT = 536;

    private static final double TOP = 14;
    private static final double BOTTOM = 244;
    private static final double FIRST = 0.5;
    private static final double STEP = 0.25;
    private static final double ROOM_ABOVE = 1.12;
    private static final int MOST_MARKS = 7;
    private static final double WORDS_WIDE = 150;
    private static final double LINE = 19;

    /** Keeps its own lists. */
    public CostCurveDrawing {
        marks = List.copyOf(marks);
        rolls = List.copyOf(rolls);
        money = List.copyOf(money);
    }

    /** A point of the curve with its figure; the text stands before it where there is no room after it. */
    public record Mark(double x, double y, double textX, double textY, String anchor, String figure, String word) {
        private Mark at(double lower) {
            return new Mark(x, y, textX, lower, anchor, figure, word);
        }
    }

    /** A mark of an axis. */
    public record Axis(double at, String text) {}

    /**
     * Draws a batch.
     *
     * @param spending the batch
     * @param capacity the roll equivalents that it takes by its leaflet; empty where none is printed
     * @param laboratory what a laboratory takes for a roll; empty where nobody looked it up
     */
    public static CostCurveDrawing of(BatchSpending spending, OptionalDouble capacity, Optional<Money> laboratory) {
        double total = minor(spending.cost().total());
        double done = spending.rolls();
        double expected = spending.expected().map(ExpectedCost::rolls).orElse(done);
        double most = Math.max(1, Math.max(capacity.orElse(0), Math.max(done, expected)));
        double dearest = dearest(spending, total, most, laboratory);
        Plane plane = new Plane(most, dearest);
        List<Mark> marks = new ArrayList<>();
        spending.cost()
                .soFar()
                .ifPresent(money -> marks.add(plane.mark(done, minor(money), amount(money), "so far", -12)));
        spending.expected()
                .filter(each -> spending.endedAt() == null)
                .ifPresent(each -> marks.add(
                        plane.mark(each.rolls(), minor(each.aRoll()), amount(each.aRoll()), "expected", -14)));
        if (capacity.isPresent()) {
            spending.cost()
                    .atPrintedCapacity()
                    .ifPresent(money -> marks.add(
                            plane.mark(capacity.getAsDouble(), minor(money), amount(money), "as printed", 24)));
        }
        boolean ages = capacity.isPresent()
                && spending.expected().filter(ExpectedCost::byDemand).isPresent()
                && spending.endedAt() == null
                && expected < capacity.getAsDouble() - FIRST;
        return new CostCurveDrawing(
                path(plane, total, most, dearest),
                spending.cost()
                        .whenRestIsUnused()
                        .map(unused -> path(plane, minor(unused.total()), most, dearest))
                        .orElse(""),
                apart(marks),
                laboratory
                        .map(CostCurveDrawing::minor)
                        .filter(price -> price < dearest)
                        .map(plane::y)
                        .orElse(null),
                laboratory.map(money -> "a laboratory, " + amount(money)).orElse(""),
                ages ? plane.x(expected) : null,
                axis(most, plane::x, 1),
                axis(dearest / hundred(spending), value -> plane.y(value * hundred(spending)), 1),
                text(spending));
    }

    /** Figures that would stand on each other stand one above the other. */
    private static List<Mark> apart(List<Mark> marks) {
        List<Mark> apart = new ArrayList<>();
        marks.stream().sorted(Comparator.comparingDouble(Mark::textY)).forEach(mark -> {
            double lowest = apart.stream()
                    .filter(above -> Math.abs(above.textX() - mark.textX()) < WORDS_WIDE)
                    .mapToDouble(above -> above.textY() + LINE)
                    .max()
                    .orElse(mark.textY());
            apart.add(mark.at(Math.max(lowest, mark.textY())));
        });
        return apart;
    }

    private static double hundred(BatchSpending spending) {
        return Math.pow(10, spending.cost().total().getCurrencyUnit().getDecimalPlaces());
    }

    /** The picture is as high as what is told of it, and a little more. */
    private static double dearest(BatchSpending spending, double total, double most, Optional<Money> laboratory) {
        double highest = total / most;
        highest = Math.max(
                highest, spending.cost().soFar().map(CostCurveDrawing::minor).orElse(0.0));
        highest = Math.max(highest, laboratory.map(CostCurveDrawing::minor).orElse(0.0));
        return Math.max(1, Math.min(highest * ROOM_ABOVE, total * 2));
    }

    private static String path(Plane plane, double total, double most, double dearest) {
        StringBuilder path = new StringBuilder();
        for (double rolls = Math.max(FIRST, total / dearest); rolls <= most + 1e-9; rolls += STEP) {
            path.append(path.length() == 0 ? "M" : "L")
                    .append(String.format(Locale.ROOT, "%.1f %.1f", plane.x(rolls), plane.y(total / rolls)));
        }
        return path.toString();
    }

    private interface Scale {
        double at(double value);
    }

    private static List<Axis> axis(double most, Scale scale, double least) {
        double step = least;
        double[] steps = {1, 2, 5};
        for (int i = 0; most / step > MOST_MARKS; i++) {
            step = steps[(i + 1) % steps.length] * Math.pow(10, Math.floorDiv(i + 1, steps.length)) * least;
        }
        List<Axis> marks = new ArrayList<>();
        for (double value = 0; value <= most + 1e-9; value += step) {
            marks.add(new Axis(scale.at(value), Figures.plain(value, 0)));
        }
        return marks;
    }

    private static double minor(Money money) {
        return money.getAmountMinorLong();
    }

    private static String amount(Money money) {
        return money.getAmount().toPlainString();
    }

    private static String text(BatchSpending spending) {
        List<String> said = new ArrayList<>();
        spending.cost().soFar().ifPresent(money -> said.add(Figures.money(money) + " a roll so far"));
        spending.expected()
                .filter(each -> spending.endedAt() == null)
                .ifPresent(each -> said.add(Figures.money(each.aRoll()) + " expected"));
        spending.cost().atPrintedCapacity().ifPresent(money -> said.add(Figures.money(money) + " at printed capacity"));
        return "Cost of a roll of batch %d as it is used up: %s"
                .formatted(spending.batch().id(), said.isEmpty() ? "nothing was run yet" : String.join(", ", said));
    }

    private record Plane(double most, double dearest) {
        double x(double rolls) {
            return rounded(LEFT + (RIGHT - LEFT) * rolls / most);
        }

        double y(double minor) {
            return rounded(BOTTOM - (BOTTOM - TOP) * Math.min(1, minor / dearest));
        }

        Mark mark(double rolls, double minor, String figure, String word, double up) {
            boolean late = x(rolls) > RIGHT - 130;
            return new Mark(
                    x(rolls),
                    y(minor),
                    late ? x(rolls) - 4 : x(rolls) + 12,
                    y(minor) + up,
                    late ? "end" : "start",
                    figure,
                    word);
        }

        private static double rounded(double value) {
            return Math.round(value * 10) / 10.0;
        }
    }
}
