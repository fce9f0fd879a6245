package mezcla.measure;

import java.math.BigDecimal;
import java.util.List;

/** A volume, held in millilitres (rules, section 2). */
public record Volume(double ml) implements Comparable<Volume> {
    private static final double LEAST_ML = 0.01;
    private static final double MOST_ML = 100_000;

    /** The units in which a volume may be typed. */
    public enum Unit {
        /** Millilitres. */
        ML(1, "ml", "millilitre", "millilitres", "milliliter", "milliliters"),
        /** Litres. */
        L(1000, "l", "litre", "litres", "liter", "liters"),
        /** US fluid ounces. */
        US_FL_OZ(29.5735295625, "fl oz", "us fl oz", "fl. oz", "fl. oz.", "floz"),
        /** US quarts of 32 US fluid ounces. */
        US_QUART(32 * 29.5735295625, "us quart", "quart", "quarts", "us quarts", "qt", "us qt"),
        /** US gallons of 128 US fluid ounces. */
        US_GALLON(128 * 29.5735295625, "us gallon", "gallon", "gallons", "us gallons", "gal", "us gal"),
        /** UK fluid ounces. */
        UK_FL_OZ(28.4130625, "uk fl oz", "imperial fl oz");

        private final double ml;

        @SuppressWarnings("ImmutableEnumChecker")
        private final List<String> names;

        Unit(double ml, String... names) {
            this.ml = ml;
            this.names = List.of(names);
        }

        /** So many millilitres in this unit. */
        public double of(double millilitres) {
            return millilitres / ml;
        }

        /** How the unit is written beside a field. */
        public String symbol() {
            return this == L ? "L" : names.get(0);
        }
    }

    /** Refuses what is no number, and what lies outside 0.01 ml to 100 L, as {@code out-of-range}. */
    public Volume {
        if (!(Slack.reaches(ml, LEAST_ML) && !Slack.exceeds(ml, MOST_ML))) {
            throw Refusal.of(new TypedObjection.OutOfRange(String.valueOf(ml), LEAST_ML, MOST_ML, "ml"));
        }
    }

    /** A volume of so many millilitres. */
    public static Volume ofMl(double ml) {
        return new Volume(ml);
    }

    /**
     * Reads a volume as a person types it: {@code 1 L}, {@code 1,2 l}, {@code 20 fl oz}, {@code 1/8 fl oz},
     * {@code 946}.
     *
     * @param typed the text
     * @param shown the unit shown beside the field, taken for a bare number
     * @throws Refusal {@code missing}, {@code not-a-volume}, {@code plain-ounce}, {@code ambiguous-number} or
     *     {@code out-of-range}
     */
    public static Volume parse(String typed, Unit shown) {
        TypedNumber number = TypedNumber.withFraction(typed, TypedObjection.NotAVolume::new);
        Unit unit = number.unit().isEmpty() ? shown : unitNamed(number);
        return new Volume(number.readIn(value -> value * unit.ml, LEAST_ML, MOST_ML, "ml"));
    }

    private static Unit unitNamed(TypedNumber number) {
        if (number.unit().equals("oz") || number.unit().equals("ounces")) {
            throw Refusal.of(new TypedObjection.PlainOunce(number.text()));
        }
        for (Unit unit : Unit.values()) {
            if (unit.names.contains(number.unit())) {
                return unit;
            }
        }
        throw Refusal.of(new TypedObjection.NotAVolume(number.text()));
    }

    /** This volume in another unit, unrounded. */
    public double in(Unit unit) {
        return ml / unit.ml;
    }

    /** The sum; refused as {@code out-of-range} above 100 L. */
    public Volume plus(Volume other) {
        return new Volume(ml + other.ml);
    }

    @Override
    public int compareTo(Volume other) {
        return Double.compare(ml, other.ml);
    }

    /** In millilitres, with all its digits; {@link #parse} reads it back. */
    @Override
    public String toString() {
        return BigDecimal.valueOf(ml).stripTrailingZeros().toPlainString() + " ml";
    }
}
