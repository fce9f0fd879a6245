package mezcla.processing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.leaflet.Timing;
import mezcla.measure.Slack;

/**
 * How a bath's time goes with its temperature (rules, 4.4 and 4.6): by what the leaflet prints, interpolated on
 * ln(seconds), or by an estimate where it prints nothing.
 *
 * @param atC the temperature that the leaflet's time is printed for, in °C
 * @param points times at temperatures, in rising order; fewer than two are no table
 */
public record TimesByTemperature(double atC, List<Timing.TimeAt> points) {
    private static final double SAME_C = 0.05;
    private static final double ESTIMATE_PER_DEGREE = 0.10;
    private static final double ESTIMATE_REACHES_C = 2;

    /** Keeps its own list. */
    public TimesByTemperature {
        points = List.copyOf(points);
    }

    /** Those of a leaflet: its printed time is one of the points, unless the table has one for that temperature. */
    public static TimesByTemperature of(Timing timing) {
        List<Timing.TimeAt> points = new ArrayList<>(timing.temperatureTable());
        if (points.stream().noneMatch(point -> Slack.reaches(SAME_C, Math.abs(point.c() - timing.atC())))) {
            points.add(new Timing.TimeAt(timing.atC(), timing.baseSeconds()));
            points.sort(Comparator.comparingDouble(Timing.TimeAt::c));
        }
        return new TimesByTemperature(timing.atC(), points);
    }

    /** Whether there is a table to go by. */
    boolean printed() {
        return points.size() >= 2;
    }

    /** The lowest temperature that there is an answer for, in °C. */
    double leastC() {
        return printed() ? points.get(0).c() : atC - ESTIMATE_REACHES_C;
    }

    /** The highest temperature that there is an answer for, in °C. */
    double mostC() {
        return printed() ? points.get(points.size() - 1).c() : atC + ESTIMATE_REACHES_C;
    }

    /** Whether there is an answer for a temperature, in °C. */
    boolean reaches(double celsius) {
        return Slack.reaches(celsius, leastC()) && Slack.reaches(mostC(), celsius);
    }

    /** What the time is multiplied by at a temperature, in °C; the ends of a table go on beyond it. */
    double factor(double celsius) {
        return printed() ? secondsAt(celsius) / secondsAt(atC) : Math.exp(ESTIMATE_PER_DEGREE * (atC - celsius));
    }

    private double secondsAt(double celsius) {
        double within = Math.max(leastC(), Math.min(mostC(), celsius));
        int i = 1;
        while (i < points.size() - 1 && within > points.get(i).c()) {
            i++;
        }
        Timing.TimeAt low = points.get(i - 1);
        Timing.TimeAt high = points.get(i);
        double share = (within - low.c()) / (high.c() - low.c());
        return Math.exp(Math.log(low.seconds()) + share * (Math.log(high.seconds()) - Math.log(low.seconds())));
    }
}
