package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mezcla.Leaflets;
import mezcla.leaflet.StepClock;
import org.testng.annotations.Test;

/** What really happened in a run: how late a step began, and which movements nobody confirmed. */
public class RunProgressTest {
    private static final Instant BEGAN = Instant.parse("2026-01-05T18:00:00Z");
    private static final RunSteps STEPS =
            new Exercise(Leaflets.negative(), RunSteps.Choices.USUAL, SimulatedBath.Fault.NONE).steps();

    private static RunProgress.Event event(double second, RunProgress.Kind kind, int step, double value) {
        return new RunProgress.Event(BEGAN.plusMillis(Math.round(second * 1000)), kind, step, value);
    }

    private static Schedule.Step planned(int step) {
        return STEPS.schedule().steps().get(step).step();
    }

    private static RunProgress.Passed second(double after, RunProgress.Event... more) {
        List<RunProgress.Event> events = new ArrayList<>(List.of(
                event(0, RunProgress.Kind.POUR, 0, 0),
                event(planned(0).seconds() + after, RunProgress.Kind.POUR, 1, 0)));
        events.addAll(List.of(more));
        return RunProgress.of(STEPS, events).passed().get(1);
    }

    @Test
    public void aStepIsOnTimeGiveOrTakeTwoSeconds() {
        double filling = planned(1).clock() == StepClock.FULL ? planned(1).fillSeconds() : 0;
        assertThat(second(filling).lateSeconds()).isZero();
        assertThat(second(filling + 2).isOnTime()).isTrue();
        assertThat(second(filling + 2.1).isOnTime()).isFalse();
        assertThat(second(filling + 20).lateSeconds()).isEqualTo(20);
        assertThat(second(-2).isOnTime()).isTrue();
        assertThat(second(-3).lateSeconds()).isEqualTo(-3);
        assertThat(second(-3).isOnTime()).isFalse();
    }

    @Test
    public void waterThatWaitsMakesNothingLate() {
        double length = planned(0).seconds();
        List<RunProgress.Event> events = List.of(
                event(0, RunProgress.Kind.POUR, 0, 0),
                event(10, RunProgress.Kind.PAUSE, 0, 0),
                event(40, RunProgress.Kind.GO_ON, 0, 0),
                event(length + 30, RunProgress.Kind.POUR, 1, 0));
        List<RunProgress.Passed> passed = RunProgress.of(STEPS, events).passed();
        assertThat(passed.get(0).realSeconds()).isEqualTo(length);
        assertThat(passed.get(1).lateSeconds()).isZero();
        assertThat(RunProgress.of(STEPS, events.subList(0, 2)).passed().get(0).realSeconds())
                .as("not over")
                .isNull();
    }

    private static List<Double> movements(int step) {
        return Schedule.cues(planned(step)).stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.forSeconds() != null)
                .map(Schedule.Cue::at)
                .toList();
    }

    private static List<Double> missed(RunProgress.Event... confirmed) {
        List<RunProgress.Event> events = new ArrayList<>(List.of(event(0, RunProgress.Kind.POUR, 0, 0)));
        events.addAll(List.of(confirmed));
        events.add(event(planned(0).seconds() + 10, RunProgress.Kind.POUR, 1, 0));
        return RunProgress.of(STEPS, events).passed().get(0).missed();
    }

    @Test
    public void aMovementCountsFromASecondBeforeUntilFiveAfter() {
        List<Double> all = movements(0);
        assertThat(all).hasSizeGreaterThan(2);
        Schedule.Cue one = Schedule.cues(planned(0)).stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.at() == all.get(1))
                .findFirst()
                .orElseThrow();
        List<Double> others = new ArrayList<>(all);
        others.remove(all.get(1));
        assertThat(missed()).isEqualTo(all);
        for (double at : new double[] {one.at() - 1, one.at(), one.endsAt() + 5}) {
            assertThat(missed(event(at, RunProgress.Kind.MOVED, 0, 1)))
                    .as("at %s", at)
                    .isEqualTo(others);
        }
        for (double at : new double[] {one.at() - 1.1, one.endsAt() + 5.1}) {
            assertThat(missed(event(at, RunProgress.Kind.MOVED, 0, 1)))
                    .as("at %s", at)
                    .contains(one.at());
        }
    }

    @Test
    public void nothingIsMissedWhereMovementsAreNotTickedOff() {
        List<Double> all = movements(0);
        double between = (all.get(0) + all.get(1)) / 2;
        assertThat(missed(event(0, RunProgress.Kind.UNTICKED, 0, 1))).isEmpty();
        assertThat(missed(event(between, RunProgress.Kind.UNTICKED, 0, 1))).containsExactly(all.get(0));
        assertThat(missed(event(0, RunProgress.Kind.UNTICKED, 0, 1), event(between, RunProgress.Kind.UNTICKED, 0, 0)))
                .isEqualTo(all.subList(1, all.size()));
    }
}
