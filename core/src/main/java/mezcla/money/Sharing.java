package mezcla.money;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import mezcla.measure.Refusal;
import org.joda.money.Money;

/** Splits money by weight, to the last minor unit (rules, section 8). */
public final class Sharing {
    private Sharing() {}

    /**
     * Splits a total: whole minor units first, then one each to the largest remainders, the first listed where equal.
     *
     * @param total what is shared
     * @param weights roll equivalents, for instance; none below zero
     * @return the shares in the order of the weights; they add up to the total
     * @throws Refusal {@code nothing-to-share-by} when the weights add up to nothing
     */
    public static List<Money> split(Money total, List<Double> weights) {
        double sum = weights.stream().mapToDouble(Double::doubleValue).sum();
        if (!(sum > 0)) {
            throw Refusal.of(new MoneyObjection.NothingToShareBy());
        }
        long minor = total.getAmountMinorLong();
        List<Double> exact =
                weights.stream().map(weight -> minor * weight / sum).toList();
        List<Long> shares = new ArrayList<>(
                exact.stream().map(share -> (long) Math.floor(share)).toList());
        long over = minor - shares.stream().mapToLong(Long::longValue).sum();
        IntStream.range(0, exact.size())
                .boxed()
                .sorted(Comparator.comparingDouble(i -> shares.get(i) - exact.get(i)))
                .limit(over)
                .forEach(i -> shares.set(i, shares.get(i) + 1));
        return shares.stream()
                .map(share -> Money.ofMinor(total.getCurrencyUnit(), share))
                .toList();
    }
}
