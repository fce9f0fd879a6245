package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Random;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.BathRole;
import mezcla.log.AirKept;
import mezcla.log.Bottle;
import mezcla.log.FillMoved;
import mezcla.log.FillToppedUp;
import mezcla.log.Place;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** How old fills become where they stand. */
public class StorageAgeTest {
    private static final Place SHELF = new Place(1, "Shelf");
    private static final List<Double> YEAR = List.of(24.0, 20.0, 14.0, 18.0);

    private TestLog log;

    @BeforeMethod
    public void aBatch() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
    }

    private FillState developer() {
        return log.state().fill(1);
    }

    private double age(double day, Climate climate) {
        return StorageAge.effectiveDays(developer(), climate, TestLog.day(day));
    }

    private void move(double day, double capacityMl, AirKept air) {
        log.add(
                day,
                stamp -> new FillMoved(stamp, 1, new Bottle(9, "T9", capacityMl, Bottle.Material.PLASTIC), SHELF, air));
    }

    private static Climate climate(Climate.Reading... readings) {
        return Climate.of(20, ZoneOffset.UTC, List.of(new Climate.Known(1, YEAR, Light.SHADED, List.of(readings))));
    }

    @Test
    public void headspaceAgesADeveloper() {
        assertThat(age(10, Climate.steady(20))).isCloseTo(20, offset(1e-6));
        assertThat(age(10, Climate.steady(30))).isCloseTo(40, offset(1e-6));
        assertThat(age(10, Climate.steady(4))).isCloseTo(10, offset(1e-6));
    }

    @Test
    public void movingEndsASpell() {
        move(4, 1000, AirKept.SQUEEZED);
        assertThat(age(10, Climate.steady(20))).isCloseTo(4 * 2 + 6, offset(1e-6));
        assertThat(developer().spells()).hasSize(2);
    }

    @Test
    public void headspaceGrowsAsFilmTakesSolutionAlong() {
        move(0.5, 1000, AirKept.NOTHING);
        double before = age(10, Climate.steady(20));
        log.run(5, 1, 4, 1L, 2L);
        assertThat(age(10, Climate.steady(20))).isCloseTo(before + 5 * 2 * 0.02, offset(1e-6));
    }

    @Test
    public void toppingUpDilutesAge() {
        move(0, 1500, AirKept.SQUEEZED);
        log.add(10, stamp -> new FillToppedUp(stamp, 1, 250, List.of()));
        assertThat(age(10, Climate.steady(20))).isCloseTo(8, offset(1e-6));
        assertThat(age(15, Climate.steady(20))).isCloseTo(13, offset(1e-6));
    }

    @Test
    public void aPlaceHasItsSeasonsAndItsLight() {
        move(0, 1000, AirKept.SQUEEZED);
        double january = Math.pow(2, 0.4) * 1.1;
        assertThat(age(10, climate())).isCloseTo(10 * january, offset(1e-6));
        assertThat(climate().celsius(SHELF, TestLog.day(0))).isEqualTo(24);
        assertThat(climate().celsius(SHELF, TestLog.day(190))).isEqualTo(14);
        assertThat(climate().celsius(null, TestLog.day(190))).isEqualTo(20);
        assertThat(climate().light(null)).isEqualTo(Light.DARK);
    }

    @Test
    public void readingsHoldForAWeekAtMost() {
        move(0, 1000, AirKept.SQUEEZED);
        Climate measured = climate(new Climate.Reading(TestLog.day(2), 30), new Climate.Reading(TestLog.day(3), 20));
        double january = Math.pow(2, 0.4) * 1.1;
        assertThat(age(2, measured)).isCloseTo(2 * january, offset(1e-6));
        assertThat(age(3, measured)).isCloseTo(2 * january + 2 * 1.1, offset(1e-6));
        assertThat(age(10, measured)).isCloseTo(2 * january + 2 * 1.1 + 7 * 1.1, offset(1e-4));
        assertThat(age(12, measured)).isCloseTo(4 * january + 9 * 1.1, offset(1e-4));
    }

    @Test
    public void warmerOrLongerIsNeverYounger() {
        Random random = new Random(11);
        for (int round = 0; round < 100; round++) {
            aBatch();
            double day = 0;
            for (int i = 0; i < 6; i++) {
                day += random.nextDouble() * 5;
                move(day, 1000 + random.nextInt(500), AirKept.values()[random.nextInt(4)]);
            }
            double celsius = random.nextDouble() * 35;
            double age = age(day + 5, Climate.steady(celsius));
            assertThat(age(day + 5, Climate.steady(celsius + 5))).isGreaterThanOrEqualTo(age);
            assertThat(age(day + 6, Climate.steady(celsius))).isGreaterThan(age);
        }
    }

    @Test
    public void whatWasPouredAwayAgesNoMore() {
        log.discard(5, 1, 1);
        double then = age(5, Climate.steady(20));
        assertThat(age(50, Climate.steady(20))).isEqualTo(then);
        assertThat(Duration.between(TestLog.day(0), TestLog.day(5)).toDays()).isEqualTo(5);
    }

    @Test
    public void aReadingHoldsForExactlyAWeek() {
        Climate measured = climate(new Climate.Reading(TestLog.day(2), 30));
        assertThat(measured.celsius(SHELF, TestLog.day(1.99))).isEqualTo(24);
        assertThat(measured.celsius(SHELF, TestLog.day(2))).isEqualTo(30);
        assertThat(measured.celsius(SHELF, TestLog.day(9))).isEqualTo(30);
        assertThat(measured.celsius(SHELF, TestLog.day(9).plusSeconds(1))).isEqualTo(24);
    }

    @Test
    public void everyMonthHasItsQuarter() {
        String[][] turns = {
            {"2026-11-30T23:59:59Z", "18"}, {"2026-12-01T00:00:00Z", "24"}, {"2026-02-28T23:59:59Z", "24"},
            {"2026-03-01T00:00:00Z", "20"}, {"2026-06-01T00:00:00Z", "14"}, {"2026-09-01T00:00:00Z", "18"},
            {"1900-01-01T00:00:00Z", "24"}
        };
        for (String[] turn : turns) {
            assertThat(climate().celsius(SHELF, Instant.parse(turn[0])))
                    .as(turn[0])
                    .isEqualTo(Double.parseDouble(turn[1]));
        }
    }

    @Test
    public void whatASpellCostsIsWhatItAgedBeyondTheCalendar() {
        StorageAge.Spell first = developer().spells().get(0);
        BathRole role = developer().bath().role();
        Climate warm = Climate.steady(30);
        assertThat(first.cost(role, warm, TestLog.day(10))).isCloseTo(40 - 10, offset(1e-6));
        assertThat(first.cost(role, warm, TestLog.day(-1))).as("not begun").isZero();
        move(4, 1000, AirKept.SQUEEZED);
        StorageAge.Spell ended = developer().spells().get(0);
        assertThat(ended.cost(role, warm, TestLog.day(10))).isCloseTo(16 - 4, offset(1e-6));
        assertThat(ended.cost(role, warm, TestLog.day(3))).isCloseTo(12 - 3, offset(1e-6));
        move(4, 1500, AirKept.SQUEEZED);
        log.add(10, stamp -> new FillToppedUp(stamp, 1, 250, List.of()));
        StorageAge.Spell diluted = developer().spells().get(0);
        assertThat(diluted.kept()).isCloseTo(0.8, offset(1e-9));
        assertThat(diluted.cost(role, warm, TestLog.day(10))).isCloseTo((16 - 4) * 0.8, offset(1e-6));
    }
}
