package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.offset;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** Acts at the bench, one after the other, and what they make of a bath. */
public class BenchWalkTest {
    private static final Map<String, Double> FULL = Map.of("dev-a", 100.0, "dev-b", 50.0, "bx-a", 200.0, "bx-b", 100.0);

    private final BatchPlan plan = BatchPlan.of(Leaflets.negative(), FULL, 500);

    private static BenchWalk.Tick tick(int sequence, int act, boolean undone, @Nullable Double poured) {
        return new BenchWalk.Tick(sequence, act, undone, poured, null, "Ines", Instant.EPOCH);
    }

    private static List<BenchWalk.Tick> first(int acts) {
        List<BenchWalk.Tick> ticks = new ArrayList<>();
        for (int i = 0; i < acts; i++) {
            ticks.add(tick(i, i, false, null));
        }
        return ticks;
    }

    @Test
    public void actsFollowTheRecipeAndRinseBetweenBaths() {
        assertThat(BenchAct.of(plan))
                .extracting(BenchAct::kind)
                .containsExactly(
                        BenchAct.Kind.WATER,
                        BenchAct.Kind.PART,
                        BenchAct.Kind.PART,
                        BenchAct.Kind.TOP_UP,
                        BenchAct.Kind.BOTTLE,
                        BenchAct.Kind.RINSE_ALL,
                        BenchAct.Kind.WATER,
                        BenchAct.Kind.PART,
                        BenchAct.Kind.PART,
                        BenchAct.Kind.TOP_UP,
                        BenchAct.Kind.BOTTLE);
        assertThat(BenchAct.of(plan)).extracting(BenchAct::number).isSorted();
    }

    @Test
    public void aCriticalPartIsRinsedInAndAWaitIsAnAct() {
        Recipe recipe = new Recipe(
                Recipe.Mode.TOP_UP,
                1000,
                700,
                null,
                List.of(new Addition("dev-a", 20, Unit.ML, Addition.Care.CRITICAL, 3, null)));
        var bath = new BatchPlan.PlannedBath(
                Leaflets.negative().bath("dev"), MixPlan.of(recipe, 500, Map.of()), List.of());
        List<BenchAct> acts = BenchAct.of(new BatchPlan(Leaflets.negative(), List.of(bath)));
        assertThat(acts)
                .extracting(BenchAct::kind)
                .containsExactly(
                        BenchAct.Kind.WATER,
                        BenchAct.Kind.PART,
                        BenchAct.Kind.RINSE_MEASURE,
                        BenchAct.Kind.WAIT,
                        BenchAct.Kind.TOP_UP,
                        BenchAct.Kind.BOTTLE);
        assertThat(acts.get(3).amount()).isEqualTo(3);
    }

    @Test
    public void ticksFoldInAnyOrderAndCanBeTakenBack() {
        List<BenchWalk.Tick> ticks = first(3);
        ticks.add(tick(3, 2, true, null));
        java.util.Collections.reverse(ticks);
        BenchWalk walk = BenchWalk.of(plan, ticks);
        assertThat(walk.now().orElseThrow().number()).isEqualTo(2);
        assertThat(walk.next().orElseThrow().number()).isEqualTo(3);
        assertThat(walk.last().orElseThrow().number()).isEqualTo(1);
        assertThat(BenchWalk.of(plan, first(11)).now()).isEmpty();
    }

    @Test
    public void actsOutOfTurnAreRefused() {
        BenchWalk walk = BenchWalk.of(plan, first(3));
        walk.refuseOutOfTurn(3, false);
        walk.refuseOutOfTurn(2, true);
        assertThat(code(() -> walk.refuseOutOfTurn(2, false))).isEqualTo("act-done-already");
        assertThat(code(() -> walk.refuseOutOfTurn(4, false))).isEqualTo("act-out-of-turn");
        assertThat(code(() -> walk.refuseOutOfTurn(1, true))).isEqualTo("act-out-of-turn");
        assertThat(code(() -> walk.refuseOutOfTurn(3, true))).isEqualTo("act-done-already");
    }

    private static String code(Runnable act) {
        return catchThrowableOfType(Refusal.class, act::run).code();
    }

    @Test
    public void asPlannedNothingDeviates() {
        BenchWalk walk = BenchWalk.of(plan, first(5));
        BathMade made = walk.made(walk.bath("dev"));
        assertThat(made.levelMl()).isCloseTo(500, offset(1e-9));
        assertThat(made.overTheMarkMl()).isZero();
        assertThat(made.deviations()).isEmpty();
        assertThat(walk.poured().get("dev")).isEqualTo(Map.of("dev-a", 50.0, "dev-b", 25.0));
    }

    @Test
    public void tooMuchOfAPartMakesItStrong() {
        List<BenchWalk.Tick> ticks = first(5);
        ticks.add(tick(9, 1, false, 54.0));
        BathMade made = BenchWalk.of(plan, ticks).made(plan.baths().get(0));
        assertThat(made.deviations()).singleElement().satisfies(each -> {
            assertThat(each.part()).isEqualTo("dev-a");
            assertThat(each.percent()).isCloseTo(8, offset(1e-9));
            assertThat(each.missing()).isZero();
        });
    }

    @Test
    public void ofTooLittleItIsSaidHowMuchMore() {
        List<BenchWalk.Tick> ticks = first(5);
        ticks.add(tick(9, 1, false, 31.55));
        assertThat(BenchWalk.of(plan, ticks).made(plan.baths().get(0)).deviations())
                .singleElement()
                .satisfies(each -> {
                    assertThat(each.part()).isEqualTo("dev-a");
                    assertThat(each.missing()).isCloseTo(18.45, offset(1e-9));
                });
        ticks.add(tick(10, 3, false, 550.0));
        assertThat(BenchWalk.of(plan, ticks)
                        .made(plan.baths().get(0))
                        .deviations()
                        .get(0)
                        .missing())
                .as("in a bath that became larger")
                .isCloseTo(55 - 31.55, offset(1e-9));
    }

    @Test
    public void waterMendsWhatIsOnlyTooStrongAndStillInItsJug() {
        BatchPlan.PlannedBath developer = plan.baths().get(0);
        List<BenchWalk.Tick> ticks = first(4);
        ticks.add(tick(9, 1, false, 60.0));
        assertThat(BenchWalk.of(plan, ticks).waterToAddMl(developer))
                .as("the weaker part is as printed, so water would weaken the mix")
                .isZero();
        ticks.add(tick(10, 2, false, 30.0));
        assertThat(BenchWalk.of(plan, ticks).waterToAddMl(developer)).isCloseTo(100, offset(1e-6));
        assertThat(BenchWalk.of(plan, ticks.subList(0, 3)).waterToAddMl(developer))
                .as("before all of it is in")
                .isZero();
        assertThat(BenchWalk.of(plan, first(4)).waterToAddMl(developer))
                .as("as planned")
                .isZero();
        assertThat(BenchWalk.of(plan, ticks).waterToAddMl(plan.baths().get(1)))
                .as("of another bath")
                .isZero();
    }

    @Test
    public void waterOverTheMarkMakesEverythingWeak() {
        List<BenchWalk.Tick> ticks = first(5);
        ticks.add(tick(9, 3, false, 540.0));
        BathMade made = BenchWalk.of(plan, ticks).made(plan.baths().get(0));
        assertThat(made.overTheMarkMl()).isCloseTo(40, offset(1e-9));
        assertThat(made.deviations()).hasSize(2).allSatisfy(each -> assertThat(each.percent())
                .isCloseTo(-7.4, offset(0.01)));
    }

    @Test
    public void aStretchedMixIsWeaker() {
        MixPlan quart =
                MixPlan.of(Leaflets.negative().bath("dev").recipe(), new MixPlan.Wanted(1000, 946.353), Map.of());
        assertThat(quart.strength()).isCloseTo(0.946, offset(0.001));
        assertThat(quart.checks()).contains(MixPlan.Check.WEAKER);
        assertThat(quart.additions().get(0).amount()).isCloseTo(94.6, offset(0.05));
        assertThat(quart.finalMl()).isEqualTo(1000);
        MixPlan strong = MixPlan.of(Leaflets.negative().bath("dev").recipe(), new MixPlan.Wanted(500, 600), Map.of());
        assertThat(strong.checks()).contains(MixPlan.Check.STRONGER);
        assertThat(strong.additions().get(0).amount()).isCloseTo(60, offset(1e-9));
        assertThat(strong.finalMl()).isEqualTo(500);
    }

    @Test
    public void bathsOfDifferentVolumesNameThePartThatRunsOut() {
        Map<String, MixPlan.Wanted> wanted =
                Map.of("dev", new MixPlan.Wanted(500, 500), "bx", new MixPlan.Wanted(1200, 1200));
        Refusal refusal = catchThrowableOfType(
                Refusal.class, () -> BatchPlan.of(Leaflets.negative(), FULL, part -> 0.25, wanted));
        assertThat(refusal.code()).isEqualTo("part-runs-out");
        assertThat(((MixingObjection.PartRunsOut) refusal.objection()).needs()).isCloseTo(240, offset(1e-9));
        assertThat(BatchPlan.of(
                                Leaflets.negative(),
                                FULL,
                                part -> 0.25,
                                Map.of("dev", new MixPlan.Wanted(500, 500), "bx", new MixPlan.Wanted(900, 900)))
                        .baths())
                .extracting(bath -> bath.mix().finalMl())
                .containsExactly(500.0, 900.0);
    }

    @Test
    public void whatIsReadyToUseIsNeverStretched() {
        Recipe ready = new Recipe(
                Recipe.Mode.READY_TO_USE,
                1000,
                0,
                null,
                List.of(new Addition("bx-a", 1000, Unit.ML, Addition.Care.COARSE, null, null)));
        MixPlan plan = MixPlan.of(ready, new MixPlan.Wanted(500, 600), Map.of());
        assertThat(plan.additions().get(0).amount()).isEqualTo(500);
        assertThat(plan.strength()).isEqualTo(1);
        assertThat(new MixPlan.Wanted(500, 600).partsForMl(ready)).isEqualTo(500);
        assertThat(new MixPlan.Wanted(500, 600)
                        .partsForMl(Leaflets.negative().bath("dev").recipe()))
                .isEqualTo(600);
    }

    @Test
    public void cautionsFitTheParts() {
        var leaflet = Leaflets.negative();
        assertThat(Caution.of(leaflet, List.of(leaflet.bath("dev"))))
                .isEqualTo(Set.of(Caution.GLOVES_AND_EYES, Caution.SENSITISES, Caution.KNOW_WHERE));
        assertThat(Caution.of(leaflet, leaflet.baths()))
                .contains(Caution.FIZZES, Caution.STAINS)
                .doesNotContain(Caution.MASK);
    }

    private static BatchPlan.PlannedBath fixedWater() {
        Recipe recipe = new Recipe(
                Recipe.Mode.FIXED_WATER,
                1000,
                850,
                null,
                List.of(
                        new Addition("dev-a", 100, Unit.ML, Addition.Care.NORMAL, null, null),
                        new Addition("dev-b", 50, Unit.ML, Addition.Care.NORMAL, null, null)));
        return new BatchPlan.PlannedBath(Leaflets.negative().bath("dev"), MixPlan.of(recipe, 500, Map.of()), List.of());
    }

    @Test
    public void withoutTopUpEverythingPouredMakesTheVolume() {
        BatchPlan.PlannedBath bath = fixedWater();
        BatchPlan fixed = new BatchPlan(Leaflets.negative(), List.of(bath));
        assertThat(BenchAct.of(fixed))
                .extracting(BenchAct::kind)
                .containsExactly(BenchAct.Kind.WATER, BenchAct.Kind.PART, BenchAct.Kind.PART, BenchAct.Kind.BOTTLE);
        assertThat(BenchWalk.of(fixed, first(4)).made(bath).deviations()).isEmpty();
        List<BenchWalk.Tick> ticks = first(4);
        ticks.add(tick(9, 0, false, 525.0));
        BathMade weak = BenchWalk.of(fixed, ticks).made(bath);
        assertThat(weak.levelMl()).isCloseTo(600, offset(1e-9));
        assertThat(weak.overTheMarkMl()).isCloseTo(100, offset(1e-9));
        assertThat(weak.deviations()).extracting(BathMade.Deviation::part).containsExactly("dev-a", "dev-b");
        assertThat(weak.deviations())
                .allSatisfy(each -> assertThat(each.percent()).isCloseTo((500.0 / 600 - 1) * 100, offset(1e-9)));
        ticks.add(tick(10, 0, false, 325.0));
        assertThat(BenchWalk.of(fixed, ticks).made(bath).deviations())
                .allSatisfy(each -> assertThat(each.percent()).isCloseTo((500.0 / 400 - 1) * 100, offset(1e-9)));
        List<BenchWalk.Tick> strong = first(4);
        strong.add(tick(9, 1, false, 150.0));
        assertThat(BenchWalk.of(fixed, strong).made(bath).deviations())
                .extracting(BathMade.Deviation::part, each -> Math.round(each.percent()))
                .containsExactly(tuple("dev-a", 150L), tuple("dev-b", -17L));
    }

    @Test
    public void aTopUpThatFellShortIsSeenOnceItIsDone() {
        List<BenchWalk.Tick> ticks = first(3);
        assertThat(BenchWalk.of(plan, ticks).made(plan.baths().get(0)).deviations())
                .as("not topped up yet")
                .isEmpty();
        List<BenchWalk.Tick> shortOfIt = first(4);
        shortOfIt.add(tick(9, 3, false, 450.0));
        BathMade made = BenchWalk.of(plan, shortOfIt).made(plan.baths().get(0));
        assertThat(made.levelMl()).isCloseTo(450, offset(1e-9));
        assertThat(made.overTheMarkMl()).isZero();
        assertThat(made.deviations()).hasSize(2).allSatisfy(each -> assertThat(each.percent())
                .isCloseTo((500.0 / 450 - 1) * 100, offset(1e-9)));
    }

    @Test
    public void whatIsMeasuredHasAUnit() {
        List<BenchAct> acts = BenchAct.of(plan);
        assertThat(acts)
                .filteredOn(BenchAct::isMeasured)
                .extracting(BenchAct::kind)
                .containsOnly(BenchAct.Kind.WATER, BenchAct.Kind.PART, BenchAct.Kind.TOP_UP)
                .hasSize(8);
        assertThat(acts).extracting(BenchAct::unit).containsOnly(Unit.ML);
        MixPlan powder = MixPlan.of(
                new Recipe(
                        Recipe.Mode.TOP_UP,
                        1000,
                        700,
                        null,
                        List.of(new Addition("dev-a", 20, Unit.G, Addition.Care.NORMAL, null, null))),
                500,
                Map.of());
        var bath = new BatchPlan.PlannedBath(Leaflets.negative().bath("dev"), powder, List.of());
        assertThat(BenchAct.of(new BatchPlan(Leaflets.negative(), List.of(bath)))
                        .get(1)
                        .unit())
                .isEqualTo(Unit.G);
    }

    @Test
    public void eachBathGoesByItsOwnActs() {
        List<BenchWalk.Tick> ticks = first(11);
        ticks.add(tick(20, 7, false, 120.0));
        BenchWalk walk = BenchWalk.of(plan, ticks);
        assertThat(walk.made(walk.bath("dev")).deviations()).isEmpty();
        assertThat(walk.made(walk.bath("bx")).deviations())
                .extracting(BathMade.Deviation::part)
                .containsExactly("bx-a");
        assertThat(walk.bath("bx").bath().key()).isEqualTo("bx");
        assertThat(code(() -> walk.bath("stab"))).isEqualTo("unknown-bath");
    }

    @Test
    public void theSmallestJugWithRoomIsTaken() {
        List<JugChoice> jugs =
                List.of(new JugChoice("large", 2000), new JugChoice("small", 560), new JugChoice("mid", 1000));
        assertThat(JugChoice.of(500, false, jugs)).contains(new JugChoice("small", 560));
        assertThat(JugChoice.of(500, true, jugs)).contains(new JugChoice("mid", 1000));
        assertThat(JugChoice.of(1900, false, jugs)).isEmpty();
    }
}
