package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import org.testng.annotations.Test;

/** The days that a calendar says beforehand are those on which the verdict changes. */
public class DayToKnowTest {
    private static TestLog litre() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 1000);
        return log;
    }

    private static RunPlan plan(TestLog log, School school, double day) {
        return RunPlan.of(
                log.state().batch(7),
                new RunQuestion(
                        List.of(TestLog.roll(0)), 300, 300, Judging.by(school), TestLog.day(day), ZoneOffset.UTC));
    }

    private static LocalDate date(double day) {
        return LocalDate.ofInstant(TestLog.day(day), ZoneOffset.UTC);
    }

    private static List<DayToKnow> of(RunPlan plan, DayToKnow.Kind kind) {
        return DayToKnow.of(plan).stream().filter(day -> day.kind() == kind).toList();
    }

    @Test
    public void theLastDayIsGoodAndTheNextIsNot() {
        TestLog log = litre();
        for (School school : School.values()) {
            for (DayToKnow day : of(plan(log, school, 3), DayToKnow.Kind.LAST)) {
                long days = ChronoUnit.DAYS.between(date(3), day.day());
                assertThat(stateOf(log, school, 3 + days, day.fill()))
                        .as("%s on its last day", day)
                        .isNotEqualTo(State.DISCARD);
                assertThat(stateOf(log, school, 3 + days + 1.01, day.fill()))
                        .as("%s on the day after", day)
                        .isEqualTo(State.DISCARD);
            }
        }
    }

    private static State stateOf(TestLog log, School school, double day, FillState fill) {
        return plan(log, school, day).baths().stream()
                .filter(bath -> bath.fill().id() == fill.id())
                .findFirst()
                .orElseThrow()
                .verdict()
                .state();
    }

    @Test
    public void onlyWhoGoesByTheLeafletTestsFirst() {
        TestLog log = litre();
        List<DayToKnow> test = of(plan(log, School.LEAFLET, 3), DayToKnow.Kind.TEST_FROM);
        assertThat(test).isNotEmpty();
        for (DayToKnow day : test) {
            Range life = day.fill().bath().lifeDays();
            assertThat(day.day()).isEqualTo(date(life.min()));
        }
        assertThat(of(plan(log, School.CAREFUL, 3), DayToKnow.Kind.TEST_FROM)).isEmpty();
    }

    @Test
    public void whatHasToGoHasNoDays() {
        assertThat(DayToKnow.of(plan(litre(), School.LEAFLET, 2000))).isEmpty();
    }
}
