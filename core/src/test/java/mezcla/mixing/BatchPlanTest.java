package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.batch.Bottling;
import mezcla.batch.LogState;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import org.testng.annotations.Test;

public class BatchPlanTest {
    private static final Map<String, Double> FULL = Map.of("dev-a", 100.0, "dev-b", 50.0, "bx-a", 200.0, "bx-b", 100.0);

    @Test
    public void everyBathIsScaledInTheOrderOfUse() {
        BatchPlan plan = BatchPlan.of(Leaflets.negative(), FULL, 250);
        assertThat(plan.baths()).extracting(bath -> bath.bath().key()).containsExactly("dev", "bx");
        assertThat(plan.baths().get(0).takes())
                .extracting(BatchPlan.Take::amount)
                .containsExactly(25.0, 12.5);
        assertThat(plan.waterMl()).isCloseTo(2 * 250 - 37.5 - 75, within(1e-9));
    }

    private static BatchPlan warmestFirst(Double developerC, Double bleachFixC) {
        return inOrder(MixOrder.WARMEST_FIRST, developerC, bleachFixC);
    }

    private static BatchPlan inOrder(MixOrder order, Double developerC, Double bleachFixC) {
        return BatchPlan.of(Leaflets.mixedIn(bath -> bath.key().equals("dev") ? developerC : bleachFixC), FULL, 250)
                .inOrder(order);
    }

    @Test
    public void theCoolestWaterMayComeFirstAsATubHeatsOn() {
        assertThat(inOrder(MixOrder.COOLEST_FIRST, 47.0, 37.0).baths())
                .extracting(bath -> bath.bath().key())
                .containsExactly("bx", "dev");
        for (BatchPlan asUsed : List.of(
                inOrder(MixOrder.COOLEST_FIRST, 37.0, 47.0),
                inOrder(MixOrder.COOLEST_FIRST, 40.0, null),
                inOrder(MixOrder.AS_USED, 47.0, 37.0))) {
            assertThat(asUsed.baths()).extracting(bath -> bath.bath().key()).containsExactly("dev", "bx");
        }
    }

    @Test
    public void theWarmestWaterMayComeFirstWithWhatHasThenToBeKeptApart() {
        BatchPlan turned = warmestFirst(40.0, 45.0);
        assertThat(turned.baths()).extracting(bath -> bath.bath().key()).containsExactly("bx", "dev");
        assertThat(turned.keptApart()).containsExactly(new BatchPlan.Apart(BathRole.BLEACH_FIX, BathRole.DEVELOPER));
        for (BatchPlan asUsed : List.of(warmestFirst(45.0, 40.0), warmestFirst(40.0, 40.0), warmestFirst(40.0, null))) {
            assertThat(asUsed.baths()).extracting(bath -> bath.bath().key()).containsExactly("dev", "bx");
            assertThat(asUsed.keptApart()).isEmpty();
        }
        assertThat(warmestFirst(null, 30.0).baths())
                .as("nobody says how warm the developer's water is")
                .extracting(bath -> bath.bath().key())
                .containsExactly("bx", "dev");
    }

    @Test
    public void sharesOfTheWholeKitAddUpToOne() {
        double share = BatchPlan.of(Leaflets.negative(), FULL, 1000).baths().stream()
                .flatMap(bath -> bath.takes().stream())
                .mapToDouble(BatchPlan.Take::kitShare)
                .sum();
        assertThat(share).isCloseTo(1, within(1e-9));
    }

    @Test
    public void wholeKitIsEmptiedAndNotMeasured() {
        assertThat(BatchPlan.of(Leaflets.negative(), FULL, 1000)
                        .baths()
                        .get(0)
                        .mix()
                        .additions())
                .isNotEmpty()
                .allMatch(MixPlan.PlannedAddition::wholePart);
        assertThat(BatchPlan.of(Leaflets.negative(), FULL, 999)
                        .baths()
                        .get(0)
                        .mix()
                        .additions())
                .isNotEmpty()
                .noneMatch(MixPlan.PlannedAddition::wholePart);
    }

    @Test
    public void moreThanThePartsAllowNamesThePartAndTheLargestVolume() {
        Map<String, Double> left = new HashMap<>(FULL);
        left.put("bx-a", 96.0);
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> BatchPlan.of(Leaflets.negative(), left, 481));
        assertThat(refusal.code()).isEqualTo("more-than-the-kit-allows");
        assertThat(((MixingObjection.MoreThanTheKitAllows) refusal.objection()).part())
                .isEqualTo("Part bx-a");
        assertThat(((MixingObjection.MoreThanTheKitAllows) refusal.objection()).largestMl())
                .isCloseTo(480, within(1e-9));
        assertThat(BatchPlan.of(Leaflets.negative(), left, 480).baths()).hasSize(2);
    }

    @Test
    public void levelAtTheMarkIsPointedOut() {
        Recipe full = new Recipe(
                Recipe.Mode.TOP_UP,
                1000,
                800,
                null,
                List.of(new Addition("a", 200, Unit.ML, Addition.Care.NORMAL, null, null)));
        assertThat(MixPlan.of(full, 500, Map.of()).checks()).isEqualTo(Set.of(MixPlan.Check.AT_THE_MARK));
    }

    @Test
    public void bottleIsTakenOnceAndMustHoldTheVolume() {
        Bottle small = new Bottle(1, "S", 400, Bottle.Material.GLASS);
        Bottle large = new Bottle(2, "L", 1000, Bottle.Material.GLASS);
        Bottling bottling = Bottling.beside(LogState.fold(List.of()));
        assertThat(bottling.freeFor(500, List.of(small, large))).containsExactly(large);
        assertThat(catchThrowableOfType(Refusal.class, () -> bottling.take(small, 500))
                        .code())
                .isEqualTo("bottle-too-small");
        bottling.take(large, 500);
        assertThat(catchThrowableOfType(Refusal.class, () -> bottling.take(large, 500))
                        .code())
                .isEqualTo("bottle-taken");
    }

    private static Recipe recipe(Recipe.Mode mode, Addition... additions) {
        return new Recipe(mode, 1000, 600, null, List.of(additions));
    }

    @Test
    public void waterBetweenPartsIsScaledAndTopsUpTheLess() {
        Recipe recipe = recipe(
                Recipe.Mode.TOP_UP,
                new Addition("a", 100, Unit.ML, Addition.Care.NORMAL, null, null, 150),
                new Addition("b", 50, Unit.ML, Addition.Care.NORMAL, null, null));
        MixPlan plan = MixPlan.of(recipe, 500, Map.of());
        assertThat(plan.startWaterMl()).isEqualTo(300);
        assertThat(plan.additions().get(0).waterAfterMl()).isEqualTo(75);
        assertThat(plan.topUpMl()).isCloseTo(500 - 300 - 50 - 75 - 25, within(1e-9));
        Recipe fixed = recipe(
                Recipe.Mode.FIXED_WATER,
                new Addition("a", 100, Unit.ML, Addition.Care.NORMAL, null, null, 250),
                new Addition("b", 50, Unit.ML, Addition.Care.NORMAL, null, null));
        assertThat(MixPlan.of(fixed, 1000, Map.of()).finalMl()).isEqualTo(1000);
        MixPlan stretched = MixPlan.of(fixed, new MixPlan.Wanted(1200, 1000), Map.of());
        assertThat(stretched.startWaterMl() + stretched.additions().get(0).waterAfterMl())
                .as("all the water there is room for")
                .isCloseTo(1200 - 150, within(1e-9));
    }

    @Test
    public void aSachetTakesNoRoomAndOnlyGoesInWhole() {
        Recipe recipe = recipe(Recipe.Mode.TOP_UP, new Addition("s", 2, Unit.SACHET, Addition.Care.NORMAL, 3, null));
        MixPlan all = MixPlan.of(recipe, 1000, Map.of("s", 2.0));
        assertThat(all.topUpMl()).isEqualTo(400);
        assertThat(all.additions().get(0).wholePart()).isTrue();
        Leaflet plain = Leaflets.negative();
        Bath dev = plain.bath("dev");
        Leaflet sachets = new Leaflet(
                "sachets",
                1,
                "Sachets",
                "Nobody",
                plain.process(),
                null,
                1000,
                List.of(new Part("s", "Sachet", 2, Unit.SACHET, false, null, null, null, null)),
                List.of(new Bath(
                        "dev", dev.role(), recipe, dev.timing(), 1000, dev.capacity(), dev.lifeDays(), null, null)),
                List.of(),
                List.of());
        assertThat(BatchPlan.of(sachets, Map.of("s", 2.0), 500).baths().get(0).takes())
                .extracting(BatchPlan.Take::amount)
                .containsExactly(1.0);
        assertThat(catchThrowableOfType(Refusal.class, () -> BatchPlan.of(sachets, Map.of("s", 2.0), 300))
                        .code())
                .isEqualTo("only-whole");
    }

    @Test
    public void aMeasureThatHadAnotherPartInItIsRinsed() {
        List<Tool> tools = List.of(new Tool("cylinder", Unit.ML, 100, 1), new Tool("pipette", Unit.ML, 10, 0.1));
        Recipe recipe = recipe(
                Recipe.Mode.TOP_UP,
                new Addition("a", 90, Unit.ML, Addition.Care.NORMAL, null, null),
                new Addition("b", 80, Unit.ML, Addition.Care.NORMAL, null, null),
                new Addition("c", 8, Unit.ML, Addition.Care.NORMAL, null, null),
                new Addition("b", 70, Unit.ML, Addition.Care.NORMAL, null, null),
                new Addition("d", 60, Unit.ML, Addition.Care.NORMAL, null, null));
        MixPlan mix = MixPlan.of(recipe, 1000, Map.of("d", 60.0));
        assertThat(ToolChoice.measuredBefore(mix, 0, tools)).as("clean").isEmpty();
        assertThat(ToolChoice.measuredBefore(mix, 1, tools))
                .map(earlier -> earlier.addition().part())
                .hasValue("a");
        assertThat(ToolChoice.measuredBefore(mix, 2, tools)).as("another tool").isEmpty();
        assertThat(ToolChoice.measuredBefore(mix, 3, tools))
                .as("the same part was in it")
                .isEmpty();
        assertThat(ToolChoice.measuredBefore(mix, 4, tools))
                .as("emptied, not measured")
                .isEmpty();
        assertThat(ToolChoice.measuredBefore(mix, 1, List.of()))
                .as("nothing to measure with")
                .isEmpty();
    }
}
