package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.DiscardedFill;
import mezcla.log.FillInspected;
import mezcla.log.FillMeasured;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.Finding;
import mezcla.log.LogEntry;
import mezcla.log.RunLogged;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.PrintedLimits;
import org.assertj.core.api.ThrowableAssert;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class LogStateTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private static TestLog halfAKit() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(1, 7, 1, 500);
        return log;
    }

    @Test
    public void mixingOpensPartsAndLowersTheirLevels() {
        KitState kit = halfAKit().state().kit(1);
        assertThat(kit.left()).containsEntry("dev-a", 50.0).containsEntry("bx-b", 50.0);
        assertThat(kit.parts()).isNotEmpty().allSatisfy(part -> assertThat(part.openedAt())
                .isEqualTo(TestLog.day(1)));
    }

    @Test
    public void runsWearEachFillByItsOwnVolume() {
        TestLog log = halfAKit();
        log.run(2, 7, 3, 1L, 2L);
        BatchState batch = log.state().batch(7);
        FillState developer = batch.fills().get(0);
        assertThat(developer.rolls()).isEqualTo(3);
        assertThat(developer.scaledRolls()).isCloseTo(6, within(1e-9));
        assertThat(developer.volumeMl()).isCloseTo(485, within(1e-9));
        assertThat(developer.countedMl()).isEqualTo(500);
        assertThat(batch.rolls()).isEqualTo(3);
    }

    @Test
    public void backdatedSpillCountsBeforeLaterRuns() {
        TestLog late = halfAKit();
        late.run(3, 7, 2, 1L, 2L);
        late.add(2, stamp -> new FillSpilled(stamp, 1, 100));
        TestLog inTime = halfAKit();
        inTime.add(2, stamp -> new FillSpilled(stamp, 1, 100));
        inTime.run(3, 7, 2, 1L, 2L);
        FillState backdated = late.state().batch(7).fills().get(0);
        assertThat(backdated.scaledRolls()).isCloseTo(5, within(1e-9));
        assertThat(backdated.scaledRolls())
                .isEqualTo(inTime.state().batch(7).fills().get(0).scaledRolls());
    }

    @Test
    public void toppingUpDilutesWearAndNeverResetsTheRollCount() {
        TestLog log = halfAKit();
        log.run(2, 7, 3, 1L, 2L);
        log.add(3, stamp -> new FillToppedUp(stamp, 1, 485, List.of()));
        FillState developer = log.state().batch(7).fills().get(0);
        assertThat(developer.rolls()).isEqualTo(3);
        assertThat(developer.scaledRolls()).isCloseTo(3, within(1e-9));
        assertThat(developer.countedMl()).isCloseTo(970, within(1e-9));
    }

    @Test
    public void sameRowsInAnyOrderGiveTheSameState() {
        TestLog log = halfAKit();
        log.run(2, 7, 1, 1L, 2L);
        log.run(2, 7, 2, 1L, 2L);
        log.mix(4, 8, 1, 400);
        log.run(5, 8, 1, 3L, 4L);
        log.add(6, stamp -> new FillSpilled(stamp, 3, 20));
        LogState state = log.state();
        Random random = new Random(3);
        for (int i = 0; i < 20; i++) {
            List<LogEntry> shuffled = new ArrayList<>(log.entries());
            Collections.shuffle(shuffled, random);
            assertThat(LogState.fold(shuffled)).isEqualTo(state);
        }
    }

    @Test
    public void voidingARunRestoresWhatItChanged() {
        TestLog log = halfAKit();
        log.run(2, 7, 2, 1L, 2L);
        BatchState before = log.state().batch(7);
        RunLogged mistaken = log.run(3, 7, 4, 1L, 2L);
        assertThat(log.state().batch(7)).isNotEqualTo(before);
        log.voidEntry(mistaken.stamp().sequence());
        assertThat(log.state().batch(7)).isEqualTo(before);
    }

    @Test
    public void voidedMixGivesItsShareBackWithoutReshufflingOthers() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4999);
        log.mix(1, 7, 1, 333);
        BatchMixed mistaken = log.mix(2, 8, 1, 333);
        log.mix(3, 9, 1, 333);
        Money first = cost(log, 7);
        Money third = cost(log, 9);
        log.voidEntry(mistaken.stamp().sequence());
        assertThat(cost(log, 7)).isEqualTo(first);
        assertThat(cost(log, 9)).isEqualTo(third);
        assertThat(log.state().batches()).doesNotContainKey(8L);
        assertThat(FillCosts.of(log.state())
                        .leftInKit(1)
                        .orElseThrow()
                        .plus(first)
                        .plus(third))
                .isEqualTo(Money.ofMinor(NZD, 4999));
    }

    private static Money cost(TestLog log, long batch) {
        LogState state = log.state();
        return BatchCost.of(state.batch(batch), FillCosts.of(state), PRINTED)
                .orElseThrow()
                .total();
    }

    @Test
    public void allCostsAndWhatIsLeftAddUpToTheLandedCost() {
        Random random = new Random(5);
        for (int round = 0; round < 50; round++) {
            TestLog log = new TestLog();
            long landed = 1 + random.nextInt(20_000);
            log.kit(0, 1, Leaflets.negative(), landed);
            Money total = Money.zero(NZD);
            double left = 1000;
            for (int batch = 1; left > 40; batch++) {
                double volume = Math.min(left, 30 + random.nextInt(400));
                log.mix(batch, batch, 1, volume);
                left -= volume;
            }
            for (long batch : log.state().batches().keySet()) {
                total = total.plus(cost(log, batch));
            }
            assertThat(total.plus(FillCosts.of(log.state()).leftInKit(1).orElseThrow()))
                    .isEqualTo(Money.ofMinor(NZD, landed));
        }
    }

    @Test
    public void costOfARollCountsRollsDoneAndPrintedCapacity() {
        TestLog log = halfAKit();
        LogState unused = log.state();
        BatchCost before =
                BatchCost.of(unused.batch(7), FillCosts.of(unused), PRINTED).orElseThrow();
        assertThat(before.total()).isEqualTo(Money.ofMinor(NZD, 2500));
        assertThat(before.soFar()).isEmpty();
        assertThat(before.atPrintedCapacity()).contains(Money.ofMinor(NZD, 500));
        log.run(2, 7, 2, 1L, 2L);
        LogState used = log.state();
        assertThat(BatchCost.of(used.batch(7), FillCosts.of(used), PRINTED)
                        .orElseThrow()
                        .soFar())
                .contains(Money.ofMinor(NZD, 1250));
    }

    @Test
    public void inspectionPutDownToSomethingElseChangesNothing() {
        TestLog log = halfAKit();
        log.run(2, 7, 1, 1L, 2L);
        log.add(3, stamp -> new FillInspected(stamp, 1, Finding.THIN, true));
        log.run(4, 7, 2, 1L, 2L);
        log.add(5, stamp -> new FillInspected(stamp, 1, Finding.HEAVY_CAST, false));
        FillState developer = log.state().batch(7).fills().get(0);
        assertThat(developer.trimPercent()).isEqualTo(4);
        assertThat(developer.inspection()).isEqualTo(new FillState.Inspection(Finding.THIN, TestLog.day(3), 2));
    }

    @Test
    public void discardedFillsLeaveTheShelfWithTheLastOne() {
        TestLog log = halfAKit();
        log.add(2, stamp -> discard(stamp, 1));
        assertThat(log.state().standing()).hasSize(1);
        log.add(3, stamp -> discard(stamp, 2));
        assertThat(log.state().standing()).isEmpty();
        FillState.Discarded end = log.state().batch(7).fills().get(1).discarded();
        assertThat(end).isNotNull();
        assertThat(end.at()).isEqualTo(TestLog.day(3));
    }

    @Test
    public void whatCannotHaveHappenedToABottleIsRefused() {
        TestLog log = halfAKit();
        FillState developer = log.state().fill(1);
        assertThat(code(() -> developer.refuseSpillOf(500.1))).isEqualTo("more-than-there-is");
        developer.refuseSpillOf(500);
        assertThat(code(() -> developer.explains(2001))).isEqualTo("bottle-too-small");
        assertThat(developer.explains(490)).isTrue();
        assertThat(developer.explains(489.9)).isFalse();
        developer.refuseDiscarded();
        log.add(2, stamp -> discard(stamp, 1));
        assertThat(code(() -> log.state().fill(1).refuseDiscarded())).isEqualTo("already-discarded");
        assertThat(code(() -> log.state().fill(99))).isEqualTo("unknown-fill");
    }

    @Test
    public void bottleThatIsSpilledEmptyStillHasFiniteWear() {
        TestLog log = halfAKit();
        log.add(2, stamp -> new FillMeasured(stamp, 1, 900));
        log.add(3, stamp -> new FillSpilled(stamp, 1, 900));
        log.run(4, 7, 1, 1L, 2L);
        FillState empty = log.state().fill(1);
        assertThat(empty.volumeMl()).isZero();
        assertThat(empty.countedMl()).isEqualTo(1);
        assertThat(empty.scaledRolls()).isEqualTo(1000);
        assertThat(empty.scaledRolls() / empty.wearPerRoll()).isCloseTo(1, within(1e-9));
    }

    @Test
    public void runIsNeitherBeforeTheMixNorInTheFuture() {
        BatchState batch = halfAKit().state().batch(7);
        assertThat(code(() -> batch.runAt(TestLog.day(0.9), TestLog.day(5)))).isEqualTo("before-mixing");
        assertThat(code(() -> batch.runAt(TestLog.day(5.1), TestLog.day(5)))).isEqualTo("in-the-future");
        assertThat(batch.runAt(TestLog.day(1), TestLog.day(5))).isEqualTo(TestLog.day(1));
        assertThat(batch.runAt(TestLog.day(5), TestLog.day(5))).isEqualTo(TestLog.day(5));
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(1 + 43 / 86_400.0, 7, 1, 1000);
        BatchState fresh = log.state().batch(7);
        assertThat(fresh.runAt(TestLog.day(1), TestLog.day(5)))
                .as("people type minutes: the minute of mixing is after it")
                .isEqualTo(fresh.mixed().foldedAt());
        assertThat(code(() -> fresh.runAt(TestLog.day(1).minusSeconds(1), TestLog.day(5))))
                .isEqualTo("before-mixing");
    }

    private static String code(ThrowableAssert.ThrowingCallable call) {
        return catchThrowableOfType(Refusal.class, call).code();
    }

    private static FillsDiscarded discard(Stamp stamp, long fill) {
        return new FillsDiscarded(stamp, 7, List.of(new DiscardedFill(fill, 500, WasteRoute.OTHERS)), "old");
    }
}
