package mezcla.processing;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Timing;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * The time that a bath needs for a run: exhaustion × push × temperature × (1 + trim), each kept apart (rules, 4.2 to
 * 4.5).
 *
 * @param freshSeconds the printed time of a fresh bath, in seconds
 * @param exhaustionSeconds the printed time for a bath as used as this one, in seconds
 * @param straddledStep the step's last roll when the run begins before it and ends behind it; null otherwise
 * @param pushFactor 1 for film neither pushed nor pulled
 * @param temperatureFactor 1 within the tolerance
 * @param trimFactor 1 without trim
 * @param flags what the time rests on
 */
public record RunTime(
        double freshSeconds,
        double exhaustionSeconds,
        @Nullable Double straddledStep,
        double pushFactor,
        double temperatureFactor,
        double trimFactor,
        Set<Flag> flags) {

    /** What a time rests on beyond the printed one. */
    public enum Flag {
        /** Beyond the last step of the printed list. */
        PAST_TABLE("past-table"),
        /** Taken from the printed temperature table. */
        TEMPERATURE_TABLE("temperature-table"),
        /** Estimated, for want of a printed table. */
        TEMPERATURE_ESTIMATE("temperature-estimate"),
        /** Outside the printed range of a bath that is not timed by temperature. */
        TEMPERATURE_OUTSIDE("temperature-outside");

        private final String code;

        Flag(String code) {
            this.code = code;
        }

        /** Lower case with hyphens. */
        public String code() {
            return code;
        }
    }

    /**
     * Computes the time.
     *
     * @param role what the bath does
     * @param timing what the leaflet says of its time
     * @param scaledRolls n: roll equivalents done, scaled to the printed volume
     * @param scaledRun m: roll equivalents of this run, scaled likewise
     * @param stops how far this bath's film is pushed; pulled below zero
     * @param temperatureC the bath's temperature, in °C; null for the printed one
     * @param trimPercent the fill's own correction, in percent; without effect on anything but a developer
     * @throws Refusal {@code push-outside-leaflet} or {@code temperature-outside-leaflet}
     */
    public static RunTime of(
            BathRole role,
            Timing timing,
            double scaledRolls,
            double scaledRun,
            double stops,
            @Nullable Double temperatureC,
            double trimPercent) {
        Set<Flag> flags = EnumSet.noneOf(Flag.class);
        double exhaustion = exhausted(timing, scaledRolls, scaledRolls + scaledRun / 2, flags);
        double push = role.isDeveloper() ? pushed(timing.push(), stops, Timing.Push::factor) : 1;
        double temperature = temperatureC == null ? 1 : temperatureFactor(role, timing, temperatureC, flags);
        double trim = role.isDeveloper() ? 1 + trimPercent / 100 : 1;
        return new RunTime(
                timing.baseSeconds(),
                exhaustion,
                straddled(timing, scaledRolls, scaledRolls + scaledRun),
                push,
                temperature,
                trim,
                flags);
    }

    /** The time, unrounded, in seconds. */
    public double exactSeconds() {
        return exhaustionSeconds * pushFactor * temperatureFactor * trimFactor;
    }

    /** The time as shown and worked to. */
    public ProcessingTime shown() {
        return ProcessingTime.shown(exactSeconds());
    }

    /** How much longer than in a fresh bath, both as shown, in seconds; below zero when shorter. */
    public int addedSeconds() {
        return shown().seconds() - ProcessingTime.shown(freshSeconds).seconds();
    }

    /**
     * What a roll's wear is multiplied by when it is pushed (rules, 4.1).
     *
     * @throws Refusal {@code push-outside-leaflet}
     */
    public static double wearWeight(Timing timing, double stops) {
        return pushed(timing.push(), stops, Timing.Push::wearWeight);
    }

    private static double exhausted(Timing timing, double done, double middle, Set<Flag> flags) {
        return timing.exhaustion()
                .by(
                        timing::baseSeconds,
                        percent -> timing.baseSeconds() * (1 + percent / 100 * done),
                        steps -> listed(steps, middle, flags));
    }

    private static double listed(List<Exhaustion.Step> steps, double middle, Set<Flag> flags) {
        for (Exhaustion.Step step : steps) {
            if (Slack.reaches(step.upTo(), middle)) {
                return step.seconds();
            }
        }
        flags.add(Flag.PAST_TABLE);
        return pastTable(steps, middle);
    }

    private static double pastTable(List<Exhaustion.Step> steps, double middle) {
        Exhaustion.Step last = steps.get(steps.size() - 1);
        if (steps.size() == 1) {
            return last.seconds();
        }
        Exhaustion.Step before = steps.get(steps.size() - 2);
        double slope = (last.seconds() - before.seconds()) / (last.upTo() - before.upTo());
        return last.seconds() + slope * (middle - last.upTo());
    }

    private static @Nullable Double straddled(Timing timing, double done, double after) {
        return timing.exhaustion().<List<Exhaustion.Step>>by(List::of, percent -> List.of(), steps -> steps).stream()
                .map(Exhaustion.Step::upTo)
                .filter(upTo -> Slack.exceeds(upTo, done) && Slack.exceeds(after, upTo))
                .findFirst()
                .orElse(null);
    }

    private static double pushed(List<Timing.Push> printed, double stops, ToDoubleFunction<Timing.Push> value) {
        if (Math.abs(stops) <= 1e-9) {
            return 1;
        }
        List<Timing.Push> points = Stream.concat(
                        printed.stream().filter(push -> push.stops() != 0), Stream.of(new Timing.Push(0, 1, 1)))
                .sorted(Comparator.comparingDouble(Timing.Push::stops))
                .toList();
        for (int i = 1; i < points.size(); i++) {
            Timing.Push low = points.get(i - 1);
            Timing.Push high = points.get(i);
            if (Slack.reaches(stops, low.stops()) && Slack.reaches(high.stops(), stops)) {
                double share = (stops - low.stops()) / (high.stops() - low.stops());
                return value.applyAsDouble(low) + share * (value.applyAsDouble(high) - value.applyAsDouble(low));
            }
        }
        throw Refusal.of(new ProcessingObjection.PushOutsideLeaflet(
                stops, points.get(0).stops(), points.get(points.size() - 1).stops()));
    }

    private static double temperatureFactor(BathRole role, Timing timing, double actualC, Set<Flag> flags) {
        if (timing.holds(actualC)) {
            return 1;
        }
        if (role.toleratesAnyTemperature()) {
            flags.add(Flag.TEMPERATURE_OUTSIDE);
            return 1;
        }
        TimesByTemperature times = TimesByTemperature.of(timing);
        if (!times.reaches(actualC)) {
            throw Refusal.of(new ProcessingObjection.TemperatureOutsideLeaflet(actualC, times.leastC(), times.mostC()));
        }
        flags.add(times.printed() ? Flag.TEMPERATURE_TABLE : Flag.TEMPERATURE_ESTIMATE);
        double factor = times.factor(actualC);
        return role.isDeveloper() ? factor : Math.max(1, factor);
    }
}
