package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Stamp;
import org.testng.annotations.Test;

public class WayOutTest {
    private static final List<Double> TANKS = List.of(250.0, 400.0, 900.0);

    private static RunQuestion question(int rolls, double tankMl) {
        return new RunQuestion(
                Collections.nCopies(rolls, TestLog.roll(0)),
                tankMl,
                250,
                School.LEAFLET,
                TestLog.day(1),
                ZoneOffset.UTC);
    }

    private static BatchState afterwards(TestLog log, RunPlan plan) {
        Instant now = TestLog.day(1);
        List<LogEntry> longer = new ArrayList<>(log.entries());
        longer.add(new LogEntry.RunLogged(
                new Stamp(1000, now, now, "", false),
                plan.batch().id(),
                plan.question().rolls(),
                plan.asRunBaths(),
                plan.question().tankMl(),
                List.of()));
        return LogState.fold(longer).batch(plan.batch().id());
    }

    private static List<WayOut> waysOut(TestLog log, RunQuestion question) {
        return WayOut.of(log.state().standing(), question, TANKS, plan -> afterwards(log, plan));
    }

    @Test
    public void smallestStepDownInTankComesFirst() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        List<WayOut> ways = waysOut(log, question(1, 900));
        assertThat(ways).hasSize(1);
        assertThat(ways.get(0)).isInstanceOf(WayOut.SmallerTank.class);
        assertThat(ways.get(0).plan().question().tankMl()).isEqualTo(400);
    }

    @Test
    public void secondLoadGoesThroughWhatTheFirstOneLeaves() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 5000);
        log.mix(0, 7, 1, 500);
        List<WayOut> ways = waysOut(log, question(2, 1100));
        assertThat(ways).hasSize(1);
        TestLog negative = new TestLog();
        negative.kit(0, 1, Leaflets.negative(), 5000);
        negative.mix(0, 7, 1, 420);
        negative.run(0.5, 7, 1, 1L, 2L);
        assertThat(waysOut(negative, question(4, 412)).stream().filter(WayOut.TwoLoads.class::isInstance))
                .as("the first load takes 10 ml with it, so the second no longer fills the tank")
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
        assertThat(waysOut(log, question(1, 900))).isEmpty();
    }
}
