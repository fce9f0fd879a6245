package mezcla.log;

import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What is known about a purchase beside price and delivery.
 *
 * @param other what else it took: duty, a bank's fee
 * @param note about the supplier; null for nothing
 * @param paidBy who paid it; null for the house
 */
public record Purchase(Money other, @Nullable String note, @Nullable String paidBy) {
    /** Nothing else, by the house. */
    public static Purchase plainly(CurrencyUnit currency) {
        return new Purchase(Money.zero(currency), null, null);
    }
}
