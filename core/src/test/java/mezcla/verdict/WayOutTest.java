package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Accident;
import mezcla.log.FillToppedUp;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.Purchase;
import mezcla.log.RunAccident;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class WayOutTest {
    private static final List<RunQuestion.InTank> TANKS =
            List.of(RunQuestion.InTank.of(250), RunQuestion.InTank.of(400), RunQuestion.InTank.of(900));

    private static RunQuestion question(int rolls, double tankMl) {
        return new RunQuestion(
                Collections.nCopies(rolls, TestLog.roll(0)),
                tankMl,
                250,
                Judging.by(School.LEAFLET),
                TestLog.day(1),
                ZoneOffset.UTC);
    }

    private static List<WayOut> waysOut(TestLog log, RunQuestion question) {
        return WayOut.of(log.book(), new WayOut.Wanted(question, null, Set.of(), TANKS, plan -> 0));
    }

    @Test
    public void smallestStepDownInTankComesFirst() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        List<WayOut> ways = waysOut(log, question(1, 900));
        assertThat(ways).hasSize(2);
        assertThat(ways.get(0)).isInstanceOf(WayOut.OtherTank.class);
        assertThat(ways.get(0).plan().question().tankMl()).isEqualTo(400);
    }

    @Test
    public void secondLoadGoesThroughWhatTheFirstOneLeaves() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 5000);
        log.mix(0, 7, 1, 500);
        assertThat(waysOut(log, question(2, 1100)))
                .as("a smaller tank takes both, or one after the other")
                .extracting(way -> (Object) way.getClass())
                .containsExactly(WayOut.OtherTank.class, WayOut.TwoLoads.class);
        TestLog negative = new TestLog();
        negative.kit(0, 1, Leaflets.negative(), 5000);
        negative.mix(0, 7, 1, 420);
        negative.run(0.5, 7, 1, 1L, 2L);
        assertThat(waysOut(negative, question(4, 412)).stream().filter(WayOut.TwoLoads.class::isInstance))
                .as(
                        "the first load takes 10 ml with it: the second neither fills that tank, nor is 400 ml enough for it")
                .isEmpty();
        WayOut.TwoLoads loads = (WayOut.TwoLoads) waysOut(negative, question(2, 410)).stream()
                .filter(WayOut.TwoLoads.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertThat(loads.second().imageDeveloper().orElseThrow().shown().orElseThrow())
                .isGreaterThan(
                        loads.plan().imageDeveloper().orElseThrow().shown().orElseThrow());
    }

    @Test
    public void whereNothingHelpsNothingIsOffered() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 200);
        assertThat(waysOut(log, question(1, 1200))).isEmpty();
    }

    @Test
    public void batchThatLacksVolumeIsToppedUpFromAnOpenedKit() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 400);
        WayOut.ToppedUp way = only(WayOut.ToppedUp.class, waysOut(log, question(1, 600)));
        assertThat(way.added()).extracting(WayOut.Fresh::volumeMl).containsExactly(200.0, 200.0);
        assertThat(way.added().get(0).kitShare()).isCloseTo(0.1, within(1e-9));
        assertThat(way.plan().fits()).isTrue();
        assertThat(waysOut(log, question(1, 1100)).stream().filter(WayOut.ToppedUp.class::isInstance))
                .as("the kit makes 600 ml more, and 700 ml are lacking")
                .isEmpty();
    }

    @Test
    public void nothingIsToppedUpBeyondItsBottle() {
        for (double already : new double[] {1500, 1700}) {
            TestLog log = new TestLog();
            log.kit(0, 1, Leaflets.negative(), 5000);
            log.kit(0, 2, Leaflets.negative(), 5000);
            log.kit(0, 3, Leaflets.negative(), 5000);
            log.mix(0, 7, 1, 1000);
            log.add(0.1, stamp -> new FillToppedUp(stamp, 1, already - 1000, List.of()));
            log.add(0.1, stamp -> new FillToppedUp(stamp, 2, already - 1000, List.of()));
            assertThat(waysOut(log, question(1, 2100)).stream().filter(WayOut.ToppedUp.class::isInstance))
                    .as("2100 ml do not go into a bottle of 2000")
                    .isEmpty();
            assertThat(waysOut(log, question(1, 2000)).stream().filter(WayOut.ToppedUp.class::isInstance))
                    .as("2000 ml do")
                    .hasSize(1);
        }
    }

    @Test
    public void bathThatHoldsTheRunBackIsRenewedWhereTheRestIsSound() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        log.run(0.5, 7, 5, 1L, 2L);
        WayOut.Renewed way = only(WayOut.Renewed.class, waysOut(log, question(1, 250)));
        assertThat(way.renewed()).extracting(fresh -> fresh.fill().id()).containsExactly(1L);
        assertThat(way.plan()
                        .imageDeveloper()
                        .orElseThrow()
                        .shown()
                        .orElseThrow()
                        .seconds())
                .isEqualTo(200);
        log.run(0.6, 7, 3, 1L, 2L);
        assertThat(waysOut(log, question(1, 250)).stream().filter(WayOut.Renewed.class::isInstance))
                .as("both baths are done, so nothing is left to keep")
                .isEmpty();
    }

    private static List<WayOut> ofNegative(TestLog log, Long batch, RunQuestion question) {
        return WayOut.of(
                log.book(),
                new WayOut.Wanted(question, batch, Set.of(FilmProcess.COLOUR_NEGATIVE), TANKS, plan -> plan.batch()
                        .id()));
    }

    @Test
    public void whereNothingStandsAMixOfItsOwnIsProposed() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 5000);
        log.kit(0, 2, Leaflets.negative(), 5000);
        log.kit(0, 3, Leaflets.negative(), 5000);
        log.add(0.1, stamp -> new KitFinished(stamp, 2));
        WayOut.FreshMix way = only(WayOut.FreshMix.class, ofNegative(log, null, question(1, 400)));
        assertThat(way.kit().id()).as("of the process, and not finished").isEqualTo(3);
        assertThat(way.volumeMl()).as("as much as the tank takes").isEqualTo(400);
        assertThat(way.plan().batch().fills())
                .extracting(fill -> fill.mixed().bathKey())
                .containsExactly("dev", "bx");
        assertThat(waysOut(log, question(1, 400)).stream().filter(WayOut.FreshMix.class::isInstance))
                .as("of which process, nobody said")
                .isEmpty();
        TestLog little = new TestLog();
        little.kit(0, 1, Leaflets.negative(), 5000);
        little.mix(0, 7, 1, 700);
        little.discard(0.2, 7, 1L);
        WayOut.FreshMix smaller = only(WayOut.FreshMix.class, ofNegative(little, null, question(1, 400)));
        assertThat(smaller.volumeMl())
                .as("300 ml are left, so that another tank is filled")
                .isEqualTo(250);
        assertThat(smaller.plan().question().tankMl()).isEqualTo(250);
    }

    @Test
    public void whatGoesInWholeIsMixedWhole() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.sachets(), 5000);
        WayOut.FreshMix way = only(WayOut.FreshMix.class, ofNegative(log, null, question(1, 400)));
        assertThat(way.volumeMl()).isEqualTo(1000);
        assertThat(way.plan().question().tankMl()).isEqualTo(400);
    }

    @Test
    public void aKitWithoutEveryBathIsNoMixOfItsOwn() {
        TestLog log = new TestLog();
        log.add(
                0,
                stamp -> new KitArrived(
                        stamp,
                        1,
                        Leaflets.negative(),
                        Money.of(CurrencyUnit.of("NZD"), 20),
                        Money.zero(CurrencyUnit.of("NZD")),
                        null,
                        List.of("dev-a", "dev-b"),
                        Purchase.plainly(CurrencyUnit.of("NZD"))));
        assertThat(ofNegative(log, null, question(1, 400))).isEmpty();
    }

    @Test
    public void otherBatchesAreOfferedCheapestFirstAndNoMoreThanTwo() {
        TestLog log = new TestLog();
        for (long kit = 1; kit <= 4; kit++) {
            log.kit(0, kit, Leaflets.negative(), 5000);
            log.mix(0, 6 + kit, kit, kit == 1 ? 200 : 500);
        }
        log.kit(0, 5, Leaflets.slide(), 5000);
        log.mix(0, 20, 5, 900);
        List<WayOut> ways = ofNegative(log, 7L, question(1, 400));
        assertThat(ways.stream().filter(WayOut.OtherBatch.class::isInstance))
                .extracting(way -> way.plan().batch().id())
                .containsExactly(8L, 9L);
        assertThat(ways.stream().filter(WayOut.OtherTank.class::isInstance))
                .as("another tank is one for the batch that was asked")
                .isEmpty();
        assertThat(only(WayOut.ToppedUp.class, ways).plan().batch().id())
                .as("the batch that was asked is topped up before others")
                .isEqualTo(7);
        assertThat(ofNegative(log, 8L, question(1, 400)).stream().filter(WayOut.OtherBatch.class::isInstance))
                .extracting(way -> way.plan().batch().id())
                .as("200 ml fill no tank")
                .containsExactly(9L, 10L);
    }

    @Test
    public void whatHasToBeTestedIsProposedOnlyWhereItWasAsked() {
        TestLog log = new TestLog();
        for (long kit = 1; kit <= 2; kit++) {
            log.kit(0, kit, Leaflets.negative(), 5000);
            log.mix(0, 6 + kit, kit, 500);
        }
        RunPlan leaked = RunPlan.of(log.state().batch(8), question(1, 250));
        log.add(
                0.2,
                stamp -> new RunLogged(
                        stamp,
                        8,
                        leaked.question().rolls(),
                        leaked.asRunBaths(),
                        250,
                        List.of(),
                        null,
                        null,
                        List.of(new RunAccident(Accident.LEAK, 3L, null, 30)),
                        null,
                        false,
                        List.of()));
        assertThat(RunPlan.of(log.state().batch(8), question(1, 250)).isToBeTested())
                .as("its tank leaked into the developer")
                .isTrue();
        assertThat(ofNegative(log, 7L, question(1, 400)).stream().filter(WayOut.OtherBatch.class::isInstance))
                .isEmpty();
        assertThat(ofNegative(log, 8L, question(1, 900)).stream().filter(WayOut.OtherTank.class::isInstance))
                .hasSize(1);
    }

    @Test
    public void aKitOfAnotherSheetOrOneThatIsFinishedTopsNothingUp() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 400);
        log.kit(0, 2, Leaflets.quart(), 5000);
        log.add(0.1, stamp -> new KitFinished(stamp, 1));
        assertThat(waysOut(log, question(1, 600)).stream().filter(WayOut.ToppedUp.class::isInstance))
                .isEmpty();
        log.kit(0.2, 3, Leaflets.negative(), 5000);
        assertThat(only(WayOut.ToppedUp.class, waysOut(log, question(1, 600))).added())
                .extracting(fresh -> fresh.kit().id())
                .containsExactly(3L, 3L);
    }

    @Test
    public void tanksAreTriedNearestFirstAndOnlyThoseThatAreKnown() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        List<RunQuestion.InTank> tanks = List.of(
                RunQuestion.InTank.of(250),
                new RunQuestion.InTank(480, 460, Map.of(), false, true),
                new RunQuestion.InTank(470, 460, Map.of(FilmFormat.Reel.R135, 2), false),
                RunQuestion.InTank.of(450));
        List<WayOut> ways =
                WayOut.of(log.book(), new WayOut.Wanted(question(1, 900), null, Set.of(), tanks, plan -> 0));
        assertThat(only(WayOut.OtherTank.class, ways).plan().question().tankMl())
                .as("one asks for its reels, one has none for 120")
                .isEqualTo(450);
    }

    private static <W extends WayOut> W only(Class<W> kind, List<WayOut> ways) {
        return ways.stream()
                .filter(kind::isInstance)
                .map(kind::cast)
                .findFirst()
                .orElseThrow();
    }
}
