package mezcla.mixing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import mezcla.leaflet.Addition;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Where the water of a mix comes from. */
public class HouseWaterTest {
    private static final HouseWater WATER = new HouseWater(15, 55, 20);

    @DataProvider
    public Object[][] drawn() {
        return new Object[][] {
            {14.0, HouseWater.Source.CHILLED, 14.0, 1000.0},
            {15.0, HouseWater.Source.COLD_TAP, 55.0, 0.0},
            {15.01, HouseWater.Source.COLD_TAP, 55.0, 0.25},
            {35.0, HouseWater.Source.HOT_TAP, 55.0, 500.0},
            {55.0, HouseWater.Source.HOT_TAP, 55.0, 1000.0},
            {60.0, HouseWater.Source.KETTLE, 95.0, 562.5},
            {95.0, HouseWater.Source.KETTLE, 95.0, 1000.0},
            {96.0, HouseWater.Source.NOWHERE, 96.0, 1000.0},
        };
    }

    @Test(dataProvider = "drawn")
    public void waterIsDrawnFromTheTapWhileThatIsHotEnough(
            double wantC, HouseWater.Source source, double hotC, double hotMl) {
        HouseWater.Drawn drawn = WATER.drawn(1000, wantC);
        assertThat(drawn.source()).isEqualTo(source);
        assertThat(drawn.hotC()).isEqualTo(hotC);
        assertThat(drawn.hotMl()).isCloseTo(hotMl, within(1e-6));
        if (source == HouseWater.Source.HOT_TAP || source == HouseWater.Source.KETTLE) {
            assertThat(drawn.coldMl()).isCloseTo(1000 - hotMl, within(1e-6));
        }
    }

    @Test
    public void aHotTapThatIsNoHotterIsNoHelp() {
        HouseWater lukewarm = new HouseWater(15, 15, 20);
        assertThat(lukewarm.drawn(1000, 15).source()).isEqualTo(HouseWater.Source.COLD_TAP);
        assertThat(lukewarm.drawn(1000, 40).source()).isEqualTo(HouseWater.Source.KETTLE);
        assertThat(new HouseWater(95, 95, 20).drawn(1000, 95).source()).isEqualTo(HouseWater.Source.NOWHERE);
    }

    private static MixPlan mix(@Nullable MixingTemperature mixing, double startMl) {
        return MixPlan.of(
                new Recipe(
                        Recipe.Mode.TOP_UP,
                        1000,
                        startMl,
                        mixing,
                        List.of(new Addition("a", 200, Unit.ML, Addition.Care.NORMAL, null, null))),
                1000,
                Map.of());
    }

    @Test
    public void startWaterIsAsTheRecipeWantsItElseAsTheRoomIs() {
        assertThat(WATER.startC(mix(new MixingTemperature(30.0, 40, 45.0), 600)))
                .isEqualTo(40);
        assertThat(WATER.startC(mix(null, 600))).isEqualTo(20);
    }

    @Test
    public void aMixLandsWhereItsWaterCan() {
        HouseWater.Landing fine = WATER.landing(mix(null, 600), 38);
        assertThat(fine.reach()).isEqualTo(HouseWater.Reach.FINE);
        assertThat(fine.wantedC()).isEqualTo(38);
        assertThat(fine.startC())
                .as("600 ml warm the 200 ml that are 18 °C too cool")
                .isCloseTo(44, within(1e-6));
        assertThat(WATER.landing(mix(new MixingTemperature(30.0, 40, 45.0), 600), 38)
                        .reach())
                .isEqualTo(HouseWater.Reach.FINE);
        assertThat(WATER.landing(mix(new MixingTemperature(30.0, 40, 43.9), 600), 38)
                        .reach())
                .isEqualTo(HouseWater.Reach.ABOVE_MIXING);
        assertThat(WATER.landing(mix(new MixingTemperature(30.0, 40, 43.96), 600), 38)
                        .reach())
                .as("hardly above")
                .isEqualTo(HouseWater.Reach.FINE);
        assertThat(new HouseWater(15, 43.9, 20).landing(mix(null, 600), 38).reach())
                .isEqualTo(HouseWater.Reach.ABOVE_HOT_TAP);
        assertThat(WATER.landing(mix(null, 50), 38).reach()).isEqualTo(HouseWater.Reach.NO_WATER);
        assertThat(new HouseWater(15, 55, 38).landing(mix(null, 50), 20).reach())
                .as("colder than ice")
                .isEqualTo(HouseWater.Reach.NO_WATER);
    }
}
