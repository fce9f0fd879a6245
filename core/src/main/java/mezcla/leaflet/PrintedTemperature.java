package mezcla.leaflet;

import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Temperature;
import org.jspecify.annotations.Nullable;

/**
 * A temperature as a sheet prints it, alone or with its conversion: {@code 24 °C / 80 °F}. A pair that disagrees is
 * pointed out, not averaged: the first one counts (rules, section 2).
 *
 * @param celsius what counts, in °C
 * @param disagrees the other one, in °C, where the two say different things; null where they agree or one stands alone
 */
public record PrintedTemperature(double celsius, @Nullable Double disagrees) {
    /** Whole degrees of either scale are rounded by up to half of a degree Celsius. */
    private static final double ROUNDED_BY_C = 0.5;

    /**
     * Reads a temperature or a pair.
     *
     * @param typed the text
     * @param shown the scale of a bare number
     * @throws Refusal what {@link Temperature#parse} refuses
     */
    public static PrintedTemperature parse(String typed, Temperature.Scale shown) {
        String[] pair = typed.split("[/(]", 2);
        double first = Temperature.parse(pair[0], shown).celsius();
        if (pair.length == 1) {
            return new PrintedTemperature(first, null);
        }
        double second = Temperature.parse(pair[1].replace(")", ""), shown).celsius();
        return new PrintedTemperature(first, Slack.exceeds(Math.abs(first - second), ROUNDED_BY_C) ? second : null);
    }
}
