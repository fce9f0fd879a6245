package mezcla.web.drawing.cost;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.planning.BatchSize;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * Every sensible way to use each kit, side by side (rules, section 10): the size of a batch across, what a roll costs up; a
 * line a kit, the cheapest way of all as a ring; a laboratory's price as a line.
 *
 * @param kits a line a kit
 * @param laboratory where a laboratory's price lies; null where nobody knows it, or it is off the picture
 * @param laboratoryText that price
 * @param volumes marks of the axis of volumes
 * @param money marks of the axis of money
 * @param text the same in words
 */
public record KitChoiceDrawing(
        List<OfKit> kits,
        @Nullable Double laboratory,
        String laboratoryText,
        List<CostCurveDrawing.Axis> volumes,
        List<CostCurveDrawing.Axis> money,
        String text) {
    private static final double LEFT = 56;
    private static final double RIGHT = 700;
    private static final double TOP = 16;
    private static final double BOTTOM = 286;
    private static final double ROOM_ABOVE = 1.15;
    private static final double MOST_TIMES = 4;
    private static final int MOST_MARKS = 8;

    /** Keeps its own lists. */
    public KitChoiceDrawing {
        kits = List.copyOf(kits);
        volumes = List.copyOf(volumes);
        money = List.copyOf(money);
    }

    /** A kit: its line, its ways, and where its name stands. */
    public record OfKit(String name, int number, String path, List<Way> ways, double nameX, double nameY) {
        /** Keeps its own list. */
        public OfKit {
            ways = List.copyOf(ways);
        }
    }

    /** A way: where it lies, whether it is the cheapest of all, what it is. */
    public record Way(double x, double y, boolean best, String said) {}

    /**
     * Draws ways.
     *
     * @param sizes the ways, the cheapest first; one at least
     * @param laboratory what a laboratory takes for a roll; empty where nobody knows
     */
    public static KitChoiceDrawing of(List<BatchSize> sizes, Optional<Money> laboratory) {
        double cheapest = minor(sizes.get(0).aRoll());
        double dearest =
                sizes.stream().mapToDouble(size -> minor(size.aRoll())).max().orElse(1);
        double highest = Math.max(
                1,
                Math.max(
                                Math.min(dearest, cheapest * MOST_TIMES),
                                laboratory.map(KitChoiceDrawing::minor).orElse(0.0))
                        * ROOM_ABOVE);
        double widest = sizes.stream().mapToDouble(BatchSize::volumeMl).max().orElse(1);
        Map<String, List<BatchSize>> byKit = new LinkedHashMap<>();
        sizes.forEach(size -> byKit.computeIfAbsent(size.offer().name(), kit -> new ArrayList<>())
                .add(size));
        List<OfKit> kits = new ArrayList<>();
        byKit.forEach((name, ways) -> {
            ways.sort(Comparator.comparingDouble(BatchSize::volumeMl));
            List<Way> drawn = new ArrayList<>();
            StringBuilder path = new StringBuilder();
            for (BatchSize way : ways) {
                double x = LEFT + (RIGHT - LEFT) * way.volumeMl() / widest;
                double y = Math.max(TOP, BOTTOM - (BOTTOM - TOP) * minor(way.aRoll()) / highest);
                path.append(path.length() == 0 ? "M" : "L")
                        .append(rounded(x))
                        .append(' ')
                        .append(rounded(y));
                drawn.add(new Way(
                        rounded(x),
                        rounded(y),
                        way.equals(sizes.get(0)),
                        "%s, %s: %s a roll"
                                .formatted(name, Figures.inAll(way.volumeMl()), Figures.money(way.aRoll()))));
            }
            Way last = drawn.get(drawn.size() - 1);
            kits.add(new OfKit(name, kits.size() + 1, path.toString(), drawn, last.x(), last.y() - 12));
        });
        double hundred = Math.pow(10, sizes.get(0).aRoll().getCurrencyUnit().getDecimalPlaces());
        return new KitChoiceDrawing(
                kits,
                laboratory
                        .map(KitChoiceDrawing::minor)
                        .map(price -> rounded(BOTTOM - (BOTTOM - TOP) * price / highest))
                        .orElse(null),
                laboratory
                        .map(money -> "a laboratory, " + money.getAmount().toPlainString())
                        .orElse(""),
                axis(widest, LEFT, RIGHT, 250, value -> Figures.inAll(value)),
                axis(highest / hundred, BOTTOM, TOP, 1, value -> Figures.plain(value, 0)),
                "What a roll costs by kit and by size of batch; the cheapest is "
                        + "%s in batches of %s, %s a roll"
                                .formatted(
                                        sizes.get(0).offer().name(),
                                        Figures.inAll(sizes.get(0).volumeMl()),
                                        Figures.money(sizes.get(0).aRoll())));
    }

    private interface Word {
        String of(double value);
    }

    private static List<CostCurveDrawing.Axis> axis(double most, double from, double to, double least, Word word) {
        double step = least;
        double[] factors = {2, 2, 2.5};
        for (int i = 0; most / step > MOST_MARKS; i++) {
            step *= factors[i % factors.length];
        }
        List<CostCurveDrawing.Axis> marks = new ArrayList<>();
        for (double value = 0; value <= most + 1e-9; value += step) {
            marks.add(new CostCurveDrawing.Axis(rounded(from + (to - from) * value / most), word.of(value)));
        }
        return marks;
    }

    private static double minor(Money money) {
        return money.getAmountMinorLong();
    }

    private static double rounded(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
