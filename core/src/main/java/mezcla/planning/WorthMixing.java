package mezcla.planning;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.measure.Slack;
import org.joda.money.Money;

/**
 * Whether film that no batch takes is worth a mix now, or should wait for more (rules, section 10).
 *
 * @param offer the kit that would be mixed from
 * @param volumeMl how much of each bath would be mixed, in ml
 * @param waiting how many roll equivalents wait
 * @param now what a roll would cost if nothing but what waits went through
 * @param withOneMore the same with one more roll
 * @param expected what a roll would probably cost, with what comes while the batch lives; empty where nobody knows demand
 * @param daysUntilOneMore how long the next roll will probably take to come, in days; empty where nobody knows
 * @param fits whether so much film goes through that volume at all
 */
public record WorthMixing(
        KitOffer offer,
        double volumeMl,
        double waiting,
        Money now,
        Money withOneMore,
        Optional<Money> expected,
        OptionalDouble daysUntilOneMore,
        boolean fits) {
    private static final double DAYS_IN_A_WEEK = 7;
    private static final double STEP_ML = 50;

    /**
     * Reckons it.
     *
     * @param offer the kit
     * @param volumeMl how much of each bath would be mixed, in ml; above 0
     * @param waiting how many roll equivalents wait; above 0
     * @param perWeek λ: how many come a week; empty where nobody knows
     */
    public static WorthMixing of(KitOffer offer, double volumeMl, double waiting, OptionalDouble perWeek) {
        Money cost = offer.price()
                .multipliedBy(BigDecimal.valueOf(Math.min(1, volumeMl / offer.makesMl())), RoundingMode.HALF_UP);
        int batches = Math.max(1, (int) Slack.floor(offer.makesMl() / volumeMl));
        Optional<Money> expected = perWeek.isPresent() && perWeek.getAsDouble() > 0
                ? BatchSize.of(offer, batches, perWeek.getAsDouble(), (int) Math.ceil(waiting))
                        .map(size -> cost.dividedBy(
                                BigDecimal.valueOf(Math.max(size.expectedRolls(), waiting)), RoundingMode.HALF_UP))
                : Optional.empty();
        return new WorthMixing(
                offer,
                volumeMl,
                waiting,
                each(cost, waiting),
                each(cost, waiting + 1),
                expected,
                perWeek.isPresent() && perWeek.getAsDouble() > 0
                        ? OptionalDouble.of(DAYS_IN_A_WEEK / perWeek.getAsDouble())
                        : OptionalDouble.empty(),
                Slack.reaches(volumeMl * offer.rollsPerMl(), waiting));
    }

    private static Money each(Money cost, double rolls) {
        return cost.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP);
    }

    /**
     * Reckons it for as much as the film and its tank need, in steps of 50 ml (<em>house</em>), and at most the whole kit.
     *
     * @param offer the kit
     * @param tankMl what the smallest tank takes that the film fits, in ml
     * @param waiting how many roll equivalents wait; above 0
     * @param perWeek λ: how many come a week; empty where nobody knows
     */
    public static WorthMixing forFilm(KitOffer offer, double tankMl, double waiting, OptionalDouble perWeek) {
        double needed = Math.max(tankMl, waiting / offer.rollsPerMl());
        double volume = Math.min(offer.makesMl(), Math.ceil(needed / STEP_ML) * STEP_ML);
        return of(offer, volume, waiting, perWeek);
    }

    /** Whether it is worth it now: a roll costs no more than so much, or no more is expected to come. */
    public boolean isWorthItBelow(Money most) {
        return !now.isGreaterThan(most)
                || expected.filter(cost -> !cost.isGreaterThan(most)).isPresent();
    }
}
