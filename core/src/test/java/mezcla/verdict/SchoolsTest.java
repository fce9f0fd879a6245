package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Random;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Climate;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What holds for every school. */
public class SchoolsTest {
    @DataProvider
    public Object[][] schools() {
        return new Object[][] {{School.LEAFLET}, {School.CAREFUL}, {School.STRETCH}};
    }

    private static RunPlan plan(TestLog log, Judging judging, double day, boolean irreplaceable) {
        return RunPlan.of(
                log.state().batch(1),
                new RunQuestion(
                        List.of(new Roll("Ines", FilmFormat.F120, 1, 0, irreplaceable)),
                        300,
                        300,
                        judging,
                        TestLog.day(day),
                        ZoneOffset.UTC));
    }

    private static TestLog aBatch() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        return log;
    }

    @Test(dataProvider = "schools")
    public void moreRollsMoreDaysOrWarmerStorageNeverImproveAVerdict(School school) {
        Random random = new Random(5);
        for (int round = 0; round < 60; round++) {
            TestLog log = aBatch();
            double day = 1 + random.nextInt(80);
            double celsius = 5 + random.nextInt(25);
            int rolls = random.nextInt(16);
            if (rolls > 0) {
                log.run(1, 1, rolls, 1L, 2L);
            }
            Judging judging = new Judging(Map.of(), school, Climate.steady(celsius));
            State state = plan(log, judging, day, false).verdict().state();
            State later = plan(log, judging, day + 5, false).verdict().state();
            State warmer = plan(log, new Judging(Map.of(), school, Climate.steady(celsius + 8)), day, false)
                    .verdict()
                    .state();
            log.run(1.1, 1, 2, 1L, 2L);
            State used = plan(log, judging, day, false).verdict().state();
            assertThat(later).isGreaterThanOrEqualTo(state);
            assertThat(warmer).isGreaterThanOrEqualTo(state);
            assertThat(used).isGreaterThanOrEqualTo(state);
            log.voidEntry(log.entries().get(log.entries().size() - 1).stamp().sequence());
            assertThat(plan(log, judging, day, false).verdict().state()).isEqualTo(state);
        }
    }

    @Test
    public void aHousePicksASchoolForEachProcessAndFilmThatCannotBeMadeAgainIsJudgedCarefully() {
        Judging judging = new Judging(
                Map.of(FilmProcess.COLOUR_NEGATIVE.key(), School.STRETCH), School.LEAFLET, Climate.steady(20));
        assertThat(judging.school(FilmProcess.COLOUR_NEGATIVE, false)).isEqualTo(School.STRETCH);
        assertThat(judging.school(FilmProcess.COLOUR_SLIDE, false)).isEqualTo(School.LEAFLET);
        assertThat(judging.school(FilmProcess.COLOUR_NEGATIVE, true)).isEqualTo(School.CAREFUL);
        TestLog log = aBatch();
        log.run(1, 1, 11, 1L, 2L);
        assertThat(plan(log, judging, 2, false).fits()).isTrue();
        assertThat(plan(log, judging, 2, true).fits()).isFalse();
        assertThat(plan(log, judging, 2, true).verdict().reasons().get(0).code())
                .isEqualTo(Reason.Code.WORN);
    }

    @Test
    public void onlyTheRenewedFillIsYoungAgain() {
        TestLog log = aBatch();
        log.run(1, 1, 9, 1L, 2L);
        Judging judging = Judging.by(School.STRETCH);
        FillVerdict before = plan(log, judging, 20, false).verdict().fill("bx");
        log.discard(19, 1, 1);
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.renew(19, 1, 2, "dev", 1000);
        BatchVerdict after = plan(log, judging, 20, false).verdict();
        assertThat(after.fill("bx")).isEqualTo(before);
        assertThat(after.fill("dev").state()).isEqualTo(State.GOOD);
    }
}
