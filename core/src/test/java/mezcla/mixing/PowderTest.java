package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.KitState;
import mezcla.batch.Mixture;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** Powder asks for a mask and for warm water; a measure, a sachet and a bottle hold what they hold. */
public class PowderTest {
    private static Part part(String name, Unit unit) {
        return new Part("a", name, 1, unit, false, null, null, null);
    }

    @Test
    public void aSachetIsAPowderUnlessItSaysLiquid() {
        assertThat(part("Developer A", Unit.SACHET).isPowder()).isTrue();
        assertThat(part("Developer A, liquid", Unit.SACHET).isPowder()).isFalse();
        assertThat(part("Developer A", Unit.G).isPowder()).isTrue();
        assertThat(part("Developer A", Unit.ML).isPowder()).isFalse();
    }

    @Test
    public void aKitOfSachetsWithoutWeightAsksForAMask() {
        Leaflet sachets = Leaflets.sachets();
        assertThat(Caution.of(sachets, sachets.baths())).contains(Caution.MASK);
        assertThat(Caution.of(Leaflets.negative(), Leaflets.negative().baths())).doesNotContain(Caution.MASK);
    }

    @Test
    public void powderIsNeverProposedColderThanOnePrintedFigureAllows() {
        HouseWater water = new HouseWater(15, 55, 20);
        Recipe recipe = new Recipe(
                Recipe.Mode.TOP_UP,
                1000,
                700,
                new MixingTemperature(null, 45, null),
                List.of(new Addition("a", 60, Unit.G, Addition.Care.NORMAL, null, null)));
        MixPlan mix = MixPlan.of(recipe, 1000, Map.of());
        assertThat(water.landing(mix, 24).reach()).isEqualTo(HouseWater.Reach.BELOW_MIXING);
        assertThat(water.landing(mix, 44).reach()).isEqualTo(HouseWater.Reach.FINE);
    }

    private static BenchWalk.Tick tick(int act, @Nullable Double poured, @Nullable Double celsius) {
        return new BenchWalk.Tick(act, act, false, poured, celsius, "Ines", Instant.EPOCH);
    }

    @Test
    public void whatWasMeasuredBeforeThePartsIsWhatTheMixWasMixedAt() {
        BatchPlan plan = BatchPlan.of(
                Leaflets.negative(), Map.of("dev-a", 100.0, "dev-b", 50.0, "bx-a", 200.0, "bx-b", 100.0), 500);
        BenchWalk walk = BenchWalk.of(
                plan, List.of(tick(0, null, 22.0), tick(1, null, null), tick(2, null, null), tick(3, null, 20.0)));
        String developer = plan.baths().get(0).bath().key();
        assertThat(walk.measuredC(developer)).isEqualTo(22.0);
        assertThat(walk.measuredC(plan.baths().get(1).bath().key())).isNull();
    }

    @Test
    public void powderInWaterThatWasTooColdMakesTheMixDoubtfulAndLiquidDoesNot() {
        Leaflet sachets = Leaflets.sachets();
        assertThat(Mixture.isOffTemperature(sachets, sachets.baths().get(0), 15.0))
                .isTrue();
        assertThat(Mixture.isOffTemperature(sachets, sachets.baths().get(0), 37.0))
                .isFalse();
        assertThat(Mixture.isOffTemperature(sachets, sachets.baths().get(0), 60.0))
                .isFalse();
        assertThat(Mixture.isOffTemperature(sachets, sachets.baths().get(0), null))
                .isFalse();
        Leaflet liquid = Leaflets.negative();
        assertThat(Mixture.isOffTemperature(liquid, liquid.baths().get(0), 15.0))
                .isFalse();
    }

    /** Three critical parts, and 1.5 ml to top up: the rinses share it. */
    @Test
    public void rinsingMeasuresNeverTakesMoreWaterThanTopsUp() {
        List<Addition> additions = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            additions.add(new Addition("p" + i, 10, Unit.ML, Addition.Care.CRITICAL, null, null));
        }
        MixPlan mix = MixPlan.of(new Recipe(Recipe.Mode.TOP_UP, 500, 468.5, null, additions), 500, Map.of());
        double rinsed = BenchAct.of("dev", mix).stream()
                .filter(act -> act.kind() == BenchAct.Kind.RINSE_MEASURE)
                .mapToDouble(BenchAct::amount)
                .sum();
        assertThat(rinsed).isCloseTo(1.5, within(1e-9));
    }

    @Test
    public void aSachetOfWhichSomeWasSpiltIsLoggedAsWhatWentIn() {
        Leaflet sachets = Leaflets.sachets();
        BatchPlan plan = BatchPlan.of(sachets, Map.of("a", 1.0, "b", 1.0), sachets.makesMl());
        int powder = BenchAct.of(plan).stream()
                .filter(act -> act.kind() == BenchAct.Kind.PART)
                .findFirst()
                .orElseThrow()
                .number();
        BenchWalk walk = BenchWalk.of(plan, List.of(tick(powder, 0.7, null)));
        String bath = plan.baths().get(0).bath().key();
        assertThat(walk.poured().get(bath)).containsEntry("a", 0.7);
        assertThat(walk.spilt(each -> true).get(bath).get("a")).isCloseTo(0.3, within(1e-9));
        assertThat(walk.spilt(each -> false)).isEmpty();
    }

    /** All of a US quart is all of it: every part is emptied, and none asked for more than there is. */
    @Test
    public void allThatAKitMakesEmptiesEveryBottle() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.quart(), 2900);
        KitState kit = log.state().kit(1);
        assertThat(kit.allMl()).isCloseTo(946.352946, within(1e-6));
        assertThat(kit.usualVolumeMl()).isEqualTo(kit.allMl());
        assertThat(kit.plan(kit.allMl()).baths())
                .flatExtracting(bath -> bath.mix().additions())
                .isNotEmpty()
                .allMatch(MixPlan.PlannedAddition::wholePart);
    }
}
