package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.PartUse;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a batch cost, what came of it, and what age and waste took (rules, section 8).
 *
 * @param batch the batch as it was logged
 * @param kits the kits that it was mixed from
 * @param rolls the roll equivalents that it did, those before it was taken over among them
 * @param cost its cost
 * @param expected what a roll of it will probably have cost; empty where no roll can be expected
 * @param endedAt when its last bath was poured away; null while something of it stands
 * @param unused what the capacity cost that no film used before it ended; nothing while it stands
 */
public record BatchSpending(
        BatchState batch,
        List<Long> kits,
        double rolls,
        BatchCost cost,
        Optional<ExpectedCost> expected,
        @Nullable Instant endedAt,
        Money unused) {
    /**
     * Every batch of which it is known what it cost, in the order of mixing.
     *
     * @param printed what is printed for batches
     * @param demand λ of a process; empty where nobody knows
     * @param now the present
     */
    public static List<BatchSpending> of(
            LogState state, PrintedLimits printed, Function<FilmProcess, OptionalDouble> demand, Instant now) {
        FillCosts costs = FillCosts.of(state);
        return state.batches().values().stream()
                .flatMap(batch -> of(batch, costs, printed, demand.apply(batch.process()), now).stream())
                .toList();
    }

    /**
     * One batch; empty where nobody knows what it cost.
     *
     * @param batch the batch as it was logged
     * @param costs what its fills carry
     * @param printed what is printed for it
     * @param demand λ of its process; empty where nobody knows
     * @param now the present
     */
    public static Optional<BatchSpending> of(
            BatchState batch, FillCosts costs, PrintedLimits printed, OptionalDouble demand, Instant now) {
        return BatchCost.of(batch, costs, printed).map(cost -> of(batch, cost, printed, demand, now));
    }

    private static BatchSpending of(
            BatchState batch, BatchCost cost, PrintedLimits printed, OptionalDouble demand, Instant now) {
        Instant ended = batch.ended()
                ? batch.own()
                        .flatMap(fill -> Optional.ofNullable(fill.discarded()).map(FillState.Discarded::at).stream())
                        .max(Comparator.naturalOrder())
                        .orElse(null)
                : null;
        Money nothing = Money.zero(cost.total().getCurrencyUnit());
        return new BatchSpending(
                batch,
                List.copyOf(batch.own()
                        .flatMap(fill -> fill.mixed().uses().stream())
                        .map(PartUse::kitId)
                        .collect(Collectors.toCollection(TreeSet::new))),
                batch.allRolls(),
                cost,
                ExpectedCost.of(batch, cost.total(), printed, demand, now),
                ended,
                ended == null ? nothing : cost.unused());
    }

    /**
     * What some batches come to together.
     *
     * @param total what they cost
     * @param rolls the roll equivalents that they did
     * @param unused what age and waste took of them
     */
    public record Sum(Money total, double rolls, Money unused) {
        /** What a roll equivalent cost; empty before the first. */
        public Optional<Money> aRoll() {
            return rolls > 0
                    ? Optional.of(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP))
                    : Optional.empty();
        }

        /** The lowest price of a roll that covers them; empty before the first roll. */
        public Optional<Money> coveringPrice() {
            return rolls > 0
                    ? Optional.of(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.UP))
                    : Optional.empty();
        }
    }

    /** Adds batches up; empty where there is none. */
    public static Optional<Sum> sum(List<BatchSpending> some) {
        return some.stream()
                .map(each -> new Sum(each.cost().total(), each.rolls(), each.unused()))
                .reduce((one, other) -> new Sum(
                        one.total().plus(other.total()),
                        one.rolls() + other.rolls(),
                        one.unused().plus(other.unused())));
    }
}
