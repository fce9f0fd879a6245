package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.BathLooked;
import mezcla.log.DiscardedFill;
import mezcla.log.DrumCollected;
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
        assertThat(log.state().fill(1).spells().get(2).headspace()).isCloseTo(1 - 380 / 2000.0, within(1e-9));
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

    @Test
    public void drumsFillUpAndAreDueAtFourFifths() {
        Drum developers = new Drum(5, "Developers", WasteRoute.DEVELOPERS, 1000);
        assertThat(new DrumLevel(developers, 799).due()).isFalse();
        assertThat(new DrumLevel(developers, 800).due()).isTrue();
        assertThat(new DrumLevel(developers, 1100).roomMl()).isZero();
        assertThat(new DrumLevel(developers, 600).roomMl()).isEqualTo(400);
        log.add(
                2,
                stamp -> new FillsDiscarded(
                        stamp,
                        1,
                        List.of(
                                new DiscardedFill(1, 300, WasteRoute.DEVELOPERS, 5L),
                                new DiscardedFill(2, 200, WasteRoute.OTHERS)),
                        "old"));
        assertThat(DrumLevel.of(log.book(), List.of(developers))).containsExactly(new DrumLevel(developers, 300));
        log.add(3, stamp -> new DrumCollected(stamp, 5, "Developers", 300));
        assertThat(DrumLevel.of(log.book(), List.of(developers))).containsExactly(new DrumLevel(developers, 0));
        DrumLevel half = new DrumLevel(developers, 600);
        half.accept(BathRole.DEVELOPER, 400);
        assertThat(catchThrowableOfType(Refusal.class, () -> half.accept(BathRole.DEVELOPER, 401))
                        .code())
                .isEqualTo("drum-too-full");
        assertThat(catchThrowableOfType(Refusal.class, () -> half.accept(BathRole.FIXER, 10))
                        .code())
                .isEqualTo("waste-kept-apart");
    }

    @Test
    public void aGuestTakesThePlaceOfWhatDoesTheSame() {
        Leaflet other = renamed(Leaflets.negative());
        log.kit(0, 4, other, 4000);
        log.mix(1, 4, 4, 500);
        log.discard(2, 1, 2);
        log.discard(2, 2, 4);
        LogState state = log.state();
        long guest = state.batch(4).fills().get(1).id();
        assertThat(catchThrowableOfType(Refusal.class, () -> state.batch(1).refuseGuest(state.fill(4)))
                        .code())
                .as("poured away")
                .isEqualTo("already-discarded");
        state.batch(1).refuseGuest(state.fill(guest));
        log.add(3, stamp -> new FillShared(stamp, 1, guest));
        LogState after = log.state();
        assertThat(after.fill(guest).mixed().bathKey()).isEqualTo("blix");
        assertThat(after.batch(1).placeOf(after.fill(guest))).isEqualTo("bx");
        assertThat(after.batch(4).placeOf(after.fill(guest))).isEqualTo("blix");
        assertThat(after.batch(1).isGuest(after.fill(guest))).isTrue();
        assertThat(after.servedBy(guest)).extracting(BatchState::id).containsExactlyInAnyOrder(1L, 4L);
        assertThat(after.batch(1).fills()).extracting(FillState::id).containsExactly(1L, guest);
    }

    private static Leaflet renamed(Leaflet sheet) {
        return new Leaflet(
                "other",
                1,
                "Other",
                "Nobody",
                sheet.process(),
                null,
                sheet.makesMl(),
                sheet.parts(),
                sheet.baths().stream()
                        .map(bath -> new Bath(
                                bath.key().equals("bx") ? "blix" : bath.key(),
                                bath.role(),
                                bath.recipe(),
                                bath.timing(),
                                bath.capacityForMl(),
                                bath.capacity(),
                                bath.lifeDays(),
                                null,
                                null))
                        .toList(),
                List.of(),
                List.of());
    }

    @Test
    public void whatAKitLastsIsReckonedByTheLastEightWeeks() {
        log.add(80, stamp -> new NoteLeft(stamp, 1, "nothing was mixed"));
        Supply idle = Supply.of(log.book(), TestLog.day(80)).get(0);
        assertThat(idle.usedMl()).isZero();
        assertThat(idle.lastsWeeks()).isNull();
        assertThat(idle.orderNow(100)).isFalse();
        log.mix(81, 3, 3, 500);
        LogEntry wrong = log.mix(82, 4, 1, 500);
        log.voidEntry(wrong.stamp().sequence());
        Supply supply = Supply.of(log.book(), TestLog.day(83)).get(0);
        assertThat(supply.usedMl()).isCloseTo(500, within(1e-6));
        assertThat(supply.leftMl()).isCloseTo(1500, within(1e-6));
        assertThat(supply.lastsWeeks()).isCloseTo(24.0, within(1e-6));
        assertThat(supply.orderNow(23)).isFalse();
        assertThat(supply.orderNow(25)).isTrue();
        assertThat(new Supply(supply.leaflet(), 1500, 500, 8).orderNow(24)).isTrue();
        assertThat(Supply.of(log.book(), TestLog.day(81 + 56)).get(0).usedMl()).isZero();
    }

    @Test
    public void whateverTheOrderOfWritingTwoFillsNeverShareABottle() {
        LogEntry moved = log.add(6, stamp -> new FillMoved(stamp, 3, TestLog.bottle(1), null, AirKept.NOTHING));
        LogEntry gone = pourAway(5, 1, 1);
        assertThat(log.state().fill(3).bottle().id()).isEqualTo(1);
        assertThat(restingOn(gone)).containsExactly(moved);
        log.voidEntry(moved.stamp().sequence());
        assertThat(restingOn(gone)).isEmpty();
    }

    @Test
    public void anotherProcessesBathIsNoGuest() {
        log.kit(0, 4, Leaflets.slide(), 4000);
        log.mix(1, 3, 4, 500);
        FillState slides = log.state().batch(3).fills().get(2);
        pourAway(2, 1, 2);
        assertThat(catchThrowableOfType(
                                Refusal.class, () -> log.state().batch(1).refuseGuest(slides))
                        .code())
                .isEqualTo("of-another-process");
        log.state().batch(1).refuseGuest(log.state().batch(2).fills().get(1));
    }
}
