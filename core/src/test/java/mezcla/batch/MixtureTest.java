package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.log.BatchMixed;
import mezcla.log.Before;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.MixedFill;
import mezcla.log.PartOpened;
import mezcla.log.PartUse;
import mezcla.log.RunLogged;
import mezcla.measure.Refusal;
import mezcla.verdict.Judging;
import mezcla.verdict.Reason;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.verdict.State;
import org.testng.annotations.Test;

/** What a fill was mixed of decides what it can do and is said until film has come out well. */
public class MixtureTest {
    /** Half of the printed parts in so much water, as a share of it. */
    private static TestLog mixed(double volumeMl, double share) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        Leaflet sheet = Leaflets.negative();
        log.add(
                0,
                stamp -> new BatchMixed(
                        stamp,
                        7,
                        "Test",
                        List.of(fill(1, sheet, "dev", volumeMl, share), fill(2, sheet, "bx", volumeMl, 1))));
        return log;
    }

    private static MixedFill fill(long id, Leaflet sheet, String bath, double volumeMl, double share) {
        List<PartUse> uses = sheet.bath(bath).recipe().additions().stream()
                .map(each -> new PartUse(1, each.part(), each.amount() * volumeMl / 1000 * share, 0.1))
                .toList();
        return new MixedFill(id, sheet, bath, volumeMl, "", TestLog.bottle(id), uses, null);
    }

    private static RunPlan plan(TestLog log) {
        return RunPlan.of(
                log.state().batch(7),
                new RunQuestion(
                        List.of(TestLog.roll(0)),
                        300,
                        250,
                        Judging.by(School.LEAFLET),
                        TestLog.day(2),
                        ZoneOffset.UTC));
    }

    private static List<Reason.Code> codes(RunPlan plan) {
        return plan.baths().get(0).verdict().reasons().stream()
                .map(Reason::code)
                .toList();
    }

    @Test
    public void halfTheStrengthIsHalfTheCapacityAndIsTestedFirst() {
        TestLog log = mixed(1000, 0.5);
        FillState developer = log.state().fill(1);
        assertThat(developer.chemistryMl()).isCloseTo(500, within(1e-9));
        assertThat(developer.wearPerRoll()).isCloseTo(2, within(1e-9));
        RunPlan plan = plan(log);
        assertThat(plan.verdict().state()).isEqualTo(State.CHECK);
        assertThat(codes(plan)).contains(Reason.Code.WEAK_MIX);
        assertThat(plan.baths().get(0).verdict().rollsLeft()).isCloseTo(5, within(1e-9));
        RunLogged run = log.run(1, 7, 1, 1L, 2L);
        log.add(
                1.5,
                stamp -> new FilmInspected(
                        stamp, 7, run.stamp().sequence(), 0, List.of(1L, 2L), Finding.GOOD, java.util.Set.of(), null));
        assertThat(codes(plan(log))).doesNotContain(Reason.Code.WEAK_MIX);
        assertThat(log.state().fill(1).mixture().weak()).as("and stays said").isTrue();
    }

    @Test
    public void aStretchedQuartGainsNothing() {
        TestLog log = mixed(1000, 0.946353);
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(9.46353, within(1e-9));
        assertThat(log.state().fill(1).mixture().weak())
                .as("5.4 % is more than it bears")
                .isTrue();
    }

    @Test
    public void aMixThatIsTooStrongIsNotForgotten() {
        RunPlan plan = plan(mixed(1000, 1.25));
        assertThat(codes(plan)).contains(Reason.Code.STRONG_MIX);
        assertThat(plan.baths().get(0).fill().chemistryMl()).isCloseTo(1250, within(1e-9));
    }

    @Test
    public void aFewMillilitresShortLoseNoRoll() {
        TestLog log = mixed(499, 500 / 499.0);
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(5, within(1e-9));
        assertThat(log.state().fill(1).mixture().asPrinted()).isTrue();
    }

    @Test
    public void aSpillLowersWhatIsLeftAndNeverWhatWasDone() {
        TestLog log = mixed(1000, 1);
        log.run(1, 7, 3, 1L, 2L);
        assertThat(log.state().fill(1).rolls()).isEqualTo(3);
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(10, within(1e-9));
        log.add(1.2, stamp -> new FillSpilled(stamp, 1, 500));
        FillState spilled = log.state().fill(1);
        assertThat(spilled.rolls()).isEqualTo(3);
        assertThat(spilled.rollsOf(10)).isCloseTo(3 + 3.5, within(1e-9));
        log.add(1.3, stamp -> new FillToppedUp(stamp, 1, 400, List.of()));
        assertThat(log.state().fill(1).rolls()).isEqualTo(3);
    }

    @Test
    public void moreFilmThanLiquidLeavesNothingAndNotLess() {
        Wear wear = Wear.fresh(20).afterRun(6, 6, 1000, 30);
        assertThat(wear.volumeMl()).isZero();
        assertThat(wear.afterToppingUp(100).scaledRolls()).isZero();
    }

    @Test
    public void whatIsMixedFromOldPartsIsTestedFirst() {
        Leaflet sheet = Leaflets.negative();
        Leaflet keeps = new Leaflet(
                sheet.key(),
                sheet.version(),
                sheet.name(),
                sheet.maker(),
                sheet.process(),
                null,
                sheet.makesMl(),
                sheet.parts().stream()
                        .map(part ->
                                new Part(part.key(), part.name(), part.amount(), part.unit(), true, 365.0, 90.0, null))
                        .toList(),
                sheet.baths(),
                List.of(),
                List.of());
        TestLog log = new TestLog();
        log.kit(0, 1, keeps, 4000);
        log.kit(600, 2, keeps, 4000);
        log.add(10, stamp -> new PartOpened(stamp, 1, "dev-a"));
        log.mix(99, 6, 2, 200);
        assertThat(log.state().fill(1).mixture().oldParts()).isFalse();
        log.mix(713, 7, 1, 500);
        assertThat(log.state().batch(7).fills().get(0).mixture().oldParts())
                .as("opened 703 days ago")
                .isTrue();
        Instant now = TestLog.day(713);
        assertThat(log.state().kits().values().stream()
                        .sorted(KitState.bestFirst(kit -> List.of("dev"), now))
                        .map(KitState::id))
                .as("the better kit first, though it came later")
                .containsExactly(2L, 1L);
    }

    @Test
    public void aRunBeforeATakingOverIsTakenAndOneBeforeItsMixingIsNot() {
        TestLog log = new TestLog();
        Leaflet sheet = Leaflets.negative();
        Before before = new Before(TestLog.day(1), 0);
        log.add(
                20,
                stamp -> new BatchMixed(
                        stamp,
                        7,
                        "Found",
                        List.of(
                                new MixedFill(1, sheet, "dev", 1000, "", TestLog.bottle(1), List.of(), before),
                                new MixedFill(2, sheet, "bx", 1000, "", TestLog.bottle(2), List.of(), before))));
        log.state().batch(7).runAt(TestLog.day(10), TestLog.day(30));
        assertThat(catchThrowableOfType(
                                Refusal.class, () -> log.state().batch(7).runAt(TestLog.day(0), TestLog.day(30)))
                        .code())
                .isEqualTo("before-mixing");
        log.run(10, 7, 2, 1L, 2L);
        assertThat(log.state().anomalies()).isEmpty();
        assertThat(log.state().fill(1).rolls()).isEqualTo(2);
    }
}
