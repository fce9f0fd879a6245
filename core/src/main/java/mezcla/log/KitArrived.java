package mezcla.log;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * A kit came into the cupboard.
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param leaflet what its sheet says
 * @param price what the kit cost
 * @param delivery what its delivery cost
 * @param lot what is printed on the box; null for nothing
 * @param only keys of the parts that came, where they were bought alone; empty for a whole kit
 * @param bought what else is known about the purchase
 */
public record KitArrived(
        Stamp stamp,
        long kitId,
        Leaflet leaflet,
        Money price,
        Money delivery,
        @Nullable String lot,
        List<String> only,
        Purchase bought)
        implements LogEntry {
    /** Keeps its own list. */
    public KitArrived {
        only = List.copyOf(only);
    }

    /** The same kit going by another version of its leaflet. */
    public KitArrived goingBy(Leaflet version) {
        return new KitArrived(stamp, kitId, version, price, delivery, lot, only, bought);
    }

    /** The parts that came, in the order of the leaflet. */
    public List<Part> parts() {
        return leaflet.parts().stream()
                .filter(part -> only.isEmpty() || only.contains(part.key()))
                .toList();
    }

    /** A part's share of what this kit is worth, 0 to 1: parts bought alone share what they cost. */
    public double valueShare(String part) {
        if (only.isEmpty()) {
            return leaflet.valueShare(part);
        }
        double all = parts().stream()
                .mapToDouble(each -> leaflet.valueShare(each.key()))
                .sum();
        return all > 0 ? leaflet.valueShare(part) / all : 1.0 / parts().size();
    }

    /** What it took to get it here. */
    public Money landed() {
        return price.plus(delivery).plus(bought.other());
    }

    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.kit(kitId));
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public Set<Subject> makes() {
        return Set.of(Subject.kit(kitId));
    }

    @Override
    public Optional<KitPayment> kitPayment() {
        return Optional.of(new KitPayment(kitId, Objects.requireNonNullElse(bought.paidBy(), Roll.HOUSE), landed()));
    }

    @Override
    public EntryKind kind() {
        return EntryKind.KIT_ARRIVED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.kitArrived(this);
    }
}
