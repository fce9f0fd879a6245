package mezcla.measure;

/** What can be wrong with a quantity that a person typed (rules, section 2). */
public sealed interface TypedObjection extends Objection {
    /** Exposures of a format that is not counted in them. */
    record ExposuresNotCounted() implements TypedObjection {}

    /** More exposures than a roll has, or none. */
    record ExposuresUnlikely(int most) implements TypedObjection {}

    /** Nothing was typed. */
    record Missing() implements TypedObjection {}

    /** Text that is no volume. */
    record NotAVolume(String text) implements TypedObjection {}

    /** Text that is no time. */
    record NotATime(String text) implements TypedObjection {}

    /** A bare number where a time is wanted. */
    record MinutesOrSeconds(String text) implements TypedObjection {}

    /** Text that is no temperature. */
    record NotATemperature(String text) implements TypedObjection {}

    /** Text that is no weight. */
    record NotAMass(String text) implements TypedObjection {}

    /** An ounce that could be a weight or a volume. */
    record PlainOunce(String text) implements TypedObjection {}

    /** A comma or point that could mark decimals or thousands; both readings in the canonical unit. */
    record AmbiguousNumber(String text, double decimal, double thousands, String unit) implements TypedObjection {}

    /** A quantity beyond what can be typed; the limits in the unit. */
    record OutOfRange(String text, double least, double most, String unit) implements TypedObjection {}

    /** A film format that is none. */
    record UnknownFormat(String text) implements TypedObjection {}
}
