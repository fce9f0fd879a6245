package mezcla.mixing;

import java.util.Optional;
import mezcla.leaflet.MixingTemperature;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * How warm a mix may be (rules, 3.1 and 3.2): between what its sheet prints, and where one figure is printed, from 3 °C
 * below it to 5 °C above.
 *
 * @param leastC too cold below, in °C; null for no limit
 * @param mostC too warm above, in °C; null for no limit
 */
public record MixWarmth(@Nullable Double leastC, @Nullable Double mostC) {
    private static final double BELOW_ONE_FIGURE = 3;
    private static final double ABOVE_ONE_FIGURE = 5;

    /** What is said of a temperature that was measured. */
    public enum Said {
        /** Powder may not dissolve: warm the jug before it goes in. */
        TOO_COLD,
        /** Let it cool before anything goes in. */
        TOO_WARM
    }

    /** What a sheet prints. */
    public static MixWarmth of(MixingTemperature printed) {
        return printed.min() == null && printed.max() == null
                ? new MixWarmth(printed.target() - BELOW_ONE_FIGURE, printed.target() + ABOVE_ONE_FIGURE)
                : new MixWarmth(printed.min(), printed.max());
    }

    /** What is said of a measured temperature, in °C; empty for nothing. */
    public Optional<Said> of(double measuredC) {
        if (leastC != null && Slack.exceeds(leastC, measuredC)) {
            return Optional.of(Said.TOO_COLD);
        }
        return mostC != null && Slack.exceeds(measuredC, mostC) ? Optional.of(Said.TOO_WARM) : Optional.empty();
    }

    /**
     * Whether a mix has to be tested because of the temperature it was mixed at: only where powder went in below what its sheet
     * allows.
     *
     * @param measuredC what was measured, in °C; null for nothing
     * @param powder whether powder went in
     */
    public boolean isOff(@Nullable Double measuredC, boolean powder) {
        return powder
                && measuredC != null
                && of(measuredC).filter(Said.TOO_COLD::equals).isPresent();
    }
}
