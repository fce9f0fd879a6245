package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Climate;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;
import org.testng.annotations.Test;

/** Loads in a row, and runs that were given up half way. */
public class EveningTest {
    private static final Judging COOL = new Judging(Map.of(), School.LEAFLET, Climate.steady(8));
    private static final Instant POUR = TestLog.day(1);
    private static final Duration WARMING = Duration.ofMinutes(45);
    private static final Duration BETWEEN = Duration.ofMinutes(10);

    private static TestLog negative() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 1000);
        return log;
    }

    private static Evening.Wanted load(int rolls) {
        return new Evening.Wanted(
                7,
                new RunQuestion(
                        Collections.nCopies(rolls, TestLog.roll(0)),
                        rolls > 1 ? 600 : 300,
                        250,
                        COOL,
                        TestLog.START,
                        ZoneOffset.UTC),
                RunSteps.Choices.USUAL);
    }

    private static Evening evening(TestLog log, Evening.Wanted... loads) {
        return Evening.of(log.book(), List.of(loads), POUR, WARMING, BETWEEN);
    }

    private static int developer(Evening.Load load) {
        return load.plan().imageDeveloper().orElseThrow().shown().orElseThrow().seconds();
    }

    @Test
    public void aLaterLoadIsPlannedThroughWhatTheEarlierLeaves() {
        TestLog log = negative();
        Evening evening = evening(log, load(5), load(2));
        Evening.Load second = evening.loads().get(1);
        assertThat(developer(second)).isGreaterThan(developer(evening.loads().get(0)));
        log.run(1, 7, 5, 1L, 2L);
        assertThat(developer(second))
                .as("the same as when the first was logged")
                .isEqualTo(developer(evening(log, load(2)).loads().get(0)));
        assertThat(evening.startWarming()).isEqualTo(POUR.minus(WARMING));
        assertThat(second.pourAt()).isEqualTo(evening.loads().get(0).hangAt().plus(BETWEEN));
        double first = evening.loads().get(0).steps().schedule().totalSeconds();
        assertThat(Duration.between(POUR, evening.loads().get(0).hangAt()).toSeconds())
                .isEqualTo((long) first);
        assertThat(evening.over()).isEqualTo(second.hangAt());
        assertThat(evening.refused()).isEmpty();
    }

    @Test
    public void theLoadThatIsTooMuchIsNamed() {
        Evening evening = evening(negative(), load(4), load(4), load(4));
        assertThat(evening.refused()).contains(evening.loads().get(2));
        assertThat(((RunObjection.RunTooBig)
                                evening.loads().get(2).plan().objections().get(0))
                        .fits())
                .isCloseTo(2, within(1e-9));
        assertThat(catchThrowableOfType(Refusal.class, () -> evening(negative()))
                        .code())
                .isEqualTo("loads-missing");
    }

    @Test
    public void whatIsInTheTankNowIsBackInItsBottleByThen() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 400);
        log.start(0.9, 7, 1, 300, 1L, 2L);
        assertThat(RunPlan.of(log.state().batch(7), load(1).question()).fits())
                .as("while it is in the tank")
                .isFalse();
        assertThat(evening(log, load(1)).refused()).isEmpty();
    }

    private static boolean warm(Double waterC, int minutesLater) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.mixedIn(bath -> waterC), 5000);
        log.mix(1, 7, 1, 1000);
        return Evening.isStillWarm(log.state().batch(7), TestLog.day(1).plus(Duration.ofMinutes(minutesLater)));
    }

    @Test
    public void aMixIsWarmForAWhileWhenItsWaterWas() {
        assertThat(warm(40.0, 44)).isTrue();
        assertThat(warm(40.0, 45)).isFalse();
        assertThat(warm(30.0, 5)).as("mixed cooler than it is used").isFalse();
        assertThat(warm(null, 5)).as("nobody says how warm it was").isFalse();
    }

    @Test
    public void aRunThatWasGivenUpWearsWhatItReachedAndNothingElse() {
        TestLog log = negative();
        RunStarted start = log.start(1, 7, 2, 300, 1L, 2L);
        RunLogged abandoned = log.add(
                1.01,
                stamp -> new RunLogged(
                        stamp,
                        7,
                        start.rolls(),
                        start.baths().subList(0, 1),
                        300,
                        List.of(),
                        start.stamp().sequence(),
                        "the lid came off",
                        List.of(),
                        null,
                        false,
                        List.of()));
        assertThat(abandoned.abandoned()).isEqualTo("the lid came off");
        assertThat(log.state().fill(1).rolls()).isEqualTo(2);
        assertThat(log.state().fill(2).rolls()).isZero();
        assertThat(log.state().batch(7).inUse()).isEmpty();
    }
}
