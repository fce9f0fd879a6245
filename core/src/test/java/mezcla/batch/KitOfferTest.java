package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletCheck;
import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;
import mezcla.log.FillMeasured;
import mezcla.log.FillSeen;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.PartCorrected;
import mezcla.log.PartOpened;
import mezcla.log.Purchase;
import mezcla.log.RunBath;
import mezcla.measure.Refusal;
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
    public void aBathThatIsSoldAloneRenewsThatOfOtherSheets() {
        Leaflet sheet = Leaflets.negative();
        Leaflet alone = Leaflets.only(sheet, "Developer alone", "dev");
        assertThat(alone.isOfOneBathAlone()).isTrue();
        assertThat(sheet.isOfOneBathAlone()).isFalse();
        TestLog log = new TestLog();
        log.kit(1, 7, alone, 4000);
        assertThat(log.state().kit(7).offers(sheet, "dev")).isTrue();
        assertThat(log.state().kit(7).offers(sheet, "bx")).isFalse();
        assertThat(log.state().kit(7).offers(Leaflets.slide(), "dev"))
                .as("another process")
                .isFalse();
        assertThat(alone.renews(alone, "dev")).isTrue();
        assertThat(sheet.renews(alone, "dev"))
                .as("a whole kit is not broken up")
                .isFalse();
        assertThat(KitState.toOffer(log.state().kits().values(), sheet.process(), 300, TestLog.day(9)))
                .as("it runs no film by itself")
                .isEmpty();
        assertThat(LeafletCheck.of(alone))
                .extracting(LeafletCheck.Remark::code)
                .doesNotContain(LeafletCheck.Code.BATH_MISSING);
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

    @Test
    public void aKitThatCameInPartBeginsWithTheBathsThatItHas() {
        TestLog log = new TestLog();
        alone(log, 1, "dev-a", "dev-b");
        assertThat(log.state().kit(1).usualVolumeMl()).isEqualTo(1000);
        assertThat(log.state().kit(1).allMl()).isEqualTo(1000);
        log.add(1, stamp -> new PartCorrected(stamp, 1, "dev-a", 40, "less"));
        assertThat(log.state().kit(1).usualVolumeMl()).isCloseTo(400, within(1e-9));
        TestLog nothing = new TestLog();
        alone(nothing, 1, "bx-a");
        assertThat(nothing.state().kit(1).complete()).isEmpty();
        assertThat(nothing.state().kit(1).usualVolumeMl()).isEqualTo(1000);
        assertThat(nothing.state().kit(1).allMl()).isZero();
    }

    @Test
    public void whatIsTakenWholeBeginsWithAllOfIt() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.sachets(), 4000);
        log.add(0.5, stamp -> new PartCorrected(stamp, 1, "a", 2, "a double pack"));
        log.add(0.5, stamp -> new PartCorrected(stamp, 1, "b", 2, "a double pack"));
        assertThat(log.state().kit(1).usualVolumeMl()).isCloseTo(2000, within(1e-9));
    }

    private static Optional<Long> offered(TestLog log, FilmProcess process, double volumeMl) {
        return KitState.toOffer(log.state().kits().values(), process, volumeMl, TestLog.day(5))
                .map(KitState::id);
    }

    @Test
    public void whereFilmWaitsTheFirstKitIsOfferedThatStillMakesATankful() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 4000);
        log.kit(1, 2, Leaflets.negative(), 4000);
        log.kit(2, 3, Leaflets.negative(), 4000);
        log.kit(3, 4, Leaflets.negative(), 4000);
        log.mix(4, 7, 3, 800);
        log.add(4, stamp -> new KitFinished(stamp, 2));
        assertThat(offered(log, FilmProcess.COLOUR_NEGATIVE, 200)).contains(3L);
        assertThat(offered(log, FilmProcess.COLOUR_NEGATIVE, 300)).contains(4L);
        assertThat(offered(log, FilmProcess.COLOUR_NEGATIVE, 1100)).isEmpty();
        assertThat(offered(log, FilmProcess.COLOUR_SLIDE, 300)).contains(1L);
    }

    /** A kit whose developer keeps sealed for a hundred days and opened for thirty. */
    private static Leaflet keeping() {
        return Leaflets.withParts(
                Leaflets.negative(),
                part -> part.key().startsWith("dev")
                        ? new Part(part.key(), part.name(), part.amount(), Unit.ML, false, 100.0, 30.0, null)
                        : part);
    }

    @Test
    public void aSealedKitIsWorthOpeningFromThreeQuartersOfItsLifeOn() {
        TestLog log = new TestLog();
        log.kit(0, 1, keeping(), 4000);
        assertThat(log.state().kit(1).longSealed(TestLog.day(74.9))).isEmpty();
        assertThat(log.state().kit(1).longSealed(TestLog.day(75)))
                .hasValueSatisfying(part -> assertThat(part.part().key()).isEqualTo("dev-a"));
        log.add(80, stamp -> new PartOpened(stamp, 1, "bx-a"));
        assertThat(log.state().kit(1).longSealed(TestLog.day(81)))
                .as("it is open")
                .isEmpty();
    }

    @Test
    public void onlyPartsThatABathTakesAndOfWhichSomethingIsLeftAreTooOldForIt() {
        TestLog log = new TestLog();
        log.kit(0, 1, keeping(), 4000);
        assertThat(past(log, 100, "dev")).isEmpty();
        assertThat(past(log, 101, "dev")).containsExactly("dev-a", "dev-b");
        assertThat(past(log, 101, "bx")).isEmpty();
        log.add(1, stamp -> new PartCorrected(stamp, 1, "dev-a", 0, "spilt"));
        assertThat(past(log, 101, "dev")).containsExactly("dev-b");
    }

    private static List<String> past(TestLog log, double day, String bath) {
        return log.state().kit(1).past(List.of(bath), TestLog.day(day)).stream()
                .map(part -> part.part().key())
                .toList();
    }

    @Test
    public void aPartGoesToAnotherKitOfItsSheetThatHasOne() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        alone(log, 2, "bx-a", "bx-b");
        log.kit(0, 3, Leaflets.negative(), 4000);
        log.add(1, stamp -> new PartOpened(stamp, 1, "dev-a"));
        KitState from = log.state().kit(1);
        assertThatCode(() -> from.refuseMoving("dev-a", log.state().kit(3))).doesNotThrowAnyException();
        assertThat(refused(from, "dev-a", log.state().kit(2)))
                .as("its developer never came")
                .isEqualTo("kits-differ");
        assertThat(refused(from, "dev-a", from)).isEqualTo("kits-differ");
        assertThat(refused(from, "dev-b", log.state().kit(3))).isEqualTo("part-sealed");
    }

    private static String refused(KitState from, String part, KitState to) {
        return catchThrowableOfType(Refusal.class, () -> from.refuseMoving(part, to))
                .code();
    }
}
