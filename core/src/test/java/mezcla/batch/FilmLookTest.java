package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.FillSpilled;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** When film asks to be looked at (rules, section 6), and where a limit is reached (4.1). */
public class FilmLookTest {
    private TestLog log;

    @BeforeMethod
    public void aBatch() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
    }

    private List<RunLogged> due(Instant now) {
        return FilmLook.due(log.state().batch(1), now, Duration.ofHours(2));
    }

    @Test
    public void filmAsksFromWhenItIsDryForAMonth() {
        RunLogged run = log.run(1, 1, 1, 1L, 2L);
        Instant at = run.stamp().happenedAt();
        assertThat(due(at.plus(Duration.ofHours(2)).minusSeconds(1))).isEmpty();
        assertThat(due(at.plus(Duration.ofHours(2)))).containsExactly(run);
        assertThat(due(at.plus(Duration.ofDays(30)).minusSeconds(1))).containsExactly(run);
        assertThat(due(at.plus(Duration.ofDays(30)))).isEmpty();
    }

    @Test
    public void filmThatWasLookedAtOrGivenUpDoesNotAsk() {
        RunLogged looked = log.run(1, 1, 1, 1L, 2L);
        log.add(
                2,
                stamp -> new FilmInspected(
                        stamp, 1, looked.stamp().sequence(), 1, List.of(1L), Finding.GOOD, Set.of(), null));
        List<RunBath> baths = looked.baths();
        log.add(
                2,
                stamp -> new RunLogged(
                        stamp,
                        1,
                        looked.rolls(),
                        baths,
                        300,
                        List.of(),
                        null,
                        "no light",
                        List.of(),
                        null,
                        false,
                        List.of()));
        RunLogged other = log.run(2, 1, 2, 1L, 2L);
        assertThat(due(TestLog.day(3))).containsExactly(other);
    }

    /** Whole litres as printed: a roll counts as one, until something is spilt and counts twice. */
    @Test
    public void rollsOfALimitAreThoseThatWereDoneWhenItWasReached() {
        log.run(1, 1, 3, 1L, 2L);
        log.run(2, 1, 3, 1L, 2L);
        assertThat(log.state().fill(1).rollsOf(10)).isEqualTo(10);
        assertThat(log.state().fill(1).rollsOf(6)).isEqualTo(6);
        assertThat(log.state().fill(1).rollsOf(5)).isEqualTo(5);
        assertThat(log.state().fill(1).rollsOf(3)).isEqualTo(3);
        assertThat(log.state().fill(1).rollsOf(2)).isEqualTo(2);
        assertThat(log.state().fill(1).rollsOf(0)).isZero();
        log.add(3, stamp -> new FillSpilled(stamp, 1, 500));
        log.run(4, 1, 3, 1L, 2L);
        FillState half = log.state().fill(1);
        assertThat(half.rolls()).isEqualTo(9);
        assertThat(half.scaledRolls()).isGreaterThan(11);
        double twice = half.scaledRolls() - 6;
        assertThat(half.rollsOf(6)).isEqualTo(6);
        assertThat(half.rollsOf(6 + twice / 3)).isCloseTo(7, within(1e-9));
        assertThat(half.rollsOf(half.scaledRolls() + twice / 3)).isCloseTo(10, within(1e-9));
    }

    private boolean isSuspect(int seconds, Double celsius) {
        RunStarted start = log.start(1, 1, 1, 300, 1L, 2L);
        RunLogged run = log.add(
                1,
                stamp -> new RunLogged(
                        stamp,
                        1,
                        start.rolls(),
                        List.of(new RunBath(1, seconds, 1, 5, 0, celsius)),
                        300,
                        List.of(),
                        start.stamp().sequence()));
        return HowItWasRun.isSuspect(log.book(), log.state().batch(1), run);
    }

    /** The developer is planned for 200 s, and printed for 38 °C. */
    @Test
    public void howItWasRunIsSuspectedWhereTheLogShowsIt() {
        double printed = log.state().fill(1).bath().timing().atC();
        double most = log.state().fill(1).bath().timing().mostC();
        assertThat(isSuspect(200, printed)).isFalse();
        assertThat(isSuspect(204, null)).isFalse();
        assertThat(isSuspect(205, null)).isTrue();
        assertThat(isSuspect(190, null)).isTrue();
        assertThat(isSuspect(200, most)).isFalse();
        assertThat(isSuspect(200, most + 0.5)).isTrue();
        RunLogged once = log.run(2, 1, 1, 1L, 2L);
        assertThat(HowItWasRun.isSuspect(log.book(), log.state().batch(1), once))
                .isFalse();
    }
}
