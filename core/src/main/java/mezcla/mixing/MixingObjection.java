package mezcla.mixing;

import mezcla.leaflet.Unit;
import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What can be wrong with a mix (rules, section 3). */
public sealed interface MixingObjection extends Objection {
    @OfField("volume")
    record OnlyWhole(String part, double amount) implements MixingObjection {}

    @OfField("volume")
    record MoreThanTheKitAllows(String part, double largestMl) implements MixingObjection {
        @Override
        public String wording() {
            return largestMl < 1 ? "part-has-run-out" : key();
        }
    }

    @OfField("volume")
    record PartRunsOut(String part, double needs, double left, Unit unit) implements MixingObjection {}

    @OfField("volume")
    record PartsExceedVolume(double partsMl, double volumeMl) implements MixingObjection {}

    record RecipeWithoutParts() implements MixingObjection {}

    record NoStartWater() implements MixingObjection {}

    record NoTool(double amount) implements MixingObjection {}

    record CannotBeBlended(double wantC, double hotC, double coldC) implements MixingObjection {}

    record ActDoneAlready() implements MixingObjection {}

    record ActOutOfTurn() implements MixingObjection {}
}
