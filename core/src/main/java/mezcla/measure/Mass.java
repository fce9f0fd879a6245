package mezcla.measure;

import java.math.BigDecimal;

/** A mass, held in grams (rules, section 2). */
public record Mass(double grams) {
    private static final double LEAST_G = 0.01;
    private static final double MOST_G = 20_000;
    private static final double GRAMS_IN_OUNCE = 28.349523125;

    /** Refuses what is no number, and what lies outside 0.01 g to 20 kg, as {@code out-of-range}. */
    public Mass {
        if (!(Slack.reaches(grams, LEAST_G) && !Slack.exceeds(grams, MOST_G))) {
            throw Refusal.of(new TypedObjection.OutOfRange(String.valueOf(grams), LEAST_G, MOST_G, "g"));
        }
    }

    /** A mass of so many grams. */
    public static Mass ofGrams(double grams) {
        return new Mass(grams);
    }

    /**
     * Reads a mass as a person types it: {@code 12.5 g}, {@code 1 kg}, {@code 4 oz}; a bare number is grams.
     *
     * @throws Refusal {@code missing}, {@code not-a-mass}, {@code ambiguous-number} or {@code out-of-range}
     */
    public static Mass parse(String typed) {
        TypedNumber number = TypedNumber.of(typed, TypedObjection.NotAMass::new);
        double grams =
                switch (number.unit()) {
                    case "", "g", "gram", "grams" -> 1;
                    case "kg" -> 1000;
                    case "oz", "ounce", "ounces" -> GRAMS_IN_OUNCE;
                    default -> throw Refusal.of(new TypedObjection.NotAMass(number.text()));
                };
        return new Mass(number.readIn(value -> value * grams, LEAST_G, MOST_G, "g"));
    }

    /** So many grams in ounces. */
    public static double ounces(double grams) {
        return grams / GRAMS_IN_OUNCE;
    }

    /** In grams, with all its digits; {@link #parse} reads it back. */
    @Override
    public String toString() {
        return BigDecimal.valueOf(grams).stripTrailingZeros().toPlainString() + " g";
    }
}
