package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import org.testng.annotations.Test;

/** The same film logged twice is noticed. */
public class SameRollsTest {
    private static Roll roll(String owner, FilmFormat format) {
        return new Roll(owner, format, format.equivalents(), 0, false);
    }

    private static final List<Roll> FILM =
            List.of(roll("Ines", FilmFormat.F120), roll("Oda", FilmFormat.F135_36), roll("Ines", FilmFormat.F120));

    private static TestLog logged(String abandoned) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 1000);
        log.add(
                1,
                stamp -> new RunLogged(
                        stamp, 7, FILM, List.of(), 500, List.of(), null, abandoned, List.of(), null, false, List.of()));
        return log;
    }

    private static boolean found(TestLog log, List<Roll> film, Duration later) {
        return SameRolls.of(log.state().batch(7), film, TestLog.day(1).plus(later))
                .isPresent();
    }

    @Test
    public void theSameOwnersFormatsAndCountsWithinAnHourAreTheSame() {
        TestLog log = logged(null);
        List<Roll> turned = List.of(FILM.get(1), FILM.get(2), FILM.get(0));
        assertThat(found(log, turned, Duration.ofMinutes(60))).isTrue();
        assertThat(found(log, turned, Duration.ofMinutes(-60))).isTrue();
        assertThat(found(log, turned, Duration.ofMinutes(61)))
                .as("an evening has two loads")
                .isFalse();
        assertThat(found(log, FILM.subList(0, 2), Duration.ZERO))
                .as("one roll less")
                .isFalse();
        assertThat(found(log, List.of(FILM.get(0), FILM.get(1), roll("Oda", FilmFormat.F120)), Duration.ZERO))
                .as("another owner")
                .isFalse();
        assertThat(found(logged("the lid came off"), FILM, Duration.ZERO))
                .as("a run that was given up")
                .isFalse();
    }
}
