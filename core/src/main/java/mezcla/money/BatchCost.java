package mezcla.money;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import org.joda.money.Money;

/**
 * What a batch cost, and what that makes a roll (rules, section 8).
 *
 * @param total what its fills carry
 * @param soFar for each roll equivalent done, those before it was taken over among them; empty before the first
 * @param atPrintedCapacity for each roll equivalent, were it used to the printed maximum; empty where there is none
 * @param unused what of it no film has used, by the print: what would be poured away if it ended now
 * @param whenRestIsUnused the same three, were nothing more mixed from its kits; empty where that changes nothing
 */
public record BatchCost(
        Money total,
        Optional<Money> soFar,
        Optional<Money> atPrintedCapacity,
        Money unused,
        Optional<BatchCost> whenRestIsUnused) {
    /**
     * The cost of a batch, with the baths that were renewed; empty when it took nothing of a kit with a cost. A fill
     * that was mixed for another batch is that one's.
     *
     * @param batch the batch as it was logged, whatever the house allows
     * @param costs what each fill carries
     * @param printed what is printed for it
     */
    public static Optional<BatchCost> of(BatchState batch, FillCosts costs, PrintedLimits printed) {
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
            BatchState batch, Money total, PrintedLimits printed, Optional<BatchCost> whenRestIsUnused) {
        SharedCost shared = new SharedCost(total, batch.rollsBefore(), List.of(batch.rolls()));
        OptionalDouble capacity = printed.rolls(batch);
        return new BatchCost(
                total, shared.soFar(), shared.atCapacity(capacity), shared.unused(capacity), whenRestIsUnused);
    }
}
