package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.AirKept;
import mezcla.log.BatchMixed;
import mezcla.log.EntryVoided;
import mezcla.log.FillMoved;
import mezcla.log.FillSeen;
import mezcla.log.FillShared;
import mezcla.log.FillSpilled;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.LogEntry;
import mezcla.log.NoteLeft;
import mezcla.log.PartOpened;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import org.testng.annotations.Test;

/** The fold never fails: what does not fit is set aside (rules, 12). */
public class TotalFoldTest {
    private static TestLog evening() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.add(0.5, stamp -> new PartOpened(stamp, 1, "dev-a"));
        log.mix(1, 1, 1, 500);
        log.mix(1, 2, 2, 500);
        log.run(2, 1, 2, 1L, 2L);
        log.add(2.5, stamp -> new FillSpilled(stamp, 1, 20));
        log.add(2.5, stamp -> new FillSeen(stamp, 1));
        log.add(2.6, stamp -> new FillMoved(stamp, 2, TestLog.bottle(9), null, AirKept.NOTHING));
        log.add(2.7, stamp -> new NoteLeft(stamp, 1, "stir longer"));
        log.discard(3, 1, 2);
        log.add(4, stamp -> new FillShared(stamp, 1, 4));
        RunStarted start = log.start(5, 1, 1, 300, 1L, 4L);
        log.add(5.1, stamp -> new RunCalledOff(stamp, start.stamp().sequence(), "wrong tank"));
        RunLogged run = log.run(6, 1, 1, 1L, 4L);
        log.add(
                7,
                stamp -> new FilmInspected(
                        stamp, 1, run.stamp().sequence(), 0, List.of(1L), Finding.GOOD, Set.of(), null));
        log.discard(8, 1, 1);
        log.renew(9, 1, 1, "dev", 300);
        return log;
    }

    @Test
    public void aRunThatHappenedBeforeItsMixIsSetAsideAndNothingElse() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        BatchMixed mix = log.mix(1.2, 1, 1, 500);
        RunLogged early = log.run(1, 1, 2, 1L, 2L);
        RunLogged fine = log.run(2, 1, 1, 1L, 2L);
        LogState state = log.state();
        assertThat(state.anomalies()).extracting(Anomaly::entry).containsExactly(early);
        assertThat(state.batch(1).mixed()).isEqualTo(mix);
        assertThat(state.batch(1).runs()).containsExactly(fine);
        assertThat(state.fill(1).rolls()).isEqualTo(1);
        assertThat(log.book().state()).isEqualTo(state);
        log.voidEntry(early.stamp().sequence());
        assertThat(log.state().anomalies()).isEmpty();
        assertThat(log.state().batch(1)).isEqualTo(state.batch(1));
    }

    @Test
    public void whatIsThereAlreadyDoesNotComeAgain() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        BatchMixed mix = log.mix(1, 1, 1, 500);
        log.run(2, 1, 2, 1L, 2L);
        LogState before = log.state();
        log.add(3, stamp -> new BatchMixed(stamp, 1, "again", mix.fills()));
        log.add(3, stamp -> new BatchMixed(stamp, 2, "of the same bottles", mix.fills()));
        log.add(3, stamp -> new BatchMixed(stamp, 3, "of nothing", List.of()));
        assertThat(log.state().anomalies()).hasSize(3);
        assertThat(log.state().batches()).isEqualTo(before.batches());
        assertThat(log.state().kits())
                .as("nor does it take anything of the kit")
                .isEqualTo(before.kits());
    }

    @Test
    public void aVoidOfWhatNeverWasAndADrumThatNobodyKnowsChangeNothing() {
        TestLog log = evening();
        LogState before = log.state();
        log.add(10, stamp -> new EntryVoided(stamp, 4711, "nothing there"));
        log.add(10, stamp -> new RunCalledOff(stamp, 4711, "nothing there"));
        LogBook book = log.book();
        assertThat(book.state()).isEqualTo(before);
        assertThat(book.find(4711)).isEmpty();
    }

    @Test
    public void anyRowsInAnyOrderFoldAndEveryRowLeftOutIsListed() {
        Random random = new Random(20_260_105);
        List<LogEntry> all = evening().entries();
        Set<Class<?>> setAside = new HashSet<>();
        for (int i = 0; i < 400; i++) {
            List<LogEntry> some = new ArrayList<>(all);
            Collections.shuffle(some, random);
            List<LogEntry> kept = some.subList(0, 1 + random.nextInt(some.size()));
            LogState state = LogState.fold(kept);
            for (Anomaly odd : state.anomalies()) {
                assertThat(kept).contains(odd.entry());
                setAside.add(odd.entry().getClass());
            }
            List<LogEntry> sound = new ArrayList<>(kept);
            sound.removeAll(state.anomalies().stream().map(Anomaly::entry).toList());
            LogState without = LogState.fold(sound);
            assertThat(without.anomalies()).isEmpty();
            assertThat(without.batches()).isEqualTo(state.batches());
            assertThat(without.kits()).isEqualTo(state.kits());
            List<LogEntry> recorded = new ArrayList<>(kept);
            recorded.sort(Comparator.comparingLong(entry -> entry.stamp().sequence()));
            assertThat(LogBook.EMPTY.with(recorded).state()).isEqualTo(state);
        }
        assertThat(setAside)
                .as("the rows drawn leave out enough to say something")
                .hasSizeGreaterThan(8);
    }

    @Test
    public void aRowThatWasSetAsideCountsOnceWhatItNamesIsThere() {
        List<LogEntry> all = new ArrayList<>(evening().entries());
        LogEntry mix =
                all.stream().filter(BatchMixed.class::isInstance).findFirst().orElseThrow();
        all.remove(mix);
        assertThat(LogState.fold(all).anomalies()).isNotEmpty();
        all.add(mix);
        assertThat(LogState.fold(all).anomalies()).isEmpty();
    }
}
