package mezcla.log;

import java.util.Optional;
import org.joda.money.Money;

/**
 * A steward put an account right, or wrote off what it owes (rules, section 8).
 *
 * @param stamp who and when
 * @param account whose account, by name
 * @param amount what is added to its balance; below zero for what is taken from it
 * @param writtenOff whether the house bears it because it will not be paid
 * @param reason why
 */
public record AccountCorrected(Stamp stamp, String account, Money amount, boolean writtenOff, String reason)
        implements AboutMoney {
    @Override
    public Optional<String> accountConcerned() {
        return Optional.of(account);
    }

    @Override
    public Optional<AccountMove> accountMove() {
        return Optional.of(new AccountMove(
                account, writtenOff ? AccountMove.What.WRITTEN_OFF : AccountMove.What.CORRECTED, amount));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.ACCOUNT_CORRECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.accountCorrected(this);
    }
}
