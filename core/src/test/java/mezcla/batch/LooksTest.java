package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.BathRole;
import mezcla.log.BathLooked;
import mezcla.log.FillToppedUp;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import mezcla.log.Sign;
import mezcla.log.Suspect;
import mezcla.measure.Refusal;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What looks at film and into bottles leave behind. */
public class LooksTest {
    private TestLog log;
    private RunLogged run;

    @BeforeMethod
    public void aRun() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        run = log.run(1, 1, 2, 1L, 2L);
    }

    private FilmInspected look(Finding result, Suspect... suspects) {
        return log.add(
                2,
                stamp -> new FilmInspected(
                        stamp, 1, run.stamp().sequence(), 0, List.of(1L, 2L), result, Set.of(suspects), null));
    }

    @Test
    public void aLookCountsForTheFillsOfItsRunSinceThatRun() {
        log.run(1.5, 1, 3, 1L, 2L);
        look(Finding.THIN, Suspect.CHEMISTRY);
        FillState developer = log.state().fill(1);
        assertThat(developer.inspection().result()).isEqualTo(Finding.THIN);
        assertThat(developer.inspection().rollsAgo()).isEqualTo(3);
        assertThat(developer.trimPercent()).isEqualTo(4);
        assertThat(log.state().fill(2).trimPercent()).isZero();
        assertThat(log.state().fill(2).inspection()).isNotNull();
        assertThat(log.state().batch(1).looks()).hasSize(1);
    }

    @Test
    public void whatIsNotPutDownToTheChemistryReplacesNothing() {
        look(Finding.GOOD);
        look(Finding.HEAVY_CAST, Suspect.SCAN, Suspect.LIGHT);
        look(Finding.HEAVY_GRAIN);
        assertThat(log.state().fill(1).inspection().result()).isEqualTo(Finding.GOOD);
    }

    @Test
    public void signsAddUpAndAVoidTakesOneBack() {
        log.add(2, stamp -> new BathLooked(stamp, 1, Sign.DARK, null));
        BathLooked black = log.add(3, stamp -> new BathLooked(stamp, 1, Sign.BLACK, "like coffee"));
        assertThat(log.state().fill(1).signs()).isEqualTo(Set.of(Sign.DARK, Sign.BLACK));
        log.voidEntry(black.stamp().sequence());
        assertThat(log.state().fill(1).signs()).isEqualTo(Set.of(Sign.DARK));
        assertThat(Sign.BLACK.condemns(BathRole.DEVELOPER)).isTrue();
        assertThat(Sign.BLACK.condemns(BathRole.BLEACH)).isFalse();
        assertThat(Sign.DARK.condemns(BathRole.DEVELOPER)).isFalse();
        assertThat(Sign.CONTAMINATED.condemns(BathRole.STABILISER)).isTrue();
    }

    @Test
    public void aRunThatWasLookedAtIsNotVoided() {
        FilmInspected look = look(Finding.GOOD);
        assertThat(catchThrowableOfType(
                                Refusal.class,
                                () -> Voiding.check(log.entries(), run.stamp().sequence()))
                        .code())
                .isEqualTo("later-entries-depend");
        Voiding.check(log.entries(), look.stamp().sequence());
    }

    @Test
    public void thePathIsAPointForEachRunAndTopUp() {
        log.run(3, 1, 1, 1L, 2L);
        log.add(4, stamp -> new FillToppedUp(stamp, 1, 1000, List.of()));
        assertThat(log.state().fill(1).path())
                .extracting(FillState.Worn::scaledRolls)
                .satisfies(path -> assertThat(path).hasSize(3))
                .satisfies(path -> assertThat(path.get(0)).isEqualTo(2))
                .satisfies(path -> assertThat(path.get(1)).isEqualTo(3))
                .satisfies(path -> assertThat(path.get(2)).isLessThan(2));
    }

    @Test
    public void filmIsDryAfterTwoHoursAndThinFilmAsksForMore() {
        assertThat(FilmLook.isDry(run, run.stamp().happenedAt().plusSeconds(7199), Duration.ofHours(2)))
                .isFalse();
        assertThat(FilmLook.isDry(run, run.stamp().happenedAt().plusSeconds(7200), Duration.ofHours(2)))
                .isTrue();
        assertThat(FilmLook.isDry(run, run.stamp().happenedAt().plusSeconds(2400), Duration.ofMinutes(40)))
                .as("in a drying cabinet")
                .isTrue();
        assertThat(FilmLook.dryAt(run, Duration.ofMinutes(40)))
                .isEqualTo(run.stamp().happenedAt().plusSeconds(2400));
    }
}
