package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Objects;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import mezcla.log.PartDecanted;
import mezcla.log.PartOpened;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.Tool;
import mezcla.planning.KitOffer;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How long parts last (rules, 3.4), and how what is measured is typed, shown and judged (section 2). */
public class OpenedPartsTest {
    private static final Money PRICE = Money.ofMinor(CurrencyUnit.of("NZD"), 4000);

    private static Leaflet lasting(Double sealed, Double opened, Double vials) {
        return Leaflets.withParts(
                Leaflets.negative(),
                part -> new Part(part.key(), part.name(), part.amount(), Unit.ML, true, sealed, opened, vials, null));
    }

    private static TestLog opened(Leaflet leaflet, double onDay) {
        TestLog log = new TestLog();
        log.kit(0, 1, leaflet, 4000);
        log.add(onDay, stamp -> new PartOpened(stamp, 1, "dev-a"));
        log.add(onDay, stamp -> new PartOpened(stamp, 1, "bx-a"));
        return log;
    }

    private static PartState part(TestLog log, String key) {
        return log.state().kit(1).part(key);
    }

    @Test
    public void whereNothingIsPrintedOpenedPartsLastAsLongAsTheHouseSays() {
        TestLog log = opened(lasting(null, null, null), 0);
        PartState developer = part(log, "dev-a");
        assertThat(developer.keepsOpenDays()).isEqualTo(180);
        assertThat(developer.isOpenLifePrinted()).isFalse();
        assertThat(developer.isPast(TestLog.day(0), TestLog.day(180))).isFalse();
        assertThat(developer.past(TestLog.day(0), TestLog.day(181))).contains(PartState.Past.OPEN);
        assertThat(part(log, "bx-a").keepsOpenDays()).isEqualTo(365);
        assertThat(part(opened(lasting(null, 42.0, null), 0), "dev-a").keepsOpenDays())
                .isEqualTo(42);
    }

    @Test
    public void openingDoesNotMakeGoodWhatStoodTooLong() {
        TestLog log = opened(lasting(730.0, 42.0, null), 913);
        PartState developer = part(log, "dev-a");
        assertThat(developer.past(TestLog.day(0), TestLog.day(919))).contains(PartState.Past.SEALED);
        TestLog vials = opened(lasting(730.0, 42.0, 365.0), 10);
        vials.add(11, stamp -> new PartDecanted(stamp, 1, "dev-a", 4));
        assertThat(part(vials, "dev-a").past(TestLog.day(0), TestLog.day(300))).isEmpty();
        assertThat(part(vials, "dev-a").past(TestLog.day(0), TestLog.day(380))).contains(PartState.Past.IN_VIALS);
    }

    @Test
    public void whatIsLeftOfABigKitKeepsAsLongAsItsShortestPart() {
        assertThat(KitOffer.of(lasting(null, null, null), PRICE).orElseThrow().openedWeeks())
                .isCloseTo(180 / 7.0, within(1e-9));
        assertThat(KitOffer.of(lasting(null, 42.0, null), PRICE).orElseThrow().openedWeeks())
                .isCloseTo(6, within(1e-9));
        assertThat(KitOffer.of(lasting(null, 42.0, 365.0), PRICE).orElseThrow().openedWeeks())
                .as("in vials")
                .isCloseTo(365 / 7.0, within(1e-9));
    }

    @Test
    public void aDeveloperBoughtAloneIsNoWayToRunFilm() {
        Leaflet alone = Leaflets.negative();
        Leaflet developer = new Leaflet(
                "alone",
                1,
                "Developer alone",
                "Nobody",
                alone.process(),
                null,
                1000,
                alone.parts(),
                List.of(alone.bath("dev")),
                List.of(),
                List.of());
        assertThat(KitOffer.of(developer, PRICE)).isEmpty();
        assertThat(KitOffer.of(alone, PRICE)).isPresent();
    }

    @DataProvider
    public Object[][] fractions() {
        return new Object[][] {
            {"1/8 fl oz", 29.5735295625 / 8},
            {"1 1/8 fl oz", 29.5735295625 * 1.125},
            {"½ fl oz", 29.5735295625 / 2},
            {"3 ¼ quart", 32 * 29.5735295625 * 3.25},
            {"1/2 L", 500.0}
        };
    }

    @Test(dataProvider = "fractions")
    public void aVolumeMayBeAFraction(String typed, double ml) {
        assertThat(Volume.parse(typed, Volume.Unit.ML).ml()).isCloseTo(ml, within(1e-4));
    }

    @Test
    public void whatIsNoFractionIsRefused() {
        for (String typed : List.of("1/0 ml", "1/8/4 ml", "/8 ml", "1/ fl oz")) {
            assertThat(Objects.requireNonNull(
                                    catchThrowableOfType(Refusal.class, () -> Volume.parse(typed, Volume.Unit.ML)))
                            .code())
                    .as(typed)
                    .isEqualTo("not-a-volume");
        }
    }

    @Test
    public void aToolTellsByItsMarksInWhatItIsMarked() {
        double ounce = 29.5735295625;
        assertThat(new Tool("jigger", Unit.ML, 3 * ounce, ounce / 8).marking()).isEqualTo(Volume.Unit.US_FL_OZ);
        assertThat(new Tool("beaker", Unit.ML, 100, 1).marking()).isEqualTo(Volume.Unit.ML);
        assertThat(new Tool("cylinder", Unit.ML, 10 * 28.4130625, 28.4130625 / 4).marking())
                .isEqualTo(Volume.Unit.UK_FL_OZ);
        assertThat(new Tool("scale", Unit.G, 3 * ounce, ounce / 8).marking()).isEqualTo(Volume.Unit.ML);
    }

    @Test
    public void whatIsShownIsWhatIsJudged() {
        Timing timing = new Timing(195, 38, 37.8, 38.2, new Exhaustion.Fixed(), List.of(), List.of());
        double from = (100.0 - 32) / 1.8;
        double to = (100.8 - 32) / 1.8;
        assertThat(timing.holds(from)).as("100.0 °F").isTrue();
        assertThat(timing.holds(to)).as("100.8 °F").isTrue();
        assertThat(timing.holds((99.9 - 32) / 1.8)).as("99.9 °F").isFalse();
        assertThat(timing.holds((100.9 - 32) / 1.8)).as("100.9 °F").isFalse();
        assertThat(timing.holds(38.3)).isFalse();
    }
}
