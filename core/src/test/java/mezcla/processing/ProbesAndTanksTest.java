package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import mezcla.Leaflets;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Timing;
import mezcla.measure.FilmFormat;
import mezcla.measure.FilmFormat.Reel;
import mezcla.measure.Objection;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a drifting developer advises, the stand-in for heater and probe, and film in tanks. */
public class ProbesAndTanksTest {
    private static final Timing DEVELOPER =
            new Timing(195, 38, 37.7, 38.3, new Exhaustion.Fixed(), List.of(), List.of());
    private static final WarmUp.Tub WARM = new WarmUp.Tub(12, 800, 8, 20, 38);
    private static final Map<Reel, Integer> TWO_OR_ONE = Map.of(Reel.R135, 2, Reel.R120, 1);

    private static EquivalentDevelopment.Reading at(double seconds, double celsius) {
        return new EquivalentDevelopment.Reading(seconds, celsius);
    }

    @Test
    public void aBathAsPrintedAdvisesNothingElse() {
        EquivalentDevelopment.Advice advice =
                EquivalentDevelopment.advice(DEVELOPER, 200, List.of(at(10, 38), at(60, 38)), 90);
        assertThat(advice.lastsSeconds()).isCloseTo(200, within(1e-9));
        assertThat(advice.doneSeconds()).isCloseTo(90, within(1e-9));
        assertThat(EquivalentDevelopment.advice(DEVELOPER, 200, List.of(at(95, 38)), 90))
                .as("nothing was read by then")
                .isNull();
    }

    @Test
    public void aColdBathAsksForMoreAndAWarmOneForLess() {
        double rate = Math.exp(-0.1);
        EquivalentDevelopment.Advice cold = EquivalentDevelopment.advice(DEVELOPER, 200, List.of(at(0, 37)), 100);
        assertThat(cold.doneSeconds()).isCloseTo(100 * rate, within(1e-9));
        assertThat(cold.lastsSeconds()).isCloseTo(200 / rate, within(1e-9));
        assertThat(EquivalentDevelopment.advice(DEVELOPER, 200, List.of(at(0, 39)), 100)
                        .lastsSeconds())
                .isCloseTo(200 / Math.exp(0.1), within(1e-9));
        assertThat(EquivalentDevelopment.advice(DEVELOPER, 200, List.of(at(0, 39)), 195)
                        .lastsSeconds())
                .as("enough already: now")
                .isEqualTo(195);
    }

    private static List<SimulatedBath.Shown> shown(SimulatedBath.Fault fault, long seed) {
        return new SimulatedBath(WARM, List.of(new WarmUp.Warmed(1, 6, 20)), 38, fault, 300, seed).readings(5, 1800);
    }

    @Test
    public void theSimulatedProbeIsUnsteadyButNearAndAlwaysTheSame() {
        List<SimulatedBath.Shown> shown = shown(SimulatedBath.Fault.NONE, 7);
        assertThat(shown).hasSize(361).isEqualTo(shown(SimulatedBath.Fault.NONE, 7));
        assertThat(shown).isNotEqualTo(shown(SimulatedBath.Fault.NONE, 8));
        assertThat(shown)
                .allSatisfy(each -> assertThat(each.celsius()).isCloseTo(each.bathC(), within(0.4)))
                .anySatisfy(each -> assertThat(each.celsius()).isNotCloseTo(each.bathC(), within(0.02)));
        double late = shown.subList(300, 361).stream()
                .mapToDouble(each -> each.celsius() - each.bathC())
                .average()
                .orElseThrow();
        assertThat(late).as("it drifts").isBetween(0.05, 0.09);
    }

    @Test
    public void itFollowsABathThatIsBeingHeatedWithALag() {
        List<SimulatedBath.Shown> heating = new SimulatedBath(
                        new WarmUp.Tub(12, 2000, 8, 20, 20), List.of(), 38, SimulatedBath.Fault.NONE, 0, 1)
                .readings(60, 240);
        assertThat(heating.get(3).celsius()).isLessThan(heating.get(3).bathC() - 0.3);
    }

    private static ProbeWatch.Finding found(List<SimulatedBath.Shown> shown, int untilSeconds, int nowSeconds) {
        return ProbeWatch.find(
                        shown.stream()
                                .filter(each -> each.seconds() <= untilSeconds)
                                .map(each -> at(each.seconds(), each.celsius()))
                                .toList(),
                        nowSeconds,
                        37.7)
                .orElse(null);
    }

    @DataProvider
    public Object[][] faults() {
        return new Object[][] {
            {SimulatedBath.Fault.NONE, 1500, 1500, null},
            {SimulatedBath.Fault.NONE, 1500, 1561, ProbeWatch.Finding.SILENT},
            {SimulatedBath.Fault.HEATER_OFF, 290, 290, null},
            {SimulatedBath.Fault.HEATER_OFF, 900, 900, ProbeWatch.Finding.COOLING},
            {SimulatedBath.Fault.PROBE_OUT, 290, 290, null},
            {SimulatedBath.Fault.PROBE_OUT, 320, 320, ProbeWatch.Finding.OUT_OF_WATER},
            {SimulatedBath.Fault.PROBE_OUT, 600, 600, null},
        };
    }

    @Test(dataProvider = "faults")
    public void faultsAreSeenAndNothingElse(
            SimulatedBath.Fault fault, int untilSeconds, int nowSeconds, ProbeWatch.Finding expected) {
        for (long seed = 1; seed <= 20; seed++) {
            assertThat(found(shown(fault, seed), untilSeconds, nowSeconds))
                    .as("seed %d", seed)
                    .isEqualTo(expected);
        }
        assertThat(ProbeWatch.find(List.of(), 100, 37.7)).isEmpty();
    }

    @DataProvider
    public Object[][] falling() {
        return new Object[][] {{38.6, 38.2, null}, {37.9, 37.5, null}, {37.9, 37.3, ProbeWatch.Finding.COOLING}};
    }

    @Test(dataProvider = "falling")
    public void aBathThatFallsIsCoolingOnlyBelowWhatIsWanted(double first, double last, ProbeWatch.Finding expected) {
        assertThat(ProbeWatch.find(List.of(at(0, first), at(200, last)), 200, 37.7)
                        .orElse(null))
                .isEqualTo(expected);
    }

    @Test
    public void timesForTurningAreScaledWithEverythingPrintedForThem() {
        Timing printed = new Timing(
                200,
                38,
                37.7,
                38.3,
                new Exhaustion.Steps(List.of(new Exhaustion.Step(4, 200), new Exhaustion.Step(8, 220))),
                List.of(),
                List.of(new Timing.TimeAt(37, 240), new Timing.TimeAt(38, 200)));
        Timing turning = printed.based(180);
        assertThat(turning.baseSeconds()).isEqualTo(180);
        assertThat(((Exhaustion.Steps) turning.exhaustion()).steps())
                .extracting(Exhaustion.Step::seconds)
                .containsExactly(180.0, 198.0);
        assertThat(turning.temperatureTable())
                .extracting(Timing.TimeAt::seconds)
                .containsExactly(216.0, 180.0);
        assertThat(turning.atC()).isEqualTo(38);
    }

    private static Bath bath(BathRole role, double atC) {
        Bath any = Leaflets.negative().baths().get(0);
        return new Bath(
                role.key(),
                role,
                any.recipe(),
                new Timing(100, atC, atC, atC, new Exhaustion.Fixed(), List.of(), List.of()),
                1000,
                null,
                null,
                null,
                null);
    }

    @Test
    public void whatAProbeShowsOfTheAirIsNoBath() {
        List<SimulatedBath.Shown> shown = shown(SimulatedBath.Fault.PROBE_OUT, 3);
        List<EquivalentDevelopment.Reading> all =
                shown.stream().map(each -> at(each.seconds(), each.celsius())).toList();
        assertThat(all).anyMatch(reading -> reading.celsius() < 30);
        List<EquivalentDevelopment.Reading> water = ProbeWatch.ofWater(all);
        assertThat(water).isNotEmpty().allSatisfy(reading -> assertThat(reading.celsius())
                .isGreaterThan(36));
        assertThat(water).last().isEqualTo(all.get(all.size() - 1));
        assertThat(ProbeWatch.ofWater(List.of(at(0, 38), at(600, 30))))
                .as("in ten minutes it can")
                .hasSize(2);
        assertThat(ProbeWatch.ofWater(List.of())).isEmpty();
    }

    private static TankFit fit(Map<Reel, Integer> holds, FilmFormat... film) {
        return TankFit.of(holds, List.of(film));
    }

    @Test
    public void reelsOfOneKindOrTheOtherOrHalfOfEachFillATank() {
        assertThat(fit(TWO_OR_ONE, FilmFormat.F135_36, FilmFormat.F135_12).objection())
                .isEmpty();
        assertThat(fit(TWO_OR_ONE, FilmFormat.F135_36, FilmFormat.F135_12).hasRoom())
                .isFalse();
        assertThat(fit(TWO_OR_ONE, FilmFormat.F135_36).hasRoom()).isTrue();
        assertThat(fit(TWO_OR_ONE, FilmFormat.F127).share()).isEqualTo(1);
        assertThat(fit(TWO_OR_ONE, FilmFormat.F120, FilmFormat.F135_36).objection())
                .map(Objection::key)
                .contains("reels-do-not-fit");
        assertThat(fit(Map.of(Reel.R135, 4, Reel.R120, 2), FilmFormat.F120, FilmFormat.F135_36, FilmFormat.F135_24)
                        .objection())
                .isEmpty();
    }

    @Test
    public void filmWithoutAReelIsRefusedUnlessNobodySaidWhatTheTankHolds() {
        assertThat(fit(TWO_OR_ONE, FilmFormat.SHEET_4X5).objection())
                .map(Objection::key)
                .contains("no-reel-for");
        assertThat(fit(Map.of(), FilmFormat.SHEET_4X5).objection()).isEmpty();
        assertThat(fit(Map.of(), FilmFormat.SHEET_4X5).hasRoom()).isFalse();
        assertThat(IntStream.rangeClosed(1, 5).mapToObj(rolls -> TankFit.of(
                                Map.of(Reel.R135, 4), Collections.nCopies(rolls, FilmFormat.F135_36))
                        .objection()
                        .isEmpty()))
                .as("never again once it was too much")
                .containsExactly(true, true, true, true, false);
    }
}
