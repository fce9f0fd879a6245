package mezcla.planning;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.measure.Slack;
import mezcla.money.ExpectedRolls;
import org.joda.money.Money;

/**
 * A way to use a kit: so many batches of one size, one after the other (rules, section 10).
 *
 * @param offer the kit
 * @param batches into how many it is divided
 * @param volumeMl the size of each, in ml
 * @param capacity C: how many whole rolls one takes
 * @param expectedRolls what one will probably do, E[min(C, N)]
 * @param used how many of the batches are begun before what is left of the opened kit is past its life
 * @param aRoll what a roll will probably cost
 * @param wasted what share of the kit's whole capacity age will probably take, 0 to 1
 * @param lastsWeeks how long a batch will probably last, in weeks, from mixing until it is used up or too old
 * @param waitsWeeks how long film is saved up before each batch is mixed, in weeks
 */
public record BatchSize(
        KitOffer offer,
        int batches,
        double volumeMl,
        int capacity,
        double expectedRolls,
        int used,
        Money aRoll,
        double wasted,
        double lastsWeeks,
        double waitsWeeks) {
    /** The fewest rolls a week that anything is worked out for. */
    public static final double LEAST_PER_WEEK = 0.1;

    /** The most. */
    public static final double MOST_PER_WEEK = 200;

    /** How many rolls anybody saves up. */
    public static final int MOST_SAVED = 24;

    /** The shortest life of a batch that anything is worked out for, in weeks. */
    public static final double LEAST_WEEKS = 0.5;

    /** The least that a tank takes where a house has none yet, in ml; <em>house</em>. */
    public static final double SMALLEST_ML = 250;

    private static final int MOST_BATCHES = 24;
    private static final double LEAST_ROLLS = 0.01;
    private static final double NEVER_WEEKS = 520;

    /**
     * One way to use a kit.
     *
     * @param offer the kit
     * @param batches into how many batches it is divided, 1 or more
     * @param perWeek λ: how many rolls come a week, above 0
     * @param saved how many rolls are saved up before each batch is mixed, 0 or more
     * @return it; empty where a batch would not take a whole roll
     * @throws IllegalArgumentException for figures outside of those
     */
    public static Optional<BatchSize> of(KitOffer offer, int batches, double perWeek, int saved) {
        if (batches < 1 || !(perWeek > 0) || saved < 0) {
            throw new IllegalArgumentException("%d batches, %s a week, %d saved".formatted(batches, perWeek, saved));
        }
        double volume = offer.makesMl() / batches;
        int capacity = (int) Slack.floor(volume * offer.rollsPerMl());
        if (capacity < 1) {
            return Optional.empty();
        }
        int waiting = Math.min(saved, capacity);
        Double life = offer.lifeWeeks();
        double expected = life == null ? capacity : waiting + ExpectedRolls.of(capacity - waiting, perWeek * life);
        double lasts = (expected - waiting) / perWeek;
        double waits = waiting / perWeek;
        int used = batches;
        Double opened = offer.openedWeeks();
        if (opened != null && batches > 1) {
            double each = Math.max(lasts + waits, LEAST_ROLLS);
            used = (int) Math.min(batches, 1 + Slack.floor(opened / each));
        }
        return Optional.of(new BatchSize(
                offer,
                batches,
                volume,
                capacity,
                expected,
                used,
                offer.price()
                        .dividedBy(BigDecimal.valueOf(Math.max(used * expected, LEAST_ROLLS)), RoundingMode.HALF_UP),
                Math.max(0, 1 - used * expected / (batches * (double) capacity)),
                Math.min(lasts, NEVER_WEEKS),
                waits));
    }

    /**
     * Every sensible way to use a kit: whole, in halves, thirds and so on down to the smallest volume that can be used;
     * only whole where something in it only goes in whole.
     *
     * @param smallestMl the least that a tank takes, in ml
     */
    public static List<BatchSize> all(KitOffer offer, double smallestMl, double perWeek, int saved) {
        List<BatchSize> all = new ArrayList<>();
        int most = offer.onlyWhole() ? 1 : MOST_BATCHES;
        for (int batches = 1; batches <= most; batches++) {
            if (batches > 1 && Slack.exceeds(smallestMl, offer.makesMl() / batches)) {
                break;
            }
            of(offer, batches, perWeek, saved).ifPresent(all::add);
        }
        return all;
    }

    /**
     * Every sensible way to use each of several kits, the cheapest roll first.
     *
     * @param smallestMl the least that a tank takes, in ml
     * @param perWeek λ: how many rolls come a week, above 0
     * @param saved how many rolls are saved up before each batch is mixed
     */
    public static List<BatchSize> ways(Collection<KitOffer> offers, double smallestMl, double perWeek, int saved) {
        return offers.stream()
                .flatMap(offer -> all(offer, smallestMl, perWeek, saved).stream())
                .sorted(CHEAPEST_FIRST)
                .toList();
    }

    /** The best way to use each kit, the cheapest roll first. */
    public static List<BatchSize> best(Collection<KitOffer> offers, double smallestMl, double perWeek) {
        Map<String, BatchSize> best = new LinkedHashMap<>();
        ways(offers, smallestMl, perWeek, 0)
                .forEach(size -> best.putIfAbsent(size.offer().name(), size));
        return List.copyOf(best.values());
    }

    /** The cheapest roll first; of what costs the same, the larger batch. */
    public static final Comparator<BatchSize> CHEAPEST_FIRST =
            Comparator.comparing(BatchSize::aRoll).thenComparing(BatchSize::batches);

    /**
     * What saving film up would change: the same size of batch, with 0, 1, 2 … rolls saved up before it is mixed.
     *
     * @param perWeek how many rolls come a week
     */
    public List<BatchSize> savingUp(double perWeek) {
        List<BatchSize> all = new ArrayList<>();
        for (int saved = 0; saved <= capacity; saved++) {
            of(offer, batches, perWeek, saved).ifPresent(all::add);
        }
        return all;
    }
}
