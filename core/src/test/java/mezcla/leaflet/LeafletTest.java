package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LeafletTest {
    private interface Making {
        Object make();
    }

    private static Leaflet with(List<Part> parts, List<Bath> baths) {
        return new Leaflet(
                "k", 1, "Kit", "Nobody", FilmProcess.COLOUR_NEGATIVE, null, 1000, parts, baths, List.of(), List.of());
    }

    private static Part part(String key, @Nullable Double valueShare) {
        return new Part(key, key, 100, Unit.ML, false, null, null, valueShare);
    }

    private static Bath bath(String key, String... parts) {
        List<Addition> additions = List.of(parts).stream()
                .map(part -> new Addition(part, 10, Unit.ML, Addition.Care.NORMAL, null, null))
                .toList();
        return new Bath(
                key,
                BathRole.FIXER,
                new Recipe(Recipe.Mode.TOP_UP, 1000, 500, null, additions),
                new Timing(200, 38, 37, 39, new Exhaustion.Fixed(), List.of(), List.of()),
                1000,
                null,
                null,
                null,
                null);
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"baths-missing", (Making) () -> with(List.of(part("a", null)), List.of())},
            {"unknown-part", (Making) () -> with(List.of(part("a", null)), List.of(bath("fx", "b")))},
            {"key-twice", (Making) () -> with(List.of(part("a", null), part("a", null)), List.of(bath("fx", "a")))},
            {"key-twice", (Making) () -> with(List.of(part("a", null)), List.of(bath("fx", "a"), bath("fx", "a")))},
            {"range-reversed", (Making) () -> new Range(5, 4)},
            {"range-reversed", (Making) () -> new Range(0, 4)},
            {"range-reversed", (Making) () -> new Range(Double.NaN, 4)},
            {"steps-missing", (Making) () -> new Exhaustion.Steps(List.of())},
            {
                "steps-out-of-order",
                (Making) () -> new Exhaustion.Steps(List.of(new Exhaustion.Step(5, 200), new Exhaustion.Step(5, 210)))
            },
            {"time-missing", (Making) () -> new Timing(0, 38, 37, 39, new Exhaustion.Fixed(), List.of(), List.of())},
            {
                "tolerance-misses-temperature",
                (Making) () -> new Timing(200, 40, 37, 39, new Exhaustion.Fixed(), List.of(), List.of())
            },
            {"recipe-without-volume", (Making) () -> new Recipe(Recipe.Mode.TOP_UP, 0, 0, null, List.of())},
            {"unknown-role", (Making) () -> BathRole.of("polish")},
            {"unknown-bath", (Making) () -> Leaflets.negative().bath("st")},
            {"unknown-part", (Making) () -> Leaflets.negative().part("st")},
        };
    }

    @Test(dataProvider = "refused")
    public void whatNoSheetCouldSayIsRefused(String code, Making making) {
        Refusal refusal = catchThrowableOfType(Refusal.class, making::make);
        assertThat(refusal).isNotNull();
        assertThat(refusal.code()).isEqualTo(code);
    }

    @Test
    public void valueIsSharedEquallyByBathWhereNothingIsSaid() {
        Leaflet leaflet = with(
                List.of(part("a", null), part("b", null), part("c", null)),
                List.of(bath("one", "a", "b"), bath("two", "c"), bath("water")));
        assertThat(leaflet.valueShare("a")).isCloseTo(0.25, within(1e-12));
        assertThat(leaflet.valueShare("c")).isCloseTo(0.5, within(1e-12));
    }

    @Test
    public void valueIsAsPrintedWhereAnythingIsSaid() {
        Leaflet leaflet = with(List.of(part("a", 0.7), part("b", null)), List.of(bath("one", "a", "b")));
        assertThat(leaflet.valueShare("a")).isEqualTo(0.7);
        assertThat(leaflet.valueShare("b")).isZero();
    }

    @Test
    public void imageDeveloperIsTheFirstDeveloperOfASlide() {
        assertThat(Leaflets.slide().imageDeveloper()).map(Bath::key).contains("f1");
        assertThat(Leaflets.negative().imageDeveloper()).map(Bath::key).contains("dev");
        assertThat(with(List.of(part("a", null)), List.of(bath("fx", "a"))).imageDeveloper())
                .isEmpty();
    }

    @Test
    public void dilutedStockTakesItsShareOfTheTank() {
        assertThat(new Bath.OneShot(1, 1).stockFor(300)).isEqualTo(150);
        assertThat(new Bath.OneShot(1, 4).stockFor(500)).isEqualTo(100);
        assertThat(new Bath.OneShot(1, 0).stockFor(300)).isEqualTo(300);
    }

    @DataProvider
    public Object[][] roles() {
        return new Object[][] {
            {"developer", "De", true, false, false},
            {"first-developer", "F1", true, false, false},
            {"colour-developer", "Cd", true, false, false},
            {"reversal-bath", "Rv", false, false, false},
            {"pre-bath", "Pb", false, false, false},
            {"stop", "St", false, true, false},
            {"bleach", "Bl", false, false, false},
            {"fixer", "Fx", false, false, true},
            {"bleach-fix", "Bx", false, false, true},
            {"stabiliser", "Fr", false, true, false},
            {"wetting-agent", "Wa", false, true, false},
        };
    }

    @Test(dataProvider = "roles")
    public void rolesHaveTheirLettersAndNature(
            String key, String letters, boolean develops, boolean anyTemperature, boolean fixes) {
        BathRole role = BathRole.of(key);
        assertThat(role.letters()).isEqualTo(letters);
        assertThat(role.isDeveloper()).isEqualTo(develops);
        assertThat(role.toleratesAnyTemperature()).isEqualTo(anyTemperature);
        assertThat(role.fixes()).isEqualTo(fixes);
    }

    @Test
    public void houseMayNameARoleOfItsOwn() {
        BathRole own = BathRole.named("hardener", "Hardener", "Ha");
        assertThat(own.nature()).isEqualTo(BathRole.Nature.OTHER);
        assertThat(own.isDeveloper()).isFalse();
    }
}
