package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
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

    @Test
    public void eachRollGetsTheTimeThatAPlanWouldGiveIt() {
        NextRolls card = NextRolls.of(log.state().batch(1), 8, 300);
        for (NextRolls.Next next : card.rolls()) {
            RunPlan plan = RunPlan.of(
                    log.state().batch(1),
                    new RunQuestion(
                            List.of(TestLog.roll(0)),
                            300,
                            300,
                            Judging.by(School.LEAFLET),
                            TestLog.day(1.5),
                            ZoneOffset.UTC));
            assertThat(next.times().get(0).time())
                    .isEqualTo(plan.imageDeveloper().orElseThrow().shown().orElseThrow());
            log.run(1.5, 1, 1, 1L, 2L);
        }
    }

    @Test
    public void rollsBeyondTheLimitAreMarked() {
        NextRolls card = NextRolls.of(log.state().batch(1), 12, 300);
        assertThat(card.rolls()).filteredOn(NextRolls.Next::within).hasSize(10);
    }

    @Test
    public void aOneShotEndsWithItsVolume() {
        log.kit(0, 2, Leaflets.slide(), 4000);
        log.mix(1, 2, 2, 500);
        NextRolls card = NextRolls.of(log.state().batch(2), 8, 300);
        assertThat(card.rolls()).filteredOn(NextRolls.Next::within).hasSize(3);
        assertThat(card.rolls().get(7).times().get(0).time())
                .isEqualTo(card.rolls().get(0).times().get(0).time());
    }

    @Test
    public void aSmallerVolumeWearsFasterAndCountsWhatWentThrough() {
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.mix(1, 2, 2, 500);
        log.run(1.2, 2, 1, 3L, 4L);
        NextRolls card = NextRolls.of(log.state().batch(2), 6, 300);
        assertThat(card.rolls()).extracting(NextRolls.Next::number).containsExactly(1, 2, 3, 4, 5, 6);
        assertThat(card.rolls())
                .as("half a litre takes five rolls, and one is done")
                .extracting(NextRolls.Next::within)
                .containsExactly(true, true, true, true, false, false);
        assertThat(card.rolls())
                .as("as the third, fifth, seventh and ninth of a litre, and then as the last steps go on")
                .extracting(next -> next.times().get(0).time().seconds())
                .containsExactly(200, 220, 220, 245, 255, 270);
    }

    @Test
    public void whatWasPouredAwayIsNotOnIt() {
        log.discard(1.5, 1, 2);
        NextRolls card = NextRolls.of(log.state().batch(1), 1, 300);
        assertThat(card.rolls().get(0).times())
                .extracting(each -> each.fill().id())
                .containsExactly(1L);
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
