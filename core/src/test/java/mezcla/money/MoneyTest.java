package mezcla.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.leaflet.Leaflet;
import mezcla.log.BatchMixed;
import mezcla.log.Before;
import mezcla.log.Bottle;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.KitFinished;
import mezcla.log.KitPriced;
import mezcla.log.MixedFill;
import mezcla.measure.Refusal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class MoneyTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");
    private final Random random = new Random(7);

    private static Money minor(long minor) {
        return Money.ofMinor(NZD, minor);
    }

    @Test
    public void sharesAddUpAndAreFairToAUnit() {
        for (int i = 0; i < 300; i++) {
            long total = random.nextInt(100_000);
            List<Double> weights = new ArrayList<>();
            int sharers = 1 + random.nextInt(9);
            for (int sharer = 0; sharer < sharers; sharer++) {
                weights.add(0.25 * random.nextInt(9));
            }
            weights.set(0, 1.0);
            double sum = weights.stream().mapToDouble(Double::doubleValue).sum();
            List<Money> shares = Sharing.split(minor(total), weights);
            assertThat(Money.total(shares)).isEqualTo(minor(total));
            for (int sharer = 0; sharer < sharers; sharer++) {
                double exact = total * weights.get(sharer) / sum;
                assertThat(Math.abs(shares.get(sharer).getAmountMinorLong() - exact))
                        .isLessThan(1);
            }
        }
    }

    @Test
    public void firstListedGetsTheOddUnit() {
        assertThat(Sharing.split(minor(100), List.of(1.0, 1.0, 1.0))).containsExactly(minor(34), minor(33), minor(33));
    }

    @Test
    public void nothingToShareByIsRefused() {
        assertThat(catchThrowableOfType(Refusal.class, () -> Sharing.split(minor(5), List.of(0.0, 0.0)))
                        .code())
                .isEqualTo("nothing-to-share-by");
    }

    @Test
    public void whatIsGivenAndWhatIsLeftAlwaysMakeTheLandedCost() {
        for (int i = 0; i < 200; i++) {
            Money landed = minor(random.nextInt(30_000));
            KitLedger ledger = KitLedger.of(landed);
            List<Double> shares = new ArrayList<>();
            List<Money> given = new ArrayList<>();
            double free = 1;
            for (int step = 0; step < 12; step++) {
                if (!given.isEmpty() && random.nextInt(4) == 0) {
                    int back = random.nextInt(given.size());
                    ledger.giveBack(shares.get(back), given.get(back));
                    free += shares.remove(back);
                    given.remove(back);
                } else {
                    double share = free * random.nextDouble() * 0.6;
                    given.add(ledger.take(share));
                    shares.add(share);
                    free -= share;
                }
                assertThat(Money.total(NZD, given).plus(ledger.left())).isEqualTo(landed);
            }
        }
    }

    @Test
    public void takingAfterGivingBackNeverChangesWhatOthersWereCharged() {
        KitLedger ledger = KitLedger.of(minor(1001));
        Money first = ledger.take(0.5);
        Money second = ledger.take(0.25);
        ledger.giveBack(0.5, first);
        Money third = ledger.take(0.75);
        assertThat(second).isEqualTo(minor(250));
        assertThat(second.plus(third)).isEqualTo(minor(1001));
        assertThat(catchThrowableOfType(Refusal.class, () -> ledger.take(0.01)).code())
                .isEqualTo("more-than-the-kit");
    }

    @Test
    public void equipmentHasPaidAtTheFirstWholeRoll() {
        assertThat(BreakEven.rolls(minor(1000), minor(600), minor(100))).hasValue(2);
        assertThat(BreakEven.rolls(minor(1001), minor(600), minor(100))).hasValue(3);
        assertThat(BreakEven.rolls(minor(0), minor(600), minor(100))).hasValue(0);
        assertThat(BreakEven.rolls(minor(1000), minor(100), minor(100))).isEmpty();
    }

    private static final double HALF = 500;

    @Test
    public void aRollOfAKitIsCountedByTheBathThatGivesOutFirst() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        assertThat(KitCost.ofARoll(log.state().kit(1)))
                .as("ten rolls of developer, fourteen of bleach-fix")
                .contains(minor(400));
    }

    @Test
    public void aRenewedBathHasTheRollsOfAllItsFills() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, HALF);
        assertThat(PRINTED.rolls(log.state().batch(1))).hasValue(5);
        log.run(1, 1, 4, 1L, 2L);
        log.discard(2, 1, 1);
        log.renew(2, 1, 1, "dev", HALF);
        assertThat(PRINTED.rolls(log.state().batch(1)))
                .as("seven of bleach-fix, fewer than four and five of developer")
                .hasValue(7);
        log.discard(3, 1, 2);
        log.kit(3, 2, Leaflets.negative(), 4000);
        log.renew(3, 1, 2, "bx", HALF);
        assertThat(PRINTED.rolls(log.state().batch(1))).hasValue(9);
        BatchCost cost = BatchCost.of(log.state().batch(1), FillCosts.of(log.state()), PRINTED)
                .orElseThrow();
        assertThat(cost.soFar()).contains(minor(cost.total().getAmountMinorLong() / 4));
    }

    @Test
    public void anotherBatchsFillIsNotPaidTwice() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, HALF);
        log.mix(0, 2, 1, HALF);
        FillCosts all = FillCosts.of(log.state());
        assertThat(FillCosts.of(log.state(), log.state().batch(2)).ofFill(3)).isEqualTo(all.ofFill(3));
        assertThat(all.ofFill(99)).isEmpty();
        assertThat(BatchCost.of(log.state().batch(1), all, PRINTED)
                        .orElseThrow()
                        .total()
                        .plus(BatchCost.of(log.state().batch(2), all, PRINTED)
                                .orElseThrow()
                                .total()))
                .isEqualTo(minor(4000));
    }

    @Test
    public void whatAKitLeavesOverIsSharedWhenItIsFinished() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4001);
        log.mix(1, 1, 1, 300);
        log.mix(2, 2, 1, 400);
        FillCosts open = FillCosts.of(log.state());
        BatchCost first = BatchCost.of(log.state().batch(1), open, PRINTED).orElseThrow();
        BatchCost unused = first.whenRestIsUnused().orElseThrow();
        assertThat(unused.total().isGreaterThan(first.total())).isTrue();
        assertThat(open.leftInKit(1).orElseThrow().isPositive()).isTrue();
        log.add(3, stamp -> new KitFinished(stamp, 1));
        FillCosts closed = FillCosts.of(log.state());
        BatchCost after = BatchCost.of(log.state().batch(1), closed, PRINTED).orElseThrow();
        BatchCost second = BatchCost.of(log.state().batch(2), closed, PRINTED).orElseThrow();
        assertThat(after.total()).isEqualTo(unused.total());
        assertThat(after.whenRestIsUnused()).isEmpty();
        assertThat(after.total().plus(second.total()).getAmountMinorLong())
                .as("to the last cent")
                .isEqualTo(4001);
        assertThat(closed.leftInKit(1).orElseThrow().isZero()).isTrue();
        assertThat(log.state().kit(1).offers(Leaflets.negative(), "dev")).isFalse();
    }

    @Test
    public void printedCapacityCountsWhatWasToppedUpAndLosesWhatWasSpilled() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(1, 1, 1, 500);
        assertThat(PRINTED.rolls(log.state().batch(1))).hasValue(5);
        log.add(2, stamp -> new FillToppedUp(stamp, 1, 200, List.of()));
        log.add(2, stamp -> new FillToppedUp(stamp, 2, 200, List.of()));
        assertThat(PRINTED.rolls(log.state().batch(1)).orElseThrow()).isCloseTo(7, within(1e-9));
        log.add(3, stamp -> new FillSpilled(stamp, 1, 350));
        assertThat(PRINTED.rolls(log.state().batch(1)).orElseThrow()).isCloseTo(3.5, within(1e-9));
    }

    private static Money priced(TestLog log, double day, long landedMinor) {
        Money landed = minor(landedMinor);
        log.add(day, stamp -> new KitPriced(stamp, 1, landed, minor(0), minor(0), null, "two figures were swapped"));
        return landed;
    }

    private static Money fill(TestLog log, long fill) {
        return FillCosts.of(log.state()).ofFill(fill).orElseThrow();
    }

    @Test
    public void aPriceThatIsPutRightIsAnAdjustmentOfWhatWasCharged() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(1, 1, 1, 500);
        Money before = fill(log, 1).plus(fill(log, 2));
        assertThat(before).isEqualTo(minor(2000));
        Money landed = priced(log, 2, 5001);
        assertThat(log.state().kit(1).landed()).isEqualTo(landed);
        assertThat(fill(log, 1).plus(fill(log, 2)))
                .as("half of it, rounded half up")
                .isEqualTo(minor(2501));
        log.mix(3, 2, 1, 500);
        assertThat(fill(log, 3).plus(fill(log, 4))).isEqualTo(minor(2500));
        assertThat(FillCosts.of(log.state()).leftInKit(1).orElseThrow()).isEqualTo(minor(0));
        priced(log, 4, 3000);
        assertThat(fill(log, 1).plus(fill(log, 2)).plus(fill(log, 3)).plus(fill(log, 4)))
                .isEqualTo(minor(3000));
        log.voidEntry(log.entries().size());
        assertThat(fill(log, 1).plus(fill(log, 2)).plus(fill(log, 3)).plus(fill(log, 4)))
                .as("a void takes it back")
                .isEqualTo(minor(5001));
    }

    @Test
    public void aPriceOfNothingGivesEverythingBack() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(1, 1, 1, 300);
        priced(log, 2, 0);
        assertThat(fill(log, 1)).isEqualTo(minor(0));
        assertThat(fill(log, 2)).isEqualTo(minor(0));
    }

    @Test
    public void nothingIsLostWhateverIsMixedVoidedAndPutRight() {
        for (long seed = 1; seed <= 60; seed++) {
            Random random = new Random(seed);
            TestLog log = new TestLog();
            long landed = random.nextInt(9000);
            log.kit(0, 1, Leaflets.negative(), landed);
            List<Long> mixed = new ArrayList<>();
            double left = 1000;
            for (int act = 1; act <= 12; act++) {
                int what = random.nextInt(4);
                if (what == 0) {
                    landed = random.nextInt(9000);
                    priced(log, act, landed);
                } else if (what == 1 && !mixed.isEmpty()) {
                    log.voidEntry(mixed.remove(random.nextInt(mixed.size())));
                } else if (left >= 60) {
                    log.mix(act, 100 + act, 1, 60);
                    mixed.add((long) log.entries().size());
                    left -= 60;
                }
            }
            FillCosts costs = FillCosts.of(log.state());
            Money given = log.state().batches().values().stream()
                    .flatMap(BatchState::own)
                    .map(fill -> costs.ofFill(fill.id()).orElseThrow())
                    .reduce(minor(0), Money::plus);
            assertThat(given.plus(costs.leftInKit(1).orElseThrow()))
                    .as("seed %d", seed)
                    .isEqualTo(minor(landed));
        }
    }

    @Test
    public void whatWasTakenOverCarriesWhatItCost() {
        TestLog log = new TestLog();
        Before before = new Before(TestLog.day(0), 3, minor(1234));
        log.add(
                1,
                stamp -> new BatchMixed(
                        stamp,
                        1,
                        "Found",
                        List.of(new MixedFill(
                                1,
                                Leaflets.negative(),
                                "dev",
                                500,
                                "500 ml",
                                new Bottle(1, "A1", 1000, Bottle.Material.GLASS),
                                List.of(),
                                before))));
        assertThat(fill(log, 1)).isEqualTo(minor(1234));
        assertThat(FillCosts.of(log.state(), log.state().batch(1)).ofFill(1)).hasValue(minor(1234));
    }

    @Test
    public void whatWasTakenOverIsSharedByWhatWentIntoItsBaths() {
        Leaflet leaflet = Leaflets.negative();
        TakenOver.Standing dev = new TakenOver.Standing(leaflet.bath("dev"), 500);
        TakenOver.Standing bx = new TakenOver.Standing(leaflet.bath("bx"), 1000);
        assertThat(TakenOver.shared(minor(3001), leaflet, List.of(dev, bx)))
                .as("equal values a recipe, and half as much of the developer")
                .containsExactly(minor(1000), minor(2001));
        assertThat(TakenOver.shared(minor(1001), leaflet, List.of(dev))).containsExactly(minor(1001));
    }
}
