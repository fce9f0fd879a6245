package mezcla;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import mezcla.batch.Light;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.Unit;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Accident;
import mezcla.log.AirKept;
import mezcla.log.Bottle;
import mezcla.log.EntryGroup;
import mezcla.log.FilmStage;
import mezcla.log.Finding;
import mezcla.log.HouseDecided;
import mezcla.log.Sign;
import mezcla.log.Suspect;
import mezcla.measure.FilmFormat;
import mezcla.measure.Mass;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.Volume;
import mezcla.money.AccountLine;
import mezcla.planning.QueuedFilm;
import mezcla.processing.FilmLoad;
import mezcla.processing.Movement;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.School;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Names and units that members read. */
public class WordsTest {
    @DataProvider
    public Object[][] named() {
        return new Object[][] {
            {words(Light.values(), Light::words)},
            {words(AirKept.values(), AirKept::words)},
            {words(Bottle.Material.values(), Bottle.Material::words)},
            {words(EntryGroup.values(), EntryGroup::words)},
            {words(Sign.values(), Sign::words)},
            {words(Suspect.values(), Suspect::words)},
            {words(WasteRoute.values(), WasteRoute::words)},
            {words(FilmFormat.Reel.values(), FilmFormat.Reel::words)},
            {words(FilmFormat.values(), FilmFormat::label)},
            {words(SimulatedBath.Fault.values(), SimulatedBath.Fault::words)},
            {words(School.values(), School::words)},
            {words(Movement.values(), Movement::words)},
            {words(Unit.values(), Unit::symbol)},
            {words(Accident.values(), Accident::words)},
            {words(AccountLine.Kind.values(), AccountLine.Kind::words)},
            {words(FilmStage.values(), FilmStage::words)},
            {words(HouseDecided.Topic.values(), HouseDecided.Topic::words)},
            {words(PrintedMovement.Method.values(), PrintedMovement.Method::word)},
            {words(QueuedFilm.Where.values(), QueuedFilm.Where::words)},
        };
    }

    private static <E> List<String> words(E[] all, Function<E, String> said) {
        return Arrays.stream(all).map(said).toList();
    }

    @Test(dataProvider = "named")
    public void everythingThatIsNamedHasAName(List<String> words) {
        assertThat(words).isNotEmpty().doesNotHaveDuplicates().noneMatch(String::isBlank);
    }

    @Test
    public void whatFilmShowsIsSaidFirstAndThenHowStrongly() {
        assertThat(Finding.first())
                .doesNotContain(Finding.HEAVY_CAST, Finding.HEAVY_GRAIN)
                .hasSize(8);
        assertThat(Finding.CAST.strong()).isEqualTo(Finding.HEAVY_CAST);
        assertThat(Finding.GRAIN.strong()).isEqualTo(Finding.HEAVY_GRAIN);
        assertThat(Finding.THIN.strong()).isEqualTo(Finding.THIN);
    }

    @Test
    public void bathsAllowWhatTheyAllow() {
        assertThat(BathRole.DEVELOPER.usualToleranceC()).isEqualTo(0.3);
        assertThat(BathRole.BLEACH_FIX.usualToleranceC()).isEqualTo(1);
        assertThat(BathRole.of("stabiliser").usualToleranceC()).isEqualTo(5);
        assertThat(BathRole.PRE_BATH.mayBeLeftOut()).isTrue();
        assertThat(BathRole.BLEACH_FIX.mayBeLeftOut()).isFalse();
        assertThat(FilmLoad.leastMl(2, 1000, 10)).isEqualTo(200);
    }

    @Test
    public void whatIsWrittenBesideFiguresIsTheUsualSign() {
        assertThat(Unit.ML.symbol()).isEqualTo("ml");
        assertThat(Volume.Unit.L.symbol()).isEqualTo("L");
        assertThat(Volume.Unit.US_FL_OZ.symbol()).isEqualTo("fl oz");
        assertThat(Bottle.Material.FOLDING.words()).isEqualTo("folding");
        assertThat(Movement.ROTARY.still()).isEmpty();
        assertThat(Movement.INVERSION.still()).contains("no bubble stays");
    }

    @Test
    public void everyFormatIsFoundByItsLabel() {
        for (FilmFormat format : FilmFormat.values()) {
            assertThat(FilmFormat.labelled(format.label())).isEqualTo(format);
        }
        assertThat(FilmFormat.F135_24.equivalents()).isEqualTo(0.75);
        assertThat(catchThrowableOfType(Refusal.class, () -> FilmFormat.labelled("136"))
                        .code())
                .isEqualTo("unknown-format");
    }

    @Test
    public void otherUnitsAreThePrintedOnes() {
        assertThat(Mass.ounces(28.349523125)).isEqualTo(1);
        assertThat(Mass.ofGrams(12.5)).isEqualTo(Mass.parse("12.5 g"));
        assertThat(new Temperature(100).fahrenheit()).isCloseTo(212, within(1e-9));
        assertThat(new Temperature(37.8).fahrenheit()).isCloseTo(100.04, within(1e-9));
        assertThat(Volume.Unit.L.of(1500)).isEqualTo(1.5);
        assertThat(Arrays.stream(Volume.Unit.values()).map(Volume.Unit::symbol))
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
    }
}
