package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.batch.BatchState;
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

    /**
     * Estimates it: what is done, and E[min(C, Poisson(λ w))] of the C whole rolls that it still takes, a one-shot by what is
     * left of it, in the w weeks that are left of the printed life of the bath that ages first. Without known demand all of
     * them are expected; without a printed capacity demand alone decides; a batch that has ended does no more.
     *
     * @param batch the batch as it was logged
     * @param total what it cost
     * @param printed what is printed for it
     * @param demand λ, roll equivalents a week; empty where nobody knows
     * @param now the present
     * @return it; empty where no roll can be expected at all
     */
    public static Optional<ExpectedCost> of(
            BatchState batch, Money total, PrintedLimits printed, OptionalDouble demand, Instant now) {
        double more = batch.ended() ? 0 : more(batch, printed, demand, now);
        double rolls = batch.allRolls() + more;
        return rolls > 0
                ? Optional.of(new ExpectedCost(
                        rolls,
                        total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP),
                        demand.isPresent() || batch.ended()))
                : Optional.empty();
    }

    private static double more(BatchState batch, PrintedLimits printed, OptionalDouble demand, Instant now) {
        OptionalDouble left = printed.left(batch);
        OptionalDouble days = demand.isEmpty() ? OptionalDouble.empty() : printed.daysLeft(batch, now);
        if (days.isEmpty()) {
            return left.orElse(0);
        }
        double mean = demand.getAsDouble() * days.getAsDouble() / DAYS_IN_A_WEEK;
        return left.isEmpty() ? mean : ExpectedRolls.of((int) Slack.floor(left.getAsDouble()), mean);
    }
}
