package mezcla.measure;

import java.math.BigDecimal;

/** A temperature, held in degrees Celsius (rules, section 2). */
public record Temperature(double celsius) {
    private static final double LEAST_C = 0;
    private static final double MOST_C = 100;

    /** The scales in which a temperature may be typed. */
    public enum Scale {
        /** Degrees Celsius. */
        CELSIUS,
        /** Degrees Fahrenheit. */
        FAHRENHEIT
    }

    /** Refuses what is no number, and what lies outside 0 to 100 °C, as {@code out-of-range}. */
    public Temperature {
        if (!(Slack.reaches(celsius, LEAST_C) && !Slack.exceeds(celsius, MOST_C))) {
            throw Refusal.of(new TypedObjection.OutOfRange(String.valueOf(celsius), LEAST_C, MOST_C, "°C"));
        }
    }

    /** A temperature of so many degrees Celsius. */
    public static Temperature ofCelsius(double celsius) {
        return new Temperature(celsius);
    }

    /**
     * Reads a temperature as a person types it: {@code 38.5 °C}, {@code 101F}, {@code 38}.
     *
     * @param typed the text
     * @param shown the scale shown beside the field, taken for a bare number
     * @throws Refusal {@code missing}, {@code not-a-temperature}, {@code ambiguous-number} or {@code out-of-range}
     */
    public static Temperature parse(String typed, Scale shown) {
        TypedNumber number = TypedNumber.of(typed, TypedObjection.NotATemperature::new);
        Scale scale =
                switch (number.unit()) {
                    case "" -> shown;
                    case "c", "°c", "° c", "celsius" -> Scale.CELSIUS;
                    case "f", "°f", "° f", "fahrenheit" -> Scale.FAHRENHEIT;
                    default -> throw Refusal.of(new TypedObjection.NotATemperature(number.text()));
                };
        return new Temperature(
                number.readIn(value -> scale == Scale.CELSIUS ? value : (value - 32) / 1.8, LEAST_C, MOST_C, "°C"));
    }

    /** This temperature in degrees Fahrenheit, unrounded. */
    public double fahrenheit() {
        return celsius * 1.8 + 32;
    }

    /** In degrees Celsius, with all its digits; {@link #parse} reads it back. */
    @Override
    public String toString() {
        return BigDecimal.valueOf(celsius).stripTrailingZeros().toPlainString() + " °C";
    }
}
