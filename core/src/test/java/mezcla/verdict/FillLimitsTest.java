package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Climate;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.mixing.HouseWater;
import mezcla.processing.RunSteps;
import org.testng.annotations.Test;

/** What a bottle's label, its batch and the calendar take from one plan, and what a run wants warm. */
public class FillLimitsTest {
    private static TestLog litre(Range life) {
        TestLog log = new TestLog();
        log.kit(
                0,
                1,
                Leaflets.withBaths(
                        Leaflets.negative(),
                        bath -> bath.limited(bath.capacity(), bath.key().equals("dev") ? life : null)),
                4000);
        log.mix(0, 7, 1, 1000);
        log.run(1, 7, 2, 1L, 2L);
        return log;
    }

    private static RunPlan plan(TestLog log, Judging judging, double day) {
        return RunPlan.of(
                log.state().batch(7),
                new RunQuestion(List.of(TestLog.roll(0)), 300, 300, judging, TestLog.day(day), ZoneOffset.UTC));
    }

    private static FillLimits developer(TestLog log, Judging judging, double day) {
        return plan(log, judging, day).limits().get(0);
    }

    private static LocalDate date(long day) {
        return LocalDate.ofInstant(TestLog.day(0), ZoneOffset.UTC).plusDays(day);
    }

    @Test
    public void theLeafletTestsFromItsFirstFiguresAndEndsAtItsLast() {
        FillLimits limits = developer(litre(new Range(28, 42)), Judging.by(School.LEAFLET), 3);
        assertThat(limits.rollsInAll()).isCloseTo(10, within(1e-9));
        assertThat(limits.rollsTestedFrom()).isCloseTo(8, within(1e-9));
        assertThat(limits.dayTestedFrom()).isEqualTo(date(28));
        assertThat(limits.lastDay()).isEqualTo(date(42));
        assertThat(limits.whoseDays()).isEqualTo(Reason.LimitOf.LEAFLET);
        assertThat(limits.isTestedFirst()).isTrue();
    }

    @Test
    public void theCarefulSchoolEndsSoonerAndTheStretchSchoolLater() {
        TestLog log = litre(new Range(28, 42));
        FillLimits careful = developer(log, Judging.by(School.CAREFUL), 3);
        assertThat(careful.rollsInAll()).isLessThan(8);
        assertThat(careful.lastDay()).isBefore(date(28));
        assertThat(careful.isTestedFirst()).isFalse();
        assertThat(careful.whoseRolls()).isEqualTo(Reason.LimitOf.CAREFUL);
        FillLimits stretched = developer(log, Judging.by(School.STRETCH), 3);
        assertThat(stretched.rollsInAll()).isCloseTo(25, within(1e-9));
        assertThat(stretched.rollsTestedFrom()).isCloseTo(10, within(1e-9));
        assertThat(stretched.dayTestedFrom()).isAfter(date(3)).isBefore(stretched.lastDay());
        assertThat(stretched.whoseDays()).isEqualTo(Reason.LimitOf.STRETCH);
    }

    @Test
    public void theHousesOwnLimitCountsInsteadOfThePrint() {
        Judging own = new Judging(
                Map.of(),
                School.LEAFLET,
                List.of(new HouseLimit("test-negative", "dev", 4.0, 10.0)),
                Climate.steady(20));
        FillLimits limits = developer(litre(new Range(28, 42)), own, 3);
        assertThat(limits.rollsInAll()).isCloseTo(4, within(1e-9));
        assertThat(limits.lastDay()).isEqualTo(date(10));
        assertThat(limits.whoseRolls()).isEqualTo(Reason.LimitOf.HOUSE);
    }

    @Test
    public void whatHasToGoHasNoLastDay() {
        TestLog log = litre(new Range(28, 42));
        RunPlan over = plan(log, Judging.by(School.LEAFLET), 50);
        assertThat(over.limits().get(0).lastDay()).isNull();
        assertThat(over.lastDay()).isEmpty();
        assertThat(plan(log, Judging.by(School.LEAFLET), 41).lastDay()).contains(date(42));
    }

    @Test
    public void theBathThatLimitsABatchIsNamed() {
        TestLog log = litre(null);
        RunPlan plan = plan(log, Judging.by(School.LEAFLET), 3);
        assertThat(plan.fewestRolls().orElseThrow().fill().mixed().bathKey()).isEqualTo("dev");
        assertThat(plan.fewestDays().map(bath -> bath.fill().mixed().bathKey()))
                .as("the house's stand-in for the developer ends first")
                .contains("dev");
    }

    @Test
    public void aNextTimeThatDiffersByTemperatureSaysSo() {
        TestLog log = litre(null);
        List<RunBath> warm = List.of(new RunBath(1, 180, 1, 5, 0, 39.5), new RunBath(2, 300, 1, 5, 0, null));
        log.add(2, stamp -> new RunLogged(stamp, 7, List.of(TestLog.roll(0)), warm, 300, List.of(), null));
        SinceLastRun since = SinceLastRun.of(plan(log, Judging.by(School.LEAFLET), 3), "Ines"::equals)
                .orElseThrow();
        assertThat(since.warmthDiffers()).isTrue();
        assertThat(SinceLastRun.of(plan(litre(null), Judging.by(School.LEAFLET), 3), "Ines"::equals)
                        .orElseThrow()
                        .warmthDiffers())
                .isFalse();
    }

    @Test
    public void everyBathAboveTheRoomIsWarmedToItsOwnRange() {
        RunPlan plan = plan(litre(null), Judging.by(School.LEAFLET), 3);
        RunSteps steps = plan.steps(RunSteps.Choices.USUAL);
        Warming warming = Warming.of(plan, steps, new HouseWater(12, 55, 20));
        assertThat(warming.bottles())
                .extracting(bottle -> bottle.fill().mixed().bathKey())
                .containsExactly("dev", "bx");
        for (Warming.Bottle bottle : warming.bottles()) {
            Bath bath = bottle.fill().bath();
            assertThat(bottle.leastC()).isEqualTo(bath.timing().leastC());
            assertThat(bottle.mostC()).isEqualTo(bath.timing().mostC());
        }
        RunPlan cooler = RunPlan.of(
                plan.batch(),
                plan.question()
                        .warmedTo(plan.batch().leaflet().bath("dev").timing().atC() - 1));
        Warming shifted = Warming.of(cooler, cooler.steps(RunSteps.Choices.USUAL), new HouseWater(12, 55, 20));
        assertThat(shifted.targetC()).isCloseTo(warming.targetC() - 1, within(1e-9));
        assertThat(shifted.bottles().get(1).leastC())
                .as("the bleach-fix keeps its own")
                .isEqualTo(warming.bottles().get(1).leastC());
        assertThat(Warming.of(plan, steps, new HouseWater(12, 55, 45)).bottles())
                .as("the room is warmer")
                .isEmpty();
    }

    /** The print stays the print: rolls in all are those that were done when the limit was reached, on a straight line. */
    @Test
    public void whatIsDonePastALimitChangesNothingAboutIt() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        FillState fresh = log.state().fill(1);
        assertThat(fresh.rollsOf(10)).as("ten rolls a litre").isEqualTo(5);
        assertThat(fresh.isPast(10)).isFalse();
        log.run(1, 7, 3, 1L, 2L);
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(5, within(0.2));
        double before = log.state().fill(1).rollsOf(10);
        log.run(2, 7, 4, 1L, 2L);
        FillState past = log.state().fill(1);
        assertThat(past.rolls()).isEqualTo(7);
        assertThat(past.isPast(10)).isTrue();
        assertThat(past.rollsOf(10)).isCloseTo(before, within(0.05)).isLessThan(7);
        log.run(3, 7, 2, 1L, 2L);
        assertThat(log.state().fill(1).rollsOf(10)).as("nor does another run").isEqualTo(past.rollsOf(10));
        assertThat(past.rollsOf(past.scaledRolls())).isCloseTo(7, within(1e-9));
        assertThat(past.rollsOf(1)).as("within the first run").isBetween(0.4, 0.6);
    }
}
