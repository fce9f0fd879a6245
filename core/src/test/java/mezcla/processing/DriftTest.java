package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mezcla.Leaflets;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import org.testng.annotations.Test;

/** Drifts, and exercises in a bath that is reckoned. */
public class DriftTest {
    private static final Instant BEGAN = Instant.parse("2026-01-05T18:00:00Z");
    private static final Leaflet SHEET = Leaflets.negative();
    private static final Exercise EXERCISE = new Exercise(SHEET, RunSteps.Choices.USUAL, SimulatedBath.Fault.NONE);

    private static RunProgress.Event event(int second, RunProgress.Kind kind, int step, double value) {
        return new RunProgress.Event(BEGAN.plusSeconds(second), kind, step, value);
    }

    private static RunProgress.Event pour(int second, int step) {
        return event(second, RunProgress.Kind.POUR, step, 0);
    }

    private static RunProgress.Event read(int second, int step, double celsius) {
        return event(second, RunProgress.Kind.TEMPERATURE, step, celsius);
    }

    private static int developer() {
        List<RunSteps.Step> steps = EXERCISE.steps().steps();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).role() != null && steps.get(i).role().isDeveloper()) {
                return i;
            }
        }
        throw new AssertionError("no developer");
    }

    @Test
    public void aDeveloperThatIsTooCoolLastsLonger() {
        int step = developer();
        List<RunProgress.Event> events = List.of(pour(0, step), read(10, step, 36));
        Drift drift = Drift.of(EXERCISE.steps(), EXERCISE::timing, events, BEGAN.plusSeconds(60))
                .orElseThrow();
        assertThat(drift.step()).isEqualTo(step);
        assertThat(drift.celsius()).isEqualTo(36);
        assertThat(drift.lastsSeconds()).isEqualTo(245);
        assertThat(drift.changeSeconds()).isEqualTo(45);
        assertThat(drift.beyond()).isFalse();
        assertThat(at(step, 38)).as("near enough").isEmpty();
        assertThat(at(step, 38.2)).as("at the edge of near enough").isEmpty();
    }

    @Test
    public void adviceIsKeptWithinHalfOfWhatWasPlannedAndLeavesTimeToPourOut() {
        int step = developer();
        int planned = (int) EXERCISE.steps().schedule().steps().get(step).step().seconds();
        List<RunProgress.Event> hot = List.of(pour(0, step), read(10, step, 39.9));
        Drift late = Drift.of(EXERCISE.steps(), EXERCISE::timing, hot, BEGAN.plusSeconds(planned - 20))
                .orElseThrow();
        assertThat(late.lastsSeconds()).as("not at once").isEqualTo(planned);
        Drift early = Drift.of(EXERCISE.steps(), EXERCISE::timing, hot, BEGAN.plusSeconds(20))
                .orElseThrow();
        assertThat(early.lastsSeconds()).isBetween(planned / 2, planned - 1);
    }

    private static Optional<Drift> at(int step, double celsius) {
        return Drift.of(
                EXERCISE.steps(),
                EXERCISE::timing,
                List.of(pour(0, step), read(10, step, celsius)),
                BEGAN.plusSeconds(60));
    }

    @Test
    public void beyondWhatThereAreTimesForNoFigureIsGiven() {
        Drift drift = at(developer(), 24).orElseThrow();
        assertThat(drift.beyond()).isTrue();
        assertThat(drift.changeSeconds()).isZero();
        assertThat(drift.backToC()).isEqualTo(38);
    }

    @Test
    public void aRunPlannedAtAnotherTemperatureIsWatchedThere() {
        int step = developer();
        RunSteps cooler = EXERCISE.steps().warmedTo("dev", 37.0);
        assertThat(cooler.steps().get(step).atC()).isEqualTo(37);
        List<RunProgress.Event> asPlanned = List.of(pour(0, step), read(10, step, 37));
        assertThat(Drift.of(cooler, EXERCISE::timing, asPlanned, BEGAN.plusSeconds(60)))
                .isEmpty();
        Drift warmer = Drift.of(
                        cooler, EXERCISE::timing, List.of(pour(0, step), read(10, step, 38)), BEGAN.plusSeconds(60))
                .orElseThrow();
        assertThat(warmer.changeSeconds()).isNegative();
    }

    @Test
    public void whereNoFilmIsInADeveloperThereIsNoDrift() {
        RunSteps steps = EXERCISE.steps();
        int step = developer();
        Instant now = BEGAN.plusSeconds(400);
        assertThat(Drift.of(steps, EXERCISE::timing, List.of(), now)).isEmpty();
        assertThat(Drift.of(steps, EXERCISE::timing, List.of(pour(0, step)), now))
                .as("nothing was read")
                .isEmpty();
        assertThat(Drift.of(
                        steps,
                        EXERCISE::timing,
                        List.of(pour(0, step), read(10, step, 36), pour(200, step + 1), read(210, step + 1, 36)),
                        now))
                .as("it is in the bleach-fix")
                .isEmpty();
        assertThat(Drift.of(
                        steps,
                        EXERCISE::timing,
                        List.of(pour(0, step), read(10, step, 36), event(300, RunProgress.Kind.DONE, step, 0)),
                        now))
                .as("it is over")
                .isEmpty();
    }

    @Test
    public void whatAStepCountedForIsToldWhereItIsAnotherTime() {
        RunSteps steps = EXERCISE.steps();
        int step = developer();
        List<RunProgress.Event> cool = List.of(
                pour(0, step), read(10, step, 36), pour(200, step + 1), event(600, RunProgress.Kind.DONE, step + 1, 0));
        List<RunProgress.Passed> passed = RunProgress.of(steps, cool).passed();
        assertThat(Drift.counted(steps, passed.get(0), EXERCISE::timing, cool).orElseThrow())
                .isCloseTo(200 * Math.exp(-0.2), within(1e-6));
        assertThat(Drift.counted(steps, passed.get(1), EXERCISE::timing, cool))
                .as("the bleach-fix")
                .isEmpty();
        List<RunProgress.Event> right = List.of(pour(0, step), read(10, step, 38), pour(204, step + 1));
        assertThat(Drift.counted(steps, RunProgress.of(steps, right).passed().get(0), EXERCISE::timing, right))
                .as("four seconds are nothing")
                .isEmpty();
        List<RunProgress.Event> goesOn = List.of(pour(0, step), read(10, step, 36));
        assertThat(Drift.counted(steps, RunProgress.of(steps, goesOn).passed().get(0), EXERCISE::timing, goesOn))
                .as("it is not over")
                .isEmpty();
    }

    @Test
    public void anExerciseIsWarmWhenItsFirstStepIsPoured() {
        assertThat(EXERCISE.readings(List.of(), BEGAN, 20)).isEmpty();
        assertThat(Exercise.began(List.of(pour(60, 1), pour(0, 0)))).isEqualTo(BEGAN);
        assertThat(EXERCISE.readings(List.of(pour(60, 0)), BEGAN, 20))
                .as("before it")
                .isEmpty();
        List<EquivalentDevelopment.Reading> readings =
                EXERCISE.readings(List.of(pour(0, 0)), BEGAN.plusSeconds(600), 20);
        assertThat(readings).hasSize(121);
        assertThat(readings).allSatisfy(reading -> assertThat(reading.celsius()).isCloseTo(38, within(0.5)));
        assertThat(EXERCISE.readings(List.of(pour(0, 0)), BEGAN.plusSeconds(100_000), 20))
                .as("three hours at most")
                .hasSize(2161);
        assertThat(new Exercise(SHEET, RunSteps.Choices.USUAL, SimulatedBath.Fault.HEATER_OFF)
                        .readings(List.of(pour(0, 0)), BEGAN.plusSeconds(3600), 20))
                .last()
                .satisfies(reading -> assertThat(reading.celsius()).isLessThan(37.5));
        assertThat(EXERCISE.timing("dev").baseSeconds()).isEqualTo(200);
    }

    @Test
    public void aTemperatureThatNoBathHasIsAskedAgain() {
        assertThat(BathTemperature.parse("98 F", Temperature.Scale.CELSIUS)).isCloseTo(36.6667, within(1e-4));
        assertThat(BathTemperature.parse("37,8", Temperature.Scale.CELSIUS)).isEqualTo(37.8);
        assertThat(BathTemperature.parse("100", Temperature.Scale.FAHRENHEIT)).isCloseTo(37.7778, within(1e-4));
        assertThat(BathTemperature.parse("38 °C", Temperature.Scale.FAHRENHEIT)).isEqualTo(38);
        assertThat(BathTemperature.parse("5", Temperature.Scale.CELSIUS)).isEqualTo(5);
        assertThat(BathTemperature.parse("60", Temperature.Scale.CELSIUS)).isEqualTo(60);
        for (String typed : new String[] {"98", "4.9", "60.1", "0"}) {
            assertThat(catchThrowableOfType(
                                    Refusal.class, () -> BathTemperature.parse(typed, Temperature.Scale.CELSIUS))
                            .code())
                    .isEqualTo("no-baths-temperature");
        }
        assertThat(catchThrowableOfType(Refusal.class, () -> BathTemperature.refuseImpossible(Double.NaN)))
                .isNotNull();
    }
}
