package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.DiscardedFill;
import mezcla.log.DrumCollected;
import mezcla.log.FillSpilled;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.KitArrived;
import mezcla.log.LogEntry;
import mezcla.log.NoteLeft;
import mezcla.log.PartMoved;
import mezcla.log.RunLogged;
import mezcla.measure.Refusal;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.PrintedLimits;
import org.testng.annotations.Test;

/** The log as far as it was read: the same as the whole, whatever was read when. */
public class LogBookTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final int HOUSES = 40;

    /** A house in which anything happens: shared kits, guests, moves between kits, voids, late entries. */
    private static TestLog anything(Random random) {
        TestLog log = new TestLog();
        int kits = 2 + random.nextInt(3);
        for (int kit = 1; kit <= kits; kit++) {
            log.kit(0, kit, Leaflets.negative(), 3000 + kit);
        }
        int batches = 2 + random.nextInt(4);
        for (int batch = 1; batch <= batches; batch++) {
            log.mix(batch, batch, 1 + random.nextInt(kits), 50 + random.nextInt(60));
        }
        for (int i = 0; i < 30; i++) {
            long batch = 1 + random.nextInt(batches);
            long developer = 2 * batch - 1;
            double day = batches + 1 + random.nextInt(20);
            switch (random.nextInt(7)) {
                case 0 -> log.add(day, stamp -> new FillSpilled(stamp, developer, 1));
                case 1 -> log.add(day, stamp -> new NoteLeft(stamp, batch, "a note"));
                case 2 -> log.add(day, stamp -> new PartMoved(stamp, 1, "dev-a", 2 + random.nextInt(kits - 1), 0.5));
                case 3 -> voidSomething(log, random);
                case 4 -> {
                    RunLogged run = log.run(day, batch, 1, developer, developer + 1);
                    log.add(
                            day + 1,
                            stamp -> new FilmInspected(
                                    stamp,
                                    batch,
                                    run.stamp().sequence(),
                                    0,
                                    List.of(developer),
                                    Finding.GOOD,
                                    Set.of(),
                                    null));
                }
                default -> log.run(day, batch, 1 + random.nextInt(2), developer, developer + 1);
            }
        }
        return log;
    }

    @Test
    public void knowsTheRunsOfAMember() {
        for (int seed = 0; seed < HOUSES; seed++) {
            TestLog log = anything(new Random(seed));
            LogBook book = LogBook.EMPTY.with(log.entries());
            List<Long> standing = LogState.fold(log.entries()).batches().values().stream()
                    .flatMap(batch -> batch.runs().stream())
                    .map(run -> run.stamp().sequence())
                    .sorted(Comparator.reverseOrder())
                    .toList();
            assertThat(book.runsOf(0).stream().map(LogBook.OwnRun::number)).containsExactlyElementsOf(standing);
            assertThat(book.runsOf(7)).isEmpty();
        }
    }

    private static void voidSomething(TestLog log, Random random) {
        LogEntry some = log.entries().get(random.nextInt(log.entries().size()));
        if (!some.fillsMade().isEmpty() || some instanceof KitArrived) {
            return;
        }
        if (catchThrowable(() -> Voiding.check(log.entries(), some.stamp().sequence())) == null) {
            log.voidEntry(some.stamp().sequence());
        }
    }

    @Test
    public void aBookReadInPiecesAddsUpToTheWholeLog() {
        Random random = new Random(11);
        for (int house = 0; house < HOUSES; house++) {
            List<LogEntry> rows = anything(random).entries();
            LogBook book = LogBook.EMPTY;
            for (int from = 0; from < rows.size(); ) {
                int to = Math.min(rows.size(), from + 1 + random.nextInt(9));
                book = book.with(rows.subList(from, to));
                from = to;
                assertThat(book.state()).isEqualTo(LogState.fold(rows.subList(0, to)));
            }
            assertThat(book.state().batches().keySet())
                    .containsExactlyElementsOf(LogState.fold(rows).batches().keySet());
            assertThat(book.state().kits().keySet())
                    .containsExactlyElementsOf(LogState.fold(rows).kits().keySet());
            assertThat(book.entries()).isEqualTo(rows);
        }
    }

    @Test
    public void theRowsAboutABatchFoldToTheSameBatch() {
        Random random = new Random(12);
        for (int house = 0; house < HOUSES; house++) {
            TestLog log = anything(random);
            LogBook book = log.book();
            LogState whole = log.state();
            whole.batches().forEach((id, batch) -> {
                assertThat(LogState.fold(book.about(id)).batch(id)).isEqualTo(batch);
                assertThat(book.only(List.of(id)).state().batch(id)).isEqualTo(batch);
                assertThat(book.lastAbout(id))
                        .isEqualTo(book.about(id)
                                .get(book.about(id).size() - 1)
                                .stamp()
                                .sequence());
                assertThat(BatchCost.of(batch, FillCosts.of(whole, batch), PRINTED))
                        .isEqualTo(BatchCost.of(batch, FillCosts.of(whole), PRINTED));
            });
        }
    }

    @Test
    public void onlyTheStrandOfAnewRowIsFoldedAnew() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        log.kit(0, 2, Leaflets.negative(), 3000);
        log.mix(1, 1, 1, 400);
        log.mix(1, 2, 2, 400);
        LogBook before = log.book();
        BatchState untouched = before.state().batch(2);
        RunLogged run = log.run(2, 1, 1, 1L, 2L);
        LogBook after = before.with(List.of(run));
        assertThat(after.state().batch(2)).isSameAs(untouched);
        assertThat(after.state().batch(1).runs()).containsExactly(run);
        assertThat(before.state().batch(1).runs()).isEmpty();
        assertThat(after.about(2)).doesNotContain(run);
    }

    @Test
    public void aRowIsReadOnce() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        LogBook book = log.book();
        assertThatThrownBy(() -> book.with(log.entries())).isInstanceOf(IllegalArgumentException.class);
        assertThat(book.with(List.of())).isSameAs(book);
    }

    @Test
    public void rowsAreFoundByWhatTheyMade() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        BatchMixed mix = log.mix(1, 7, 1, 400);
        RunLogged late = log.run(3, 7, 1, 1L, 2L);
        RunLogged early = log.run(2, 7, 1, 1L, 2L);
        log.voidEntry(late.stamp().sequence());
        LogBook book = log.book();
        assertThat(book.making(2)).contains(mix);
        assertThat(book.mixed(2)).contains(mix.fills().get(1));
        assertThat(book.arrival(1).orElseThrow().kitId()).isEqualTo(1);
        assertThat(book.entry(early.stamp().sequence())).isEqualTo(early);
        assertThat(book.voiding(late.stamp().sequence())).isPresent();
        assertThat(book.voiding(early.stamp().sequence())).isEmpty();
        assertThat(book.newestFirst().subList(0, 2)).containsExactly(late, early);
        assertThat(book.writers()).containsExactly("Ines");
        assertThat(book.making(9)).isEmpty();
        assertThat(book.mixed(9)).isEmpty();
        assertThat(book.arrival(9)).isEmpty();
        assertThat(book.find(99)).isEmpty();
        assertThat(catchThrowableOfType(Refusal.class, () -> book.entry(99)).code())
                .isEqualTo("unknown-entry");
    }

    @Test
    public void whatIsSupposedStaysOutOfTheBook() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        log.mix(1, 7, 1, 400);
        LogBook book = log.book();
        LogBook supposed = book.supposing(TestLog.day(2), List.of(stamp -> new FillSpilled(stamp, 1, 100)));
        assertThat(supposed.state().fill(1).volumeMl()).isEqualTo(300);
        assertThat(book.state().fill(1).volumeMl()).isEqualTo(400);
    }

    @Test
    public void drumsFillUntilTheyAreCollected() {
        Drum silver = new Drum(1, "Blue drum", WasteRoute.SILVER_BEARING, 1000);
        Drum developers = new Drum(2, "White drum", WasteRoute.DEVELOPERS, 1000);
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        log.mix(1, 7, 1, 400);
        log.mix(1, 8, 1, 400);
        pour(log, 2, 7, new DiscardedFill(2, 400, WasteRoute.SILVER_BEARING, 1L));
        FillsDiscarded second = pour(log, 4, 8, new DiscardedFill(4, 400, WasteRoute.SILVER_BEARING, 1L));
        DrumLevel level = DrumLevel.of(log.book(), List.of(silver, developers)).get(0);
        assertThat(level.levelMl()).isEqualTo(800);
        assertThat(level.due()).isTrue();
        assertThat(level.roomMl()).isEqualTo(200);
        assertThat(DrumLevel.of(log.book(), List.of(developers)).get(0).levelMl())
                .isZero();
        assertThat(code(() -> level.accept(BathRole.BLEACH_FIX, 201))).isEqualTo("drum-too-full");
        level.accept(BathRole.BLEACH_FIX, 200);
        List<LogEntry> rows = new ArrayList<>(log.entries());
        log.add(3, stamp -> new DrumCollected(stamp, 1, "Blue drum", 400));
        assertThat(DrumLevel.of(log.book(), List.of(silver)).get(0).levelMl())
                .as("what went in after it was collected stays")
                .isEqualTo(400);
        log.voidEntry(second.stamp().sequence());
        assertThat(DrumLevel.of(log.book(), List.of(silver)).get(0).levelMl()).isZero();
        assertThat(rows).hasSize(5);
    }

    private static FillsDiscarded pour(TestLog log, double day, long batch, DiscardedFill fill) {
        return log.add(day, stamp -> new FillsDiscarded(stamp, batch, List.of(fill), "spent"));
    }

    @Test
    public void drumsRefuseWhatMustNotMeet() {
        Drum silver = new Drum(1, "Blue drum", WasteRoute.SILVER_BEARING, 1000);
        Drum developers = new Drum(2, "White drum", WasteRoute.DEVELOPERS, 1000);
        Drum others = new Drum(3, "Grey drum", WasteRoute.OTHERS, 1000);
        assertThat(code(() -> silver.accept(BathRole.DEVELOPER))).isEqualTo("waste-kept-apart");
        assertThat(code(() -> developers.accept(BathRole.FIXER))).isEqualTo("waste-kept-apart");
        assertThat(code(() -> silver.accept(BathRole.STOP))).isEqualTo("acid-on-fixer");
        assertThat(code(() -> developers.accept(BathRole.STABILISER))).isEqualTo("drum-of-another-kind");
        assertThat(code(() -> others.accept(BathRole.DEVELOPER))).isEqualTo("drum-of-another-kind");
        silver.accept(BathRole.FIXER);
        developers.accept(BathRole.FIRST_DEVELOPER);
        others.accept(BathRole.STOP);
    }

    private static String code(org.assertj.core.api.ThrowableAssert.ThrowingCallable act) {
        return catchThrowableOfType(Refusal.class, act).code();
    }
}
