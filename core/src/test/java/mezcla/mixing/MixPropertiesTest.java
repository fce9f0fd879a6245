package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import org.testng.annotations.Test;

/** What holds for every recipe and every volume. */
public class MixPropertiesTest {
    private final Random random = new Random(41);

    private Recipe recipe(Recipe.Mode mode) {
        double finalMl = 300 + random.nextInt(3000);
        List<Addition> additions = new ArrayList<>();
        int parts = 1 + random.nextInt(3);
        for (int i = 0; i < parts; i++) {
            Unit unit = random.nextBoolean() ? Unit.ML : Unit.G;
            additions.add(new Addition(
                    "p" + i, finalMl * (0.01 + random.nextDouble() * 0.25), unit, Addition.Care.NORMAL, null, null));
        }
        return new Recipe(mode, finalMl, finalMl * (0.3 + random.nextDouble() * 0.5), null, additions);
    }

    @Test
    public void waterAndPartsFillTheVolume() {
        for (int i = 0; i < 300; i++) {
            double volume = 50 + random.nextInt(5000);
            MixPlan plan = MixPlan.of(recipe(Recipe.Mode.TOP_UP), volume, Map.of());
            double parts = plan.additions().stream()
                    .mapToDouble(MixPlan.PlannedAddition::roomMl)
                    .sum();
            assertThat(plan.startWaterMl() + parts + plan.topUpMl()).isCloseTo(volume, within(1e-6));
            assertThat(plan.startWaterMl()).isGreaterThanOrEqualTo(0);
            assertThat(plan.finalMl()).isEqualTo(volume);
        }
    }

    @Test
    public void mixLandsBetweenWhatGoesIntoItAndWhereItWasAskedTo() {
        for (int i = 0; i < 300; i++) {
            MixPlan plan = MixPlan.of(recipe(Recipe.Mode.TOP_UP), 200 + random.nextInt(2000), Map.of());
            double room = 15 + random.nextInt(12);
            double start = room + random.nextInt(30);
            double topUp = room + random.nextInt(30);
            double landed = plan.landedC(room, start, topUp);
            assertThat(landed).isBetween(room - 1e-9, Math.max(start, topUp) + 1e-9);
            double wanted = 38;
            assertThat(plan.landedC(room, plan.startWaterForLandingC(room, topUp, wanted), topUp))
                    .isCloseTo(wanted, within(1e-6));
        }
    }

    @Test
    public void fixedWaterMakesWhatItMakesAndSaysSo() {
        Recipe recipe = new Recipe(
                Recipe.Mode.FIXED_WATER,
                1000,
                900,
                null,
                List.of(new Addition("a", 50, Unit.ML, Addition.Care.NORMAL, null, null)));
        MixPlan plan = MixPlan.of(recipe, 500, Map.of());
        assertThat(plan.finalMl()).isCloseTo(475, within(1e-9));
        assertThat(plan.topUpMl()).isZero();
        assertThat(plan.checks()).containsExactly(MixPlan.Check.MAKES_OTHER_VOLUME);
    }

    @Test
    public void readyToUseIsPouredAsItIs() {
        Recipe recipe = new Recipe(
                Recipe.Mode.READY_TO_USE,
                1000,
                0,
                null,
                List.of(new Addition("a", 1000, Unit.ML, Addition.Care.COARSE, null, null)));
        MixPlan plan = MixPlan.of(recipe, 300, Map.of());
        assertThat(plan.finalMl()).isEqualTo(300);
        assertThat(plan.startWaterMl()).isZero();
        assertThat(plan.checks()).isEmpty();
        assertThat(catchThrowableOfType(Refusal.class, () -> plan.startWaterForLandingC(20, 20, 38))
                        .code())
                .isEqualTo("no-start-water");
    }

    @Test
    public void kitYieldsAsManyBatchesAsItSaysAndNotOneMore() {
        for (int i = 0; i < 300; i++) {
            Recipe recipe = recipe(Recipe.Mode.TOP_UP);
            Map<String, Recipe> recipes = Map.of("bath", recipe);
            Map<String, Double> left = new HashMap<>();
            recipe.additions().forEach(addition -> left.put(addition.part(), random.nextDouble() * 2000));
            double volume = 50 + random.nextInt(800);
            KitSplit split = KitSplit.of(recipes, left, volume);
            Map<String, Double> needs = KitSplit.needs(recipes, volume);
            needs.forEach((part, need) -> {
                assertThat(split.batches() * need).isLessThanOrEqualTo(left.get(part) + 1e-6);
                assertThat(split.leftOver().get(part)).isCloseTo(left.get(part) - split.batches() * need, within(1e-6));
            });
            assertThat(needs).anySatisfy((part, need) -> assertThat((split.batches() + 1) * need)
                    .isGreaterThan(left.get(part)));
            double limiting = needs.get(split.limitingPart()) * split.largestMl() / volume;
            assertThat(limiting).isCloseTo(left.get(split.limitingPart()), within(1e-6));
        }
    }

    @Test
    public void recipesWithoutPartsCannotBeSplit() {
        Recipe water = new Recipe(Recipe.Mode.TOP_UP, 1000, 500, null, List.of());
        assertThat(catchThrowableOfType(Refusal.class, () -> KitSplit.of(Map.of("wash", water), Map.of(), 500))
                        .code())
                .isEqualTo("recipe-without-parts");
    }

    @Test
    public void waterOfOneTemperatureCannotBeBlended() {
        assertThat(catchThrowableOfType(Refusal.class, () -> WaterBlend.of(100, 20, 20, 20))
                        .code())
                .isEqualTo("cannot-be-blended");
        assertThat(WaterBlend.of(100, 20, 40, 20).hotMl()).isZero();
    }
}
