package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Leaflet;
import mezcla.log.AirKept;
import mezcla.log.BatchMixed;
import mezcla.log.BathRenewed;
import mezcla.log.Before;
import mezcla.log.Bottle;
import mezcla.log.FillInspected;
import mezcla.log.FillMoved;
import mezcla.log.FillShared;
import mezcla.log.FillToppedUp;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.KitArrived;
import mezcla.log.LeafletCorrected;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.Place;
import mezcla.log.Purchase;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.PrintedLimits;
import org.assertj.core.api.ThrowableAssert;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What several people do to the same bottles: runs under way, renewals, guests, moves, corrections. */
public class SharedBottlesTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");
    private TestLog log;

    @BeforeMethod
    public void twoBatches() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(1, 7, 1, 400);
        log.mix(1, 8, 1, 300);
    }

    private static String code(ThrowableAssert.ThrowingCallable call) {
        return catchThrowableOfType(Refusal.class, call).code();
    }

    private Refusal voiding(LogEntry entry) {
        return catchThrowableOfType(
                Refusal.class, () -> Voiding.check(log.entries(), entry.stamp().sequence()));
    }

    @Test
    public void runUnderWayTakesItsRollsAndItsVolume() {
        RunStarted start = log.start(2, 7, 2, 300, 1L, 2L);
        FillState developer = log.state().fill(1);
        assertThat(developer.rolls()).isEqualTo(2);
        assertThat(developer.scaledRolls()).isCloseTo(5, within(1e-9));
        assertThat(developer.volumeMl()).isCloseTo(390, within(1e-9));
        assertThat(developer.inBottleMl()).isCloseTo(100, within(1e-9));
        assertThat(developer.inUse()).singleElement().satisfies(use -> {
            assertThat(use.started()).isEqualTo(start.stamp().sequence());
            assertThat(use.who()).isEqualTo("Ines");
            assertThat(use.since()).isEqualTo(TestLog.day(2));
        });
        assertThat(log.state().batch(7).inUse()).containsExactly(start);
        assertThat(log.state().batch(7).runs()).isEmpty();
        assertThat(code(developer::refuseInUse)).isEqualTo("in-use");
    }

    @Test
    public void finishedRunCountsOnceAndByWhatReallyHappened() {
        RunStarted start = log.start(2, 7, 2, 300, 1L, 2L);
        RunLogged finish = log.add(
                2.05,
                stamp -> new RunLogged(
                        stamp,
                        7,
                        List.of(TestLog.roll(0)),
                        start.baths().stream()
                                .map(bath -> new RunBath(bath.fillId(), 215, 1, 5, 0, 38.5))
                                .toList(),
                        300,
                        List.of(),
                        start.stamp().sequence()));
        FillState developer = log.state().fill(1);
        assertThat(developer.rolls()).isEqualTo(1);
        assertThat(developer.inBottleMl()).isEqualTo(developer.volumeMl()).isCloseTo(395, within(1e-9));
        assertThat(log.state().batch(7).inUse()).isEmpty();
        assertThat(((BatchObjection.LaterEntriesDepend) voiding(start).objection()).entries())
                .isEqualTo(List.of(finish));
        log.voidEntry(finish.stamp().sequence());
        assertThat(log.state().batch(7).inUse()).containsExactly(start);
    }

    @Test
    public void runThatIsCalledOffLeavesNothingBehind() {
        BatchState before = log.state().batch(7);
        RunStarted start = log.start(2, 7, 2, 300, 1L, 2L);
        log.add(2.1, stamp -> new RunCalledOff(stamp, start.stamp().sequence(), "wrong tank"));
        assertThat(log.state().batch(7)).isEqualTo(before);
        assertThat(voiding(start).code()).isEqualTo("later-entries-depend");
    }

    @Test
    public void renewedBathTakesThePlaceOfTheOldOneAlone() {
        log.run(2, 7, 3, 1L, 2L);
        log.discard(3, 7, 1);
        assertThat(code(() -> log.state().batch(7).refuseRenewalWhileItStands("bx")))
                .isEqualTo("bath-stands");
        assertThat(log.state().batch(7).refuseRenewalWhileItStands("dev")).isPresent();
        FillState bleachFix = log.state().fill(2);
        BathRenewed renewal = log.renew(3, 7, 1, "dev", 250);
        BatchState batch = log.state().batch(7);
        assertThat(batch.fills()).extracting(FillState::id).containsExactly(5L, 2L);
        assertThat(batch.replaced()).extracting(FillState::id).containsExactly(1L);
        assertThat(batch.fills().get(0).scaledRolls()).isZero();
        assertThat(batch.fills().get(1)).isEqualTo(bleachFix);
        assertThat(batch.ended()).isFalse();
        assertThat(log.state().batchOf(1).id()).isEqualTo(7);
        assertThat(log.state().batchOf(5).id()).isEqualTo(7);
        assertThat(((BatchObjection.LaterEntriesDepend)
                                voiding(log.entries().get(4)).objection())
                        .entries())
                .isEqualTo(List.of(renewal));
        log.voidEntry(renewal.stamp().sequence());
        assertThat(log.state().batch(7).fills()).extracting(FillState::id).containsExactly(1L, 2L);
    }

    @Test
    public void backdatedRunFindsTheBathThatStoodThere() {
        log.discard(3, 7, 1);
        log.renew(3, 7, 1, "dev", 250);
        assertThat(LogState.foldUntil(log.entries(), TestLog.day(2)).batch(7).fills())
                .extracting(FillState::id)
                .containsExactly(1L, 2L);
        assertThat(LogState.foldUntil(log.entries(), TestLog.day(4)).batch(7).fills())
                .extracting(FillState::id)
                .containsExactly(5L, 2L);
    }

    @Test
    public void renewalsAndToppingUpAreChargedToTheirFills() {
        Money before = cost(7);
        log.discard(3, 7, 1);
        log.renew(3, 7, 1, "dev", 200);
        KitState kit = log.state().kit(1);
        log.add(
                4,
                stamp -> new FillToppedUp(
                        stamp,
                        2,
                        50,
                        kit.uses(kit.plan(50, List.of("bx")).baths().get(0))));
        FillCosts costs = FillCosts.of(log.state());
        assertThat(costs.ofFill(5)).contains(Money.ofMinor(NZD, 500));
        assertThat(costs.ofFill(2)).contains(Money.ofMinor(NZD, 1000 + 125));
        assertThat(cost(7)).isEqualTo(before.plus(Money.ofMinor(NZD, 625)));
        assertThat(log.state().kit(1).left().get("bx-a")).isCloseTo(200 - 140 - 10, within(1e-9));
        log.voidEntry(log.entries().size());
        assertThat(FillCosts.of(log.state()).ofFill(2)).contains(Money.ofMinor(NZD, 1000));
    }

    private Money cost(long batch) {
        LogState state = log.state();
        return BatchCost.of(state.batch(batch), FillCosts.of(state), PRINTED)
                .orElseThrow()
                .total();
    }

    @Test
    public void guestServesInBothBatchesAndWearsByBoth() {
        FillState guest = log.state().fill(2);
        assertThat(code(() -> log.state().batch(8).refuseGuest(guest))).isEqualTo("bath-stands");
        assertThat(code(() -> log.state().batch(8).refuseGuest(log.state().fill(1))))
                .isEqualTo("developer-not-shared");
        log.discard(2, 8, 4);
        log.state().batch(8).refuseGuest(guest);
        FillShared shared = log.add(2, stamp -> new FillShared(stamp, 8, 2));
        assertThat(log.state().batch(8).fills()).extracting(FillState::id).containsExactly(3L, 2L);
        assertThat(code(() -> log.state().batch(8).refuseGuest(guest))).isEqualTo("serves-here-already");
        log.run(3, 7, 1, 1L, 2L);
        RunLogged through = log.run(4, 8, 2, 3L, 2L);
        assertThat(log.state().fill(2).rolls()).isEqualTo(3);
        assertThat(log.state().servedBy(2)).extracting(BatchState::id).containsExactly(7L, 8L);
        assertThat(log.state().batchOf(2).id()).isEqualTo(7);
        assertThat(BatchCost.of(log.state().batch(8), FillCosts.of(log.state()), PRINTED)
                        .orElseThrow()
                        .total())
                .as("the guest is charged to the batch that it was mixed for")
                .isEqualTo(Money.ofMinor(NZD, 1500));
        assertThat(((BatchObjection.LaterEntriesDepend) voiding(shared).objection()).entries())
                .isEqualTo(List.of(through));
        log.discard(5, 8, 3);
        assertThat(log.state().batch(8).ended()).isTrue();
        assertThat(log.state().fill(2).discarded()).isNull();
    }

    @Test
    public void movedFillFreesItsBottleUntilAnotherTakesIt() {
        Bottle old = log.state().fill(1).bottle();
        Bottle small = new Bottle(90, "S1", 350, Bottle.Material.FOLDING);
        assertThat(code(() -> Bottling.beside(log.state()).pourOver(log.state().fill(1), small)))
                .isEqualTo("bottle-too-small");
        assertThat(code(() -> Bottling.beside(log.state())
                        .pourOver(log.state().fill(1), log.state().fill(2).bottle())))
                .isEqualTo("bottle-taken");
        Place cold = new Place(3, "Cold shelf");
        FillMoved moved = log.add(2, stamp -> new FillMoved(stamp, 1, TestLog.bottle(90), cold, AirKept.SQUEEZED));
        assertThat(log.state().fill(1).kept())
                .isEqualTo(new FillState.Kept(TestLog.bottle(90), cold, AirKept.SQUEEZED, TestLog.day(2)));
        assertThat(Bottling.beside(log.state()).isFree(old)).isTrue();
        assertThat(voiding(moved)).isNull();
        FillMoved other = log.add(3, stamp -> new FillMoved(stamp, 3, old, null, AirKept.NOTHING));
        assertThat(((BatchObjection.LaterEntriesDepend) voiding(moved).objection()).entries())
                .isEqualTo(List.of(other));
    }

    @Test
    public void adoptedFillHasItsRollsAndItsAgeBehindIt() {
        log.add(
                5,
                stamp -> new BatchMixed(
                        stamp,
                        9,
                        "Found",
                        List.of(new MixedFill(
                                40,
                                Leaflets.negative(),
                                "dev",
                                500,
                                "500",
                                TestLog.bottle(40),
                                List.of(),
                                new Before(TestLog.day(-20), 3)))));
        FillState found = log.state().fill(40);
        assertThat(found.mixedAt()).isEqualTo(TestLog.day(-20));
        assertThat(found.rolls()).isEqualTo(3);
        assertThat(found.scaledRolls()).isCloseTo(6, within(1e-9));
        assertThat(found.volumeMl()).isEqualTo(500);
        assertThat(found.about()).isTrue();
        assertThat(log.state().batch(9).adopted()).isTrue();
        assertThat(log.state().batch(7).adopted()).isFalse();
    }

    @Test
    public void correctedLeafletGovernsItsFillsFromTheirFirstDay() {
        log.run(2, 7, 2, 1L, 2L);
        double before = log.state().fill(1).scaledRolls();
        Leaflet corrected = Leaflets.negativeFor(2000);
        LeafletCorrected entry =
                log.add(3, stamp -> new LeafletCorrected(stamp, List.of(1L, 2L), corrected, "capacity was for 2 L"));
        assertThat(log.state().fill(1).leaflet()).isEqualTo(corrected);
        assertThat(log.state().fill(1).scaledRolls()).isCloseTo(before * 2, within(1e-9));
        assertThat(log.state().fill(3).leaflet()).isEqualTo(Leaflets.negative());
        log.voidEntry(entry.stamp().sequence());
        assertThat(log.state().fill(1).scaledRolls()).isEqualTo(before);
    }

    @Test
    public void partsBoughtAloneShareWhatTheyCost() {
        log.add(
                1,
                stamp -> new KitArrived(
                        stamp,
                        2,
                        Leaflets.negative(),
                        Money.ofMinor(NZD, 1800),
                        Money.ofMinor(NZD, 200),
                        null,
                        List.of("dev-a", "dev-b"),
                        Purchase.plainly(NZD)));
        KitState parts = log.state().kit(2);
        assertThat(parts.left()).containsOnlyKeys("dev-a", "dev-b");
        assertThat(parts.complete()).extracting(bath -> bath.key()).containsExactly("dev");
        assertThat(code(() -> parts.plan(100, List.of("bx")))).isEqualTo("more-than-the-kit-allows");
        log.discard(2, 7, 1);
        log.renew(2, 7, 2, "dev", 500);
        assertThat(FillCosts.of(log.state()).ofFill(5)).contains(Money.ofMinor(NZD, 1000));
    }

    @Test
    public void onlyWhatWasRecordedSinceAboutTheBatchCounts() {
        long seen = log.entries().size();
        log.run(2, 8, 1, 3L, 4L);
        assertThat(MovedOn.since(log.entries(), log.state().batch(7), seen)).isEmpty();
        LogEntry run = log.run(1.5, 7, 1, 1L, 2L);
        assertThat(MovedOn.since(log.entries(), log.state().batch(7), seen)).containsExactly(run);
        long then = log.entries().size();
        log.voidEntry(run.stamp().sequence());
        assertThat(MovedOn.since(log.entries(), log.state().batch(7), then)).hasSize(1);
    }

    @Test
    public void handoverNamesTheLastRunAndWhatCameOfIt() {
        assertThat(Handover.of(log.state().batch(7))).isEmpty();
        RunLogged late = log.run(4, 7, 1, 1L, 2L);
        log.run(3, 7, 2, 1L, 2L);
        log.add(3.5, stamp -> new FillInspected(stamp, 1, Finding.DENSE, true));
        assertThat(Handover.of(log.state().batch(7)))
                .as("film from before the last run tells nothing of it")
                .contains(new Handover(late, null));
        log.add(5, stamp -> new FillInspected(stamp, 1, Finding.HEAVY_CAST, true));
        assertThat(Handover.of(log.state().batch(7)))
                .as("a clip tells nothing of that film")
                .contains(new Handover(late, null));
        log.add(6, stamp -> look(stamp, late, 0, Finding.GOOD));
        assertThat(Handover.of(log.state().batch(7))).contains(new Handover(late, Finding.GOOD));
    }

    private static FilmInspected look(Stamp stamp, RunLogged run, int roll, Finding found) {
        return new FilmInspected(stamp, 7, run.stamp().sequence(), roll, List.of(1L), found, Set.of(), null);
    }

    /** Film of a month ago that somebody looks at today says nothing of what the developer is now. */
    @Test
    public void aLookCountsByWhenItsFilmWasInTheBath() {
        RunLogged early = log.run(1, 7, 1, 1L, 2L);
        log.add(35, stamp -> look(stamp, early, 0, Finding.GOOD));
        FillState developer = log.state().fill(1);
        assertThat(developer.inspection().at()).isEqualTo(early.stamp().happenedAt());
        log.add(36, stamp -> new FillInspected(stamp, 1, Finding.THIN, true));
        log.add(37, stamp -> look(stamp, early, 0, Finding.DENSE));
        assertThat(log.state().fill(1).inspection().result())
                .as("the clip is newer than the film that was looked at after it")
                .isEqualTo(Finding.THIN);
    }

    @Test
    public void notesAndOverridesStayWithWhatTheyAreAbout() {
        NoteLeft note = log.add(2, stamp -> new NoteLeft(stamp, 7, "rinse in between"));
        log.add(2, stamp -> new LimitOverridden(stamp, 1, List.of("over-age"), "test rolls only"));
        assertThat(log.state().batch(7).notes()).containsExactly(note);
        assertThat(log.state().fill(1).overrides("over-age")).isTrue();
        assertThat(log.state().fill(1).overrides("over-rolls")).isFalse();
        assertThat(((BatchObjection.LaterEntriesDepend)
                                voiding(log.entries().get(1)).objection())
                        .entries())
                .isEqualTo(List.of(note, log.entries().get(4)));
    }

    @Test
    public void toppingUpNeedsRoomAndABottleAtRest() {
        FillState developer = log.state().fill(1);
        developer.refuseToppingUpWith(1600);
        assertThat(code(() -> developer.refuseToppingUpWith(1601))).isEqualTo("bottle-too-full");
        log.start(2, 7, 1, 300, 1L, 2L);
        assertThat(code(() -> log.state().fill(1).refuseToppingUpWith(10))).isEqualTo("in-use");
        log.kit(2, 2, Leaflets.slide(), 5000);
        log.mix(2, 9, 2, 500);
        assertThat(code(() -> log.state().fill(5).refuseToppingUpWith(10))).isEqualTo("one-shot-not-topped-up");
    }
}
