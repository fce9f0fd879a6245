package mezcla.leaflet;

import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What can be wrong with what a sheet is said to say (rules, sections 3.1 and 4). */
public sealed interface LeafletObjection extends Objection {
    @OfField("volumes")
    record BathsMissing() implements LeafletObjection {}

    record KeyTwice(String named) implements LeafletObjection {}

    record UnknownBath(String bath) implements LeafletObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(bath);
        }
    }

    record UnknownPart(String part) implements LeafletObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(part);
        }
    }

    record UnknownRole(String text) implements LeafletObjection {}

    record RecipeWithoutVolume(double finalMl) implements LeafletObjection {}

    record TimeMissing() implements LeafletObjection {}

    record ToleranceMissesTemperature(double atC) implements LeafletObjection {}

    record RangeReversed(double min, double max) implements LeafletObjection {}

    record StepsMissing() implements LeafletObjection {}

    record StepsOutOfOrder(double upTo) implements LeafletObjection {}

    record BandReversed(double from, double upTo) implements LeafletObjection {}

    record NotABand(String text) implements LeafletObjection {}

    record NotAPush(String text) implements LeafletObjection {}

    record NotATimeAt(String text) implements LeafletObjection {}

    record NotAnExample(String text) implements LeafletObjection {}

    record NotAStep(String text) implements LeafletObjection {}

    record NotARange(String text) implements LeafletObjection {}

    record NotATolerance(String text) implements LeafletObjection {}

    record NotAMovement(String text) implements LeafletObjection {}

    record MixingTemperaturesMixedUp() implements LeafletObjection {}

    record NotAWait(String text) implements LeafletObjection {}

    record NotAPercentage(String text) implements LeafletObjection {}

    record NotSachets(String text) implements LeafletObjection {}

    record NotADilution(String text) implements LeafletObjection {}

    @OfField("route")
    record WasteKeptApart(String bath, String route) implements LeafletObjection {}
}
