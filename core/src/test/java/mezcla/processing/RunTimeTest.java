package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Timing;
import mezcla.measure.Refusal;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RunTimeTest {
    private static final List<Timing.Push> PUSH =
            List.of(new Timing.Push(-1, 0.8, 1), new Timing.Push(1, 1.3, 1), new Timing.Push(2, 1.7, 1.5));

    private static Timing timing(Exhaustion exhaustion, List<Timing.TimeAt> table) {
        return new Timing(200, 38, 37.7, 38.3, exhaustion, PUSH, table);
    }

    private static Timing stepped() {
        return timing(
                new Exhaustion.Steps(List.of(
                        new Exhaustion.Step(4, 200), new Exhaustion.Step(8, 220), new Exhaustion.Step(12, 250))),
                List.of());
    }

    private static RunTime developer(Timing timing, double done, double run) {
        return RunTime.of(BathRole.DEVELOPER, timing, done, run, 0, null, 0);
    }

    @DataProvider
    public Object[][] straddling() {
        return new Object[][] {
            {3, 1, null, 200},
            {3, 2, 4.0, 200},
            {3, 3, 4.0, 220},
            {4, 2, null, 220},
            {6, 4, 8.0, 220},
            {7, 4, 8.0, 250},
        };
    }

    @Test(dataProvider = "straddling")
    public void middleOfARunDecidesWhereItCrossesAStep(double done, double run, Double step, double seconds) {
        RunTime time = developer(stepped(), done, run);
        assertThat(time.straddledStep()).isEqualTo(step);
        assertThat(time.exhaustionSeconds()).isEqualTo(seconds);
    }

    @Test
    public void factorsStayApartAndMultiply() {
        RunTime time = RunTime.of(BathRole.DEVELOPER, stepped(), 5, 1, 1, 37.0, -4);
        assertThat(time.exhaustionSeconds()).isEqualTo(220);
        assertThat(time.pushFactor()).isEqualTo(1.3);
        assertThat(time.temperatureFactor()).isCloseTo(Math.exp(0.1), within(1e-12));
        assertThat(time.trimFactor()).isCloseTo(0.96, within(1e-12));
        assertThat(time.exactSeconds()).isCloseTo(220 * 1.3 * Math.exp(0.1) * 0.96, within(1e-9));
    }

    @DataProvider
    public Object[][] lenient() {
        return new Object[][] {{BathRole.STOP}, {BathRole.STABILISER}, {BathRole.WETTING_AGENT}};
    }

    @Test(dataProvider = "lenient")
    public void rinsesAreWarnedOfAndNeverRefusedOrLengthened(BathRole role) {
        RunTime time = RunTime.of(role, timing(new Exhaustion.Fixed(), List.of()), 0, 1, 0, 12.0, 0);
        assertThat(time.temperatureFactor()).isEqualTo(1);
        assertThat(time.flags()).containsExactly(RunTime.Flag.TEMPERATURE_OUTSIDE);
    }

    @Test
    public void toleranceMayBeALopsidedRange() {
        Timing bleach = new Timing(240, 38, 24, 41, new Exhaustion.Fixed(), List.of(), List.of());
        assertThat(RunTime.of(BathRole.BLEACH, bleach, 0, 1, 0, 24.0, 0).flags())
                .isEmpty();
        Refusal refusal =
                catchThrowableOfType(Refusal.class, () -> RunTime.of(BathRole.BLEACH, bleach, 0, 1, 0, 23.9, 0));
        assertThat(refusal.code()).isEqualTo("temperature-outside-leaflet");
        assertThat(((ProcessingObjection.TemperatureOutsideLeaflet) refusal.objection()).least())
                .isEqualTo(36);
    }

    @Test
    public void warmerIsNeverLongerForADeveloperNorShorterForOthers() {
        Timing table = timing(
                new Exhaustion.Fixed(),
                List.of(new Timing.TimeAt(30, 480), new Timing.TimeAt(38, 200), new Timing.TimeAt(42, 140)));
        Random random = new Random(23);
        for (int i = 0; i < 300; i++) {
            double cooler = 30 + random.nextDouble() * 11;
            double warmer = cooler + random.nextDouble() * (42 - cooler);
            assertThat(at(BathRole.DEVELOPER, table, warmer))
                    .isLessThanOrEqualTo(at(BathRole.DEVELOPER, table, cooler));
            assertThat(at(BathRole.BLEACH_FIX, table, warmer)).isGreaterThanOrEqualTo(200);
        }
    }

    private static double at(BathRole role, Timing timing, double celsius) {
        return RunTime.of(role, timing, 0, 1, 0, celsius, 0).exactSeconds();
    }

    @DataProvider
    public Object[][] weights() {
        return new Object[][] {{0, 1.0}, {1, 1.0}, {1.5, 1.25}, {2, 1.5}, {-1, 1.0}};
    }

    @Test(dataProvider = "weights")
    public void pushWeighsAsTheLeafletSays(double stops, double weight) {
        assertThat(RunTime.wearWeight(stepped(), stops)).isCloseTo(weight, within(1e-12));
    }

    @Test
    public void refusedPushTellsWhatTheLeafletHas() {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> RunTime.wearWeight(stepped(), 2.5));
        assertThat(refusal.code()).isEqualTo("push-outside-leaflet");
        assertThat(((ProcessingObjection.PushOutsideLeaflet) refusal.objection()).least())
                .isEqualTo(-1);
        assertThat(((ProcessingObjection.PushOutsideLeaflet) refusal.objection()).most())
                .isEqualTo(2);
    }

    @Test
    public void listGoesOnAtItsLastSlope() {
        RunTime time = developer(stepped(), 14, 0);
        assertThat(time.exhaustionSeconds()).isCloseTo(265, within(1e-9));
        assertThat(time.flags()).containsExactly(RunTime.Flag.PAST_TABLE);
    }

    @Test
    public void printedExamplesAreComputed() {
        var plain = mezcla.Leaflets.negative();
        var sheet = new mezcla.leaflet.Leaflet(
                plain.key(),
                1,
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                1000,
                plain.parts(),
                plain.baths(),
                List.of(),
                List.of(
                        new mezcla.leaflet.PrintedExample("dev", 4, 2, 220),
                        new mezcla.leaflet.PrintedExample("dev", 7, 2, 220)));
        assertThat(ExampleCheck.of(sheet)).extracting(ExampleCheck::agrees).containsExactly(true, false);
        assertThat(ExampleCheck.of(sheet).get(1).computed().seconds()).isEqualTo(245);
    }
}
