package mezcla.leaflet;

import java.util.List;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * How long a bath takes (rules, section 4).
 *
 * @param baseSeconds the time in a fresh bath, in seconds
 * @param mostSeconds how long it may be, in seconds: the same where one time is printed, infinite for <em>at least</em>
 * @param atC the temperature that it is printed for, in °C
 * @param leastC the lowest temperature at which nothing changes, in °C
 * @param mostC the highest temperature at which nothing changes, in °C
 * @param printsTolerance whether the sheet prints those two; else the house's stand in
 * @param exhaustion how use lengthens it
 * @param push factors for pushed and pulled film, in rising order of stops; empty where none are printed
 * @param temperatureTable times at other temperatures, in rising order; empty where none are printed
 */
public record Timing(
        double baseSeconds,
        double mostSeconds,
        double atC,
        double leastC,
        double mostC,
        boolean printsTolerance,
        Exhaustion exhaustion,
        List<Push> push,
        List<TimeAt> temperatureTable) {
    private static final double SHOWN_PER_DEGREE = 10;

    /** One time, with a tolerance that is printed. */
    public Timing(
            double baseSeconds,
            double atC,
            double leastC,
            double mostC,
            Exhaustion exhaustion,
            List<Push> push,
            List<TimeAt> temperatureTable) {
        this(baseSeconds, baseSeconds, atC, leastC, mostC, true, exhaustion, push, temperatureTable);
    }

    /**
     * A factor for film pushed or pulled.
     *
     * @param stops pushed above zero, pulled below
     * @param factor what the time is multiplied by
     * @param wearWeight what a roll's wear is multiplied by; 1 where the leaflet says nothing
     */
    public record Push(double stops, double factor, double wearWeight) {}

    /**
     * A time at a temperature.
     *
     * @param c in °C
     * @param seconds the time there
     */
    public record TimeAt(double c, double seconds) {}

    /** Refuses a time that is none and a tolerance that does not hold the printed temperature. */
    public Timing {
        if (!(baseSeconds > 0 && mostSeconds >= baseSeconds)) {
            throw Refusal.of(new LeafletObjection.TimeMissing());
        }
        if (!(leastC <= atC && atC <= mostC)) {
            throw Refusal.of(new LeafletObjection.ToleranceMissesTemperature(atC));
        }
        push = List.copyOf(push);
        temperatureTable = List.copyOf(temperatureTable);
    }

    /** The time as it is printed. */
    public PrintedTime printed() {
        return new PrintedTime(baseSeconds, mostSeconds);
    }

    /**
     * Whether a temperature, in °C, is near enough to the printed one that nothing changes. Temperatures are shown to a tenth of
     * a degree, and what is shown is what is judged: a tolerance that reads 100.0 to 100.8 °F takes both.
     */
    public boolean holds(double celsius) {
        return Slack.isWithin(celsius, leastC, mostC) || Slack.isWithin(shown(celsius), shown(leastC), shown(mostC));
    }

    private static double shown(double celsius) {
        return Math.round(celsius * SHOWN_PER_DEGREE) / SHOWN_PER_DEGREE;
    }

    /** The same with another time in a fresh bath, in seconds: everything that is printed for it becomes as much longer. */
    public Timing based(double seconds) {
        double scale = seconds / baseSeconds;
        return new Timing(
                seconds,
                Math.max(seconds, mostSeconds * scale),
                atC,
                leastC,
                mostC,
                printsTolerance,
                exhaustion.by(
                        () -> exhaustion,
                        percent -> exhaustion,
                        steps -> new Exhaustion.Steps(steps.stream()
                                .map(step -> new Exhaustion.Step(step.upTo(), step.seconds() * scale))
                                .toList())),
                push,
                temperatureTable.stream()
                        .map(at -> new TimeAt(at.c(), at.seconds() * scale))
                        .toList());
    }
}
