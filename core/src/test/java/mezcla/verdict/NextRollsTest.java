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
}
