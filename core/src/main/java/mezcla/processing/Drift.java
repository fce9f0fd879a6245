package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import mezcla.leaflet.Timing;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Slack;

/**
 * What the temperature of a developer has done to its step (rules, 4.6).
 *
 * @param step the number of the step, from 0
 * @param celsius how warm it was last, in °C
 * @param beyond whether that is beyond what there are times for, so that no figure helps
 * @param backToC what to bring it back to, in °C
 * @param lastsSeconds how long the step should last in all, as times are shown, in seconds; as planned when it is beyond
 * @param changeSeconds how much longer than planned that is, in seconds; below 0 for shorter, 0 for nothing to do
 */
public record Drift(int step, double celsius, boolean beyond, double backToC, int lastsSeconds, int changeSeconds) {
    private static final double TOLD_SECONDS = 5;
    private static final double LEAST_SHARE = 0.5;
    private static final double MOST_SHARE = 1.5;
    private static final double NOTICE_SECONDS = 30;

    /**
     * The drift of the developer that film is in just now.
     *
     * @param steps the run as planned
     * @param timings what the leaflet says of a bath's time, by its key
     * @param measured what was confirmed and measured
     * @param now the present
     * @return empty where film is in no developer, nothing was read, or all that was read is near enough
     */
    public static Optional<Drift> of(
            RunSteps steps, Function<String, Timing> timings, List<RunProgress.Event> measured, Instant now) {
        RunPresent present = RunPresent.of(steps.steps().size(), measured);
        if (present.pouredAt() == null || present.done() || !isDeveloper(steps, present.step())) {
            return Optional.empty();
        }
        RunSteps.Step step = steps.steps().get(present.step());
        Timing timing = timing(steps, timings, present.step());
        List<EquivalentDevelopment.Reading> read = RunProgress.readings(measured, present.step());
        double planned = plannedSeconds(steps, present.step());
        double elapsed = Duration.between(present.pouredAt(), now).toMillis() / 1000.0;
        EquivalentDevelopment.Advice advice = EquivalentDevelopment.advice(
                timing, planned * EquivalentDevelopment.rate(timing, wanted(step, timing)), read, elapsed);
        if (advice == null || read.stream().allMatch(reading -> isNear(step, reading.celsius()))) {
            return Optional.empty();
        }
        boolean beyond = !TimesByTemperature.of(timing).reaches(advice.celsius());
        int lasts = beyond
                ? (int) Math.round(planned)
                : ProcessingTime.shown(capped(advice.lastsSeconds(), planned, elapsed))
                        .seconds();
        return Optional.of(new Drift(
                present.step(),
                advice.celsius(),
                beyond,
                wanted(step, timing),
                lasts,
                lasts - (int) Math.round(planned)));
    }

    /**
     * Advice is kept between half and one and a half times what was planned, and leaves time to take the tank in hand
     * (<em>house</em>): a figure that one misread thermometer makes is no reason to pour out at once.
     */
    private static double capped(double seconds, double planned, double elapsed) {
        double kept = Math.max(planned * LEAST_SHARE, Math.min(planned * MOST_SHARE, seconds));
        return Math.max(kept, Math.min(planned, elapsed + NOTICE_SECONDS));
    }

    private static double wanted(RunSteps.Step step, Timing timing) {
        return step.atC() == null ? timing.atC() : step.atC();
    }

    private static boolean isNear(RunSteps.Step step, double celsius) {
        return (step.leastC() == null || Slack.reaches(celsius, step.leastC()))
                && (step.mostC() == null || Slack.reaches(step.mostC(), celsius));
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
        RunSteps.Step step = steps.steps().get(passed.step());
        Timing timing = timing(steps, timings, passed.step());
        List<EquivalentDevelopment.Reading> read = RunProgress.readings(measured, passed.step());
        double planned =
                plannedSeconds(steps, passed.step()) * EquivalentDevelopment.rate(timing, wanted(step, timing));
        EquivalentDevelopment.Advice advice = EquivalentDevelopment.advice(timing, planned, read, real);
        boolean known =
                read.stream().allMatch(reading -> TimesByTemperature.of(timing).reaches(reading.celsius()));
        boolean near = read.stream().allMatch(reading -> isNear(step, reading.celsius()));
        return advice == null || near || !known || Math.abs(advice.doneSeconds() - planned) < TOLD_SECONDS
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
