package mezcla.log;

import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * The house chose how film of a process is charged, from then on (rules, section 8).
 *
 * @param stamp who and when
 * @param process the key of the process
 * @param price what a roll costs; null for what it cost, made even when the batch ends
 */
public record ChargingChosen(Stamp stamp, String process, @Nullable Money price) implements AboutMoney {
    @Override
    public EntryKind kind() {
        return EntryKind.CHARGING_CHOSEN;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.chargingChosen(this);
    }
}
