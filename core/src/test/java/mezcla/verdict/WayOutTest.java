package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.FillToppedUp;
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

    private static <W extends WayOut> W only(Class<W> kind, List<WayOut> ways) {
        return ways.stream()
                .filter(kind::isInstance)
                .map(kind::cast)
                .findFirst()
                .orElseThrow();
    }
}
