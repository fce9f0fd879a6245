package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.measure.Slack;
import org.joda.money.Money;

/**
 * What a roll of a batch will probably have cost when the batch ends: its cost by the rolls that demand and age allow
 * (rules, section 8).
 *
 * @param rolls the roll equivalents that it will probably have done
 * @param aRoll what that makes each
 * @param byDemand whether demand is known; otherwise it is thought to be used up
 */
public record ExpectedCost(double rolls, Money aRoll, boolean byDemand) {
    private static final double DAYS_IN_A_WEEK = 7;
    private static final double HOURS_IN_A_DAY = 24;

    /**
     * Estimates it: what is done, and E[min(C, Poisson(λ w))] of the C whole rolls that it still takes in the w weeks that
     * are left of the printed life of the bath that ages first. Without known demand all of the printed capacity is
     * expected; without a printed capacity demand alone decides; a batch that has ended does no more.
     *
     * @param batch the batch as it was logged
     * @param total what it cost
     * @param printed a bath with what counts as printed where its sheet leaves something out
     * @param demand λ, roll equivalents a week; empty where nobody knows
     * @param now the present
     * @return it; empty where no roll can be expected at all
     */
    public static Optional<ExpectedCost> of(
            BatchState batch, Money total, UnaryOperator<Bath> printed, OptionalDouble demand, Instant now) {
        double done = batch.rolls();
        double more = batch.ended() ? 0 : more(batch, printed, demand, now);
        double rolls = done + more;
        return rolls > 0
                ? Optional.of(new ExpectedCost(
                        rolls,
                        total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP),
                        demand.isPresent() || batch.ended()))
                : Optional.empty();
    }

    private static double more(BatchState batch, UnaryOperator<Bath> printed, OptionalDouble demand, Instant now) {
        OptionalDouble capacity = BatchCost.printedCapacity(batch, printed);
        double left = capacity.isPresent() ? Math.max(0, capacity.getAsDouble() - batch.rolls()) : Double.NaN;
        if (demand.isEmpty()) {
            return Double.isNaN(left) ? 0 : left;
        }
        OptionalDouble weeks = weeksLeft(batch, printed, now);
        if (weeks.isEmpty()) {
            return Double.isNaN(left) ? 0 : left;
        }
        double mean = demand.getAsDouble() * weeks.getAsDouble();
        return Double.isNaN(left) ? mean : ExpectedRolls.of((int) Slack.floor(left), mean);
    }

    /** Weeks until the first bath that stands is as old as its sheet prints at most; empty where none prints that. */
    private static OptionalDouble weeksLeft(BatchState batch, UnaryOperator<Bath> printed, Instant now) {
        return batch.fills().stream()
                .filter(fill -> fill.discarded() == null)
                .flatMap(fill -> {
                    Range life = printed.apply(fill.bath()).lifeDays();
                    return life == null
                            ? Stream.empty()
                            : Stream.of(life.max()
                                    - Duration.between(fill.mixedAt(), now).toHours() / HOURS_IN_A_DAY);
                })
                .mapToDouble(days -> Math.max(0, days) / DAYS_IN_A_WEEK)
                .min();
    }
}
