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
}
