package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lines of a sheet that say several things, as they are printed. */
public class PrintedLineTest {
    @DataProvider
    public Object[][] times() {
        return new Object[][] {
            {"3 min 20 s at 38 °C / 100 °F, ± 0.3 °C", "3 min 20 s", "", "38 °C / 100 °F", "± 0.3 °C"},
            {"3:15 at 38 ± 0.3 °C", "3:15", "", "38 ± 0.3 °C", ""},
            {"3 min 30 s at 100 °F (37.8 °C) ± 0.5 °F", "3 min 30 s", "", "100 °F (37.8 °C)", "± 0.5 °F"},
            {"3:15, give or take 0.25 °C", "3:15", "", "", "± 0.25 °C"},
            {"6:30, 24–41 °C", "6:30", "", "", "24–41 °C"},
            {"6½ min at 24–41 °C", "6½ min", "", "24–41 °C", ""},
            {"at least six minutes at 75–105 °F", "at least six minutes", "", "75–105 °F", ""},
            {"0:30 to 1:00, room temperature", "0:30 to 1:00", "", "room temperature", ""},
            {"3:15 by hand, 3:00 turning, 37.8 °C, 37.5–38.1 °C", "3:15", "3:00", "37.8 °C", "37.5–38.1 °C"},
            {"11:00 by hand, 7:30 rotary", "11:00", "7:30", "", ""},
            {"6:30", "6:30", "", "", ""},
            {"3:15 at 38", "3:15", "", "38", ""},
            {"6 min or more (75–105 F)", "6 min or more", "", "", "75–105 F"},
            {"3:75", "3:75", "", "", ""},
            {"", "", "", "", ""},
        };
    }

    @Test(dataProvider = "times")
    public void aTimeIsPartedFromItsTemperature(String line, String time, String rotary, String at, String within) {
        assertThat(PrintedLine.timed(line)).isEqualTo(new PrintedLine.Timed(time, rotary, at, within));
    }

    @DataProvider
    public Object[][] water() {
        return new Object[][] {
            {"700 ml of water at 38–42 °C", "700 ml", "38–42 °C"},
            {"28 fl oz of water at 110 °F", "28 fl oz", "110 °F"},
            {"900 ml of water at 45 °C at most", "900 ml", "45 °C at most"},
            {"700 ml of water, at least 20 °C, best 35 °C", "700 ml", "at least 20 °C, best 35 °C"},
            {"350 ml of water at 30–45 °C, best 40 °C", "350 ml", "30–45 °C, best 40 °C"},
            {"600 to 700 ml, 104 F", "600 to 700 ml", "104 F"},
            {"12 fl oz of distilled water", "12 fl oz", ""},
            {"1.5 L", "1.5 L", ""},
            {"none", "none", ""},
            {"400 ml at room temperature", "400 ml", "room temperature"},
        };
    }

    @Test(dataProvider = "water")
    public void waterIsPartedFromItsTemperature(String line, String water, String mixing) {
        assertThat(PrintedLine.watered(line)).isEqualTo(new PrintedLine.Watered(water, mixing));
    }

    @DataProvider
    public Object[][] lives() {
        return new Object[][] {
            {"12 rolls, 4–6 weeks", "12 rolls", "4–6 weeks"},
            {"takes 12 rolls and keeps 4–6 weeks", "12 rolls", "4–6 weeks"},
            {"up to 8 rolls; up to 5 weeks", "up to 8 rolls", "up to 5 weeks"},
            {"16 films", "16 films", ""},
            {"3 months", "", "3 months"},
            {"40-48 rolls, 6 months", "40-48 rolls", "6 months"},
            {"many", "many", ""},
        };
    }

    @Test(dataProvider = "lives")
    public void rollsArePartedFromALife(String line, String rolls, String life) {
        assertThat(PrintedLine.lasting(line)).isEqualTo(new PrintedLine.Lasting(rolls, life));
    }

    @Test
    public void partsKeepByHowTheyStand() {
        assertThat(PrintedLine.keeping("sealed 24 months, open 6 months, in vials 12 months"))
                .isEqualTo(new PrintedLine.Keeping("24 months", "6 months", "12 months"));
        assertThat(PrintedLine.keeping("2 years unopened; once opened 6 weeks"))
                .isEqualTo(new PrintedLine.Keeping("2 years", "6 weeks", ""));
        assertThat(PrintedLine.keeping("24 months")).isEqualTo(new PrintedLine.Keeping("24 months", "", ""));
    }

    @Test
    public void theSameIsSaidInManyWays() {
        assertThat(new String[] {"same", "As above.", "ditto", "the same"}).allMatch(PrintedLine::isSame);
        assertThat(PrintedLine.isSame("the same as the developer, but cold")).isFalse();
    }
}
