package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.WasteRoute;
import mezcla.log.DiscardedFill;
import mezcla.log.FillsDiscarded;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.log.Stamp;
import org.testng.annotations.Test;

/** What has changed since a member's last run, what the next roll is, and the hours of an evening. */
public class SinceLastRunTest {
    private static TestLog litre() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 1000);
        return log;
    }

    private static RunPlan plan(TestLog log, double stops) {
        return RunPlan.of(
                log.state().batch(7),
                new RunQuestion(
                        List.of(TestLog.roll(stops)),
                        300,
                        300,
                        Judging.by(School.LEAFLET),
                        TestLog.day(3),
                        ZoneOffset.UTC));
    }

    private static RunLogged runOf(TestLog log, String who, double day, int rolls, Integer seconds) {
        return log.add(
                day,
                stamp -> new RunLogged(
                        new Stamp(stamp.sequence(), stamp.happenedAt(), stamp.recordedAt(), who, false),
                        7,
                        Collections.nCopies(rolls, TestLog.roll(0)),
                        List.of(new RunBath(1, seconds, rolls, 5, 0, null), new RunBath(2, 300, rolls, 5, 0, null)),
                        300,
                        List.of(),
                        null));
    }

    @Test
    public void itTellsHowMuchLongerAndAfterHowManyRolls() {
        TestLog log = litre();
        runOf(log, "Devi", 1, 1, 200);
        RunLogged mine = runOf(log, "Ines", 1.5, 2, 200);
        runOf(log, "Devi", 2, 2, 220);
        SinceLastRun since = SinceLastRun.of(plan(log, 0), "Ines"::equals).orElseThrow();
        assertThat(since.last()).isEqualTo(mine);
        assertThat(since.secondsThen()).isEqualTo(200);
        assertThat(since.addedSeconds()).isEqualTo(20);
        assertThat(since.rollsSince()).as("that run among them").isEqualTo(4);
        assertThat(since.pushDiffers()).isFalse();
        assertThat(SinceLastRun.of(plan(log, 1), "Ines"::equals).orElseThrow().pushDiffers())
                .isTrue();
    }

    @Test
    public void theLatestRunOfTheMemberCounts() {
        TestLog log = litre();
        runOf(log, "Ines", 2, 1, 210);
        RunLogged later = runOf(log, "Ines", 2, 1, 205);
        runOf(log, "Ines", 1, 1, 200);
        assertThat(SinceLastRun.of(plan(log, 0), "Ines"::equals).orElseThrow().last())
                .isEqualTo(later);
    }

    @Test
    public void whereThereIsNothingToCompareThereIsNoAnswer() {
        TestLog log = litre();
        assertThat(SinceLastRun.of(plan(log, 0), "Ines"::equals)).as("no run").isEmpty();
        runOf(log, "Devi", 1, 1, 200);
        assertThat(SinceLastRun.of(plan(log, 0), "Ines"::equals))
                .as("nobody else's")
                .isEmpty();
        runOf(log, "Ines", 1, 1, null);
        assertThat(SinceLastRun.of(plan(log, 0), "Ines"::equals)).as("no time").isEmpty();
        runOf(log, "Ines", 2, 1, 200);
        assertThat(SinceLastRun.of(plan(log, -2), "Ines"::equals))
                .as("no time now")
                .isEmpty();
    }

    @Test
    public void aRenewedDeveloperIsComparedWithNothing() {
        TestLog log = litre();
        runOf(log, "Ines", 1, 1, 200);
        log.add(
                1.5,
                stamp -> new FillsDiscarded(
                        stamp, 7, List.of(new DiscardedFill(1, 900, WasteRoute.DEVELOPERS)), "for a fresh one"));
        log.kit(1.6, 2, Leaflets.negative(), 5000);
        log.renew(1.7, 7, 2, "dev", 500);
        assertThat(SinceLastRun.of(plan(log, 0), "Ines"::equals)).isEmpty();
    }

    @Test
    public void theNextRollIsAWholeOneInTheSmallestTank() {
        RunQuestion next = RunQuestion.nextRoll(
                new RunQuestion.InTank(250, 240, java.util.Map.of(), false),
                Judging.by(School.CAREFUL),
                TestLog.day(1),
                ZoneOffset.UTC);
        assertThat(next.equivalents()).isEqualTo(1);
        assertThat(next.stops()).isZero();
        assertThat(next.irreplaceable()).isFalse();
        assertThat(next.tankMl()).isEqualTo(250);
        assertThat(next.tank().leastMl()).isEqualTo(240);
        assertThat(next.smallestMl()).isEqualTo(240);
        assertThat(next.at()).isEqualTo(TestLog.day(1));
    }

    @Test
    public void anHourIsTheNextOneUnlessItHasJustPassed() {
        Instant now = Instant.parse("2026-01-05T18:00:00Z");
        assertThat(Evening.next(LocalTime.of(19, 30), now, ZoneOffset.UTC)).isEqualTo("2026-01-05T19:30:00Z");
        assertThat(Evening.next(LocalTime.of(17, 30), now, ZoneOffset.UTC)).isEqualTo("2026-01-05T17:30:00Z");
        assertThat(Evening.next(LocalTime.of(17, 0), now, ZoneOffset.UTC)).isEqualTo("2026-01-05T17:00:00Z");
        assertThat(Evening.next(LocalTime.of(16, 59), now, ZoneOffset.UTC)).isEqualTo("2026-01-06T16:59:00Z");
    }

    @Test
    public void bottlesStayWarmForTwoHours() {
        TestLog log = litre();
        log.run(1, 7, 1, 1L, 2L);
        assertThat(Evening.isStillWarm(log.state().batch(7), TestLog.day(1).plusSeconds(7199)))
                .isTrue();
        assertThat(Evening.isStillWarm(log.state().batch(7), TestLog.day(1).plusSeconds(7200)))
                .isFalse();
        assertThat(Evening.isStillWarm(litre().state().batch(7), TestLog.day(1)))
                .isFalse();
    }

    @Test
    public void aReasonNamesWhoseLimitItMet() {
        TestLog log = litre();
        log.run(1, 7, 10, 1L, 2L);
        assertThat(limitOf(log, School.LEAFLET, List.of(), 2)).isEqualTo(Reason.LimitOf.LEAFLET);
        assertThat(limitOf(log, School.CAREFUL, List.of(), 2)).isEqualTo(Reason.LimitOf.CAREFUL);
        assertThat(limitOf(log, School.LEAFLET, List.of(new HouseLimit("test-negative", "dev", 9.0, null)), 2))
                .isEqualTo(Reason.LimitOf.HOUSE);
        log.run(1.1, 7, 15, 1L, 2L);
        assertThat(limitOf(log, School.STRETCH, List.of(), 2)).isEqualTo(Reason.LimitOf.STRETCH);
    }

    private static Reason.LimitOf limitOf(TestLog log, School school, List<HouseLimit> limits, double day) {
        Judging judging = new Judging(java.util.Map.of(), school, limits, mezcla.batch.Climate.steady(8));
        RunPlan plan = RunPlan.of(
                log.state().batch(7),
                RunQuestion.nextRoll(RunQuestion.InTank.of(300), judging, TestLog.day(day), ZoneOffset.UTC));
        return plan.imageDeveloper().orElseThrow().verdict().reasons().get(0).limitOf();
    }
}
