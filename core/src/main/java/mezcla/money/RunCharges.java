package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import mezcla.batch.BatchState;
import mezcla.log.Charge;
import mezcla.log.Roll;
import org.joda.money.Money;

/**
 * What the rolls of a run are charged when it is logged (rules, section 8). The row keeps it: what is decided later
 * changes nothing about it.
 */
public final class RunCharges {
    private RunCharges() {}

    /**
     * What a roll equivalent is charged.
     *
     * @param aRoll how much
     * @param atCost whether it is made even when the batch ends; otherwise it is a price
     */
    public record Rate(Money aRoll, boolean atCost) {
        /** What a roll is charged: its equivalents at that rate, rounded half up. */
        public Money of(double equivalents) {
            return aRoll.multipliedBy(BigDecimal.valueOf(equivalents), RoundingMode.HALF_UP);
        }
    }

    /**
     * The rate of a batch for film that is about to go through.
     *
     * @param batch the batch as it was logged, without that film
     * @param more the roll equivalents that are about to go through
     * @param price what the house takes for a roll of its process; empty for what it cost
     * @param cost what its fills carry; empty where nothing is known
     * @param printed what is printed for it
     * @param demand roll equivalents a week; empty where nobody knows
     * @param when when they go through
     * @return it; empty where no price was chosen and nothing is known of what the batch cost
     */
    public static Optional<Rate> rate(
            BatchState batch,
            double more,
            Optional<Money> price,
            Optional<Money> cost,
            PrintedLimits printed,
            OptionalDouble demand,
            Instant when) {
        if (price.isPresent()) {
            return price.map(each -> new Rate(each, false));
        }
        return cost.map(total -> {
            double expected = ExpectedCost.of(batch, total, printed, demand, when)
                    .map(ExpectedCost::rolls)
                    .orElse(0.0);
            double rolls = Math.max(expected, batch.allRolls() + more);
            return new Rate(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP), true);
        });
    }

    /**
     * Charges each roll of a run.
     *
     * @param rolls the rolls
     * @param rate what an equivalent is charged
     * @param account whose account bears film of an owner
     * @return a charge for each, in their order
     */
    public static List<Charge> of(List<Roll> rolls, Rate rate, Function<Roll, String> account) {
        return rolls.stream()
                .map(roll -> new Charge(account.apply(roll), rate.of(roll.equivalents()), rate.atCost()))
                .toList();
    }
}
