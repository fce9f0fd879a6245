package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Range;
import mezcla.leaflet.Unit;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** A kit as far as it matters how much of it to mix at once (rules, section 10). */
public class KitOfferTest {
    private static final Money PRICE = Money.of(CurrencyUnit.of("NZD"), 40);

    private static Bath with(Bath bath, Range capacity, Range life) {
        return new Bath(
                bath.key(),
                bath.role(),
                bath.recipe(),
                bath.timing(),
                bath.capacityForMl(),
                capacity,
                life,
                null,
                null);
    }

    @Test
    public void theBathThatGivesOutFirstLimitsTheRollsAndTheOneThatAgesFirstTheWeeks() {
        KitOffer plain = KitOffer.of(Leaflets.negative(), PRICE).orElseThrow();
        assertThat(plain.rollsPerMl()).isCloseTo(10 / 1000.0, within(1e-12));
        assertThat(plain.lifeWeeks()).isEqualTo(6);
        assertThat(plain.onlyWhole()).isFalse();
        assertThat(plain.lasting(3).lifeWeeks()).isEqualTo(3);
        assertThat(plain.lasting(3).rollsPerMl()).isEqualTo(plain.rollsPerMl());
        Leaflet other = Leaflets.withBaths(
                Leaflets.negative(),
                bath -> bath.role().fixes()
                        ? with(bath, new Range(4, 5), new Range(7, 14))
                        : with(bath, bath.capacity(), null));
        KitOffer limited = KitOffer.of(other, PRICE).orElseThrow();
        assertThat(limited.rollsPerMl()).isCloseTo(5 / 1000.0, within(1e-12));
        assertThat(limited.lifeWeeks()).isEqualTo(2);
        Leaflet lasting = Leaflets.withBaths(Leaflets.negative(), bath -> with(bath, bath.capacity(), null));
        assertThat(KitOffer.of(lasting, PRICE).orElseThrow().lifeWeeks()).isNull();
    }

    @Test
    public void whatLacksABathOrAnyCapacityIsNoOffer() {
        assertThat(KitOffer.of(
                        Leaflets.withBaths(Leaflets.negative(), bath -> with(bath, null, bath.lifeDays())), PRICE))
                .isEmpty();
        Leaflet plain = Leaflets.negative();
        Leaflet alone = new Leaflet(
                "test-alone",
                1,
                "Test Alone",
                "Nobody",
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths().subList(0, 1),
                List.of(),
                List.of());
        assertThat(KitOffer.of(alone, PRICE)).as("a developer alone").isEmpty();
    }

    @Test
    public void whatIsOpenedKeepsAsLongAsTheFirstPartOfItThatIsTaken() {
        assertThat(KitOffer.of(opened(null, null), PRICE).orElseThrow().openedWeeks())
                .isCloseTo(28 / 7.0, within(1e-9));
        assertThat(KitOffer.of(opened(70.0, null), PRICE).orElseThrow().openedWeeks())
                .as("in vials it keeps longer")
                .isCloseTo(10, within(1e-9));
        assertThat(KitOffer.of(opened(7.0, null), PRICE).orElseThrow().openedWeeks())
                .as("vials that keep shorter than the bottle are no reason")
                .isCloseTo(4, within(1e-9));
    }

    /** The negative leaflet whose parts keep opened for a year, but for the first, four weeks, and one that nothing takes. */
    private static Leaflet opened(Double vials, Double unused) {
        Leaflet plain = Leaflets.negative();
        List<Part> parts = new java.util.ArrayList<>();
        for (Part part : plain.parts()) {
            boolean first = parts.isEmpty();
            parts.add(new Part(
                    part.key(),
                    part.name(),
                    part.amount(),
                    Unit.ML,
                    false,
                    null,
                    first ? 28.0 : 365.0,
                    first ? vials : null,
                    null));
        }
        parts.add(new Part("spare", "Spare", 10, Unit.ML, false, null, 3.0, unused, null));
        return new Leaflet(
                plain.key(),
                1,
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                parts,
                plain.baths(),
                List.of(),
                List.of());
    }
}
