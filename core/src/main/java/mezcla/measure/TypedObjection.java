package mezcla.measure;

/** What can be wrong with a quantity that a person typed (rules, section 2). */
public sealed interface TypedObjection extends Objection {
    record ExposuresNotCounted() implements TypedObjection {}

    record ExposuresUnlikely(int most) implements TypedObjection {}

    record Missing() implements TypedObjection {}

    record NotAVolume(String text) implements TypedObjection {}

    record NotATime(String text) implements TypedObjection {}

    record MinutesOrSeconds(String text) implements TypedObjection {}

    record NotATemperature(String text) implements TypedObjection {}

    record NotAMass(String text) implements TypedObjection {}

    record PlainOunce(String text) implements TypedObjection {}

    record AmbiguousNumber(String text, double decimal, double thousands, String unit) implements TypedObjection {}

    record OutOfRange(String text, double least, double most, String unit) implements TypedObjection {}

    record UnknownFormat(String text) implements TypedObjection {}
}
