package mezcla.leaflet;

import mezcla.measure.Objection;

/** What can be wrong with what a sheet is said to say (rules, sections 3.1 and 4). */
public sealed interface LeafletObjection extends Objection {
    /** A sheet or batch without a bath. */
    record BathsMissing() implements LeafletObjection {
        @Override
        public String field() {
            return "volumes";
        }
    }

    /** Two parts or baths of one key. */
    record KeyTwice(String named) implements LeafletObjection {}

    /** A bath that the sheet does not have. */
    record UnknownBath(String bath) implements LeafletObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(bath);
        }
    }

    /** A part that the sheet does not have. */
    record UnknownPart(String part) implements LeafletObjection, Objection.OfNothing {
        @Override
        public String asked() {
            return String.valueOf(part);
        }
    }

    /** A role that is none of the standard ones. */
    record UnknownRole(String text) implements LeafletObjection {}

    /** A recipe that makes nothing, in ml. */
    record RecipeWithoutVolume(double finalMl) implements LeafletObjection {}

    /** A bath without a time. */
    record TimeMissing() implements LeafletObjection {}

    /** A tolerance that does not hold the printed temperature, in °C. */
    record ToleranceMissesTemperature(double atC) implements LeafletObjection {}

    /** A range whose ends are swapped. */
    record RangeReversed(double min, double max) implements LeafletObjection {}

    /** A list of times without a line. */
    record StepsMissing() implements LeafletObjection {}

    /** A list of times that does not follow the rolls. */
    record StepsOutOfOrder(double upTo) implements LeafletObjection {}

    /** A band that ends before it begins, in rolls. */
    record BandReversed(double from, double upTo) implements LeafletObjection {}

    /** A line that is no band of rolls. */
    record NotABand(String text) implements LeafletObjection {}

    /** A line that is no push. */
    record NotAPush(String text) implements LeafletObjection {}

    /** A line that is no time at a temperature. */
    record NotATimeAt(String text) implements LeafletObjection {}

    /** A line that is no printed example. */
    record NotAnExample(String text) implements LeafletObjection {}

    /** A line that is no step. */
    record NotAStep(String text) implements LeafletObjection {}

    /** Text that is no pair of limits. */
    record NotARange(String text) implements LeafletObjection {}

    /** Text that is no tolerance. */
    record NotATolerance(String text) implements LeafletObjection {}

    /** Text that is no movement of a tank. */
    record NotAMovement(String text) implements LeafletObjection {}

    /** Mixing temperatures that are not in their order. */
    record MixingTemperaturesMixedUp() implements LeafletObjection {}

    /** Text that is no wait in minutes. */
    record NotAWait(String text) implements LeafletObjection {}

    /** Text that is no percentage. */
    record NotAPercentage(String text) implements LeafletObjection {}

    /** Text that is no number of sachets. */
    record NotSachets(String text) implements LeafletObjection {}

    /** Text that is no dilution. */
    record NotADilution(String text) implements LeafletObjection {}

    /** Developer and silver-bearing waste never meet. */
    record WasteKeptApart(String bath, String route) implements LeafletObjection {
        @Override
        public String field() {
            return "route";
        }
    }
}
