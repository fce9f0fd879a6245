package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.BathLooked;
import mezcla.log.DiscardedFill;
import mezcla.log.FillMoved;
import mezcla.log.FillShared;
import mezcla.log.FillsDiscarded;
import mezcla.log.LogEntry;
import mezcla.log.NoteLeft;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What came to stand where something was poured away or moved from. */
public class VoidingPlacesTest {
    private TestLog log;

    @BeforeMethod
    public void twoBatches() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.kit(0, 2, Leaflets.negative(), 4000);
        log.kit(0, 3, Leaflets.negative(), 4000);
        log.mix(1, 1, 1, 500);
        log.mix(1, 2, 2, 500);
    }

    private LogEntry pourAway(double day, long batch, long... fills) {
        List<DiscardedFill> gone = java.util.Arrays.stream(fills)
                .mapToObj(fill -> new DiscardedFill(fill, 400, WasteRoute.OTHERS))
                .toList();
        return log.add(day, stamp -> new FillsDiscarded(stamp, batch, gone, "old"));
    }

    private List<LogEntry> restingOn(LogEntry entry) {
        Refusal refusal = catchThrowableOfType(
                Refusal.class, () -> Voiding.check(log.entries(), entry.stamp().sequence()));
        return refusal == null ? List.of() : ((BatchObjection.LaterEntriesDepend) refusal.objection()).entries();
    }

    @Test
    public void whatWasRenewedDoesNotComeBack() {
        LogEntry gone = pourAway(2, 1, 1);
        assertThat(restingOn(gone)).isEmpty();
        LogEntry renewed = log.renew(3, 1, 3, "dev", 300);
        assertThat(restingOn(gone)).containsExactly(renewed);
    }

    @Test
    public void anotherBathThatWasRenewedIsNoHindrance() {
        LogEntry developer = pourAway(2, 1, 1);
        pourAway(2, 1, 2);
        log.renew(3, 1, 3, "bx", 300);
        assertThat(restingOn(developer)).isEmpty();
        LogEntry other = pourAway(4, 2, 3);
        log.renew(5, 1, 3, "dev", 300);
        assertThat(restingOn(other)).as("renewed in another batch").isEmpty();
    }

    @Test
    public void aGuestThatTookThePlaceOfABathKeepsIt() {
        LogEntry developer = pourAway(2, 1, 1);
        LogEntry bleachFix = pourAway(2, 1, 2);
        log.add(2, stamp -> new NoteLeft(stamp, 1, "rinse longer"));
        LogEntry guest = log.add(3, stamp -> new FillShared(stamp, 1, 4));
        assertThat(restingOn(bleachFix)).containsExactly(guest);
        assertThat(restingOn(developer))
                .as("a bleach-fix takes no developer's place")
                .isEmpty();
        LogEntry through = log.run(4, 1, 1, 4L);
        assertThat(restingOn(guest)).containsExactly(through);
        log.run(4, 2, 1, 3L, 4L);
        assertThat(restingOn(guest)).as("its own batch goes on").containsExactly(through);
    }

    @Test
    public void aBottleThatWasFilledAnewIsNotFreed() {
        LogEntry gone = pourAway(2, 1, 1);
        LogEntry into = log.add(3, stamp -> new FillMoved(stamp, 3, TestLog.bottle(1), null, AirKept.NOTHING));
        assertThat(restingOn(gone)).containsExactly(into);
        LogEntry back = log.add(4, stamp -> new FillMoved(stamp, 3, TestLog.bottle(8), null, AirKept.NOTHING));
        assertThat(restingOn(gone))
                .as("it stood there for a while")
                .contains(into)
                .doesNotContain(back);
    }

    @Test
    public void aMoveIsTakenBackWhileItsOldBottleIsEmpty() {
        LogEntry moved = log.add(2, stamp -> new FillMoved(stamp, 1, TestLog.bottle(8), null, AirKept.NOTHING));
        log.add(3, stamp -> new FillMoved(stamp, 1, TestLog.bottle(9), null, AirKept.NOTHING));
        assertThat(restingOn(moved)).as("its own moves are no hindrance").isEmpty();
        LogEntry taken = log.add(4, stamp -> new FillMoved(stamp, 3, TestLog.bottle(1), null, AirKept.NOTHING));
        assertThat(restingOn(moved)).containsExactly(taken);
    }

    @Test
    public void whoeverHasABottleInHandIsRemembered() {
        log.add(2, stamp -> new BathLooked(stamp, 1, Sign.DARK, null));
        assertThat(log.state().fill(1).seenAt()).isEqualTo(TestLog.day(2));
        log.run(3, 1, 1, 1L, 2L);
        assertThat(log.state().fill(2).seenAt()).isEqualTo(TestLog.day(3));
        log.add(4, stamp -> new FillMoved(stamp, 1, TestLog.bottle(8), null, AirKept.NOTHING));
        assertThat(log.state().fill(1).seenAt()).isEqualTo(TestLog.day(4));
        assertThat(log.state().fill(1).signs()).containsExactly(Sign.DARK);
    }

    @Test
    public void everyChangeOfABottleEndsASpellOfItsStorage() {
        assertThat(log.state().fill(1).spells()).hasSize(1);
        log.add(2, stamp -> new mezcla.log.FillSpilled(stamp, 1, 100));
        assertThat(log.state().fill(1).spells()).hasSize(2);
        log.add(3, stamp -> new mezcla.log.FillMeasured(stamp, 1, 380));
        assertThat(log.state().fill(1).spells()).hasSize(3);
        assertThat(log.state().fill(1).spells().get(2).headspace())
                .isCloseTo(1 - 380 / 2000.0, org.assertj.core.api.Assertions.within(1e-9));
        log.add(4, stamp -> new FillMoved(stamp, 1, TestLog.bottle(8), null, AirKept.VACUUM_STOPPER));
        assertThat(log.state().fill(1).spells()).hasSize(4);
        assertThat(log.state().fill(1).spells().get(3).air()).isEqualTo(AirKept.VACUUM_STOPPER);
        log.run(5, 1, 1, 1L, 2L);
        assertThat(log.state().fill(1).spells()).hasSize(5);
    }

    @Test
    public void aBatchCountsItsFilmAndKnowsItsPlaces() {
        log.run(2, 1, 2, 1L, 2L);
        log.run(3, 1, 3, 1L, 2L);
        LogState state = log.state();
        assertThat(state.batch(1).filmCount()).isEqualTo(5);
        assertThat(state.batch(1).placeOf(state.fill(2))).isEqualTo("bx");
        assertThat(state.servedBy(2)).extracting(BatchState::id).containsExactly(1L);
        assertThat(catchThrowableOfType(Refusal.class, () -> state.underWay(99)).code())
                .isEqualTo("run-is-over");
        var start = log.start(4, 2, 1, 300, 3L, 4L);
        assertThat(log.state().underWay(start.stamp().sequence())).isEqualTo(start);
        assertThat(log.book().position(1)).isZero();
        assertThat(log.book().position(3)).isEqualTo(2);
    }
}
