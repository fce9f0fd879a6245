package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import org.testng.annotations.Test;

/** Sheets that print the water instead of a mark to fill up to, and water that goes in between parts (rules, 3.1). */
public class FixedWaterTest {
    private static Recipe recipe(Recipe.Mode mode, double waterMl, double betweenMl) {
        return new Recipe(
                mode,
                1000,
                waterMl,
                null,
                List.of(
                        new Addition("a", 100, Unit.ML, Addition.Care.NORMAL, null, null, betweenMl),
                        new Addition("b", 100, Unit.ML, Addition.Care.NORMAL, null, null)));
    }

    @Test
    public void waterAsItIsPrintedIsScaledWithTheParts() {
        MixPlan plan = MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 700, 100), 500, Map.of());
        assertThat(plan.startWaterMl()).isEqualTo(350);
        assertThat(plan.waterBetweenMl()).isEqualTo(50);
        assertThat(plan.topUpMl()).isZero();
        assertThat(plan.finalMl()).isEqualTo(500);
        assertThat(plan.checks()).isEmpty();
    }

    @Test
    public void aSheetWhoseWaterMakesAnotherVolumeSaysSo() {
        assertThat(MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 690, 100), 1000, Map.of())
                        .checks())
                .containsExactly(MixPlan.Check.MAKES_OTHER_VOLUME);
        assertThat(MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 695, 100), 1000, Map.of())
                        .checks())
                .as("half a percent is rounding")
                .isEmpty();
        MixPlan other = MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 600, 100), 500, Map.of());
        assertThat(other.finalMl()).isEqualTo(450);
    }

    @Test
    public void stretchedItsWaterIsWhatThePartsLeave() {
        MixPlan plan = MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 700, 100), new MixPlan.Wanted(1000, 500), Map.of());
        assertThat(plan.startWaterMl()).isCloseTo(787.5, within(1e-9));
        assertThat(plan.waterBetweenMl()).isCloseTo(112.5, within(1e-9));
        assertThat(plan.finalMl()).isEqualTo(1000);
        assertThat(plan.strength()).isCloseTo(0.5, within(1e-9));
        assertThat(plan.checks()).containsExactly(MixPlan.Check.WEAKER);
        MixPlan dry = MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 0, 0), new MixPlan.Wanted(1000, 500), Map.of());
        assertThat(dry.startWaterMl()).isEqualTo(900);
        MixPlan strong = MixPlan.of(recipe(Recipe.Mode.FIXED_WATER, 700, 100), new MixPlan.Wanted(500, 1000), Map.of());
        assertThat(strong.checks()).containsExactly(MixPlan.Check.STRONGER);
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> MixPlan.of(
                                        recipe(Recipe.Mode.FIXED_WATER, 700, 100),
                                        new MixPlan.Wanted(150, 1000),
                                        Map.of()))
                        .code())
                .isEqualTo("parts-exceed-volume");
    }

    @Test
    public void waterBetweenPartsMakesRoomForThem() {
        MixPlan plan = MixPlan.of(recipe(Recipe.Mode.TOP_UP, 600, 100), 1000, Map.of());
        assertThat(plan.topUpMl()).isEqualTo(100);
        assertThat(plan.waterBetweenMl()).isEqualTo(100);
        MixPlan strong = MixPlan.of(recipe(Recipe.Mode.TOP_UP, 600, 100), new MixPlan.Wanted(1000, 2000), Map.of());
        assertThat(strong.startWaterMl())
                .as("500 ml of water where 600 are printed")
                .isEqualTo(500);
        assertThat(strong.topUpMl()).isZero();
        assertThat(strong.checks())
                .containsExactlyInAnyOrder(
                        MixPlan.Check.STRONGER, MixPlan.Check.START_WATER_LOWERED, MixPlan.Check.AT_THE_MARK);
        MixPlan stronger = MixPlan.of(recipe(Recipe.Mode.TOP_UP, 600, 100), new MixPlan.Wanted(1000, 4700), Map.of());
        assertThat(stronger.startWaterMl()).isZero();
        assertThat(stronger.waterBetweenMl()).isCloseTo(60, within(1e-9));
        assertThat(stronger.topUpMl()).isZero();
    }

    @Test
    public void waterAndPartsOfTwoTemperaturesMeetBetween() {
        MixPlan plan = MixPlan.of(recipe(Recipe.Mode.TOP_UP, 600, 200), 1000, Map.of());
        assertThat(plan.topUpMl()).isZero();
        double landed = plan.landedC(20, 40, 40);
        assertThat(plan.landedC(40, 40, 40)).isCloseTo(40, within(1e-9));
        assertThat(landed).as("800 ml of warm water, 200 ml of parts").isCloseTo(36, within(0.05));
    }
}
