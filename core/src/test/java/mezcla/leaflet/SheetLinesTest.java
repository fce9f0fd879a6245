package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The small tables of a sheet, as they are copied off paper. */
public class SheetLinesTest {
    private static final List<Bath> BATHS = Leaflets.negative().baths();

    private interface Reading {
        Object read();
    }

    @Test
    public void bandsAreReadAsPrinted() {
        assertThat(SheetLines.bands("1-6 3:15\n\n 7–12 rolls: 3:30 \n15 4 min").bands())
                .containsExactly(
                        new PrintedBands.Band(1, 6, 195),
                        new PrintedBands.Band(7, 12, 210),
                        new PrintedBands.Band(13, 15, 240));
    }

    @Test
    public void seamsThatOverlapOrLeaveGapsAreFound() {
        assertThat(SheetLines.bands("1-6 3:15\n6-10 3:30\n10-15 3:45").seams())
                .containsExactly(new PrintedBands.Seam(6, 6), new PrintedBands.Seam(10, 10))
                .allMatch(PrintedBands.Seam::overlaps);
        assertThat(SheetLines.bands("3-6 3:15\n9-10 3:30").seams())
                .containsExactly(new PrintedBands.Seam(0, 3), new PrintedBands.Seam(6, 9))
                .noneMatch(PrintedBands.Seam::overlaps);
        assertThat(SheetLines.bands("1-6 3:15\n7-10 3:30").seams()).isEmpty();
    }

    @Test
    public void whatIsReadIsWrittenAndReadBack() {
        PrintedBands bands = SheetLines.bands("1-6 3:15\n7-12 3:30");
        assertThat(SheetLines.bands(SheetLines.bands(bands))).isEqualTo(bands);
        assertThat(PrintedBands.of(bands.steps().steps())).isEqualTo(bands);
        List<Timing.Push> pushes = SheetLines.pushes("+1 1.25\n−1 0,85\n2 stops ×1.6 wear 1.5", 200);
        assertThat(pushes)
                .containsExactly(
                        new Timing.Push(-1, 0.85, 1), new Timing.Push(1, 1.25, 1), new Timing.Push(2, 1.6, 1.5));
        assertThat(SheetLines.pushes(SheetLines.pushes(pushes), 200)).isEqualTo(pushes);
        List<Timing.TimeAt> table = SheetLines.temperatureTable("38 3:15\n95 F: 4:30", Temperature.Scale.CELSIUS);
        assertThat(table).containsExactly(new Timing.TimeAt(35, 270), new Timing.TimeAt(38, 195));
        assertThat(SheetLines.temperatureTable(SheetLines.temperatureTable(table), Temperature.Scale.FAHRENHEIT))
                .isEqualTo(table);
    }

    @Test
    public void examplesAndStepsAreReadAndWrittenBack() {
        Leaflet plain = Leaflets.negative();
        Leaflet leaflet = new Leaflet(
                plain.key(),
                1,
                plain.name(),
                plain.maker(),
                plain.process(),
                null,
                1000,
                plain.parts(),
                BATHS,
                SheetLines.steps(
                        "Pre-soak 1:00 38 °C\nDeveloper ; move it gently\nWash 6 fills\nbx\nWash 3:00\nwash until clear; shake hard",
                        BATHS,
                        Temperature.Scale.CELSIUS),
                SheetLines.examples("After 7 rolls, 2 more: 4:05\nBleach-fix: after 0, 1: 3:20", BATHS));
        assertThat(leaflet.steps())
                .extracting(ProcessStep::kind)
                .containsExactly(
                        ProcessStep.Kind.PRE_SOAK,
                        ProcessStep.Kind.BATH,
                        ProcessStep.Kind.WASH_FILLS,
                        ProcessStep.Kind.BATH,
                        ProcessStep.Kind.WASH,
                        ProcessStep.Kind.WASH_UNTIL_CLEAR);
        assertThat(leaflet.steps().get(0).atC()).isEqualTo(38.0);
        assertThat(leaflet.steps())
                .extracting(ProcessStep::says)
                .containsExactly(null, "move it gently", null, null, null, "shake hard");
        assertThat(leaflet.examples())
                .containsExactly(new PrintedExample("dev", 7, 2, 245), new PrintedExample("bx", 0, 1, 200));
        assertThat(SheetLines.steps(SheetLines.steps(leaflet), BATHS, Temperature.Scale.CELSIUS))
                .isEqualTo(leaflet.steps());
        assertThat(SheetLines.examples(SheetLines.examples(leaflet), BATHS)).isEqualTo(leaflet.examples());
    }

    @Test
    public void rangesTolerancesAndDilutionsAreRead() {
        assertThat(SheetLines.range("12–16 rolls")).isEqualTo(new Range(12, 16));
        assertThat(SheetLines.range("42")).isEqualTo(new Range(42, 42));
        assertThat(SheetLines.tolerance("24–41 °C", 38, Temperature.Scale.FAHRENHEIT))
                .isEqualTo(new Range(24, 41));
        Range around = SheetLines.tolerance("+/- 0,5", 38, Temperature.Scale.CELSIUS);
        assertThat(around).isEqualTo(new Range(37.5, 38.5));
        assertThat(SheetLines.tolerance("± 0.9 F", 38, Temperature.Scale.CELSIUS))
                .isEqualTo(around);
        Range warm = SheetLines.tolerance("75-105 F", 38, Temperature.Scale.CELSIUS);
        assertThat(warm.min()).isCloseTo(23.889, within(0.001));
        assertThat(warm.max()).isCloseTo(40.556, within(0.001));
        assertThat(SheetLines.tolerance("75-105", 38, Temperature.Scale.FAHRENHEIT))
                .isEqualTo(warm);
        assertThat(SheetLines.tolerance("24-41", 38, Temperature.Scale.CELSIUS)).isEqualTo(new Range(24, 41));
        assertThat(SheetLines.dilution("1 + 4")).isEqualTo(new Bath.OneShot(1, 4));
        assertThat(SheetLines.dilution(SheetLines.dilution("1+1"))).isEqualTo("1 + 1");
    }

    @Test
    public void criticalFiguresAreUniqueAndAgreeWithThemselves() {
        List<CriticalFigure> figures = CriticalFigure.of(Leaflets.negative());
        assertThat(figures).extracting(CriticalFigure::id).doesNotHaveDuplicates();
        assertThat(figures)
                .as("five of the kit, twelve of the developer, eleven of the bleach-fix, which has no push")
                .hasSize(5 + 12 + 11);
        assertThat(figures).allMatch(figure -> figure.agrees(figure.typed()));
        CriticalFigure.Typed off = new CriticalFigure.Typed(
                figures.get(0).typed().values().stream()
                        .map(value -> value * 1.01)
                        .toList(),
                "");
        assertThat(figures.get(0).agrees(off)).isFalse();
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"not-a-band", (Reading) () -> SheetLines.bands("six rolls 3:15")},
            {"not-a-band", (Reading) () -> SheetLines.bands("1-6 3:75")},
            {"band-reversed", (Reading) () -> SheetLines.bands("6-1 3:15")},
            {"steps-missing", (Reading) () -> SheetLines.bands(" \n ")},
            {
                "steps-out-of-order",
                (Reading) () -> SheetLines.bands("1-6 3:15\n1-6 3:20").steps()
            },
            {"not-a-push", (Reading) () -> SheetLines.pushes("one stop more", 200)},
            {"not-a-push", (Reading) () -> SheetLines.pushes("+1 0", 200)},
            {"not-a-push", (Reading) () -> SheetLines.pushes("0 1.2", 200)},
            {"not-a-time-at", (Reading) () -> SheetLines.temperatureTable("3:15", Temperature.Scale.CELSIUS)},
            {"not-a-time-at", (Reading) () -> SheetLines.temperatureTable("380 3:15", Temperature.Scale.CELSIUS)},
            {"not-an-example", (Reading) () -> SheetLines.examples("after a while 3:15", BATHS)},
            {"not-an-example", (Reading) () -> SheetLines.examples("Fixer after 7, 2 more: 3:15", BATHS)},
            {"not-an-example", (Reading) () -> SheetLines.examples("after 7, 0 more: 3:15", BATHS)},
            {"not-a-range", (Reading) () -> SheetLines.range("twelve")},
            {"range-reversed", (Reading) () -> SheetLines.range("16-12")},
            {"not-a-tolerance", (Reading) () -> SheetLines.tolerance("a bit", 38, Temperature.Scale.CELSIUS)},
            {"not-a-dilution", (Reading) () -> SheetLines.dilution("half")},
            {"not-a-dilution", (Reading) () -> SheetLines.dilution("0 + 4")},
            {"not-a-step", (Reading) () -> SheetLines.steps("Fixer", BATHS, Temperature.Scale.CELSIUS)},
            {"not-a-step", (Reading) () -> SheetLines.steps("Wash 3:00 ;", BATHS, Temperature.Scale.CELSIUS)},
            {
                "not-a-step",
                (Reading) () -> SheetLines.steps("Wash 3:00; " + "x".repeat(81), BATHS, Temperature.Scale.CELSIUS)
            },
            {"not-a-step", (Reading) () -> SheetLines.steps("Wash a bit", BATHS, Temperature.Scale.CELSIUS)},
        };
    }

    @Test(dataProvider = "refused")
    public void oddLinesAreRefused(String code, Reading reading) {
        assertThat(catchThrowableOfType(Refusal.class, reading::read).code()).isEqualTo(code);
    }

    @DataProvider
    public Object[][] pairs() {
        return new Object[][] {
            {"38 °C / 100 °F", 38.0, false},
            {"38 °C (100.4 °F)", 38.0, false},
            {"24 °C / 80 °F", 24.0, true},
            {"38", 38.0, false},
            {"100 F / 38 C", 37.78, false},
        };
    }

    @Test(dataProvider = "pairs")
    public void pairsThatDisagreeArePointedOut(String typed, double celsius, boolean disagrees) {
        PrintedTemperature read = PrintedTemperature.parse(typed, Temperature.Scale.CELSIUS);
        assertThat(read.celsius()).isCloseTo(celsius, org.assertj.core.data.Offset.offset(0.01));
        assertThat(read.disagrees() != null).isEqualTo(disagrees);
    }

    private static Timing between(double leastC, double atC, double mostC) {
        return new Timing(200, atC, leastC, mostC, new Exhaustion.Fixed(), List.of(), List.of());
    }

    private static double celsius(double fahrenheit) {
        return (fahrenheit - 32) / 1.8;
    }

    @Test
    public void temperaturesAreShownInTheScaleInWhichTheyAreWhole() {
        assertThat(SheetLines.tolerance(between(celsius(75), celsius(90), celsius(105))))
                .isEqualTo("75–105 °F");
        assertThat(SheetLines.tolerance(between(celsius(75.5), celsius(80), celsius(105))))
                .isEqualTo("75.5–105 °F");
        assertThat(SheetLines.tolerance(between(24, 32, 40))).isEqualTo("24–40 °C");
        assertThat(SheetLines.tolerance(between(24.5, 38, 41))).isEqualTo("24.5–41 °C");
        assertThat(SheetLines.tolerance(between(37.7, 38, 38.3))).isEqualTo("± 0.3 °C");
    }

    @Test
    public void aRangeIsPrintedAsOneWhereItsMiddleIsTheTemperatureAndItIsWide() {
        assertThat(SheetLines.isPrintedRange(between(24, 32, 40))).isTrue();
        assertThat(SheetLines.isPrintedRange(between(24, 38, 40)))
                .as("off its middle")
                .isFalse();
        assertThat(SheetLines.isPrintedRange(between(37.7, 38, 38.3)))
                .as("a tolerance")
                .isFalse();
        assertThat(SheetLines.isPrintedRange(
                        new Timing(200, 200, 32, 24, 40, false, new Exhaustion.Fixed(), List.of(), List.of())))
                .as("nothing is printed")
                .isFalse();
    }

    @Test
    public void aLifeIsReadInItsUnit() {
        assertThat(SheetLines.life("28–42")).isEqualTo(new Range(28, 42));
        assertThat(SheetLines.life("28-42 days")).isEqualTo(new Range(28, 42));
        assertThat(SheetLines.life("2-6 weeks")).isEqualTo(new Range(14, 42));
        assertThat(SheetLines.life("1 year")).isEqualTo(new Range(365, 365));
        assertThat(SheetLines.life("24 months").max()).isCloseTo(730, within(1e-9));
    }
}
