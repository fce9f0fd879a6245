package mezcla.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.batch.KitState;
import mezcla.leaflet.Leaflet;
import org.joda.money.Money;

/** What a roll costs with a kit, before anything is mixed from it (rules, section 8). */
public final class KitCost {
    private KitCost() {}

    /**
     * The landed cost for each roll equivalent that the whole kit takes by its leaflet; empty where no capacity is
     * printed.
     */
    public static Optional<Money> ofARoll(KitState kit) {
        Leaflet leaflet = kit.arrival().leaflet();
        OptionalDouble rolls = kit.complete().stream()
                .map(bath -> leaflet.counted(bath.key()))
                .filter(bath -> bath.capacity() != null)
                .mapToDouble(bath -> bath.rollsIn(
                        leaflet.makesMl(),
                        Objects.requireNonNull(bath.capacity()).max()))
                .min();
        return rolls.isPresent()
                ? Optional.of(kit.landed().dividedBy(BigDecimal.valueOf(rolls.getAsDouble()), RoundingMode.HALF_UP))
                : Optional.empty();
    }
}
