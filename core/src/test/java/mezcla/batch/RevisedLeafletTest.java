package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.log.LeafletCorrected;
import mezcla.log.LeafletRevised;
import mezcla.log.PartCorrected;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.RunRemark;
import mezcla.verdict.School;
import org.testng.annotations.Test;

/** What a leaflet that was mistyped, or printed otherwise, changes (rules, 3.8), and whose volume a capacity is (4.11). */
public class RevisedLeafletTest {
    private static final Leaflet RIGHT = Leaflets.negativeFor(2000);

    private static TestLog mixed() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.mix(1, 7, 1, 500);
        log.run(2, 7, 2, 1L, 2L);
        return log;
    }

    private static LeafletRevised revised(TestLog log, LeafletRevised.Why why, List<Long> kits, List<Long> fills) {
        return log.add(3, stamp -> new LeafletRevised(stamp, RIGHT, why, kits, fills, "it was for two litres"));
    }

    private static RunPlan plan(TestLog log) {
        return RunPlan.of(
                log.state().batch(7),
                new RunQuestion(
                        List.of(TestLog.roll(0)),
                        300,
                        300,
                        Judging.by(School.LEAFLET),
                        TestLog.day(4),
                        ZoneOffset.UTC));
    }

    private static List<RunRemark.LeafletMistyped> said(RunPlan plan) {
        return plan.remarks().stream()
                .filter(RunRemark.LeafletMistyped.class::isInstance)
                .map(RunRemark.LeafletMistyped.class::cast)
                .toList();
    }

    @Test
    public void whatWasMistypedGovernsEveryKitAtOnceAndIsSaidOfWhatWasMixed() {
        TestLog log = mixed();
        assertThat(said(plan(log))).isEmpty();
        double left = Objects.requireNonNull(plan(log).verdict().rollsLeft());
        revised(log, LeafletRevised.Why.MISTYPED, List.of(1L, 2L), List.of(1L, 2L));
        assertThat(log.state().kits().values())
                .extracting(kit -> kit.arrival().leaflet().version())
                .containsExactly(2, 2);
        RunPlan plan = plan(log);
        assertThat(plan.verdict().rollsLeft()).as("until it is switched").isEqualTo(left);
        assertThat(said(plan)).extracting(remark -> remark.fill().id()).containsExactly(1L, 2L);
        RunRemark.LeafletMistyped developer = said(plan).get(0);
        assertThat(developer.version()).isEqualTo(2);
        log.add(4, stamp -> new LeafletCorrected(stamp, List.of(1L, 2L), RIGHT, "switched"));
        RunPlan switched = plan(log);
        assertThat(said(switched)).isEmpty();
        assertThat(switched.baths().get(0).verdict().rollsLeft())
                .as("what was said beforehand")
                .isEqualTo(developer.rollsLeftRight());
        assertThat(switched.baths().get(0).shown()).contains(Objects.requireNonNull(developer.right()));
    }

    @Test
    public void anotherPrintChangesNothing() {
        TestLog log = mixed();
        revised(log, LeafletRevised.Why.ANOTHER_PRINT, List.of(), List.of());
        assertThat(log.state().kit(1).arrival().leaflet().version()).isEqualTo(1);
        assertThat(said(plan(log))).isEmpty();
    }

    @Test
    public void aBoxThatHoldsAnotherPrintIsThatKitsAlone() {
        TestLog log = mixed();
        revised(log, LeafletRevised.Why.BOX_HOLDS_ANOTHER, List.of(1L), List.of(1L));
        assertThat(log.state().kit(1).arrival().leaflet().version()).isEqualTo(2);
        assertThat(log.state().kit(2).arrival().leaflet().version()).isEqualTo(1);
        assertThat(said(plan(log))).extracting(remark -> remark.fill().id()).containsExactly(1L);
    }

    @Test
    public void whatIsVoidedNeitherHoldsNorIsHeldBackByIt() {
        TestLog log = mixed();
        LeafletRevised row = revised(log, LeafletRevised.Why.MISTYPED, List.of(1L, 2L), List.of(1L, 2L));
        log.voidEntry(row.stamp().sequence());
        assertThat(said(plan(log))).isEmpty();
        assertThat(log.state().kit(1).arrival().leaflet().version()).isEqualTo(1);
        TestLog other = mixed();
        revised(other, LeafletRevised.Why.MISTYPED, List.of(1L, 2L, 9L), List.of(1L, 2L, 77L));
        assertThat(other.state().anomalies())
                .as("what is not there is not concerned")
                .isEmpty();
    }

    private static Leaflet withMore(String part, double amount) {
        Leaflet right = Leaflets.negativeFor(1000);
        return new Leaflet(
                right.key(),
                2,
                right.name(),
                right.maker(),
                right.process(),
                null,
                right.makesMl(),
                right.parts().stream()
                        .map(each -> each.key().equals(part)
                                ? new mezcla.leaflet.Part(
                                        each.key(), each.name(), amount, Unit.ML, false, null, null, null)
                                : each)
                        .toList(),
                right.baths(),
                right.steps(),
                right.examples());
    }

    @Test
    public void aBottleHoldsWhatTheRightVersionSaysUnlessSomebodyLooked() {
        TestLog log = mixed();
        log.add(2, stamp -> new PartCorrected(stamp, 2, "dev-a", 90, "looked"));
        Leaflet right = withMore("dev-a", 120);
        log.add(
                3,
                stamp -> new LeafletRevised(
                        stamp, right, LeafletRevised.Why.MISTYPED, List.of(1L, 2L), List.of(), "120 ml"));
        assertThat(log.state().kit(1).part("dev-a").left())
                .as("50 of it are poured")
                .isCloseTo(70, within(1e-9));
        assertThat(log.state().kit(2).part("dev-a").left()).isCloseTo(90, within(1e-9));
    }

    /** The developer of the test leaflet with fixed water: 850 ml and two parts make 1000; so much more water makes more. */
    private static Leaflet fixed(double waterMl, double capacityForMl) {
        return Leaflets.withBaths(
                Leaflets.negative(),
                bath -> new Bath(
                        bath.key(),
                        bath.role(),
                        bath.key().equals("dev")
                                ? new Recipe(
                                        Recipe.Mode.FIXED_WATER,
                                        1000,
                                        waterMl,
                                        null,
                                        bath.recipe().additions())
                                : bath.recipe(),
                        bath.timing(),
                        bath.key().equals("dev") ? capacityForMl : bath.capacityForMl(),
                        bath.capacity(),
                        bath.lifeDays(),
                        null,
                        null));
    }

    @Test
    public void aCapacityIsPrintedForWhatTheWholeRecipeMakes() {
        for (double share : new double[] {1, 0.25}) {
            TestLog log = new TestLog();
            log.kit(0, 1, fixed(1000, 1000), 4000);
            log.mix(0, 7, 1, 1000 * share);
            FillState developer = log.state().fill(1);
            assertThat(developer.chemistryMl()).isCloseTo(1150 * share, within(1e-9));
            assertThat(developer.rollsOf(10)).as("a share of %s", share).isCloseTo(10 * share, within(1e-9));
        }
        TestLog named = new TestLog();
        named.kit(0, 1, fixed(1000, 500), 4000);
        named.mix(0, 7, 1, 1000);
        assertThat(named.state().fill(1).rollsOf(10))
                .as("the sheet names another volume")
                .isCloseTo(23, within(1e-9));
    }

    @Test
    public void aLimitThatIsPassedStaysWhereItWas() {
        TestLog log = mixed();
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(5, within(1e-9));
        log.run(5, 7, 2, 1L, 2L);
        log.run(6, 7, 4, 1L, 2L);
        FillState over = log.state().fill(1);
        assertThat(over.rolls()).isEqualTo(8);
        assertThat(over.isPast(10)).isTrue();
        assertThat(over.rollsOf(10)).isCloseTo(5, within(1e-9));
        log.run(7, 7, 12, 1L, 2L);
        assertThat(log.state().fill(1).rollsOf(10)).isCloseTo(5, within(1e-9));
        assertThat(log.state().fill(1).rollsOf(8)).isCloseTo(4, within(1e-9));
    }
}
