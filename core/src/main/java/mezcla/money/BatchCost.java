package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a batch cost, and what that makes a roll (rules, section 8).
 *
 * @param total what its fills carry
 * @param soFar for each roll equivalent done; empty before the first
 * @param atPrintedCapacity for each roll equivalent, were it used to the printed maximum; empty where there is none
 * @param whenRestIsUnused the same three, were nothing more mixed from its kits; empty where that changes nothing
 */
public record BatchCost(
        Money total, Optional<Money> soFar, Optional<Money> atPrintedCapacity, Optional<BatchCost> whenRestIsUnused) {
    /**
     * The cost of a batch, with the baths that were renewed; empty when it took nothing of a kit with a cost. A fill
     * that was mixed for another batch is that one's.
     *
     * @param batch the batch as it was logged, whatever the house allows
     * @param costs what each fill carries
     * @param printed a bath with what counts as printed where its sheet leaves something out
     */
    public static Optional<BatchCost> of(BatchState batch, FillCosts costs, UnaryOperator<Bath> printed) {
        Optional<Money> total = sum(batch, fill -> costs.ofFill(fill.id()));
        Optional<Money> whole = sum(batch, fill -> costs.ofFillWhenRestIsUnused(fill.id()));
        Optional<BatchCost> unused =
                whole.filter(cost -> !whole.equals(total)).map(cost -> of(batch, cost, printed, Optional.empty()));
        return total.map(cost -> of(batch, cost, printed, unused));
    }

    private static Optional<Money> sum(BatchState batch, Function<FillState, Optional<Money>> cost) {
        return batch.own().flatMap(fill -> cost.apply(fill).stream()).reduce(Money::plus);
    }

    private static BatchCost of(
            BatchState batch, Money total, UnaryOperator<Bath> printed, Optional<BatchCost> whenRestIsUnused) {
        OptionalDouble capacity = printedCapacity(batch, printed);
        return new BatchCost(
                total,
                each(total, batch.rolls()),
                capacity.isPresent() ? each(total, capacity.getAsDouble()) : Optional.empty(),
                whenRestIsUnused);
    }

    /**
     * Roll equivalents that a batch takes by its leaflet: as many as the first of its baths to give out, with what was
     * topped up and without what was spilled, where a bath that was renewed has those of all its fills.
     *
     * @param batch the batch as it was logged
     * @param printed a bath with what counts as printed
     */
    public static OptionalDouble printedCapacity(BatchState batch, UnaryOperator<Bath> printed) {
        return batch.fills().stream()
                .map(fill -> printedCapacity(batch, fill, printed))
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .min();
    }

    private static @Nullable Double printedCapacity(BatchState batch, FillState fill, UnaryOperator<Bath> printed) {
        Range capacity = printed.apply(fill.bath()).capacity();
        if (capacity == null) {
            return null;
        }
        double own = fill.bath().oneShot() == null
                ? fill.rollsOf(capacity.max())
                : fill.bath().rollsIn(fill.chemistryMl(), capacity.max());
        return own
                + batch.replaced().stream()
                        .filter(old -> old.bath().role().equals(fill.bath().role()))
                        .mapToDouble(FillState::rolls)
                        .sum();
    }

    private static Optional<Money> each(Money total, double rolls) {
        return rolls > 0
                ? Optional.of(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP))
                : Optional.empty();
    }
}
