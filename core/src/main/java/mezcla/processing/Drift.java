package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import mezcla.leaflet.Timing;
import mezcla.measure.ProcessingTime;

/**
 * What the temperature of a developer has done to its step (rules, 4.6).
 *
 * @param step the number of the step, from 0
 * @param celsius how warm it was last, in °C
 * @param lastsSeconds how long the step should last in all, as times are shown, in seconds
 * @param changeSeconds how much longer than planned that is, in seconds; below 0 for shorter, 0 for nothing to do
 */
public record Drift(int step, double celsius, int lastsSeconds, int changeSeconds) {
    private static final double TOLD_SECONDS = 5;

    /**
     * The drift of the developer that film is in just now.
     *
     * @param steps the run as planned
     * @param timings what the leaflet says of a bath's time, by its key
     * @param measured what was confirmed and measured
     * @param now the present
     * @return empty where film is in no developer, or nothing was read
     */
    public static Optional<Drift> of(
            RunSteps steps, Function<String, Timing> timings, List<RunProgress.Event> measured, Instant now) {
        RunPresent present = RunPresent.of(steps.steps().size(), measured);
        if (present.pouredAt() == null || present.done() || !isDeveloper(steps, present.step())) {
            return Optional.empty();
        }
        double planned = plannedSeconds(steps, present.step());
        EquivalentDevelopment.Advice advice = EquivalentDevelopment.advice(
                timing(steps, timings, present.step()),
                planned,
                RunProgress.readings(measured, present.step()),
                Duration.between(present.pouredAt(), now).toMillis() / 1000.0);
        if (advice == null) {
            return Optional.empty();
        }
        int lasts = ProcessingTime.shown(advice.lastsSeconds()).seconds();
        return Optional.of(new Drift(present.step(), advice.celsius(), lasts, lasts - (int) Math.round(planned)));
    }

    /**
     * What a developer's step that is over counted for, where its temperature made that another time than was planned.
     *
     * @param steps the run as planned
     * @param passed the step
     * @param timings what the leaflet says of a bath's time, by its key
     * @param measured what was confirmed and measured
     * @return the time at the printed temperature that it was worth, in seconds; empty where that is as planned
     */
    public static Optional<Double> counted(
            RunSteps steps,
            RunProgress.Passed passed,
            Function<String, Timing> timings,
            List<RunProgress.Event> measured) {
        Double real = passed.realSeconds();
        if (real == null || !isDeveloper(steps, passed.step())) {
            return Optional.empty();
        }
        double planned = plannedSeconds(steps, passed.step());
        EquivalentDevelopment.Advice advice = EquivalentDevelopment.advice(
                timing(steps, timings, passed.step()), planned, RunProgress.readings(measured, passed.step()), real);
        return advice == null || Math.abs(advice.doneSeconds() - planned) < TOLD_SECONDS
                ? Optional.empty()
                : Optional.of(advice.doneSeconds());
    }

    private static boolean isDeveloper(RunSteps steps, int step) {
        RunSteps.Step bath = steps.steps().get(step);
        return bath.bath() != null && bath.role() != null && bath.role().isDeveloper();
    }

    private static Timing timing(RunSteps steps, Function<String, Timing> timings, int step) {
        return timings.apply(Objects.requireNonNull(steps.steps().get(step).bath()));
    }

    private static double plannedSeconds(RunSteps steps, int step) {
        return steps.schedule().steps().get(step).step().seconds();
    }
}
