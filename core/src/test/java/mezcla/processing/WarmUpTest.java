package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.processing.EquivalentDevelopment.Reading;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Bottles coming to temperature, a higher setting at first, and what probes and people read. */
public class WarmUpTest {
    private static final WarmUp.Tub TUB = new WarmUp.Tub(12, 800, 8, 20, 39);
    private static final WarmUp.Warmed LITRE = new WarmUp.Warmed(1, 6, 20);

    private static List<WarmUp.Wanted> at(double targetC, double toleranceC, WarmUp.Warmed... bottles) {
        return Stream.of(bottles)
                .map(each -> new WarmUp.Wanted(each, targetC - toleranceC, targetC + toleranceC))
                .toList();
    }

    @Test
    public void aHigherSettingIsQuickerWhereNoBottleGoesPast() {
        WarmUp plain = WarmUp.of(TUB, at(38, 0.3, LITRE), 38.1);
        WarmUp higher = WarmUp.overshooting(TUB, at(38, 0.3, LITRE), 39.8, 38.1);
        assertThat(higher).isNotNull();
        assertThat(higher.readySeconds()).isLessThan(plain.readySeconds());
        assertThat(higher.bottles().get(0))
                .allSatisfy(celsius -> assertThat(celsius).isLessThan(38.5 + 0.3));
        assertThat(higher.bath()).as("a minute each, both ends").hasSize(4 * 60 + 1);
        assertThat(higher.bath().get(higher.bath().size() - 1)).as("set back").isCloseTo(38.1, within(0.01));
    }

    @Test
    public void aHigherSettingThatIsNoneIsNotAdvised() {
        assertThat(WarmUp.overshooting(TUB, at(38, 0.3, LITRE), 38.5, 38.5)).isNull();
    }

    @Test
    public void aSmallBottleBesideALargeOneIsNotTakenPast() {
        List<WarmUp.Wanted> uneven = at(38, 0.3, new WarmUp.Warmed(1, 3, 20), new WarmUp.Warmed(0.1, 6, 37));
        assertThat(WarmUp.overshooting(TUB, uneven, 45, 38)).isNull();
    }

    @Test
    public void itIsSetBackOneDegreeShortOfTheTolerance() {
        WarmUp.Tub nimble = new WarmUp.Tub(2, 50_000, 20, 20, 41);
        WarmUp higher = WarmUp.overshooting(nimble, at(38, 0.5, LITRE), 41, 38.1);
        assertThat(higher).isNotNull();
        for (int minute = 1; minute < 60; minute++) {
            double bottle = higher.bottles().get(0).get(minute);
            if (bottle < 36.2) {
                assertThat(higher.bath().get(minute)).as("minute %d", minute).isCloseTo(41, within(0.1));
            }
            if (bottle >= 36.9) {
                assertThat(higher.bath().get(minute)).as("minute %d", minute).isLessThan(40.9);
            }
        }
    }

    @Test
    public void whatIsReadyStaysOrTellsUntilWhen() {
        WarmUp stays = WarmUp.of(TUB, at(38, 0.3, LITRE), 38);
        assertThat(stays.readySeconds()).isPositive();
        assertThat(stays.untilSeconds()).isNull();
        WarmUp passes = WarmUp.of(TUB, at(38, 0.3, LITRE), 40);
        assertThat(passes.untilSeconds()).isGreaterThan(passes.readySeconds());
        assertThat(WarmUp.of(TUB, at(38, 0.3, LITRE), 30).readySeconds())
                .as("never")
                .isNull();
        WarmUp already = WarmUp.of(new WarmUp.Tub(12, 800, 0, 38, 38), at(38, 0.3, new WarmUp.Warmed(1, 6, 38)), 38);
        assertThat(already.readySeconds()).isZero();
    }

    @Test
    public void aWashIsWantedOnlyWhenItsStepComes() {
        WarmUp.Warmed jug = new WarmUp.Warmed(2, 7, 20);
        WarmUp.Wanted developer = new WarmUp.Wanted(LITRE, 37.7, 38.3);
        WarmUp atOnce = WarmUp.of(TUB, List.of(developer, new WarmUp.Wanted(jug, 37, 39)), 38);
        WarmUp inTime = WarmUp.of(TUB, List.of(developer, new WarmUp.Wanted(jug, 37, 39, 600)), 38);
        WarmUp alone = WarmUp.of(TUB, List.of(developer), 38);
        assertThat(inTime.readySeconds()).isLessThan(atOnce.readySeconds());
        assertThat(inTime.readySeconds())
                .as("the jug takes heat from the bath all the same")
                .isGreaterThan(alone.readySeconds());
    }

    @DataProvider
    public Object[][] read() {
        return new Object[][] {{"5 C", 5.0}, {"60", 60.0}, {"98.6 F", 37.0}, {"37,8", 37.8}};
    }

    @Test(dataProvider = "read")
    public void aTemperatureOfABathIsRead(String typed, double celsius) {
        assertThat(BathTemperature.parse(typed, Temperature.Scale.CELSIUS)).isCloseTo(celsius, within(1e-9));
    }

    @Test
    public void whatNoBathHasIsRefused() {
        for (String typed : List.of("4.9", "60.1", "-3", "380 F")) {
            assertThat(catchThrowableOfType(
                                    Refusal.class, () -> BathTemperature.parse(typed, Temperature.Scale.CELSIUS))
                            .code())
                    .as(typed)
                    .isIn("no-baths-temperature", "out-of-range");
        }
        assertThat(catchThrowableOfType(Refusal.class, () -> BathTemperature.refuseImpossible(Double.NaN))
                        .code())
                .isEqualTo("no-baths-temperature");
    }

    private static Reading at(double seconds, double celsius) {
        return new Reading(seconds, celsius);
    }

    @DataProvider
    public Object[][] edges() {
        return new Object[][] {
            {List.of(at(0, 38)), 60, null},
            {List.of(at(0, 38)), 60.5, ProbeWatch.Finding.SILENT},
            {List.of(at(0, 40), at(60, 38)), 60, null},
            {List.of(at(0, 40.5), at(60, 38)), 60, ProbeWatch.Finding.OUT_OF_WATER},
            {List.of(at(0, 40.5), at(61, 38)), 61, null},
            {List.of(at(0, 37.5), at(180, 37)), 180, ProbeWatch.Finding.COOLING},
            {List.of(at(0, 37.5), at(179, 37)), 179, null},
            {List.of(at(0, 37.125), at(180, 37)), 180, null},
            {List.of(at(0, 37), at(180, 37)), 180, null},
            {List.of(at(0, 36.5), at(180, 37)), 180, null},
            {List.of(at(0, 38), at(180, 37.75)), 180, null},
            {List.of(at(0, 36), at(10, 37.5), at(190, 37)), 190, ProbeWatch.Finding.COOLING},
        };
    }

    @Test(dataProvider = "edges")
    public void aProbeIsWatchedByTheMinute(List<Reading> readings, double now, ProbeWatch.Finding expected) {
        assertThat(ProbeWatch.find(readings, now, 38).orElse(null)).isEqualTo(expected);
    }

    @Test
    public void waterChangesByHalfADegreeAndAFewHundredthsASecond() {
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(10, 39)))).hasSize(2);
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(10, 39.01)))).hasSize(1);
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(10, 37)))).hasSize(2);
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(10, 36.9)))).hasSize(1);
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(10, 30), at(20, 37.5), at(30, 37.5))))
                .as("the first after the air is not believed yet")
                .containsExactly(at(0, 38), at(30, 37.5));
    }

    @Test
    public void theSimulatedProbeIsOutForTwoMinutes() {
        WarmUp.Tub steady = new WarmUp.Tub(12, 800, 8, 20, 38);
        List<SimulatedBath.Shown> shown =
                new SimulatedBath(steady, List.of(), 38, SimulatedBath.Fault.PROBE_OUT, 300, 3).readings(1, 600);
        assertThat(shown.get(299).celsius()).isCloseTo(38, within(0.1));
        assertThat(shown.get(300).celsius()).as("in the air at once").isLessThan(37);
        assertThat(shown.get(419).celsius()).as("as warm as the room").isCloseTo(20, within(0.2));
        assertThat(shown.get(420).celsius()).as("back in the water").isGreaterThan(21);
        assertThat(shown.get(600).celsius()).isCloseTo(38, within(0.1));
        assertThat(shown).hasSize(601);
    }

    @Test
    public void aHeaterThatGoesOffDoesSoAtItsSecond() {
        WarmUp.Tub steady = new WarmUp.Tub(12, 800, 8, 20, 38);
        List<SimulatedBath.Shown> shown =
                new SimulatedBath(steady, List.of(), 38, SimulatedBath.Fault.HEATER_OFF, 300, 3).readings(1, 302);
        assertThat(shown.get(300).bathC()).isEqualTo(38);
        assertThat(shown.get(301).bathC()).isLessThan(38);
    }
}
