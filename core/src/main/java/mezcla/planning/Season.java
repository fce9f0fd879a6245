package mezcla.planning;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import java.util.function.IntConsumer;
import mezcla.measure.Slack;
import org.joda.money.Money;

/**
 * Seasons thought up, one after the other, to show how far what a roll costs can be from what is expected (rules, section
 * 10). Film comes week by week as it came to the house: each week is one of its weeks, drawn by chance; where too few are
 * known, by chance around a mean. Kits are bought and divided as {@link BatchSize} says; what is too old is poured away.
 *
 * @param costs what a roll cost in each season, the cheapest first
 * @param rolls how many rolls the middle season had
 * @param poured how many rolls' worth was poured away unused in the middle season
 */
public record Season(List<Money> costs, double rolls, double poured) {
    /** How many weeks a season has. */
    public static final int WEEKS = 26;

    /** How many weeks the house must have had before seasons are made of them. */
    public static final int ENOUGH_WEEKS = 8;

    private static final double TENTH = 0.1;
    private static final double HALF = 0.5;
    private static final double NINE_TENTHS = 0.9;

    /** Keeps its own list. */
    public Season {
        costs = List.copyOf(costs);
    }

    /**
     * Thinks seasons up.
     *
     * @param size how kits are used
     * @param weeks what came in the weeks of the house, in roll equivalents
     * @param perWeek how many rolls come a week: the weeks are scaled to it; above 0
     * @param saved how many rolls are saved up before a batch is mixed
     * @param seed the same seed gives the same seasons
     * @param count how many, above 0
     * @param done told after each how many there are
     */
    public static Season simulate(
            BatchSize size, List<Double> weeks, double perWeek, int saved, long seed, int count, IntConsumer done) {
        Random chance = new Random(seed);
        double mean = weeks.stream().mapToDouble(Double::doubleValue).average().orElse(0);
        List<Played> played = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Played season = new Played(size, saved);
            double owed = 0;
            for (int week = 0; week < WEEKS; week++) {
                owed += weeks.size() >= ENOUGH_WEEKS && mean > 0
                        ? weeks.get(chance.nextInt(weeks.size())) * perWeek / mean
                        : poisson(chance, perWeek);
                int whole = (int) Slack.floor(owed);
                owed -= whole;
                season.week(week, whole);
            }
            played.add(season);
            done.accept(i + 1);
        }
        List<Money> costs = played.stream()
                .filter(season -> season.rolls > 0)
                .map(Played::aRoll)
                .sorted()
                .toList();
        return new Season(
                costs,
                middle(played.stream().mapToDouble(season -> season.rolls).toArray()),
                middle(played.stream().mapToDouble(season -> season.poured).toArray()));
    }

    private static double middle(double[] figures) {
        Arrays.sort(figures);
        return figures[figures.length / 2];
    }

    private static int poisson(Random chance, double mean) {
        double limit = Math.exp(-mean);
        double product = chance.nextDouble();
        int count = 0;
        while (product > limit) {
            count++;
            product *= chance.nextDouble();
        }
        return count;
    }

    private Money at(double share) {
        return costs.get((int) Math.min(costs.size() - 1L, Math.round(share * (costs.size() - 1))));
    }

    /** Nine of ten seasons cost more. */
    public Money cheap() {
        return at(TENTH);
    }

    /** Half of the seasons cost more. */
    public Money middle() {
        return at(HALF);
    }

    /** One of ten seasons costs more. */
    public Money dear() {
        return at(NINE_TENTHS);
    }

    /** Whether no season had any film. */
    public boolean isEmpty() {
        return costs.isEmpty();
    }

    /** One season as it goes by. */
    private static final class Played {
        private final BatchSize size;
        private final int saved;
        private final Deque<Integer> waiting = new ArrayDeque<>();
        private double kitsUsed;
        private int leftInKit;
        private int openedWeek;
        private int left;
        private int mixedWeek;
        private int rolls;
        private double poured;

        Played(BatchSize size, int saved) {
            this.size = size;
            this.saved = Math.max(1, Math.min(saved, size.capacity()));
        }

        void week(int week, int came) {
            Double life = size.offer().lifeWeeks();
            if (left > 0 && life != null && week - mixedWeek > life) {
                poured += left;
                left = 0;
            }
            for (int i = 0; i < came; i++) {
                waiting.add(week);
            }
            while (!waiting.isEmpty() && (left > 0 || waiting.size() >= saved)) {
                if (left == 0) {
                    mix(week);
                }
                waiting.remove();
                left--;
                rolls++;
            }
        }

        private void mix(int week) {
            Double opened = size.offer().openedWeeks();
            if (leftInKit > 0 && opened != null && week - openedWeek > opened) {
                kitsUsed += leftInKit / (double) size.batches();
                poured += leftInKit * (double) size.capacity();
                leftInKit = 0;
            }
            if (leftInKit == 0) {
                leftInKit = size.batches();
                openedWeek = week;
            }
            leftInKit--;
            kitsUsed += 1.0 / size.batches();
            left = size.capacity();
            mixedWeek = week;
        }

        /** What is left in a bottle at the end counts for what it still takes. */
        Money aRoll() {
            double worth = kitsUsed - left / (double) size.capacity() / size.batches();
            return size.offer()
                    .price()
                    .multipliedBy(BigDecimal.valueOf(worth), RoundingMode.HALF_UP)
                    .dividedBy(rolls, RoundingMode.HALF_UP);
        }
    }
}
