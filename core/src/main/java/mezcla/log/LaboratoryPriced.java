package mezcla.log;

import org.joda.money.Money;

/**
 * What a laboratory takes for a roll was looked up (rules, section 8).
 *
 * @param stamp who and when
 * @param process the key of the process
 * @param price what it takes for a roll
 */
public record LaboratoryPriced(Stamp stamp, String process, Money price) implements AboutMoney {
    @Override
    public EntryKind kind() {
        return EntryKind.LABORATORY_PRICED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.laboratoryPriced(this);
    }
}
