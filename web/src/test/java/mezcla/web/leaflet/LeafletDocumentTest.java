package mezcla.web.leaflet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.Range;
import mezcla.measure.Refusal;
import mezcla.mixing.KitSplit;
import mezcla.processing.ExampleCheck;
import mezcla.web.sheets.LeafletDocument;
import mezcla.web.sheets.LeafletFile;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.sheets.typed.SheetRemark;
import org.springframework.core.io.ClassPathResource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LeafletDocumentTest {
    private static String document(String key) throws IOException {
        return new ClassPathResource("demo/leaflets/" + key + ".json").getContentAsString(StandardCharsets.UTF_8);
    }

    @DataProvider
    public Object[][] leaflets() {
        return new Object[][] {
            {"oxbow-negative-liquid", FilmProcess.COLOUR_NEGATIVE, 3},
            {"kiln-lane-negative-powder", FilmProcess.COLOUR_NEGATIVE, 3},
            {"weir-separate-bath-set", FilmProcess.COLOUR_NEGATIVE, 4},
            {"lantern-slide-three", FilmProcess.COLOUR_SLIDE, 3},
            {"sootback-cine", FilmProcess.CINE_NEGATIVE, 6},
        };
    }

    @Test(dataProvider = "leaflets")
    public void everyDemonstrationLeafletMakesWhatItSays(String key, FilmProcess process, int baths)
            throws IOException {
        Leaflet leaflet = LeafletDocument.read(document(key));
        assertThat(leaflet.key()).isEqualTo(key);
        assertThat(leaflet.process()).isEqualTo(process);
        assertThat(leaflet.baths()).hasSize(baths);
        Map<String, Double> full = leaflet.parts().stream().collect(Collectors.toMap(Part::key, Part::amount));
        assertThat(KitSplit.of(leaflet.recipes(), full, leaflet.makesMl()).largestMl())
                .isCloseTo(leaflet.makesMl(), within(1e-6));
        double shares = leaflet.parts().stream()
                .mapToDouble(part -> leaflet.valueShare(part.key()))
                .sum();
        assertThat(shares).isCloseTo(1, within(1e-9));
    }

    @Test
    public void everythingOnTheSheetIsRead() throws IOException {
        Leaflet leaflet = LeafletDocument.read(document("oxbow-negative-liquid"));
        Bath developer = leaflet.bath("dev");
        assertThat(developer.lifeDays()).isEqualTo(new Range(28, 42));
        assertThat(developer.capacity()).isEqualTo(new Range(14, 18));
        assertThat(developer.timing().push()).hasSize(3);
        assertThat(developer.timing().push().get(2).wearWeight()).isEqualTo(1.25);
        assertThat(developer.timing().temperatureTable()).hasSize(4);
        assertThat(developer.timing().exhaustion()).isInstanceOf(Exhaustion.Steps.class);
        assertThat(developer.recipe().mixingC()).isEqualTo(new MixingTemperature(30.0, 40, 45.0));
        Addition critical = developer.recipe().additions().get(1);
        assertThat(critical.care()).isEqualTo(Addition.Care.CRITICAL);
        assertThat(critical.care().tolerance()).isEqualTo(0.02);
        assertThat(leaflet.part("dev-b").airSensitive()).isTrue();
        assertThat(leaflet.part("dev-b").openedDays()).isEqualTo(60);
        assertThat(leaflet.bath("fr").capacity()).isNull();
        assertThat(LeafletDocument.read(document("lantern-slide-three"))
                        .bath("f1")
                        .oneShot())
                .isEqualTo(new Bath.OneShot(1, 1));
    }

    @DataProvider
    public Object[][] broken() {
        UnaryOperator<String> noName = text -> text.replace("\"name\": \"Oxbow Negative Liquid 1.2 L\",", "");
        UnaryOperator<String> noRole = text -> text.replace("\"role\": \"developer\"", "\"role\": \"polish\"");
        UnaryOperator<String> noPart = text -> text.replace("{\"part\": \"bx-a\"", "{\"part\": \"bx-z\"");
        UnaryOperator<String> reversed = text -> text.replace("\"min\": 14, \"max\": 18", "\"min\": 18, \"max\": 14");
        UnaryOperator<String> noKind = text -> text.replace("\"kind\": \"steps\"", "\"kind\": \"guess\"");
        return new Object[][] {
            {noName, "name"},
            {noRole, "unknown-role"},
            {noPart, "unknown-part"},
            {reversed, "range-reversed"},
            {noKind, "guess"},
        };
    }

    @Test(dataProvider = "broken")
    public void brokenDocumentIsRefused(UnaryOperator<String> breaking, String what) throws IOException {
        String document = document("oxbow-negative-liquid");
        String broken = breaking.apply(document);
        assertThat(broken).isNotEqualTo(document);
        assertThatThrownBy(() -> LeafletDocument.read(broken)).hasMessageContaining(what);
    }

    @Test
    public void refusalsOfTheCoreReachWhoeverReads() {
        assertThatThrownBy(() -> LeafletDocument.read(
                        document("oxbow-negative-liquid").replace("\"bx-b\", \"name\"", "\"bx-a\", \"name\"")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("key-twice");
    }

    @Test(dataProvider = "leaflets")
    public void whatIsWrittenReadsBackAndIsASoundFile(String key, FilmProcess process, int baths) throws IOException {
        Leaflet leaflet = LeafletDocument.read(document(key));
        String written = LeafletDocument.write(leaflet);
        assertThat(LeafletDocument.read(written)).isEqualTo(leaflet);
        assertThat(LeafletFile.of(written).faults()).isEmpty();
        assertThat(LeafletFile.of(document(key)).leaflet()).isEqualTo(leaflet);
        assertThat(ExampleCheck.of(leaflet)).isNotEmpty().allMatch(ExampleCheck::agrees);
    }

    @Test(dataProvider = "leaflets")
    public void aSheetThatIsTypedAsShownIsTheSame(String key, FilmProcess process, int baths) throws IOException {
        Leaflet leaflet = LeafletDocument.read(document(key));
        SheetReading reading = new SheetReading(SheetForm.of(leaflet));
        assertThat(reading.leaflet(leaflet)).isEqualTo(leaflet.withVersion(leaflet.version() + 1));
        assertThat(reading.errors().all()).isEmpty();
        assertThat(reading.remarks()).noneMatch(SheetRemark::hinders);
    }

    /** What sheets print beside the usual: ranges of water and of warmth, and a tank that is moved at first only. */
    @Test
    public void rangesAndATankThatThenStandsStillAreKept() throws IOException {
        Map<String, String> typed = new HashMap<>(SheetForm.of(LeafletDocument.read(document("oxbow-negative-liquid")))
                .typed());
        typed.put("bath0-water", "800 to 840 ml");
        typed.put("bath0-moved", "invert 15 s, then still");
        typed.put("bath1-at", "72–100 °F");
        typed.put("bath1-within", "");
        typed.put("bath1-add0-wait", "until dissolved");
        typed.put("bath1-add0-note", "");
        typed.put("steps", "Prewash 1:00\nDeveloper\nBlix\nWash 3 min 75-105 °F or 7 fills\nStabilizer");
        SheetReading reading = new SheetReading(new SheetForm(typed));
        assertThat(reading.errors().all()).isEmpty();
        Leaflet kept = reading.leaflet(null);
        assertThat(kept.baths().get(0).recipe().mostStartWaterMl()).isEqualTo(840);
        assertThat(kept.baths().get(1).recipe().additions().get(0).note()).isEqualTo("until dissolved");
        assertThat(kept.steps().get(3).mostC()).isCloseTo(40.556, within(0.001));
        String written = LeafletDocument.write(kept);
        assertThat(LeafletFile.of(written).faults()).isEmpty();
        assertThat(LeafletDocument.read(written)).isEqualTo(kept);
        SheetForm shown = SheetForm.of(kept);
        assertThat(shown.at("bath0-water")).isEqualTo("800 ml to 840 ml");
        assertThat(shown.at("bath1-at")).isEqualTo("72–100 °F");
        assertThat(shown.at("steps")).contains("Wash 3:00 or 7 fills 75–105 °F");
        assertThat(new SheetReading(shown).leaflet(kept)).isEqualTo(kept.withVersion(kept.version() + 1));
    }

    @Test
    public void ouncesOfALiquidAreAskedAbout() throws IOException {
        Map<String, String> typed = new HashMap<>(SheetForm.of(LeafletDocument.read(document("oxbow-negative-liquid")))
                .typed());
        typed.put("part0-amount", "8 oz");
        assertThat(new SheetReading(new SheetForm(typed)).remarks()).anySatisfy(remark -> assertThat(
                        remark.sentence().replace('\u00a0', ' '))
                .isEqualTo("“8 oz” is read as a weight, 226.8 g. If it is a liquid, type 8 fl oz, which is 237 ml."));
    }

    @DataProvider
    public Object[][] faulty() {
        return new Object[][] {
            {"\"makesMl\": 1200,", "", "The file: “makesMl” is missing."},
            {
                "\"format\": \"mezcla-leaflet/1\"",
                "\"format\": \"mezcla-leaflet/9\"",
                "format: has to be “mezcla-leaflet/1”."
            },
            {
                "\"mode\": \"top-up\"",
                "\"mode\": \"shaken\"",
                "baths, number 1 (dev): recipe: mode: has to be one of top-up, fixed-water, ready-to-use."
            },
            {"\"amount\": 150", "\"amount\": \"lots\"", "parts, number 1 (dev-a): amount: has to be a number."},
            {
                "\"baseSeconds\": 200",
                "\"baseSeconds\": 0",
                "baths, number 1 (dev): timing: baseSeconds: has to be 1 at least."
            },
            {"\"min\": 14, \"max\": 18", "\"min\": 18, \"max\": 14", "The first limit is above the second."},
            {"{\"part\": \"bx-a\"", "{\"part\": \"bx-z\"", "Choose parts of this kit."},
            {"\"maker\":", "\"colour\": 1, \"maker\":", "The file: “colour” is not known here."},
            {"\"parts\": [", "\"parts\": [[", "This is no JSON: it cannot be read from line"},
        };
    }

    @Test(dataProvider = "faulty")
    public void faultsInAFileAreNamedInWords(String from, String to, String said) throws IOException {
        String document = document("oxbow-negative-liquid");
        assertThat(document).contains(from);
        LeafletFile file = LeafletFile.of(document.replaceFirst(Pattern.quote(from), Matcher.quoteReplacement(to)));
        assertThat(file.leaflet()).isNull();
        assertThat(file.faults()).anySatisfy(fault -> assertThat(fault).contains(said));
    }
}
