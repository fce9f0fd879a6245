package mezcla.log;

import java.util.Optional;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * Money changed hands between a member and the house (rules, section 8).
 *
 * @param stamp who wrote it and when it was paid
 * @param account whose account, by name
 * @param amount what the member paid; below zero for what the house paid out
 * @param note how, or what for; null for nothing
 */
public record PaymentRecorded(Stamp stamp, String account, Money amount, @Nullable String note) implements AboutMoney {
    @Override
    public Optional<String> accountConcerned() {
        return Optional.of(account);
    }

    @Override
    public Optional<AccountMove> accountMove() {
        return Optional.of(new AccountMove(account, AccountMove.What.PAID, amount));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.PAYMENT_RECORDED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.paymentRecorded(this);
    }
}
