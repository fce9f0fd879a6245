package mezcla.web.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.sheets.typed.SheetRemark;
import org.testng.annotations.Test;

/** Baths are put in, moved and taken out with all that is theirs; what is the same is typed once. */
public class SheetRowsTest {
    private static SheetForm sheet(String... more) {
        Map<String, String> typed = new HashMap<>(Map.of(
                "units",
                "METRIC",
                "name",
                "Tidegate",
                "maker",
                "Tidegate",
                "process",
                "colour-negative",
                "makes",
                "1 L"));
        typed.put("parts", "3");
        typed.put("baths", "3");
        bath(typed, 0, "developer", "Developer", "100 ml", "700 ml at 40 °C", "3:15 at 38 °C ± 0.3 °C");
        bath(typed, 1, "bleach", "Bleach", "200 ml", "600 ml", "6:30, 24–41 °C");
        bath(typed, 2, "fixer", "Fixer", "300 ml", "same", "same");
        typed.put("steps", "Developer\nWash 1:00\nBleach; shake hard\nWash 3:00\nFixer");
        for (int i = 0; i < more.length; i += 2) {
            typed.put(more[i], more[i + 1]);
        }
        return new SheetForm(typed);
    }

    private static void bath(
            Map<String, String> typed, int row, String role, String part, String amount, String water, String time) {
        typed.put("part" + row + "-name", part);
        typed.put("part" + row + "-amount", amount);
        typed.put("bath" + row + "-role", role);
        typed.put("bath" + row + "-mode", "TOP_UP");
        typed.put("bath" + row + "-adds", "1");
        typed.put("bath" + row + "-add0-part", Integer.toString(row));
        typed.put("bath" + row + "-water", water);
        typed.put("bath" + row + "-time", time);
    }

    private static Leaflet read(SheetForm form) {
        SheetReading reading = new SheetReading(form);
        Leaflet leaflet = reading.leaflet(null);
        assertThat(leaflet).as("%s", reading.remarks()).isNotNull();
        return leaflet;
    }

    @Test
    public void aLineIsReadAsItsFigures() {
        Leaflet leaflet = read(sheet());
        Bath developer = leaflet.bath("developer");
        assertThat(developer.timing().atC()).isEqualTo(38);
        assertThat(developer.timing().leastC()).isEqualTo(37.7);
        assertThat(developer.recipe().startWaterMl()).isEqualTo(700);
        assertThat(String.valueOf(developer.recipe().mixingC())).isEqualTo("40 °C");
        Bath fixer = leaflet.bath("fixer");
        assertThat(fixer.timing().printed().seconds()).isEqualTo(390);
        assertThat(fixer.timing().atC()).as("as the bath before").isEqualTo(38);
        assertThat(fixer.timing().leastC()).isEqualTo(24);
        assertThat(fixer.recipe().startWaterMl()).isEqualTo(600);
    }

    @Test
    public void whatHoldsForAllIsTypedOnce() {
        Leaflet leaflet = read(sheet(
                "lasts", "12 rolls, 4–6 weeks", "bath1-lasts", "3 months", "keeps", "sealed 24 months, open 6 months"));
        assertThat(leaflet.bath("developer").capacity()).isEqualTo(new mezcla.leaflet.Range(12, 12));
        assertThat(leaflet.bath("bleach").capacity()).isEqualTo(new mezcla.leaflet.Range(12, 12));
        assertThat(leaflet.bath("bleach").lifeDays())
                .isNotEqualTo(leaflet.bath("fixer").lifeDays());
        assertThat(leaflet.bath("fixer").lifeDays()).isEqualTo(new mezcla.leaflet.Range(28, 42));
        assertThat(leaflet.parts()).allSatisfy(part -> {
            assertThat(part.unopenedDays()).isEqualTo(730);
            assertThat(part.openedDays()).isEqualTo(182.5);
        });
    }

    @Test
    public void whatIsWrongInALineIsSaidThere() {
        SheetReading reading = new SheetReading(sheet("bath0-time", "3:15 at 380 °C", "lasts", "12 rolls, 6–4 weeks"));
        assertThat(reading.errors().all()).containsOnlyKeys("bath0-time", "lasts");
    }

    @Test
    public void aFieldOfItsOwnCountsBeforeTheLine() {
        assertThat(read(sheet("bath0-at", "37 °C", "bath0-within", "± 0.5 °C"))
                        .bath("developer")
                        .timing()
                        .atC())
                .isEqualTo(37);
    }

    @Test
    public void aBathIsPutInWhereItUsuallyStands() {
        SheetForm form = sheet().withAnother("put-stop");
        assertThat(form.bathRows().stream().map(form::bathName))
                .containsExactly("Developer", "Stop", "Bleach", "Fixer");
        assertThat(form.at("steps").lines())
                .containsExactly("Developer", "Stop", "Wash 1:00", "Bleach; shake hard", "Wash 3:00", "Fixer");
        assertThat(form.partRows(1).stream().map(form::partName)).containsExactly("Stop");
        assertThat(form.partRows(2).stream().map(form::partName)).containsExactly("Bleach");
        assertThat(form.at("bath2-time")).isEqualTo("6:30, 24–41 °C");
        assertThat(form.withAnother("put-nonsense")).isEqualTo(form);
    }

    @Test
    public void aBathIsMovedWithAllThatIsIts() {
        SheetForm form = sheet().withAnother("earlier-2");
        assertThat(form.bathRows().stream().map(form::bathName)).containsExactly("Developer", "Fixer", "Bleach");
        assertThat(form.at("steps").lines())
                .containsExactly("Developer", "Wash 1:00", "Fixer", "Wash 3:00", "Bleach; shake hard");
        assertThat(form.partRows(1).stream().map(form::partName)).containsExactly("Fixer");
        assertThat(sheet().withAnother("earlier-0")).isEqualTo(sheet());
        SheetForm whole = form.with(Map.of("bath1-time", "6:30", "bath1-water", "600 ml"));
        assertThat(new SheetReading(whole).remarks().stream().map(SheetRemark::sentence))
                .contains(
                        "Bleach after fixer: is that the order on the sheet? Other processes have it the other way round.");
    }

    @Test
    public void aBathIsTakenOutWithItsPartsAndItsStep() {
        SheetForm form = sheet().withAnother("without-1");
        assertThat(form.bathRows().stream().map(form::bathName)).containsExactly("Developer", "Fixer");
        assertThat(form.at("steps").lines()).containsExactly("Developer", "Wash 1:00", "Wash 3:00", "Fixer");
        assertThat(form.partRowsOfNone().stream().map(part -> form.at("part" + part + "-name")))
                .allMatch(String::isEmpty);
        assertThat(form.partRows(1).stream().map(form::partName)).containsExactly("Fixer");
        assertThat(form.moves()).isEqualTo("1");
        assertThat(sheet().withAnother("without-9")).isEqualTo(sheet());
    }

    @Test
    public void aPartThatIsNamedForAnotherBathIsAskedAbout() {
        assertThat(new SheetReading(sheet("bath1-role", "stop"))
                        .remarks().stream().map(SheetRemark::sentence))
                .contains("Bleach goes into the stop. Is it not for the bleach?");
        assertThat(List.of(new SheetReading(sheet()).remarks().toString()))
                .noneMatch(said -> said.contains("Is it not for"));
    }
}
