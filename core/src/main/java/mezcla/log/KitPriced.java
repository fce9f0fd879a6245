package mezcla.log;

import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a kit cost was put right (rules, section 8). What was charged for it so far is adjusted, never dealt out anew.
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param price what the kit cost
 * @param delivery what its delivery cost
 * @param other what else it took
 * @param paidBy who paid it; null for the house
 * @param reason why the log was wrong
 */
public record KitPriced(
        Stamp stamp, long kitId, Money price, Money delivery, Money other, @Nullable String paidBy, String reason)
        implements LogEntry {
    /** What it took to get it here. */
    public Money landed() {
        return price.plus(delivery).plus(other);
    }

    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.kit(kitId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Optional<KitPayment> kitPayment() {
        return Optional.of(new KitPayment(kitId, Objects.requireNonNullElse(paidBy, Roll.HOUSE), landed()));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.KIT_PRICED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.kitPriced(this);
    }
}
