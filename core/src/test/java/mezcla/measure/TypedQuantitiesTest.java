package mezcla.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TypedQuantitiesTest {
    @DataProvider
    public Object[][] volumes() {
        return new Object[][] {
            {"1 L", 1000},
            {"1,2 l", 1200},
            {"  946 ", 946},
            {"20 fl oz", 591.47059125},
            {"20 uk fl oz", 568.26125},
            {"1 quart", 946.352946},
            {"1 gallon", 3785.411784},
            {"0.125", 0.125},
            {".5 l", 500},
            {"1,250 l", 1250},
            {"500,000 ml", 500},
            {"1.5L", 1500},
            {"0,01", 0.01},
            {"100 l", 100_000},
        };
    }

    @Test(dataProvider = "volumes")
    public void volumeIsRead(String typed, double ml) {
        assertThat(Volume.parse(typed, Volume.Unit.ML).ml()).isCloseTo(ml, within(1e-6));
    }

    @DataProvider
    public Object[][] refusedVolumes() {
        return new Object[][] {
            {"", "missing"},
            {"   ", "missing"},
            {"abc", "not-a-volume"},
            {"1e9", "not-a-volume"},
            {"NaN", "not-a-volume"},
            {"Infinity", "not-a-volume"},
            {"1 1 l", "not-a-volume"},
            {"1.2.3 l", "not-a-volume"},
            {"5 furlongs", "not-a-volume"},
            {"500 g", "not-a-volume"},
            {"<script>", "not-a-volume"},
            {"20 oz", "plain-ounce"},
            {"1,200", "ambiguous-number"},
            {"1.200 ml", "ambiguous-number"},
            {"0", "out-of-range"},
            {"-5", "out-of-range"},
            {"0.001", "out-of-range"},
            {"101 l", "out-of-range"},
            {"999999999999", "out-of-range"},
        };
    }

    @Test(dataProvider = "refusedVolumes")
    public void volumeIsRefused(String typed, String code) {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> Volume.parse(typed, Volume.Unit.ML));
        assertThat(refusal).isNotNull();
        assertThat(refusal.code()).isEqualTo(code);
    }

    @Test
    public void ambiguousNumberTellsBothReadings() {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> Volume.parse("1,200", Volume.Unit.ML));
        assertThat(((TypedObjection.AmbiguousNumber) refusal.objection()).decimal())
                .isEqualTo(1.2);
        assertThat(((TypedObjection.AmbiguousNumber) refusal.objection()).thousands())
                .isEqualTo(1200);
    }

    @DataProvider
    public Object[][] times() {
        return new Object[][] {
            {"3:15", 195},
            {"3 min 15 s", 195},
            {"195 s", 195},
            {"3min", 180},
            {"6.5 min", 390},
            {"6,25 min", 375},
            {"6½ min", 390},
            {"½ min", 30},
            {"1/2 min", 30},
            {"3 1/2 minutes", 210},
            {"6 min 30", 390},
            {"6 minutes and 30 s", 390},
            {"3'15\"", 195},
            {"3′ 15″", 195},
            {"3'", 180},
            {"1:02:30", 3750},
            {"1 h", 3600},
            {"6:00:00", 21_600},
        };
    }

    @Test(dataProvider = "times")
    public void timeIsRead(String typed, int seconds) {
        assertThat(ProcessingTime.parse(typed).seconds()).isEqualTo(seconds);
    }

    @DataProvider
    public Object[][] refusedTimes() {
        return new Object[][] {
            {"", "missing"},
            {"3:75", "not-a-time"},
            {"three", "not-a-time"},
            {"-3", "not-a-time"},
            {"1:99:00", "not-a-time"},
            {"8", "minutes-or-seconds"},
            {"195", "minutes-or-seconds"},
            {"6.5", "minutes-or-seconds"},
            {"0 s", "out-of-range"},
            {"7:00:00", "out-of-range"},
        };
    }

    @Test(dataProvider = "refusedTimes")
    public void timeIsRefused(String typed, String code) {
        Refusal refusal = catchThrowableOfType(Refusal.class, () -> ProcessingTime.parse(typed));
        assertThat(refusal).isNotNull();
        assertThat(refusal.code()).isEqualTo(code);
    }

    @DataProvider
    public Object[][] shown() {
        return new Object[][] {
            {197.4999, 195},
            {197.5, 200},
            {202.4, 200},
            {200 * 1.0125, 205},
            {0.4, 1},
            {1e9, 21_600},
            {Double.POSITIVE_INFINITY, 21_600}
        };
    }

    @Test(dataProvider = "shown")
    public void shownTimeIsRoundedToFiveSecondsHalfUp(double exact, int seconds) {
        assertThat(ProcessingTime.shown(exact).seconds()).isEqualTo(seconds);
    }

    @DataProvider
    public Object[][] temperatures() {
        return new Object[][] {
            {"38.5 °C", 38.5}, {"101F", 38.333333}, {"38", 38}, {"68 °F", 20}, {"0", 0}, {"212f", 100}
        };
    }

    @Test(dataProvider = "temperatures")
    public void temperatureIsRead(String typed, double celsius) {
        assertThat(Temperature.parse(typed, Temperature.Scale.CELSIUS).celsius())
                .isCloseTo(celsius, within(1e-6));
    }

    @DataProvider
    public Object[][] refusedTemperatures() {
        return new Object[][] {
            {"warm", "not-a-temperature"},
            {"38 K", "not-a-temperature"},
            {"-1", "out-of-range"},
            {"213F", "out-of-range"}
        };
    }

    @Test(dataProvider = "refusedTemperatures")
    public void temperatureIsRefused(String typed, String code) {
        Refusal refusal =
                catchThrowableOfType(Refusal.class, () -> Temperature.parse(typed, Temperature.Scale.CELSIUS));
        assertThat(refusal).isNotNull();
        assertThat(refusal.code()).isEqualTo(code);
    }

    @Test
    public void massIsReadAndRefused() {
        assertThat(Mass.parse("1,5 kg").grams()).isCloseTo(1500, within(1e-9));
        assertThat(Mass.parse("4 oz").grams()).isCloseTo(113.3980925, within(1e-9));
        assertThat(catchThrowableOfType(Refusal.class, () -> Mass.parse("20.1 kg"))
                        .code())
                .isEqualTo("out-of-range");
        assertThat(catchThrowableOfType(Refusal.class, () -> Mass.parse("5 ml")).code())
                .isEqualTo("not-a-mass");
    }

    @Test
    public void whatIsWrittenIsReadBack() {
        Random random = new Random(11);
        for (int i = 0; i < 500; i++) {
            Volume volume = Volume.ofMl(0.01 + random.nextDouble() * 99_999);
            String text = volume.toString();
            if (!text.matches("[1-9][0-9]{0,2}\\.[0-9]{3} ml")) {
                assertThat(Volume.parse(text, Volume.Unit.L)).isEqualTo(volume);
            }
            ProcessingTime time = ProcessingTime.ofSeconds(1 + random.nextInt(21_600));
            assertThat(ProcessingTime.parse(time.toString())).isEqualTo(time);
            Temperature temperature = Temperature.ofCelsius(random.nextDouble() * 100);
            assertThat(Temperature.parse(temperature.toString(), Temperature.Scale.FAHRENHEIT))
                    .isEqualTo(temperature);
        }
    }

    @DataProvider
    public Object[][] partRolls() {
        return new Object[][] {
            {FilmFormat.F135_36, 36, 1.0},
            {FilmFormat.F135_36, 24, 0.75},
            {FilmFormat.F135_36, 12, 0.45},
            {FilmFormat.F135_24, 18, 0.6},
            {FilmFormat.F135_36, 6, 0.225},
            {FilmFormat.F135_36, 40, 1.0 + 0.25 / 3},
        };
    }

    @Test(dataProvider = "partRolls")
    public void aPartOfARollCountsForItsExposures(FilmFormat format, int exposures, double equivalents) {
        assertThat(format.equivalentsOf(exposures)).isCloseTo(equivalents, within(1e-9));
    }

    @Test
    public void exposuresAreCountedOfTheRightFilmAndInReason() {
        assertThat(catchThrowableOfType(Refusal.class, () -> FilmFormat.F120.equivalentsOf(12))
                        .code())
                .isEqualTo("exposures-not-counted");
        assertThat(catchThrowableOfType(Refusal.class, () -> FilmFormat.F135_36.equivalentsOf(41))
                        .code())
                .isEqualTo("exposures-unlikely");
        assertThat(catchThrowableOfType(Refusal.class, () -> FilmFormat.F135_36.equivalentsOf(0))
                        .code())
                .isEqualTo("exposures-unlikely");
    }
}
