package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.joda.money.Money;

/**
 * What a batch cost, shared by roll equivalents over all the film that it did (rules, section 8). Film that it had done
 * before it was taken over bears its part, which is the house's, so that later film is charged as if the batch had been
 * here from the start.
 *
 * @param total what it cost
 * @param rollsBefore roll equivalents that it had done before it was taken over; 0 for a batch that was mixed here
 * @param later the roll equivalents of each run, or of each roll, in their order
 */
public record SharedCost(Money total, double rollsBefore, List<Double> later) {
    /** Keeps its own list. */
    public SharedCost {
        later = List.copyOf(later);
    }

    /** All roll equivalents that it did. */
    public double rolls() {
        return rollsBefore + later.stream().mapToDouble(Double::doubleValue).sum();
    }

    /** What the film from before it was taken over bears: the house's part; all of it where it did nothing at all. */
    public Money before() {
        return shares().get(0);
    }

    /** What each of the later ones bears, in their order; with {@link #before()} they add up to the total. */
    public List<Money> each() {
        return shares().subList(1, later.size() + 1);
    }

    private List<Money> shares() {
        List<Double> weights = new ArrayList<>(later.size() + 1);
        weights.add(rolls() > 0 ? rollsBefore : 1.0);
        weights.addAll(later);
        return Sharing.split(total, weights);
    }

    /** For each roll equivalent that it did, rounded half up; empty before the first. */
    public Optional<Money> soFar() {
        return by(rolls());
    }

    /**
     * For each roll equivalent, were it used to its print and no further.
     *
     * @param printed the roll equivalents that are printed for it; empty where none are
     */
    public Optional<Money> atCapacity(OptionalDouble printed) {
        return printed.isPresent() ? by(printed.getAsDouble()) : Optional.empty();
    }

    /**
     * What of it would be poured away unused if it ended now; nothing where no capacity is printed.
     *
     * @param printed the roll equivalents that are printed for it; empty where none are
     */
    public Money unused(OptionalDouble printed) {
        double capacity = printed.orElse(0);
        double left = capacity > 0 ? Math.max(0, capacity - rolls()) / capacity : 0;
        return total.multipliedBy(BigDecimal.valueOf(left), RoundingMode.HALF_UP);
    }

    private Optional<Money> by(double rolls) {
        return rolls > 0
                ? Optional.of(total.dividedBy(BigDecimal.valueOf(rolls), RoundingMode.HALF_UP))
                : Optional.empty();
    }
}
