package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BarLifted;
import mezcla.log.BatchMixed;
import mezcla.log.DiscardedFill;
import mezcla.log.FillBarred;
import mezcla.log.FillInspected;
import mezcla.log.FillMeasured;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.Finding;
import mezcla.log.HouseDecided;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.PartMoved;
import mezcla.measure.Refusal;
import org.testng.annotations.Test;

public class VoidingTest {
    private static TestLog log() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(1, 7, 1, 500);
        log.run(2, 7, 2, 1L, 2L);
        return log;
    }

    private static Refusal refusal(TestLog log, long sequence) {
        return catchThrowableOfType(Refusal.class, () -> Voiding.check(log.entries(), sequence));
    }

    private static List<Object> dependents(Refusal refusal) {
        assertThat(refusal.code()).isEqualTo("later-entries-depend");
        return List.copyOf(((BatchObjection.LaterEntriesDepend) refusal.objection()).entries());
    }

    @Test
    public void kitWithMixesAndMixWithRunsStay() {
        TestLog log = log();
        assertThat(dependents(refusal(log, 1))).containsExactly(log.entries().get(1));
        assertThat(dependents(refusal(log, 2))).containsExactly(log.entries().get(2));
    }

    @Test
    public void partThatWasMovedStaysOnceItsNewKitWasUsed() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.kit(0, 2, Leaflets.negative(), 5000);
        log.add(1, stamp -> new PartMoved(stamp, 1, "dev-a", 2, 40));
        log.mix(2, 7, 1, 400);
        assertThat(refusal(log, 3)).as("the kit that it came from was used").isNull();
        log.mix(3, 8, 2, 400);
        assertThat(dependents(refusal(log, 3))).containsExactly(log.entries().get(4));
    }

    @Test
    public void whatTheHouseDecidedIsUndoneWhereItWasDecided() {
        TestLog log = log();
        log.add(3, stamp -> new HouseDecided(stamp, HouseDecided.Topic.HABITS, "", "no advice", "advice", "{}"));
        assertThat(refusal(log, log.entries().size()).code()).isEqualTo("undone-where-decided");
    }

    @Test
    public void onceWhatDependsIsVoidTheRestMayFollow() {
        TestLog log = log();
        assertThat(refusal(log, 3)).isNull();
        log.voidEntry(3);
        assertThat(refusal(log, 2)).isNull();
        log.voidEntry(2);
        assertThat(refusal(log, 1)).isNull();
    }

    @Test
    public void aRowIsVoidedOnceAndAVoidIsFinal() {
        TestLog log = log();
        log.voidEntry(3);
        assertThat(refusal(log, 3).code()).isEqualTo("already-void");
        assertThat(refusal(log, 4).code()).isEqualTo("void-is-final");
        assertThat(refusal(log, 99).code()).isEqualTo("unknown-entry");
    }

    @Test
    public void everythingAboutAFillHoldsItsMix() {
        for (LogEntry about : List.of(
                log().add(3, stamp -> new FillSpilled(stamp, 1, 10)),
                log().add(3, stamp -> new FillToppedUp(stamp, 1, 10, List.of())),
                log().add(3, stamp -> new FillMeasured(stamp, 1, 10)),
                log().add(3, stamp -> new FillBarred(stamp, 1, "smells")),
                log().add(3, stamp -> new BarLifted(stamp, 1, "fine")),
                log().add(3, stamp -> new FillInspected(stamp, 1, Finding.GOOD, true)))) {
            TestLog log = log();
            log.voidEntry(3);
            log.entries().add(about);
            assertThat(dependents(refusal(log, 2))).containsExactly(about);
        }
    }

    @Test
    public void discardStaysOnceItsBottleIsTaken() {
        TestLog log = log();
        log.add(
                4,
                stamp ->
                        new FillsDiscarded(stamp, 7, List.of(new DiscardedFill(1, 490, WasteRoute.DEVELOPERS)), "old"));
        assertThat(refusal(log, 4)).isNull();
        MixedFill old = ((BatchMixed) log.entries().get(1)).fills().get(0);
        BatchMixed reuse = log.add(
                5,
                stamp -> new BatchMixed(
                        stamp,
                        8,
                        "Again",
                        List.of(new MixedFill(
                                30, Leaflets.negative(), "dev", 500, "500 ml", old.bottle(), List.of(), null))));
        assertThat(dependents(refusal(log, 4))).containsExactly(reuse);
    }

    @Test
    public void measuringAndBarringChangeOnlyWhatTheySay() {
        TestLog log = log();
        FillState before = log.state().fill(1);
        log.add(3, stamp -> new FillMeasured(stamp, 1, 400));
        FillState measured = log.state().fill(1);
        assertThat(measured.volumeMl()).isEqualTo(400);
        assertThat(measured.countedMl()).isEqualTo(before.countedMl());
        assertThat(measured.scaledRolls()).isEqualTo(before.scaledRolls());
        log.add(4, stamp -> new FillBarred(stamp, 1, "smells of bleach-fix"));
        assertThat(log.state().fill(1).bar())
                .isEqualTo(new FillState.Bar(TestLog.day(4), "Ines", "smells of bleach-fix"));
        log.add(5, stamp -> new BarLifted(stamp, 1, "it was the sink"));
        assertThat(log.state().fill(1).bar()).isNull();
    }
}
