package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Range;
import mezcla.log.FillSpilled;
import mezcla.log.LimitOverridden;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;
import org.testng.annotations.Test;

/** Film against solution, tanks that are not full, missing baths, and limits that are passed on purpose. */
public class FilmAndTankTest {
    private static final Judging LEAFLET = Judging.by(School.LEAFLET);

    private static RunQuestion question(double day, int rolls, double tankMl) {
        return new RunQuestion(
                Collections.nCopies(rolls, TestLog.roll(0)), tankMl, 250, LEAFLET, TestLog.day(day), ZoneOffset.UTC);
    }

    private static TestLog negative(double volumeMl) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, volumeMl);
        return log;
    }

    private static RunPlan plan(TestLog log, RunQuestion question) {
        return RunPlan.of(log.state().batch(7), question);
    }

    private static List<String> keys(List<? extends Objection> all) {
        return all.stream().map(Objection::key).toList();
    }

    @Test
    public void fourRollsInStockForOneAreRefusedAndCanBePassed() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 5000);
        log.mix(0, 7, 1, 1000);
        RunPlan plan = plan(log, question(1, 4, 300));
        assertThat(keys(plan.objections())).contains("too-much-film");
        assertThat(plan.overridable().get(1L)).contains("too-much-film");
        plan.overridable()
                .forEach(
                        (fill, limits) -> log.add(1, stamp -> new LimitOverridden(stamp, fill, limits, "strips only")));
        long passed = log.entries().get(log.entries().size() - 1).stamp().sequence();
        assertThat(keys(plan(log, question(1, 4, 300)).objections()))
                .as("it belongs to one load, so the bath does not remember it")
                .contains("too-much-film");
        assertThat(keys(plan(
                                log,
                                question(1, 4, 300)
                                        .passingOneLoad(
                                                OneLoad.isPassed(log.book().about(7), passed)))
                        .objections()))
                .doesNotContain("too-much-film");
        log.run(1, 7, 1, 2L, 3L);
        assertThat(OneLoad.isPassed(log.book().about(7), passed))
                .as("after a run")
                .isFalse();
        RunPlan two = plan(log, question(1, 1, 300));
        assertThat(two.fits()).isTrue();
        assertThat(two.baths().get(0).load().share()).isCloseTo(1 / 1.8, within(1e-9));
        assertThat(two.baths().get(0).waterMl()).isCloseTo(150, within(1e-9));
    }

    @Test
    public void longFilmCountsByItsEquivalents() {
        RunQuestion cine = new RunQuestion(
                List.of(new Roll("Ines", FilmFormat.F16MM_30M, 9.5, 0, false)),
                300,
                250,
                LEAFLET,
                TestLog.day(1),
                ZoneOffset.UTC);
        assertThat(keys(plan(negative(1000), cine).objections())).contains("too-much-film");
    }

    @Test
    public void halfUsedUpIsSaid() {
        assertThat(keys(plan(negative(1000), question(1, 2, 300)).remarks())).contains("crowded");
        assertThat(keys(plan(negative(1000), question(1, 1, 300)).remarks())).doesNotContain("crowded");
    }

    @Test
    public void aKitForOneTankGivesAllItsRuns() {
        TestLog log = negative(300);
        RunPlan first = plan(log, question(1, 1, 300));
        assertThat(first.fits()).isTrue();
        assertThat(first.remarks()).extracting(Objection::key).doesNotContain("tank-not-full");
        log.run(1, 7, 1, 1L, 2L);
        RunPlan second = plan(log, question(2, 1, 300));
        assertThat(second.objections()).isEmpty();
        assertThat(keys(second.remarks())).contains("tank-not-full");
        assertThat(second.baths().get(0).takesMl()).isCloseTo(295, within(1e-9));
        log.add(2, stamp -> new FillSpilled(stamp, 1, 12));
        RunPlan third = plan(log, question(3, 1, 300));
        assertThat(third.against()).containsExactly("too-little-for-tank");
    }

    @Test
    public void aBatchWithoutBleachFixTakesNoFilm() {
        BatchState batch = negative(1000).state().batch(7);
        BatchState alone = new BatchState(
                7,
                batch.mixed(),
                List.of(batch.fills().get(0)),
                List.of(),
                batch.guests(),
                List.of(),
                List.of(),
                List.of(),
                List.of());
        RunPlan plan = RunPlan.of(alone, question(1, 1, 300));
        assertThat(plan.objections()).containsExactly(new RunObjection.BathMissing(BathRole.BLEACH_FIX));
        assertThat(plan.fits()).isFalse();
        assertThat(FilmProcess.COLOUR_NEGATIVE.missing(List.of(BathRole.COLOUR_DEVELOPER, BathRole.BLEACH)))
                .containsExactly(BathRole.FIXER);
        assertThat(FilmProcess.COLOUR_SLIDE.missing(List.of(BathRole.FIRST_DEVELOPER, BathRole.BLEACH_FIX)))
                .containsExactly(BathRole.COLOUR_DEVELOPER);
        assertThat(FilmProcess.named("house-own", "House own").missing(List.of()))
                .as("nobody knows what it needs")
                .isEmpty();
    }

    @Test
    public void overAgeIsPassedAndThenTheRolls() {
        TestLog log = negative(1000);
        log.run(1, 7, 9, 1L, 2L);
        RunQuestion late = question(80, 2, 300);
        assertThat(plan(log, late).overridable().get(1L)).contains("over-age", "over-rolls");
        log.add(80, stamp -> new LimitOverridden(stamp, 1, List.of("over-age"), "tests"));
        log.add(80, stamp -> new LimitOverridden(stamp, 2, List.of("over-age"), "tests"));
        RunPlan again = plan(log, late);
        assertThat(keys(again.objections())).containsExactly("run-too-big");
        assertThat(again.overridable()).containsEntry(1L, List.of("over-rolls"));
    }

    @Test
    public void whatOneBathIsPassedForDoesNotHideAnother() {
        TestLog log = negative(1000);
        log.run(1, 7, 8, 1L, 2L);
        RunQuestion careful = new RunQuestion(
                List.of(
                        new Roll("Ines", FilmFormat.F120, 1, 0, true),
                        new Roll("Ines", FilmFormat.F120, 1, 0, true),
                        new Roll("Ines", FilmFormat.F120, 1, 0, true)),
                500,
                250,
                LEAFLET,
                TestLog.day(2),
                ZoneOffset.UTC);
        assertThat(plan(log, careful).overridable()).isNotEmpty();
        plan(log, careful)
                .overridable()
                .forEach(
                        (fill, limits) -> log.add(2, stamp -> new LimitOverridden(stamp, fill, limits, "last chance")));
        assertThat(plan(log, careful).objections()).isEmpty();
    }

    @Test
    public void aRunIsPlannedAtAnotherTemperature() {
        TestLog log = negative(1000);
        RunPlan warm = plan(log, question(1, 1, 300).warmedTo(39.0));
        int printed = seconds(plan(log, question(1, 1, 300)));
        assertThat(seconds(warm)).isLessThan(printed);
        assertThat(warm.asRunBaths())
                .extracting(RunBath::celsius)
                .as("the developer alone")
                .containsExactly(39.0, null);
        assertThat(warm.baths().get(1).shown().orElseThrow().seconds())
                .as("the bleach-fix is never shortened")
                .isEqualTo(plan(log, question(1, 1, 300))
                        .baths()
                        .get(1)
                        .shown()
                        .orElseThrow()
                        .seconds());
        RunPlan cold = plan(log, question(1, 1, 300).warmedTo(24.0));
        assertThat(keys(cold.objections())).contains("bath-outside-temperature");
        assertThat(cold.baths().get(0).time()).isNull();
    }

    private static int seconds(RunPlan plan) {
        return plan.imageDeveloper().orElseThrow().shown().orElseThrow().seconds();
    }

    @Test
    public void aSheetWithoutLimitsAgesByTheHousesOwn() {
        Bath bare = Leaflets.negative().bath("dev").limited(null, null);
        Bath standing = StandIns.usual().over(bare);
        assertThat(standing.lifeDays()).isEqualTo(Range.standIn(42));
        assertThat(standing.capacity()).isEqualTo(Range.standIn(12));
        assertThat(StandIns.usual()
                        .with(BathRole.Nature.DEVELOPER, 30.0, null)
                        .over(bare)
                        .capacity())
                .isNull();
        assertThat(StandIns.none().over(bare)).isEqualTo(bare);
        Bath printed = Leaflets.negative().bath("dev");
        assertThat(StandIns.usual().over(printed).capacity()).isEqualTo(printed.capacity());
        HouseLimit limit = new HouseLimit("test-negative", "dev", 20.0, null);
        Judging judging = new Judging(Map.of(), School.LEAFLET, List.of(limit), mezcla.batch.Climate.steady(20));
        RunPlan over = plan(negative(1000), question(1, 1, 300).judgedBy(judging));
        assertThat(over.baths().get(0).fill().bath().capacity().whose()).isEqualTo(Range.Whose.HOUSE);
        assertThat(over.baths().get(0).load().share())
                .as("film against solution goes by the print")
                .isCloseTo(1 / 3.0, within(1e-9));
    }

    @Test
    public void pushingInAHalfUsedDeveloperIsSaid() {
        TestLog log = negative(1000);
        RunQuestion pushed =
                new RunQuestion(List.of(TestLog.roll(1)), 300, 250, LEAFLET, TestLog.day(2), ZoneOffset.UTC);
        assertThat(keys(plan(log, pushed).remarks())).doesNotContain("pushed-late");
        log.run(1, 7, 6, 1L, 2L);
        assertThat(keys(plan(log, pushed).remarks())).contains("pushed-late");
    }
}
