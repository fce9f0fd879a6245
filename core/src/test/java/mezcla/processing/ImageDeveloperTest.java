package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletCheck;
import mezcla.leaflet.WasteRoute;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import mezcla.log.Suspect;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One definition of the image developer, and of when light is safe, by process (rules, 6 and 7). */
public class ImageDeveloperTest {
    /** The negative sheet, as another process and with another role for its developer. */
    private static Leaflet sheet(FilmProcess process, BathRole developer) {
        Leaflet like = Leaflets.negative();
        List<Bath> baths = like.baths().stream()
                .map(bath -> bath.key().equals("dev")
                        ? new Bath(
                                bath.key(),
                                developer,
                                bath.recipe(),
                                bath.timing(),
                                bath.capacityForMl(),
                                bath.capacity(),
                                bath.lifeDays(),
                                null,
                                null)
                        : bath)
                .toList();
        return new Leaflet(
                like.key(),
                like.version(),
                like.name(),
                like.maker(),
                process,
                null,
                like.makesMl(),
                like.parts(),
                baths,
                List.of(),
                List.of());
    }

    @DataProvider
    public Object[][] negatives() {
        return new Object[][] {
            {FilmProcess.COLOUR_NEGATIVE, BathRole.DEVELOPER},
            {FilmProcess.COLOUR_NEGATIVE, BathRole.COLOUR_DEVELOPER},
            {FilmProcess.COLOUR_NEGATIVE, BathRole.FIRST_DEVELOPER},
            {FilmProcess.named("house-negative", "House negative"), BathRole.COLOUR_DEVELOPER},
        };
    }

    @Test(dataProvider = "negatives")
    public void lightIsSafeOnlyAfterTheBleachFix(FilmProcess process, BathRole developer) {
        RunSteps steps = RunSteps.of(sheet(process, developer), Map.of("dev", 195, "bx", 390), RunSteps.Choices.USUAL);
        assertThat(steps.steps().get(steps.lightSafeAfter()).role()).isEqualTo(BathRole.BLEACH_FIX);
    }

    @Test(dataProvider = "negatives")
    public void theDeveloperIsTrimmedAndPushedWhateverItIsCalled(FilmProcess process, BathRole developer) {
        TestLog log = new TestLog();
        log.kit(0, 1, sheet(process, developer), 4000);
        log.mix(0, 1, 1, 1000);
        RunLogged run = log.run(1, 1, 2, 1L, 2L);
        log.add(
                2,
                stamp -> new FilmInspected(
                        stamp,
                        1,
                        run.stamp().sequence(),
                        0,
                        List.of(1L, 2L),
                        Finding.THIN,
                        Set.of(Suspect.CHEMISTRY),
                        null));
        BatchState batch = log.state().batch(1);
        assertThat(batch.imageDeveloper()).map(fill -> fill.id()).contains(1L);
        assertThat(log.state().fill(1).trimPercent()).isEqualTo(4);
        assertThat(log.state().fill(2).trimPercent()).isZero();
    }

    @Test
    public void slidesHaveTheirFirstDeveloperAndNeverTheirColourDeveloper() {
        Leaflet slide = Leaflets.slide();
        assertThat(slide.imageDeveloper()).map(Bath::key).contains("f1");
        Bath colour = slide.bath("cd");
        assertThat(slide.isImageDeveloper(colour)).isFalse();
        assertThat(FilmProcess.COLOUR_SLIDE.imageDeveloper(List.of(colour), Bath::role))
                .isEmpty();
    }

    @Test
    public void aRoleThatDoesNotFitItsProcessIsQuestioned() {
        assertThat(questioned(FilmProcess.COLOUR_NEGATIVE, BathRole.COLOUR_DEVELOPER))
                .isTrue();
        assertThat(questioned(FilmProcess.CINE_NEGATIVE, BathRole.FIRST_DEVELOPER))
                .isTrue();
        assertThat(questioned(FilmProcess.COLOUR_NEGATIVE, BathRole.REVERSAL_BATH))
                .isTrue();
        assertThat(questioned(FilmProcess.COLOUR_SLIDE, BathRole.DEVELOPER)).isTrue();
        assertThat(questioned(FilmProcess.COLOUR_SLIDE, BathRole.FIRST_DEVELOPER))
                .isFalse();
        assertThat(questioned(FilmProcess.COLOUR_NEGATIVE, BathRole.DEVELOPER)).isFalse();
        assertThat(questioned(FilmProcess.named("other", "Other"), BathRole.COLOUR_DEVELOPER))
                .isFalse();
    }

    private static boolean questioned(FilmProcess process, BathRole role) {
        return LeafletCheck.of(sheet(process, role)).stream()
                .anyMatch(remark -> remark.code() == LeafletCheck.Code.ROLE_OF_ANOTHER_PROCESS);
    }

    @Test
    public void theTableOfRolesIsWhole() {
        assertThat(BathRole.standard()).hasSize(11);
        assertThat(BathRole.standard()).extracting(BathRole::letters).doesNotHaveDuplicates();
        assertThat(BathRole.standard())
                .extracting(role -> role.nature().pattern())
                .doesNotHaveDuplicates()
                .doesNotContain(BathRole.Nature.OTHER.pattern());
        assertThat(BathRole.standard())
                .filteredOn(role -> role.nature().waste() == WasteRoute.DEVELOPERS)
                .containsExactly(BathRole.DEVELOPER, BathRole.FIRST_DEVELOPER, BathRole.COLOUR_DEVELOPER)
                .allMatch(BathRole::isDeveloper)
                .allMatch(role -> role.nature().airSensitivity() == 2);
        assertThat(BathRole.standard())
                .filteredOn(role -> role.nature().waste() == WasteRoute.SILVER_BEARING)
                .containsExactly(BathRole.BLEACH, BathRole.FIXER, BathRole.BLEACH_FIX);
        assertThat(BathRole.standard())
                .filteredOn(BathRole::fixes)
                .containsExactly(BathRole.FIXER, BathRole.BLEACH_FIX);
        assertThat(BathRole.standard()).filteredOn(BathRole::isAcid).containsExactly(BathRole.STOP);
        assertThat(BathRole.standard()).filteredOn(BathRole::mayFizz).containsExactly(BathRole.BLEACH_FIX);
        assertThat(BathRole.standard())
                .filteredOn(BathRole::goesIntoWater)
                .containsExactly(BathRole.BLEACH, BathRole.BLEACH_FIX);
        assertThat(BathRole.standard())
                .filteredOn(BathRole::isLast)
                .containsExactly(BathRole.STABILISER, BathRole.WETTING_AGENT);
        assertThat(BathRole.standard())
                .filteredOn(BathRole::toleratesAnyTemperature)
                .containsExactly(BathRole.STOP, BathRole.STABILISER, BathRole.WETTING_AGENT);
        assertThat(BathRole.named("own", "Own", "Ow").nature().waste()).isEqualTo(WasteRoute.OTHERS);
    }
}
