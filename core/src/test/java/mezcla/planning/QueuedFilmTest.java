package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.Charge;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmStage;
import mezcla.log.Roll;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.FilmFormat;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** Film of the queue, from the counter into its owner's hands. */
public class QueuedFilmTest {
    private static TestLog darkroom() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        return log;
    }

    private static void drop(TestLog log, double day, long id, boolean here, LocalDate by) {
        log.add(day, stamp -> new FilmDropped(stamp, id, TestLog.roll(0), "colour-negative", "Ines", by, here));
    }

    private static RunLogged run(TestLog log, double day, Long started, Long... films) {
        List<Roll> rolls =
                List.of(films).stream().map(TestLog.roll(0)::queuedAs).toList();
        return log.add(day, stamp -> new RunLogged(stamp, 1, rolls, List.of(), 300, List.of(), started));
    }

    private static void say(TestLog log, double day, FilmStage stage, long id) {
        log.add(day, stamp -> new FilmHandled(stamp, List.of(id), stage));
    }

    private static QueuedFilm film(TestLog log, long id) {
        return QueuedFilm.of(log.entries()).stream()
                .filter(each -> each.id() == id)
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void itGoesFromTheCounterToItsOwner() {
        TestLog log = darkroom();
        assertThat(QueuedFilm.of(log.entries())).isEmpty();
        drop(log, 1, 7, false, null);
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.ANNOUNCED);
        assertThat(film(log, 7).code()).isEqualTo("K7");
        say(log, 2, FilmStage.HERE, 7);
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.WAITS);
        RunStarted start = log.add(
                3, stamp -> new RunStarted(stamp, 1, List.of(TestLog.roll(0).queuedAs(7L)), List.of(), 300));
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.IN_THE_TANK);
        RunLogged logged = run(log, 3.1, start.stamp().sequence(), 7L);
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.HANGS);
        assertThat(film(log, 7).run()).isEqualTo(logged.stamp().sequence());
        assertThat(film(log, 7).batch()).isEqualTo(1);
        for (FilmStage stage : List.of(FilmStage.DRIED, FilmStage.SLEEVED, FilmStage.COLLECTED)) {
            assertThat(film(log, 7).mayBecome(stage)).isTrue();
            say(log, 4, stage, 7);
        }
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.COLLECTED);
        assertThat(film(log, 7).mayBecome(FilmStage.SLEEVED)).isFalse();
    }

    @Test
    public void whatMakesNoSenseChangesNothing() {
        TestLog log = darkroom();
        drop(log, 1, 7, true, null);
        say(log, 2, FilmStage.COLLECTED, 7);
        say(log, 2, FilmStage.DRIED, 99);
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.WAITS);
        say(log, 3, FilmStage.WITHDRAWN, 7);
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.WITHDRAWN);
        assertThat(film(log, 7).mayBecome(FilmStage.HERE)).isFalse();
    }

    @Test
    public void aRunThatDidNotTakePlaceGivesItBack() {
        TestLog log = darkroom();
        drop(log, 1, 7, true, null);
        RunStarted start = log.add(
                2, stamp -> new RunStarted(stamp, 1, List.of(TestLog.roll(0).queuedAs(7L)), List.of(), 300));
        log.add(3, stamp -> new RunCalledOff(stamp, start.stamp().sequence(), "no"));
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.WAITS);
        RunLogged logged = run(log, 4, null, 7L);
        log.voidEntry(logged.stamp().sequence());
        assertThat(film(log, 7).where()).isEqualTo(QueuedFilm.Where.WAITS);
        assertThat(film(log, 7).run()).isNull();
    }

    @Test
    public void aStartThatEndsWithoutItGivesItBack() {
        TestLog log = darkroom();
        drop(log, 1, 7, true, null);
        drop(log, 1, 8, true, null);
        RunStarted start = log.add(
                2,
                stamp -> new RunStarted(
                        stamp,
                        1,
                        List.of(TestLog.roll(0).queuedAs(7L), TestLog.roll(0).queuedAs(8L)),
                        List.of(),
                        300));
        run(log, 3, start.stamp().sequence(), 8L);
        assertThat(film(log, 7).where()).as("it was not in the tank after all").isEqualTo(QueuedFilm.Where.WAITS);
        assertThat(film(log, 8).where()).isEqualTo(QueuedFilm.Where.HANGS);
    }

    @Test
    public void whatHasADayGoesBeforeWhatHasNone() {
        TestLog log = darkroom();
        drop(log, 1, 1, true, null);
        drop(log, 2, 2, true, LocalDate.of(2026, 3, 1));
        drop(log, 3, 3, true, LocalDate.of(2026, 2, 1));
        drop(log, 0.5, 4, true, null);
        assertThat(QueuedFilm.of(log.entries()).stream()
                        .sorted(QueuedFilm.MOST_URGENT_FIRST)
                        .map(QueuedFilm::id))
                .containsExactly(3L, 2L, 4L, 1L);
    }

    @Test
    public void aGuestsFilmIsBorneByWhoeverBroughtIt() {
        TestLog log = darkroom();
        drop(log, 1, 7, true, null);
        Roll guest = new Roll("Wren", FilmFormat.F120, 1, 0, false);
        log.add(1.5, stamp -> new FilmDropped(stamp, 8, guest, "colour-negative", "Devi", null, true));
        Bearer bearer = new Bearer(List.of("Ines", "Devi"), QueuedFilm.of(log.entries()), log.state(), "Ines");
        assertThat(bearer.of(guest.queuedAs(8L))).isEqualTo("Devi");
        assertThat(bearer.of(guest)).as("nobody knows").isEqualTo("Ines");
        assertThat(bearer.of(new Roll(Roll.HOUSE, FilmFormat.F120, 1, 0, false)))
                .isEqualTo(Roll.HOUSE);
        assertThat(bearer.of(new Roll("Devi", FilmFormat.F120, 1, 0, false))).isEqualTo("Devi");
        log.add(2, stamp -> new RunLogged(stamp, 1, List.of(guest), List.of(), 300, List.of(), null)
                .charged(List.of(new Charge("Devi", Money.parse("NZD 4.00"), true))));
        assertThat(new Bearer(List.of("Ines", "Devi"), List.of(), log.state(), "Ines").of(guest))
                .as("she bore it before")
                .isEqualTo("Devi");
        Roll other = new Roll("Jory", FilmFormat.F120, 1, 0, false);
        Money four = Money.parse("NZD 4.00");
        log.add(3, stamp -> new RunLogged(stamp, 1, List.of(other, guest), List.of(), 300, List.of(), null)
                .charged(List.of(new Charge("Devi", four, true), new Charge("Tomasz", four, true))));
        log.add(4, stamp -> new RunLogged(stamp, 1, List.of(other), List.of(), 300, List.of(), null)
                .charged(List.of(new Charge("Saoirse", four, true))));
        log.add(5, stamp -> new RunLogged(stamp, 1, List.of(guest), List.of(), 300, List.of(), null));
        Bearer later = new Bearer(List.of("Ines", "Devi"), List.of(), log.state(), "Ines");
        assertThat(later.of(guest))
                .as("the last who bore that guest's, of that roll")
                .isEqualTo("Tomasz");
        assertThat(later.of(other)).isEqualTo("Saoirse");
    }

    @Test
    public void filmSharesATankWithWhatIsRunInTheSameWay() {
        TestLog log = darkroom();
        Roll pushed = new Roll("Ines", FilmFormat.F120, 1, 1, false);
        Roll carbon = new Roll("Ines", FilmFormat.F120, 1, 0, false, new Roll.Film(null, null, 0, null, true));
        Roll named = new Roll("Devi", FilmFormat.F135_36, 1, 0, true, new Roll.Film("harbour", null, 0, null, false));
        long id = 1;
        for (Roll roll : List.of(TestLog.roll(0), pushed, carbon, named)) {
            long number = id++;
            log.add(1, stamp -> new FilmDropped(stamp, number, roll, "colour-negative", "Ines", null, true));
        }
        assertThat(film(log, 1).sharesTankWith(film(log, 2))).isFalse();
        assertThat(film(log, 1).sharesTankWith(film(log, 3))).isFalse();
        assertThat(film(log, 1).sharesTankWith(film(log, 4))).isTrue();
        assertThat(film(log, 4).asLoaded().owner()).isEmpty();
        assertThat(film(log, 4).asLoaded().irreplaceable()).isTrue();
    }
}
