package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.BathRole;
import mezcla.log.RunLogged;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What a card for an evening without a screen says is what a plan would have said. */
public class NextRollsTest {
    private TestLog log;

    @BeforeMethod
    public void aBatch() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(1, 1, 1, 1000);
    }

    private static RunQuestion question(School school) {
        return new RunQuestion(
                List.of(TestLog.roll(0)), 300, 300, Judging.by(school), TestLog.day(1.5), ZoneOffset.UTC);
    }

    private NextRolls card(long batch, int count) {
        return NextRolls.of(log.book(), batch, count, question(School.LEAFLET));
    }

    private static int developerSeconds(RunPlan plan) {
        return plan.imageDeveloper().orElseThrow().shown().orElseThrow().seconds();
    }

    @Test
    public void eachRollGetsTheTimeThatAPlanWouldGiveIt() {
        for (NextRolls.Next next : card(1, 8).rolls()) {
            RunPlan plan = RunPlan.of(log.state().batch(1), question(School.LEAFLET));
            assertThat(developerSeconds(next.plan())).isEqualTo(developerSeconds(plan));
            assertThat(next.plan().verdict().state()).isEqualTo(plan.verdict().state());
            log.add(
                    1.5,
                    stamp ->
                            new RunLogged(stamp, 1, List.of(TestLog.roll(0)), plan.asRunBaths(), 300, List.of(), null));
        }
    }

    @Test
    public void theCardEndsWhereAPlanIsRefused() {
        NextRolls card = card(1, 12);
        assertThat(card.rolls()).hasSize(11);
        assertThat(card.within()).hasSize(10);
        assertThat(card.rolls().get(10).plan().objections()).isNotEmpty();
    }

    @Test
    public void itAsksTheSchoolAndTheAge() {
        assertThat(NextRolls.of(log.book(), 1, 12, question(School.CAREFUL)).within())
                .hasSizeLessThan(9);
        RunQuestion late = question(School.LEAFLET).asked(TestLog.day(60));
        assertThat(NextRolls.of(log.book(), 1, 12, late).within())
                .as("past its life")
                .isEmpty();
    }

    @Test
    public void aOneShotEndsWithItsVolume() {
        log.kit(0, 2, Leaflets.slide(), 4000);
        log.mix(1, 2, 2, 500);
        NextRolls card = card(2, 8);
        assertThat(card.within()).hasSize(3);
        assertThat(card.within())
                .extracting(next -> developerSeconds(next.plan()))
                .containsOnly(200);
    }

    @Test
    public void aSmallerVolumeWearsFasterAndCountsWhatWentThrough() {
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.mix(1, 2, 2, 500);
        log.run(1.2, 2, 1, 3L, 4L);
        NextRolls card = card(2, 6);
        assertThat(card.rolls()).extracting(NextRolls.Next::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(card.within())
                .as("half a litre takes five rolls, and one is done")
                .hasSize(4);
        assertThat(card.within())
                .as("as the third, fifth, seventh and ninth of a litre")
                .extracting(next -> developerSeconds(next.plan()))
                .containsExactly(200, 220, 220, 245);
    }

    @Test
    public void withoutABathThereIsNoCard() {
        log.discard(1.5, 1, 2);
        NextRolls card = card(1, 1);
        assertThat(card.within()).isEmpty();
        assertThat(card.rolls().get(0).plan().objections())
                .containsExactly(new RunObjection.BathMissing(BathRole.BLEACH_FIX));
    }

    private static RunPlan plan(TestLog log, long batch) {
        return RunPlan.of(
                log.state().batch(batch),
                new RunQuestion(
                        List.of(TestLog.roll(0)),
                        300,
                        300,
                        Judging.by(School.LEAFLET),
                        TestLog.day(20),
                        ZoneOffset.UTC));
    }

    @Test
    public void whatEndsFirstIsUsedFirst() {
        TestLog several = new TestLog();
        for (int kit = 1; kit <= 4; kit++) {
            several.kit(0, kit, Leaflets.negative(), 4000);
        }
        several.mix(3, 1, 1, 500);
        several.mix(1, 2, 2, 500);
        several.mix(3, 3, 3, 500);
        several.mix(3, 4, 4, 250);
        assertThat(first(several, 1, 2, 3)).as("the older").isEqualTo(2);
        several.run(4, 3, 1, 5L, 6L);
        assertThat(first(several, 1, 3)).as("with fewer rolls left").isEqualTo(3);
        several.run(4, 1, 1, 1L, 2L);
        assertThat(first(several, 3, 1)).as("the lower number").isEqualTo(1);
        assertThat(first(several, 4, 1)).as("too small for the tank").isEqualTo(1);
        assertThat(Shortlist.first(List.of(plan(several, 4)))).isEmpty();
    }

    private static long first(TestLog log, long... batches) {
        return Shortlist.first(java.util.Arrays.stream(batches)
                        .mapToObj(batch -> plan(log, batch))
                        .toList())
                .orElseThrow()
                .batch()
                .id();
    }
}
