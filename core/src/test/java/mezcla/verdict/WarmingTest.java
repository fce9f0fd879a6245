package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.log.FillSpilled;
import mezcla.mixing.HouseWater;
import mezcla.processing.RunSteps;
import mezcla.processing.WarmUp;
import org.testng.annotations.Test;

/** What a run wants warm: its bottles, each to its own range, and its water, from the taps where they reach (rules, 4.4). */
public class WarmingTest {
    private static final HouseWater TAPS = new HouseWater(14, 50, 20);
    private static final HouseWater COLD_TAPS = new HouseWater(14, 14, 20);

    /** The negative leaflet with a pre-soak, a wash of three fillings and one in cold water. */
    private static Leaflet washed() {
        Leaflet plain = Leaflets.negative();
        return new Leaflet(
                "test-washed",
                1,
                "Test Washed",
                "Nobody",
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths(),
                List.of(
                        new ProcessStep(ProcessStep.Kind.PRE_SOAK, null, 60.0, null, 38.0),
                        new ProcessStep(ProcessStep.Kind.BATH, "dev", null, null, null),
                        new ProcessStep(ProcessStep.Kind.BATH, "bx", null, null, null),
                        new ProcessStep(ProcessStep.Kind.WASH_FILLS, null, null, 3, 38.0),
                        new ProcessStep(ProcessStep.Kind.WASH_FILLS, null, null, 2, 38.0),
                        new ProcessStep(ProcessStep.Kind.WASH, null, 60.0, 1, 20.5)),
                List.of());
    }

    private static Warming warming(TestLog log, HouseWater water, Double celsius) {
        RunQuestion question = new RunQuestion(
                        List.of(TestLog.roll(0)), 300, 300, Judging.by(School.LEAFLET), TestLog.day(1), ZoneOffset.UTC)
                .warmedTo(celsius);
        RunPlan plan = RunPlan.of(log.state().batch(7), question);
        return Warming.of(plan, plan.steps(RunSteps.Choices.USUAL), water);
    }

    private static TestLog mixed(Leaflet leaflet) {
        TestLog log = new TestLog();
        log.kit(0, 1, leaflet, 5000);
        log.mix(0, 7, 1, 800);
        return log;
    }

    @Test
    public void anotherTemperatureIsTheDevelopersAlone() {
        Warming warmer = warming(mixed(washed()), TAPS, 39.0);
        assertThat(warmer.targetC()).isEqualTo(39);
        assertThat(warmer.leastC()).isCloseTo(38.7, within(1e-9));
        assertThat(warmer.mostC()).isCloseTo(39.3, within(1e-9));
        assertThat(warmer.bottles().get(0).leastC()).isCloseTo(38.7, within(1e-9));
        assertThat(warmer.bottles().get(0).mostC()).isCloseTo(39.3, within(1e-9));
        assertThat(warmer.bottles().get(1))
                .isEqualTo(warming(mixed(washed()), TAPS, null).bottles().get(1));
    }

    @Test
    public void bottlesAreWarmedEachToItsOwnRange() {
        Warming asPrinted = warming(mixed(washed()), TAPS, null);
        assertThat(asPrinted.bottles()).extracting(bottle -> bottle.fill().id()).containsExactly(1L, 2L);
        assertThat(asPrinted.targetC()).isEqualTo(38);
        assertThat(asPrinted.leastC()).isEqualTo(37.7);
        assertThat(asPrinted.mostC()).isEqualTo(38.3);
        assertThat(asPrinted.bottles().get(0).leastC()).isEqualTo(37.7);
        TestLog log = mixed(washed());
        log.add(0.5, stamp -> new FillSpilled(stamp, 2, 800));
        assertThat(warming(log, TAPS, null).bottles())
                .as("nothing is in the other one")
                .extracting(bottle -> bottle.fill().id())
                .containsExactly(1L);
        assertThat(warming(mixed(washed()), new HouseWater(14, 50, 37.7), null).bottles())
                .as("the room is as warm")
                .isEmpty();
    }

    @Test
    public void waterComesFromTheTapsWhereTheyReach() {
        Warming fromTaps = warming(mixed(washed()), TAPS, null);
        assertThat(fromTaps.inTub()).isEmpty();
        assertThat(fromTaps.fromTaps())
                .extracting(Warming.FromTaps::name, Warming.FromTaps::ml)
                .containsExactly(tuple("the pre-soak", 300.0), tuple("washing", 1500.0));
        Warming inTub = warming(mixed(washed()), COLD_TAPS, null);
        assertThat(inTub.fromTaps()).isEmpty();
        assertThat(inTub.inTub())
                .as("five fillings are washing, from the first of them on; cold water is not warmed")
                .extracting(Warming.Water::name, Warming.Water::ml)
                .containsExactly(tuple("the pre-soak", 300.0), tuple("washing", 1500.0));
        assertThat(inTub.inTub().get(0).neededAfter()).isZero();
        assertThat(inTub.inTub().get(1).neededAfter()).isGreaterThan(400);
    }

    @Test
    public void theTubHoldsTheBottlesFirstAndThenTheWater() {
        Warming warming = warming(mixed(washed()), COLD_TAPS, null);
        List<WarmUp.Wanted> wanted = warming.wanted(fill -> 2.5, 19);
        assertThat(wanted).hasSize(4);
        assertThat(wanted.get(0).in().litres()).isCloseTo(0.8, within(1e-9));
        assertThat(wanted.get(0).in().wPerK()).isEqualTo(2.5);
        assertThat(wanted.get(0).leastC()).isEqualTo(37.7);
        assertThat(wanted.get(2).in().litres()).isCloseTo(0.3, within(1e-9));
        assertThat(wanted.get(2).leastC()).isEqualTo(37);
        assertThat(wanted.get(2).mostC()).isEqualTo(39);
        assertThat(wanted.get(3).in().litres()).isCloseTo(1.5, within(1e-9));
    }

    /** Water that may be from 24 to 40 °C is warmed where the room is cooler than that alone, and to that range. */
    @Test
    public void waterOfARangeIsWarmEnoughFromItsLowestOn() {
        Leaflet plain = washed();
        List<ProcessStep> steps = List.of(
                plain.steps().get(1),
                plain.steps().get(2),
                new ProcessStep(ProcessStep.Kind.WASH_FILLS, null, null, null, 3, 32.0, 24.0, 40.0, null));
        Leaflet range = new Leaflet(
                plain.key(),
                1,
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                plain.baths(),
                steps,
                List.of());
        assertThat(warming(mixed(range), new HouseWater(14, 14, 25), null).inTub())
                .isEmpty();
        Warming warming = warming(mixed(range), new HouseWater(14, 14, 20), null);
        assertThat(warming.inTub())
                .extracting(Warming.Water::leastC, Warming.Water::mostC)
                .containsExactly(tuple(24.0, 40.0));
        WarmUp.Wanted water = warming.wanted(fill -> 2.5, 19).get(2);
        assertThat(water.leastC()).isEqualTo(24);
        assertThat(water.mostC()).isEqualTo(40);
    }
}
