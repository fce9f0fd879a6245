package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.log.FillMeasured;
import mezcla.log.FillSeen;
import mezcla.log.KitArrived;
import mezcla.log.PartCorrected;
import mezcla.log.Purchase;
import mezcla.log.RunBath;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** Which kit is offered, how much of it to begin with, and until when what it made lasts. */
public class KitOfferTest {
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private static TestLog litre() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        return log;
    }

    private static void alone(TestLog log, long kitId, String... parts) {
        log.add(
                0,
                stamp -> new KitArrived(
                        stamp,
                        kitId,
                        Leaflets.negative(),
                        Money.ofMinor(NZD, 1000),
                        Money.zero(NZD),
                        null,
                        List.of(parts),
                        Purchase.plainly(NZD)));
    }

    @Test
    public void aMixBeginsWithALitreOrWhatIsLeft() {
        TestLog log = litre();
        assertThat(log.state().kit(1).usualVolumeMl()).isEqualTo(1000);
        log.mix(1, 1, 1, 599.5);
        assertThat(log.state().kit(1).usualVolumeMl())
                .as("all of it, so that its bottles are emptied")
                .isEqualTo(log.state().kit(1).allMl());
        assertThat(log.state().kit(1).makesMl(List.of("dev"))).isCloseTo(400.5, within(1e-6));
        log.add(2, stamp -> new PartCorrected(stamp, 1, "dev-a", 0.05, "nearly empty"));
        assertThat(log.state().kit(1).usualVolumeMl())
                .as("nothing worth mixing")
                .isEqualTo(1000);
    }

    @Test
    public void aKitThatMakesMoreStillBeginsWithALitre() {
        TestLog log = litre();
        log.add(1, stamp -> new PartCorrected(stamp, 1, "dev-a", 1000, "two bottles"));
        log.add(1, stamp -> new PartCorrected(stamp, 1, "dev-b", 1000, "two bottles"));
        log.add(1, stamp -> new PartCorrected(stamp, 1, "bx-a", 2000, "two bottles"));
        log.add(1, stamp -> new PartCorrected(stamp, 1, "bx-b", 1500, "two bottles"));
        assertThat(log.state().kit(1).usualVolumeMl()).isEqualTo(1000);
    }

    @Test
    public void aBathIsOfferedFromKitsThatStillMakeSomeOfIt() {
        TestLog log = litre();
        alone(log, 2, "dev-a", "dev-b");
        Leaflet sheet = Leaflets.negative();
        assertThat(log.state().kit(1).offers(sheet, "bx")).isTrue();
        assertThat(log.state().kit(2).offers(sheet, "bx"))
                .as("its parts never came")
                .isFalse();
        assertThat(log.state().kit(2).offers(sheet, "dev")).isTrue();
        assertThat(log.state().kit(1).offers(Leaflets.slide(), "dev"))
                .as("another sheet")
                .isFalse();
        log.add(1, stamp -> new PartCorrected(stamp, 1, "dev-b", 0.04, "nearly empty"));
        assertThat(log.state().kit(1).offers(sheet, "dev")).isFalse();
        assertThat(log.state().kit(1).offers(sheet, "bx")).isTrue();
    }

    @Test
    public void theKitThatCameFirstIsOfferedForFilmThatWaits() {
        TestLog log = new TestLog();
        log.kit(3, 1, Leaflets.negative(), 4000);
        log.kit(1, 2, Leaflets.negative(), 4000);
        log.kit(0, 3, Leaflets.slide(), 4000);
        LogState state = log.state();
        assertThat(KitState.toOffer(state.kits().values(), FilmProcess.COLOUR_NEGATIVE, 300, TestLog.day(1)))
                .map(KitState::id)
                .contains(2L);
        assertThat(KitState.toOffer(state.kits().values(), FilmProcess.COLOUR_SLIDE, 300, TestLog.day(1)))
                .map(KitState::id)
                .contains(3L);
        assertThat(KitState.toOffer(state.kits().values(), FilmProcess.CINE_NEGATIVE, 300, TestLog.day(1)))
                .isEmpty();
        assertThat(KitState.toOffer(state.kits().values(), FilmProcess.COLOUR_NEGATIVE, 1001, TestLog.day(1)))
                .as("no kit makes that much")
                .isEmpty();
    }

    @Test
    public void partsBoughtAloneShareWhatTheyCost() {
        TestLog log = litre();
        alone(log, 2, "dev-a");
        alone(log, 3, "dev-a", "bx-a", "bx-b");
        assertThat(log.state().kit(1).arrival().valueShare("dev-a")).isCloseTo(0.25, within(1e-9));
        assertThat(log.state().kit(2).arrival().valueShare("dev-a")).isEqualTo(1);
        assertThat(log.state().kit(3).arrival().valueShare("bx-b")).isCloseTo(1 / 3.0, within(1e-9));
        assertThat(log.state().kit(3).arrival().landed()).isEqualTo(Money.ofMinor(NZD, 1000));
        assertThat(log.state().kit(3).complete()).extracting(bath -> bath.key()).containsExactly("bx");
    }

    @Test
    public void aFillThatNobodyHadInHandForAMonthMayBeMissing() {
        TestLog log = litre();
        log.mix(1, 1, 1, 1000);
        FillState fill = log.state().fill(1);
        assertThat(fill.isMissing(TestLog.day(31))).as("a month to the second").isFalse();
        assertThat(fill.isMissing(TestLog.day(31).plusSeconds(1))).isTrue();
        log.add(5, stamp -> new FillSeen(stamp, 1));
        assertThat(log.state().fill(1).isMissing(TestLog.day(34))).isFalse();
        assertThat(log.state().fill(2).isMissing(TestLog.day(34))).isTrue();
        log.add(6, stamp -> new FillMeasured(stamp, 2, 900));
        assertThat(log.state().fill(2).isMissing(TestLog.day(34))).isFalse();
    }

    @Test
    public void timesOtherThanPlannedAreToldFromFiveSecondsOn() {
        RunBath bath = new RunBath(1, 205, 1, 5, 0, null);
        assertThat(bath.isOtherThan(200)).isTrue();
        assertThat(bath.isOtherThan(201)).isFalse();
        assertThat(bath.isOtherThan(210)).isTrue();
        assertThat(bath.isOtherThan(null)).isFalse();
        assertThat(new RunBath(1, null, 1, 5, 0, null).isOtherThan(200)).isFalse();
    }
}
