package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Timing;
import org.jspecify.annotations.Nullable;

/** How much development a drifting bath has really done (rules, 4.6). Advice only. */
public final class EquivalentDevelopment {
    private EquivalentDevelopment() {}

    /**
     * A temperature that was read during the step.
     *
     * @param seconds since the step began
     * @param celsius in °C
     */
    public record Reading(double seconds, double celsius) {}

    /**
     * Development done between the first and the last reading, in seconds at the printed temperature.
     *
     * @param timing what the leaflet says of the bath's time
     * @param readings in the order of time; fewer than two have done nothing
     */
    public static double seconds(Timing timing, List<Reading> readings) {
        return seconds(TimesByTemperature.of(timing), readings);
    }

    /**
     * The same by times at temperatures.
     *
     * @param times how its time goes with temperature
     * @param readings in the order of time; fewer than two have done nothing
     */
    public static double seconds(TimesByTemperature times, List<Reading> readings) {
        double done = 0;
        for (int i = 1; i < readings.size(); i++) {
            Reading before = readings.get(i - 1);
            Reading now = readings.get(i);
            done += (now.seconds() - before.seconds())
                    * (1 / times.factor(before.celsius()) + 1 / times.factor(now.celsius()))
                    / 2;
        }
        return done;
    }

    /**
     * What a drift advises: when to pour on.
     *
     * @param doneSeconds development done so far, in seconds at the printed temperature
     * @param lastsSeconds how long the step lasts if the bath stays as it is now, in seconds from its beginning
     * @param celsius how warm it was last, in °C
     */
    public record Advice(double doneSeconds, double lastsSeconds, double celsius) {}

    /**
     * How long a step should last after all. The first reading counts from the beginning, the last until further notice.
     *
     * @param timing what the leaflet says of the bath's time
     * @param plannedSeconds how long it was to last at the printed temperature
     * @param readings in the order of time
     * @param nowSeconds how long it has lasted
     * @return null where nothing was read
     */
    public static @Nullable Advice advice(
            Timing timing, double plannedSeconds, List<Reading> readings, double nowSeconds) {
        List<Reading> known = new ArrayList<>();
        readings.stream().filter(reading -> reading.seconds() <= nowSeconds).forEach(known::add);
        if (known.isEmpty()) {
            return null;
        }
        double last = known.get(known.size() - 1).celsius();
        known.add(0, new Reading(0, known.get(0).celsius()));
        known.add(new Reading(nowSeconds, last));
        double done = seconds(timing, known);
        double rest = Math.max(0, plannedSeconds - done) / rate(timing, last);
        return new Advice(done, nowSeconds + rest, last);
    }

    /** How many times as fast development goes as at the printed temperature; the ends of a table go on beyond it. */
    public static double rate(Timing timing, double celsius) {
        return 1 / TimesByTemperature.of(timing).factor(celsius);
    }
}
