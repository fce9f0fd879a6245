package mezcla.log;

import org.joda.money.Money;

/**
 * Equipment was bought. No film is ever charged for it; it counts in when it has paid for itself (rules, section 8).
 *
 * @param stamp who and when
 * @param what what it is
 * @param price what it cost
 */
public record EquipmentBought(Stamp stamp, String what, Money price) implements AboutMoney {
    @Override
    public EntryKind kind() {
        return EntryKind.EQUIPMENT_BOUGHT;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.equipmentBought(this);
    }
}
