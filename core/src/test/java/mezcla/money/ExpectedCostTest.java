package mezcla.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.BatchMixed;
import mezcla.log.Before;
import mezcla.log.KitArrived;
import mezcla.log.MixedFill;
import mezcla.log.PaymentRecorded;
import mezcla.log.Purchase;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** What a batch will have cost, what it did cost, and the house's side of it. */
public class ExpectedCostTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private static Money minor(long minor) {
        return Money.ofMinor(NZD, minor);
    }

    private static TestLog used(int rolls) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        log.run(1, 1, rolls, 1L, 2L);
        return log;
    }

    private static ExpectedCost expected(TestLog log, OptionalDouble demand, double day) {
        return ExpectedCost.of(log.state().batch(1), minor(4000), PRINTED, demand, TestLog.day(day))
                .orElseThrow();
    }

    @Test
    public void withoutDemandAllOfItIsExpected() {
        ExpectedCost cost = expected(used(4), OptionalDouble.empty(), 1);
        assertThat(cost.rolls()).isEqualTo(10);
        assertThat(cost.aRoll()).isEqualTo(minor(400));
        assertThat(cost.byDemand()).isFalse();
    }

    @Test
    public void littleDemandAndAgeLeaveLessToShareItBy() {
        TestLog log = used(4);
        ExpectedCost now = expected(log, OptionalDouble.of(1), 1);
        ExpectedCost later = expected(log, OptionalDouble.of(1), 20);
        assertThat(now.rolls()).isBetween(4.0, 10.0);
        assertThat(later.rolls()).isLessThan(now.rolls());
        assertThat(later.aRoll()).isGreaterThan(now.aRoll());
        assertThat(expected(log, OptionalDouble.of(500), 1).rolls()).isCloseTo(10, within(1e-6));
        assertThat(expected(log, OptionalDouble.of(5), 900).rolls())
                .as("too old for more")
                .isEqualTo(4);
    }

    @Test
    public void aOneShotDoesWhatIsLeftOfItAllows() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 4000);
        log.mix(0, 1, 1, 500);
        BatchState batch = log.state().batch(1);
        ExpectedCost small = ExpectedCost.of(
                        batch,
                        minor(4000),
                        new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC),
                        OptionalDouble.empty(),
                        TestLog.day(1))
                .orElseThrow();
        assertThat(small.rolls()).as("500 ml of stock, 150 for each tank").isEqualTo(3);
        ExpectedCost large = ExpectedCost.of(
                        batch,
                        minor(4000),
                        new PrintedLimits(bath -> bath, 600, ZoneOffset.UTC),
                        OptionalDouble.empty(),
                        TestLog.day(1))
                .orElseThrow();
        assertThat(large.rolls()).isEqualTo(1);
    }

    private static TestLog takenOver(double before, int later) {
        TestLog log = new TestLog();
        Before then = new Before(TestLog.day(-20), before, minor(3000));
        log.add(
                0,
                stamp -> new BatchMixed(
                        stamp,
                        1,
                        "Taken over",
                        List.of(new MixedFill(
                                1, Leaflets.negative(), "dev", 750, "750 ml", TestLog.bottle(1), List.of(), then))));
        if (later > 0) {
            log.run(1, 1, later, 1L);
        }
        return log;
    }

    @Test
    public void whatWasDoneBeforeATakingOverBearsItsPart() {
        BatchState batch = takenOver(7, 0).state().batch(1);
        assertThat(batch.allRolls()).isEqualTo(7);
        assertThat(batch.mixedAt()).isEqualTo(TestLog.day(-20));
        BatchCost cost = BatchCost.of(batch, FillCosts.of(takenOver(7, 0).state()), PRINTED)
                .orElseThrow();
        assertThat(cost.soFar()).contains(minor(429));
        assertThat(cost.atPrintedCapacity()).contains(minor(400));
        assertThat(cost.unused()).as("half a roll of seven and a half").isEqualTo(minor(200));
        RunCharges.Rate rate = RunCharges.rate(
                        batch,
                        1,
                        Optional.empty(),
                        Optional.of(minor(3000)),
                        PRINTED,
                        OptionalDouble.empty(),
                        TestLog.day(1))
                .orElseThrow();
        assertThat(rate.of(1)).as("not the whole of it").isEqualTo(minor(375));
        assertThat(BatchCost.of(
                                takenOver(7, 13).state().batch(1),
                                FillCosts.of(takenOver(7, 13).state()),
                                PRINTED)
                        .orElseThrow()
                        .atPrintedCapacity())
                .as("the print is the print")
                .contains(minor(400));
    }

    @Test
    public void anEndedBatchDoesNoMore() {
        TestLog log = used(4);
        log.discard(5, 1, 1);
        log.discard(5, 1, 2);
        assertThat(expected(log, OptionalDouble.of(9), 6).aRoll()).isEqualTo(minor(1000));
        TestLog empty = new TestLog();
        empty.kit(0, 1, Leaflets.negative(), 4000);
        empty.mix(0, 1, 1, 1000);
        empty.discard(5, 1, 1);
        empty.discard(5, 1, 2);
        assertThat(ExpectedCost.of(
                        empty.state().batch(1), minor(4000), PRINTED, OptionalDouble.empty(), TestLog.day(6)))
                .isEmpty();
    }

    @Test
    public void aRateCountsAtLeastTheFilmThatIsAboutToGoIn() {
        BatchState batch = used(4).state().batch(1);
        RunCharges.Rate rate = RunCharges.rate(
                        batch,
                        3,
                        Optional.empty(),
                        Optional.of(minor(4000)),
                        PRINTED,
                        OptionalDouble.of(0.001),
                        TestLog.day(2))
                .orElseThrow();
        assertThat(rate.aRoll()).as("seven of them, not four and a bit").isEqualTo(minor(571));
        assertThat(rate.of(0.75)).isEqualTo(minor(428));
        assertThat(RunCharges.rate(
                        batch, 3, Optional.empty(), Optional.empty(), PRINTED, OptionalDouble.empty(), TestLog.day(2)))
                .isEmpty();
    }

    @Test
    public void demandIsThatOfEightWeeksOrOfAsManyAsThereWere() {
        TestLog log = used(4);
        log.run(10, 1, 2, 1L, 2L);
        assertThat(Demand.perWeek(log.state(), FilmProcess.COLOUR_NEGATIVE, TestLog.day(14)))
                .hasValue(3);
        assertThat(Demand.perWeek(log.state(), FilmProcess.COLOUR_NEGATIVE, TestLog.day(56 + 5)))
                .hasValue(0.25);
        assertThat(Demand.perWeek(log.state(), FilmProcess.COLOUR_SLIDE, TestLog.day(14)))
                .isEmpty();
        assertThat(Demand.byWeek(log.state(), FilmProcess.COLOUR_NEGATIVE, TestLog.day(14)))
                .containsExactly(4.0, 2.0);
    }

    @Test
    public void whatAgeTookOfABatchIsTheShareThatNobodyUsed() {
        TestLog log = used(4);
        log.discard(40, 1, 1);
        log.discard(41, 1, 2);
        BatchSpending spent = BatchSpending.of(log.state(), PRINTED, process -> OptionalDouble.empty(), TestLog.day(50))
                .get(0);
        assertThat(spent.unused()).as("six of ten rolls").isEqualTo(minor(2400));
        assertThat(spent.endedAt()).isEqualTo(TestLog.day(41));
        assertThat(spent.kits()).containsExactly(1L);
        BatchSpending.Sum sum = BatchSpending.sum(List.of(spent, spent)).orElseThrow();
        assertThat(sum.aRoll()).contains(minor(1000));
        assertThat(sum.unused()).isEqualTo(minor(4800));
        assertThat(BatchSpending.sum(List.of())).isEmpty();
    }

    @Test
    public void aPriceCoversWhatFilmCostWhenItIsRoundedUp() {
        assertThat(new BatchSpending.Sum(minor(1000), 3, minor(0)).coveringPrice())
                .contains(minor(334));
        assertThat(new BatchSpending.Sum(minor(1000), 3, minor(0)).aRoll()).contains(minor(333));
    }

    @Test
    public void theHousesSideOfAMonth() {
        TestLog log = new TestLog();
        for (int kit = 1; kit <= 2; kit++) {
            String by = kit == 1 ? null : "Ines";
            long id = kit;
            log.add(
                    kit,
                    stamp -> new KitArrived(
                            stamp,
                            id,
                            Leaflets.negative(),
                            minor(4000),
                            minor(500),
                            null,
                            List.of(),
                            new Purchase(minor(0), null, by)));
        }
        log.add(3, stamp -> new PaymentRecorded(stamp, "Devi", minor(2000), null));
        log.add(4, stamp -> new PaymentRecorded(stamp, "Ines", minor(-1500), null));
        log.add(40, stamp -> new PaymentRecorded(stamp, "Devi", minor(9900), null));
        HouseSide side = HouseSide.of(
                Accounts.of(log.book(), NZD, UnaryOperator.identity()),
                log.state().kits().values().stream().map(HouseSide.KitPaid::of).toList(),
                TestLog.day(0),
                TestLog.day(30));
        assertThat(side.cameIn()).isEqualTo(minor(2000));
        assertThat(side.wentOut()).isEqualTo(minor(1500));
        assertThat(side.kitsOfHouse()).isEqualTo(minor(4500));
        assertThat(side.kitsOfMembers()).isEqualTo(minor(4500));
        assertThat(side.inTheBox()).isEqualTo(minor(-4000));
    }
}
