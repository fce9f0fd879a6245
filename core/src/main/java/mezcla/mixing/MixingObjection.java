package mezcla.mixing;

import mezcla.leaflet.Unit;
import mezcla.measure.Objection;

/** What can be wrong with a mix (rules, section 3). */
public sealed interface MixingObjection extends Objection {
    /** A sachet of unknown weight that would have to be divided. */
    record OnlyWhole(String part, double amount) implements MixingObjection {
        @Override
        public String field() {
            return "volume";
        }
    }

    /** A volume that the kit does not make: the limiting part, and the largest volume in ml. */
    record MoreThanTheKitAllows(String part, double largestMl) implements MixingObjection {
        @Override
        public String field() {
            return "volume";
        }

        @Override
        public String wording() {
            return largestMl < 1 ? "part-has-run-out" : key();
        }
    }

    /** A part that does not suffice for several baths, in its unit. */
    record PartRunsOut(String part, double needs, double left, Unit unit) implements MixingObjection {
        @Override
        public String field() {
            return "volume";
        }
    }

    /** Parts that need more room than the bath has, in ml. */
    record PartsExceedVolume(double partsMl, double volumeMl) implements MixingObjection {
        @Override
        public String field() {
            return "volume";
        }
    }

    /** A kit of no part. */
    record RecipeWithoutParts() implements MixingObjection {}

    /** A recipe without water to warm. */
    record NoStartWater() implements MixingObjection {}

    /** An amount that no tool of the house measures in ten fills. */
    record NoTool(double amount) implements MixingObjection {}

    /** Water that hot and cold do not give, in °C. */
    record CannotBeBlended(double wantC, double hotC, double coldC) implements MixingObjection {}

    /** An act that is ticked. */
    record ActDoneAlready() implements MixingObjection {}

    /** An act that is not the next one. */
    record ActOutOfTurn() implements MixingObjection {}
}
