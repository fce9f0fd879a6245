package mezcla.web.forms.typed;

import java.math.BigDecimal;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.forms.FormObjection;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/** An amount of money as a person types it. */
public final class TypedMoney {
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

    private TypedMoney() {}

    /**
     * What was typed, in the currency of the house.
     *
     * @throws Refusal {@code missing} or {@code not-money}
     */
    public static Money of(String typed, CurrencyUnit currency) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        int decimals = currency.getDecimalPlaces();
        String pattern = decimals == 0 ? "[0-9]{1,7}" : "[0-9]{1,7}([.,][0-9]{1," + decimals + "})?";
        if (!text.matches(pattern)) {
            throw Refusal.of(new FormObjection.NotMoney(text));
        }
        BigDecimal amount = new BigDecimal(text.replace(',', '.'));
        if (amount.compareTo(MOST) > 0) {
            throw Refusal.of(new FormObjection.NotMoney(text));
        }
        return Money.of(currency, amount);
    }

    /**
     * The same; nothing typed is no money.
     *
     * @throws Refusal {@code not-money}
     */
    public static Money orNone(String typed, CurrencyUnit currency) {
        return typed.isBlank() ? Money.zero(currency) : of(typed, currency);
    }

    /** What was typed, where anything was; none of the same money otherwise. */
    public static Money orNone(@Nullable Money typed, Money same) {
        return typed == null ? Money.zero(same.getCurrencyUnit()) : typed;
    }
}
