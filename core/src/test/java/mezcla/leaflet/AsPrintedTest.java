package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature.Scale;
import mezcla.measure.Volume;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What sheets print, read as it stands there (rules, sections 2, 3.1, 4 and 7). */
public class AsPrintedTest {
    @DataProvider
    public Object[][] times() {
        return new Object[][] {
            {"3:20", 200, 200},
            {"6½ min", 390, 390},
            {"0:30 to 1:00", 30, 60},
            {"30-60 s", 30, 60},
            {"2 to 3 min", 120, 180},
            {"2–3 minutes", 120, 180},
            {"at least six minutes", 360, Double.POSITIVE_INFINITY},
            {"minimum 6 min", 360, Double.POSITIVE_INFINITY},
            {"6 mins or more", 360, Double.POSITIVE_INFINITY},
            {"one minute", 60, 60},
            {"3'15\"", 195, 195},
            {"3 1/2 minutes", 210, 210},
            {"6 min 30", 390, 390},
        };
    }

    @Test(dataProvider = "times")
    public void timesAreReadAsTheyStandThere(String typed, double seconds, double most) {
        PrintedTime time = PrintedTime.parse(typed);
        assertThat(time).isEqualTo(new PrintedTime(seconds, most));
        assertThat(PrintedTime.parse(time.toString())).isEqualTo(time);
    }

    @DataProvider
    public Object[][] temperatures() {
        return new Object[][] {
            {"38", Scale.CELSIUS, 38, null, null, null},
            {"100", Scale.FAHRENHEIT, 37.7778, null, null, null},
            {"38 °C / 100 °F", Scale.CELSIUS, 38, null, null, null},
            {"38 °C (101 °F)", Scale.CELSIUS, 38, null, null, null},
            {"24 °C / 80 °F", Scale.CELSIUS, 24, 26.6667, null, null},
            {"37–39 °C", Scale.CELSIUS, 38, null, 37.0, 39.0},
            {"98 to 102 F", Scale.CELSIUS, 37.7778, null, 36.6667, 38.8889},
            {"38 ± 0.3 °C", Scale.CELSIUS, 38, null, 37.7, 38.3},
            {"100 °F ± 0.5", Scale.CELSIUS, 37.7778, null, 37.5, 38.0556},
            {"38,5 give or take 0,5", Scale.CELSIUS, 38.5, null, 38.0, 39.0},
            {"room temperature", Scale.FAHRENHEIT, 20, null, 15.0, 30.0},
            {"room temp", Scale.CELSIUS, 20, null, 15.0, 30.0},
            {"102 °F ± 1/2", Scale.CELSIUS, 38.8889, null, 38.6111, 39.1667},
            {"102 ± ½ °F", Scale.CELSIUS, 38.8889, null, 38.6111, 39.1667},
        };
    }

    @Test(dataProvider = "temperatures")
    public void temperaturesAreReadAsTheyStandThere(
            String typed,
            Scale shown,
            double celsius,
            @Nullable Double disagrees,
            @Nullable Double least,
            @Nullable Double most) {
        PrintedTemperature read = PrintedTemperature.parse(typed, shown);
        assertThat(read.celsius()).isCloseTo(celsius, within(1e-3));
        near(read.disagrees(), disagrees);
        near(read.leastC(), least);
        near(read.mostC(), most);
    }

    private static void near(@Nullable Double read, @Nullable Double expected) {
        assertThat(read == null).isEqualTo(expected == null);
        if (read != null && expected != null) {
            assertThat(read).isCloseTo(expected, within(1e-3));
        }
    }

    @DataProvider
    public Object[][] mixing() {
        return new Object[][] {
            {"40 °C", null, 40, null},
            {"38–42 °C", 38.0, 40, 42.0},
            {"30–45 °C, best 40 °C", 30.0, 40, 45.0},
            {"30-45 (ideally 40)", 30.0, 40, 45.0},
            {"at least 35 °C", 35.0, 35, null},
            {"at least 35 °C, best 38 °C", 35.0, 38, null},
            {"up to 45 °C", null, 45, 45.0},
            {"45 °C at most", null, 45, 45.0},
            {"35 °C or more", 35.0, 35, null},
            {"between 30 and 40 °C", 30.0, 35, 40.0},
            {"104 °F", null, 40, null},
        };
    }

    @Test(dataProvider = "mixing")
    public void oneMixingTemperatureIsEnough(String typed, @Nullable Double min, double target, @Nullable Double max) {
        MixingTemperature read = MixingTemperature.parse(typed, Scale.CELSIUS);
        near(read.min(), min);
        assertThat(read.target()).isCloseTo(target, within(1e-6));
        near(read.max(), max);
        assertThat(MixingTemperature.parse(read.toString(), Scale.CELSIUS).toString())
                .isEqualTo(read.toString());
    }

    @DataProvider
    public Object[][] movements() {
        PrintedMovement.Method invert = PrintedMovement.Method.INVERT;
        PrintedMovement.Method stick = PrintedMovement.Method.STICK;
        PrintedMovement.Method turn = PrintedMovement.Method.TURN;
        return new Object[][] {
            {"invert 30 s, then 5 s every 30 s", intervals(invert, invert, 30, 30, 5, 0)},
            {"first 15 s, then 4 turns every half minute", intervals(null, null, 15, 30, 0, 4)},
            {"stick for the first 30 s, then invert twice every 30 s", intervals(stick, invert, 30, 30, 0, 2)},
            {"Invert for the first minute, then 4 inversions a minute", intervals(invert, invert, 60, 60, 0, 4)},
            {"tilt 10 s; then 1 turn every 0:15", intervals(invert, invert, 10, 15, 0, 1)},
            {"5 s each minute", intervals(null, null, 0, 60, 5, 0)},
            {"3 inversions every 30 seconds", intervals(invert, invert, 0, 30, 0, 3)},
            {"rotate continuously", new PrintedMovement(PrintedMovement.Kind.CONTINUOUS, turn, turn, 0, 0, 0, 0)},
            {"continuous", new PrintedMovement(PrintedMovement.Kind.CONTINUOUS, null, null, 0, 0, 0, 0)},
            {"agitate 15 s, wait 30 s, repeat", intervals(null, null, 15, 45, 15, 0)},
            {"invert 10 s, then rest for 50 s, and so on", intervals(invert, invert, 10, 60, 10, 0)},
            {"first 15 s", intervals(null, null, 15, 0, 0, 0)},
            {"invert for the first 30 s and nothing after", intervals(invert, invert, 30, 0, 0, 0)},
            {"30 s, then nothing", intervals(null, null, 30, 0, 0, 0)},
            {"30 s, then still", intervals(null, null, 30, 0, 0, 0)},
            {"stick 30 s, then leave it still", intervals(stick, stick, 30, 0, 0, 0)},
            {"invert once", intervals(invert, invert, 0, 0, 0, 1)},
            {"invert twice", intervals(invert, invert, 0, 0, 0, 2)},
            {"none", PrintedMovement.STANDS},
            {"stand still", PrintedMovement.STANDS},
        };
    }

    private static PrintedMovement intervals(
            PrintedMovement.@Nullable Method first,
            PrintedMovement.@Nullable Method then,
            double initial,
            double every,
            double seconds,
            int turns) {
        return new PrintedMovement(PrintedMovement.Kind.INTERVALS, first, then, initial, every, seconds, turns);
    }

    @Test(dataProvider = "movements")
    public void movementIsReadAsItStandsThere(String typed, PrintedMovement expected) {
        PrintedMovement read = PrintedMovement.parse(typed);
        assertThat(read).isEqualTo(expected);
        assertThat(PrintedMovement.parse(read.toString())).isEqualTo(read);
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"not-a-movement", (Runnable) () -> PrintedMovement.parse("gently")},
            {"not-a-movement", (Runnable) () -> PrintedMovement.parse("40 s every 30 s")},
            {"not-a-movement", (Runnable) () -> PrintedMovement.parse("often every 30 s")},
            {"missing", (Runnable) () -> PrintedMovement.parse(" ")},
            {"range-reversed", (Runnable) () -> PrintedTime.parse("1:00 to 0:30")},
            {"minutes-or-seconds", (Runnable) () -> PrintedTime.parse("8")},
            {"minutes-or-seconds", (Runnable) () -> PrintedTime.parse("6-8")},
            {"range-reversed", (Runnable) () -> PrintedTemperature.parse("39–37 °C", Scale.CELSIUS)},
            {"not-a-temperature", (Runnable) () -> PrintedTemperature.parse("38 ± much", Scale.CELSIUS)},
            {"mixing-temperatures-mixed-up", (Runnable) () -> MixingTemperature.parse("30-35, best 40", Scale.CELSIUS)},
            {"missing", (Runnable) () -> MixingTemperature.parse("", Scale.CELSIUS)},
            {"not-a-wait", (Runnable) () -> SheetLines.minutes("a while")},
            {"not-a-percentage", (Runnable) () -> SheetLines.percent("0")},
            {"not-sachets", (Runnable) () -> SheetLines.sachets("half")},
        };
    }

    @Test(dataProvider = "refused")
    public void whatIsNoneOfItIsRefused(String code, Runnable reading) {
        assertThatThrownBy(reading::run).isInstanceOfSatisfying(Refusal.class, refusal -> assertThat(
                        refusal.objection().key())
                .isEqualTo(code));
    }

    @Test
    public void stepsTakeAlternativesAndRanges() {
        List<ProcessStep> steps = SheetLines.steps(
                "Pre-soak 1:00 at 38 °C\nWash 3 min or 7 fills\nWash 0:30 to 1:00\nWash at least six minutes at 30-40 °C\n"
                        + "Rinse until clear\nWetting agent 1:00",
                List.of(),
                Scale.CELSIUS);
        assertThat(steps)
                .containsExactly(
                        new ProcessStep(ProcessStep.Kind.PRE_SOAK, null, 60.0, null, null, 38.0, null),
                        new ProcessStep(ProcessStep.Kind.WASH, null, 180.0, null, 7, null, null),
                        new ProcessStep(ProcessStep.Kind.WASH, null, 30.0, 60.0, null, null, null),
                        new ProcessStep(
                                ProcessStep.Kind.WASH,
                                null,
                                360.0,
                                Double.POSITIVE_INFINITY,
                                null,
                                35.0,
                                30.0,
                                40.0,
                                null),
                        new ProcessStep(ProcessStep.Kind.WASH_UNTIL_CLEAR, null, null, null, null, null, null),
                        new ProcessStep(ProcessStep.Kind.WETTING_AGENT, null, 60.0, null, null, null, null));
        assertThat(SheetLines.minutes("3 min")).isEqualTo(3);
        assertThat(SheetLines.minutes("2")).isEqualTo(2);
        assertThat(SheetLines.sachets("the whole sachet")).isEqualTo(1);
        assertThat(SheetLines.sachets("2 tablets")).isEqualTo(2);
    }

    @DataProvider
    public Object[][] water() {
        return new Object[][] {
            {"Wash 7 fills 105 F", "Wash 7 fills 105 °F"},
            {"Wash 105 F, 7 fills", "Wash 7 fills 105 °F"},
            {"Wash 3 min 75-105 °F or 7 fills", "Wash 3:00 or 7 fills 75–105 °F"},
            {"Wash 7 fills or 3 min at 75 to 105 °F", "Wash 3:00 or 7 fills 75–105 °F"},
            {"Wash 75-105 °F 3 min or 7 fills", "Wash 3:00 or 7 fills 75–105 °F"},
            {"Wash 6 min 30", "Wash 6:30"},
            {"Wash 3 1/2 minutes at 38 °C", "Wash 3:30 38 °C"},
            {"Pre-wash 1:10", "Pre-soak 1:10"},
            {"Prewash 1:00 at room temp", "Pre-soak 1:00 room temperature"},
            {"Pre-soak 1:00 38", "Pre-soak 1:00 38 °C"},
            {"Wetting agent 1:00, of the house's own", "Wetting agent 1:00"},
            {"Wetting agent 1:00, of the house’s own", "Wetting agent 1:00"},
        };
    }

    /** In whatever order it is printed; a range stays one, in its own scale, and is read back as it was. */
    @Test(dataProvider = "water")
    public void waterIsReadInAnyOrder(String typed, String kept) {
        List<ProcessStep> steps = SheetLines.steps(typed, List.of(), Scale.CELSIUS);
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
                plain.baths(),
                steps,
                List.of());
        assertThat(SheetLines.steps(leaflet)).isEqualTo(kept);
        assertThat(SheetLines.steps(kept, List.of(), Scale.CELSIUS)).isEqualTo(steps);
    }

    @Test
    public void bathsAreFoundByTheNamesThatSheetsGiveThem() {
        assertThat(SheetLines.steps("Blix\nbleach fix\nBX", Leaflets.negative().baths(), Scale.CELSIUS))
                .extracting(ProcessStep::bath)
                .containsExactly("bx", "bx", "bx");
        assertThat(BathRole.of("stabiliser").isCalled("Stabilizer")).isTrue();
        assertThat(BathRole.of("stabiliser").isCalled("Stabiliser")).isTrue();
        assertThat(BathRole.of("stabiliser").isCalled("Final rinse")).isTrue();
        assertThat(BathRole.of("stabiliser").isCalled("Stop")).isFalse();
    }

    @Test
    public void aRangeIsShownAsOneAndAToleranceAsOne() {
        assertThat(SheetLines.tolerance("± 1/2 F", 38, Scale.CELSIUS).max()).isCloseTo(38.27778, within(1e-5));
        assertThat(SheetLines.tolerance("½ °F", 38, Scale.CELSIUS).max()).isCloseTo(38.27778, within(1e-5));
        assertThat(SheetLines.tolerance(timing(22, 38))).isEqualTo("22–38 °C");
        assertThat(SheetLines.tolerance(timing(29.7, 30.3))).isEqualTo("± 0.3 °C");
    }

    private static Timing timing(double least, double most) {
        return new Timing(
                390, 390, (least + most) / 2, least, most, true, new Exhaustion.Fixed(), List.of(), List.of());
    }

    @Test
    public void waterToStartWithMayBeARangeAndAWaitMayEndBySight() {
        assertThat(SheetLines.startWater("600 to 700 ml", Volume.Unit.ML))
                .isEqualTo(new SheetLines.StartWater(600, 700));
        assertThat(SheetLines.startWater("0.6-0.7 l", Volume.Unit.ML)).isEqualTo(new SheetLines.StartWater(600, 700));
        assertThat(SheetLines.startWater("700", Volume.Unit.ML)).isEqualTo(new SheetLines.StartWater(700, 700));
        assertThat(SheetLines.startWater("none", Volume.Unit.ML)).isEqualTo(new SheetLines.StartWater(0, 0));
        assertThatThrownBy(() -> SheetLines.startWater("700 to 600 ml", Volume.Unit.ML))
                .isInstanceOf(Refusal.class);
        assertThat(SheetLines.isUntilSeen("Until dissolved")).isTrue();
        assertThat(SheetLines.isUntilSeen("until clear")).isTrue();
        assertThat(SheetLines.isUntilSeen("3 min")).isFalse();
    }

    @Test
    public void ouncesOfWhichNobodySaysWhetherTheyWeighAreKnown() {
        assertThat(PrintedAmount.isPlainOunce("8 oz")).isTrue();
        assertThat(PrintedAmount.isPlainOunce("8 fl oz")).isFalse();
        assertThat(PrintedAmount.isPlainOunce("8 g")).isFalse();
    }

    @Test
    public void pushesAreFactorsPercentOrWholeTimes() {
        assertThat(SheetLines.pushes("+2 1.65×", 200)).containsExactly(new Timing.Push(2, 1.65, 1));
        assertThat(SheetLines.pushes("+1 1.25\n−1 0.85\n+2 1.6 wear 1.5", 200))
                .containsExactly(
                        new Timing.Push(-1, 0.85, 1), new Timing.Push(1, 1.25, 1), new Timing.Push(2, 1.6, 1.5));
        assertThat(SheetLines.pushes("Push 1 stop: + 30 %\nPull 1 stop: − 20 %", 200))
                .containsExactly(new Timing.Push(-1, 0.8, 1), new Timing.Push(1, 1.3, 1));
        assertThat(SheetLines.pushes("Push one stop: 4:10\n+2 stops 5 min", 200))
                .containsExactly(new Timing.Push(1, 1.25, 1), new Timing.Push(2, 1.5, 1));
    }

    @Test
    public void tablesTakePairsAndWordsOfTime() {
        assertThat(SheetLines.temperatureTable("35 °C / 95 °F: 4 min 30 s\n30 8:00", Scale.CELSIUS))
                .containsExactly(new Timing.TimeAt(30, 480), new Timing.TimeAt(35, 270));
        assertThat(SheetLines.temperatureTable("86 °F 8 min", Scale.CELSIUS)
                        .get(0)
                        .c())
                .isCloseTo(30, within(1e-6));
    }

    @Test
    public void rollsLivesAndDilutionsAreReadAsSheetsSayThem() {
        assertThat(SheetLines.bands("Rolls 1 to 4: 3:20\nFilms 5–8: 3 min 40 s")
                        .steps()
                        .steps())
                .containsExactly(new Exhaustion.Step(4, 200), new Exhaustion.Step(8, 220));
        assertThat(SheetLines.range("up to 16 rolls of 135-36")).isEqualTo(new Range(16, 16));
        assertThat(SheetLines.range("8–10 films")).isEqualTo(new Range(8, 10));
        assertThat(SheetLines.life("about 6 weeks")).isEqualTo(new Range(42, 42));
        assertThat(SheetLines.dilution("1 part stock to 4 parts water")).isEqualTo(new Bath.OneShot(1, 4));
        assertThat(SheetLines.dilution("1 part and 1 part of water")).isEqualTo(new Bath.OneShot(1, 1));
    }

    @Test
    public void examplesAreReadAsSheetsSayThem() {
        Leaflet leaflet = Leaflets.negative();
        assertThat(SheetLines.examples(
                        "Developer after 7, 2 more: 3:40\nAfter 8 rolls the next takes 3 min 50 s\n"
                                + "Bleach-fix: after 4 rolls, another roll takes 7:00",
                        leaflet.baths()))
                .containsExactly(
                        new PrintedExample("dev", 7, 2, 220),
                        new PrintedExample("dev", 8, 1, 230),
                        new PrintedExample("bx", 4, 1, 420));
    }

    @DataProvider
    public Object[][] amounts() {
        return new Object[][] {
            {"150 ml", 150, Unit.ML},
            {"150", 150, Unit.ML},
            {"2 fl oz", 59.147059125, Unit.ML},
            {"60 g", 60, Unit.G},
            {"1.5 kg", 1500, Unit.G},
            {"60 grams", 60, Unit.G},
            {"5 oz", 141.747615625, Unit.G},
            {"1 sachet", 1, Unit.SACHET},
            {"2 tablets", 2, Unit.SACHET},
            {"the whole packet", 1, Unit.SACHET},
            {"1 pouch", 1, Unit.SACHET},
            {"2 pouches", 2, Unit.SACHET},
            {"1 packet", 1, Unit.SACHET},
            {"1 bag", 1, Unit.SACHET},
            {"1/8 fl oz", 29.5735295625 / 8, Unit.ML},
        };
    }

    @Test(dataProvider = "amounts")
    public void theUnitSaysWhatAPartIs(String typed, double value, Unit unit) {
        PrintedAmount read = PrintedAmount.parse(typed, Volume.Unit.ML);
        assertThat(read.unit()).isEqualTo(unit);
        assertThat(read.value()).isCloseTo(value, within(1e-9));
    }

    @Test
    public void whatSpoilsADeveloperIsToldByTheTableOfRoles() {
        assertThat(BathRole.standard())
                .filteredOn(BathRole::spoilsDevelopers)
                .containsExactly(BathRole.BLEACH, BathRole.FIXER, BathRole.BLEACH_FIX);
    }

    @DataProvider
    public Object[][] figures() {
        return new Object[][] {
            {CriticalFigure.Kind.KIT_MAKES, "1 L", List.of(1000.0)},
            {CriticalFigure.Kind.KIT_AMOUNT, "100", List.of(100.0)},
            {CriticalFigure.Kind.SEALED, "2 years", List.of(730.0)},
            {CriticalFigure.Kind.OPENED, "6 weeks", List.of(42.0)},
            {CriticalFigure.Kind.IN_VIALS, "90 days", List.of(90.0)},
            {CriticalFigure.Kind.MAKES, "1 US qt", List.of(946.352946)},
            {CriticalFigure.Kind.START_WATER, "600 ml", List.of(600.0)},
            {CriticalFigure.Kind.MIXING, "30–45 °C, best 40 °C", List.of(30.0, 40.0, 45.0)},
            {CriticalFigure.Kind.AMOUNT, "50", List.of(50.0)},
            {CriticalFigure.Kind.WAIT, "3 min", List.of(3.0)},
            {CriticalFigure.Kind.WATER_AFTER, "200", List.of(200.0)},
            {CriticalFigure.Kind.TIME, "at least 6 min", List.of(360.0, 0.0)},
            {CriticalFigure.Kind.ROTARY, "3:00", List.of(180.0)},
            {CriticalFigure.Kind.TEMPERATURE, "38 °C / 100 °F", List.of(38.0)},
            {CriticalFigure.Kind.TOLERANCE, "± 0.3", List.of(37.7, 38.3)},
            {CriticalFigure.Kind.PER_ROLL, "2 %", List.of(2.0)},
            {CriticalFigure.Kind.BANDS, "1-4 3:20\n5-8 3:40", List.of(4.0, 200.0, 8.0, 220.0)},
            {CriticalFigure.Kind.PUSH, "+1 1.3", List.of(1.0, 1.3, 1.0)},
            {CriticalFigure.Kind.TABLE, "30 8:00\n38 3:20", List.of(30.0, 480.0, 38.0, 200.0)},
            {CriticalFigure.Kind.MOVEMENT, "first 15 s, then 4 turns every 30 s", List.of(15.0, 30.0, 0.0, 4.0)},
            {CriticalFigure.Kind.ROLLS, "8-10", List.of(8.0, 10.0)},
            {CriticalFigure.Kind.ROLLS_IN, "1000", List.of(1000.0)},
            {CriticalFigure.Kind.DAYS, "4-6 weeks", List.of(28.0, 42.0)},
            {CriticalFigure.Kind.DILUTION, "1 + 4", List.of(1.0, 4.0)},
            {CriticalFigure.Kind.STEPS, "Pre-soak 1:00", List.of(60.0, 0.0, 0.0, 0.0, 0.0)},
        };
    }

    @Test(dataProvider = "figures")
    public void everyFigureIsReadAgainInItsOwnWay(CriticalFigure.Kind kind, String typed, List<Double> values) {
        Leaflet leaflet = Leaflets.negative();
        CriticalFigure asked = new CriticalFigure("dev", "dev-b", 0, kind, new CriticalFigure.Typed(values, ""));
        CriticalFigure.Typed read = asked.read(typed, leaflet, Volume.Unit.ML, Scale.CELSIUS);
        assertThat(read.values()).hasSameSizeAs(values);
        for (int i = 0; i < values.size(); i++) {
            assertThat(read.values().get(i)).isCloseTo(values.get(i), within(1e-6));
        }
        assertThat(new CriticalFigure("dev", "dev-b", 0, kind, read).agrees(read))
                .isTrue();
        assertThatThrownBy(() -> asked.read(" ", leaflet, Volume.Unit.ML, Scale.CELSIUS))
                .isInstanceOf(Refusal.class);
    }

    @Test
    public void aTimeForTurningOfAnyLengthIsOne() {
        for (int byHand = 60; byHand <= 900; byHand += 10) {
            Timing timing = new Timing(byHand, 38, 37, 39, new Exhaustion.Fixed(), List.of(), List.of());
            for (int turning = 60; turning <= 900; turning += 10) {
                Timing turned = timing.based(turning);
                assertThat(turned.baseSeconds()).isEqualTo(turning);
                assertThat(turned.mostSeconds()).isGreaterThanOrEqualTo(turning);
            }
        }
    }
}
