package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a batch cost, and what that makes a roll (rules, section 8).
 *
 * @param total what its fills carry
 * @param soFar for each roll equivalent done; empty before the first
 * @param atPrintedCapacity for each roll equivalent, were it used to the printed maximum; empty where none is printed
 */
public record BatchCost(Money total, Optional<Money> soFar, Optional<Money> atPrintedCapacity) {
    /**
     * The cost of a batch, with the baths that were renewed; empty when it took nothing of a kit with a cost. A fill
     * that was mixed for another batch is that one's.
     *
     * @param batch the batch
     * @param costs what each fill carries
     */
    public static Optional<BatchCost> of(BatchState batch, FillCosts costs) {
        return batch.own()
                .flatMap(fill -> costs.ofFill(fill.id()).stream())
                .reduce(Money::plus)
                .map(total -> {
                    OptionalDouble capacity = printedCapacity(batch);
                    return new BatchCost(
                            total,
                            each(total, batch.rolls()),
                            capacity.isPresent() ? each(total, capacity.getAsDouble()) : Optional.empty());
                });
    }

    /**
     * Roll equivalents that a batch takes by its leaflet: as many as the first of its baths to give out, where a bath
     * that was renewed has those of all its fills.
     */
    public static OptionalDouble printedCapacity(BatchState batch) {
        return batch.fills().stream()
                .map(fill -> printedCapacity(batch, fill))
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .min();
    }

    private static @Nullable Double printedCapacity(BatchState batch, FillState fill) {
        Double fresh = printedCapacity(fill);
        return fresh == null
                ? null
                : fresh
                        + batch.replaced().stream()
                                .filter(old ->
                                        old.bath().role().equals(fill.bath().role()))
                                .mapToDouble(FillState::rolls)
                                .sum();
    }

    private static @Nullable Double printedCapacity(FillState fill) {
        Range capacity = fill.bath().capacity();
        return capacity == null ? null : fill.bath().rollsIn(fill.mixed().volumeMl(), capacity.max());
    }

    private static Optional<Money> each(Money total, double rolls) {
        return rolls > 0
                ? Optional.of(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP))
                : Optional.empty();
    }
}
