package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.offset;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.MixedFill;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartOpened;
import mezcla.log.PartThrownAway;
import mezcla.log.PartUse;
import mezcla.log.Purchase;
import mezcla.measure.Refusal;
import mezcla.mixing.MixPlan;
import mezcla.money.FillCosts;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What becomes of the parts of a kit, and what that does to its money. */
public class CupboardTest {
    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private TestLog log;

    @BeforeMethod
    public void twoKits() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.kit(0, 2, Leaflets.negative(), 5000);
    }

    private PartState part(long kit, String key) {
        return log.state().kit(kit).part(key);
    }

    private static String code(Runnable act) {
        return catchThrowableOfType(Refusal.class, act::run).code();
    }

    private void throwAway(double day, String part, double amount) {
        log.add(day, stamp -> new PartThrownAway(stamp, 1, part, amount, WasteRoute.DEVELOPERS, "brown"));
    }

    @Test
    public void openingDecantingAndCorrectingAreFolded() {
        assertThat(part(1, "dev-a").clockFrom()).isNull();
        log.add(2, stamp -> new PartOpened(stamp, 1, "dev-a"));
        assertThat(part(1, "dev-a").clockFrom()).isEqualTo(TestLog.day(2));
        log.add(3, stamp -> new PartDecanted(stamp, 1, "dev-a", 5));
        assertThat(part(1, "dev-a").clockFrom()).isEqualTo(TestLog.day(3));
        assertThat(part(1, "dev-a").openedAt()).isEqualTo(TestLog.day(2));
        log.add(4, stamp -> new PartCorrected(stamp, 1, "dev-a", 83, "spilled"));
        throwAway(5, "dev-a", 13);
        assertThat(part(1, "dev-a").left()).isCloseTo(70, offset(1e-9));
    }

    @Test
    public void whatStaysOverIsTakenFirstAndAVialIsEmptiedAsAWhole() {
        log.add(3, stamp -> new PartDecanted(stamp, 1, "dev-a", 7, 12.0));
        assertThat(part(1, "dev-a").vialsLeft()).isEqualTo(7);
        assertThat(part(1, "dev-a").decanted().over()).isCloseTo(16, offset(1e-9));
        assertThat(part(1, "dev-a").emptiesVials(12.1)).isEqualTo(1);
        assertThat(part(1, "dev-a").emptiesVials(24)).isEqualTo(2);
        assertThat(part(1, "dev-a").emptiesVials(15)).isZero();
        throwAway(4, "dev-a", 5);
        assertThat(part(1, "dev-a").vialsLeft()).as("5 of the 16 over").isEqualTo(7);
        throwAway(5, "dev-a", 12);
        assertThat(part(1, "dev-a").vialsLeft()).as("one is emptied").isEqualTo(6);
        assertThat(part(1, "dev-a").decanted().over()).isCloseTo(11, offset(1e-9));
        throwAway(6, "dev-a", 24 + 10);
        assertThat(part(1, "dev-a").vialsLeft())
                .as("two, and ten of what is over")
                .isEqualTo(4);
        throwAway(7, "dev-a", 5);
        assertThat(part(1, "dev-a").vialsLeft()).as("one is begun").isEqualTo(3);
        assertThat(part(1, "dev-a").decanted().over()).isCloseTo(8, offset(1e-9));
        log.add(8, stamp -> new PartCorrected(stamp, 1, "dev-a", 30, "one broke"));
        assertThat(part(1, "dev-a").vialsLeft()).isEqualTo(2);
        assertThat(part(1, "dev-a").decanted().over()).isCloseTo(6, offset(1e-9));
        throwAway(9, "dev-a", 30);
        assertThat(part(1, "dev-a").vialsLeft()).isZero();
    }

    @Test
    public void decantingASealedPartOpensIt() {
        log.add(3, stamp -> new PartDecanted(stamp, 1, "dev-a", 5));
        assertThat(part(1, "dev-a").openedAt()).isEqualTo(TestLog.day(3));
    }

    @Test
    public void moreThanThereIsIsNotThrownAway() {
        KitState kit = log.state().kit(1);
        kit.refuseTaking("dev-a", 100);
        assertThat(code(() -> kit.refuseTaking("dev-a", 100.1))).isEqualTo("more-of-part-than-there-is");
        assertThat(code(() -> kit.refuseTaking("none", 1))).isEqualTo("unknown-part");
    }

    @Test
    public void ofTwoClocksTheOlderOneCounts() {
        log.mix(1, 1, 1, 500);
        log.add(3, stamp -> new PartOpened(stamp, 2, "dev-a"));
        log.add(4, stamp -> new PartOpened(stamp, 2, "dev-b"));
        log.add(5, stamp -> new PartMoved(stamp, 1, "dev-a", 2, 50));
        log.add(6, stamp -> new PartMoved(stamp, 2, "dev-b", 1, 50));
        assertThat(part(2, "dev-a").openedAt()).isEqualTo(TestLog.day(1));
        assertThat(part(1, "dev-b").openedAt()).isEqualTo(TestLog.day(1));
    }

    @Test
    public void whatIsMovedKeepsTheOlderClockAndItsMoney() {
        log.mix(1, 1, 1, 500);
        log.add(5, stamp -> new PartMoved(stamp, 1, "dev-a", 2, 50));
        PartState there = part(2, "dev-a");
        assertThat(there.left()).isCloseTo(150, offset(1e-9));
        assertThat(there.movedIn()).isCloseTo(50, offset(1e-9));
        assertThat(there.openedAt()).isEqualTo(TestLog.day(1));
        assertThat(part(1, "dev-a").left()).isZero();
        Map<String, Double> dev = Map.of("dev-a", 150.0);
        List<PartUse> uses = Stock.of(log.state().kit(2)).uses(dev);
        assertThat(uses).singleElement().satisfies(use -> {
            assertThat(use.amount()).isEqualTo(150);
            assertThat(use.kitShare()).isCloseTo(0.25, offset(1e-9));
        });
    }

    @Test
    public void onlyOpenedPartsOfTheSameLeafletAreMoved() {
        log.kit(0, 3, Leaflets.slide(), 100);
        LogState before = log.state();
        assertThat(code(() -> before.kit(1).refuseMoving("dev-a", before.kit(2))))
                .isEqualTo("part-sealed");
        assertThat(code(() -> before.kit(1).refuseMoving("dev-a", before.kit(3))))
                .isEqualTo("kits-differ");
        assertThat(code(() -> before.kit(1).refuseMoving("dev-a", before.kit(1))))
                .isEqualTo("kits-differ");
        log.mix(1, 1, 1, 1000);
        LogState used = log.state();
        assertThat(code(() -> used.kit(1).refuseMoving("dev-a", used.kit(2)))).isEqualTo("part-used-up");
    }

    @Test
    public void theFirstKitGoesFirst() {
        log.mix(1, 1, 1, 700);
        Stock stock = Stock.of(List.of(log.state().kit(1), log.state().kit(2)));
        assertThat(stock.left().get("dev-a")).isCloseTo(130, offset(1e-9));
        var plan = stock.plan(Map.of("dev", new MixPlan.Wanted(1200, 1200)));
        assertThat(stock.uses(plan.baths().get(0)))
                .filteredOn(use -> use.part().equals("dev-a"))
                .extracting(PartUse::kitId, use -> Math.round(use.amount()))
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(1L, 30L), org.assertj.core.groups.Tuple.tuple(2L, 90L));
        assertThat(code(() -> Stock.of(List.of(log.state().kit(1), log.state().kit(1)))))
                .isEqualTo("kits-differ");
    }

    @Test
    public void whatOneBathTookIsNotThereForTheNext() {
        Stock stock = Stock.of(log.state().kit(1));
        double whole = log.state().kit(1).arrival().valueShare("dev-a");
        assertThat(stock.uses(Map.of("dev-a", 60.0)).get(0).kitShare()).isCloseTo(whole * 0.6, offset(1e-9));
        assertThat(stock.left().get("dev-a")).isCloseTo(40, offset(1e-9));
        PartUse rest = stock.uses(Map.of("dev-a", 50.0)).get(0);
        assertThat(rest.amount()).isEqualTo(50);
        assertThat(rest.kitShare()).as("what it has left of its value").isCloseTo(whole * 0.4, offset(1e-9));
        assertThat(stock.uses(Map.of("dev-a", 10.0)).get(0).kitShare()).isZero();
        assertThat(stock.uses(Map.of("dev-a", 0.0))).isEmpty();
    }

    @Test
    public void exactlyWhatTheFirstKitHasTakesNothingOfTheNext() {
        Stock stock = Stock.of(List.of(log.state().kit(1), log.state().kit(2)));
        assertThat(stock.uses(Map.of("dev-a", 100.0)))
                .extracting(PartUse::kitId)
                .containsExactly(1L);
        assertThat(stock.uses(Map.of("dev-a", 120.0)))
                .as("the last one was poured from all the same")
                .extracting(PartUse::kitId, PartUse::amount)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(2L, 120.0));
        log.kit(0, 3, Leaflets.slide(), 100);
        assertThat(code(() -> Stock.of(List.of(log.state().kit(1), log.state().kit(3)))))
                .isEqualTo("kits-differ");
    }

    @Test
    public void aKitNeverGivesMoreThanItsWholeValue() {
        Random random = new Random(7);
        for (int round = 0; round < 50; round++) {
            twoKits();
            int batch = 0;
            for (int day = 1; day < 30; day++) {
                double amount = 10 + random.nextInt(60);
                if (random.nextBoolean()) {
                    log.add(day, stamp -> new PartCorrected(stamp, 1, "dev-a", amount, "looked"));
                }
                KitState kit = log.state().kit(1);
                List<PartUse> uses = Stock.of(kit).uses(Map.of("dev-a", amount, "bx-b", amount));
                long fill = 100 + day;
                long batchId = ++batch;
                log.add(
                        day,
                        stamp -> new BatchMixed(
                                stamp,
                                batchId,
                                "Test",
                                List.of(new MixedFill(
                                        fill,
                                        Leaflets.negative(),
                                        "dev",
                                        500,
                                        "500",
                                        TestLog.bottle(fill),
                                        uses,
                                        null))));
            }
            Money given = log.state().batches().values().stream()
                    .map(each -> FillCosts.of(log.state())
                            .ofFill(each.fills().get(0).id())
                            .orElseThrow())
                    .reduce(Money.zero(NZD), Money::plus);
            assertThat(given.getAmountMinorLong()).isLessThanOrEqualTo(4000);
            double shares = log.state().kit(1).shares().stream()
                    .mapToDouble(KitState.Share::fraction)
                    .sum();
            assertThat(shares).isLessThanOrEqualTo(1 + 1e-9);
        }
    }

    @Test
    public void aKitThatWasUsedIsNotVoided() {
        throwAway(2, "dev-a", 5);
        assertThat(code(() -> Voiding.check(log.entries(), 1))).isEqualTo("later-entries-depend");
        Voiding.check(log.entries(), 2);
    }

    @Test
    public void aKitThatStoodSealedForLongIsNextInLine() {
        Leaflet plain = Leaflets.negative();
        List<Part> parts = plain.parts().stream()
                .map(part -> new Part(part.key(), part.name(), part.amount(), part.unit(), false, 100.0, null, null))
                .toList();
        log.kit(
                0,
                3,
                new Leaflet(
                        plain.key(),
                        3,
                        plain.name(),
                        plain.maker(),
                        plain.process(),
                        null,
                        1000,
                        parts,
                        plain.baths(),
                        List.of(),
                        List.of()),
                100);
        assertThat(log.state().kit(3).longSealed(TestLog.day(74))).isEmpty();
        assertThat(log.state().kit(3).longSealed(TestLog.day(75))).isPresent();
        assertThat(log.state().kit(1).longSealed(TestLog.day(5000))).isEmpty();
        log.add(60, stamp -> new PartOpened(stamp, 3, "dev-a"));
        assertThat(log.state().kit(3).longSealed(TestLog.day(75))).isEmpty();
    }

    @Test
    public void supplyTellsWhatToOrder() {
        log.mix(1, 1, 1, 1000);
        log.mix(20, 2, 2, 500);
        Function<Double, Supply> on =
                day -> Supply.of(log.book(), TestLog.day(day)).get(0);
        Supply supply = on.apply(21.0);
        assertThat(supply.leftMl()).isCloseTo(500, offset(1e-6));
        assertThat(supply.usedMl()).isCloseTo(1500, offset(1e-6));
        assertThat(supply.lastsWeeks()).isCloseTo(500 / (1500 / 8.0), offset(1e-6));
        assertThat(supply.orderNow(3)).isTrue();
        assertThat(supply.orderNow(2)).isFalse();
        assertThat(on.apply(200.0).lastsWeeks()).isNull();
        assertThat(on.apply(200.0).orderNow(50)).isFalse();
    }

    @Test
    public void shortCodesReadBackAndShowSlips() {
        for (long fill = 1; fill < 20_000; fill += 7) {
            String code = ShortCode.of(fill);
            assertThat(ShortCode.fillOf(code.toLowerCase(java.util.Locale.ROOT)))
                    .isEqualTo(fill);
            char last = code.charAt(1);
            String slip = code.charAt(0) + (last == '2' ? "3" : "2") + code.substring(2);
            assertThat(code(() -> ShortCode.fillOf(slip))).isEqualTo("not-a-code");
            String swapped = "" + code.charAt(1) + code.charAt(0) + code.substring(2);
            if (!swapped.equals(code)) {
                assertThat(code(() -> ShortCode.fillOf(swapped))).isEqualTo("not-a-code");
            }
        }
        assertThat(code(() -> ShortCode.fillOf("1IO0"))).isEqualTo("not-a-code");
        assertThat(code(() -> ShortCode.fillOf(""))).isEqualTo("not-a-code");
    }

    @Test
    public void vialsAreCountedDownAndKeepAsLongAsIsPrintedForThem() {
        Leaflet plain = Leaflets.negative();
        List<Part> parts = plain.parts().stream()
                .map(part -> part.key().equals("dev-a")
                        ? new Part("dev-a", part.name(), 100, part.unit(), true, 700.0, 30.0, 300.0, null)
                        : part)
                .toList();
        log.kit(
                0,
                7,
                new Leaflet(
                        plain.key(),
                        1,
                        plain.name(),
                        plain.maker(),
                        plain.process(),
                        null,
                        1000,
                        parts,
                        plain.baths(),
                        List.of(),
                        List.of()),
                4000);
        log.add(1, stamp -> new PartOpened(stamp, 7, "dev-a"));
        assertThat(part(7, "dev-a").vialsLeft()).isZero();
        assertThat(part(7, "dev-a").keepsOpenDays()).isEqualTo(30);
        log.add(2, stamp -> new PartDecanted(stamp, 7, "dev-a", 4));
        assertThat(part(7, "dev-a").vialsLeft()).isEqualTo(4);
        assertThat(part(7, "dev-a").keepsOpenDays()).isEqualTo(300);
        assertThat(part(7, "dev-a").isPast(TestLog.day(0), TestLog.day(301))).isFalse();
        assertThat(part(7, "dev-a").isPast(TestLog.day(0), TestLog.day(303))).isTrue();
        log.mix(3, 1, 7, 300);
        assertThat(part(7, "dev-a").vialsLeft())
                .as("30 of 100 ml are gone, of one vial 20 are over")
                .isEqualTo(2);
        log.mix(4, 2, 7, 700);
        assertThat(part(7, "dev-a").vialsLeft()).isZero();
    }

    @Test
    public void partsThatWereBoughtAloneCountAndFinishedKitsDoNot() {
        TestLog own = new TestLog();
        own.kit(0, 1, Leaflets.negative(), 4000);
        own.mix(1, 1, 1, 1000);
        own.kit(2, 2, Leaflets.negative(), 4000);
        own.mix(3, 2, 2, 400);
        assertThat(Supply.of(own.book(), TestLog.day(4)).get(0).leftMl()).isCloseTo(600, offset(1e-6));
        own.add(
                4,
                stamp -> new KitArrived(
                        stamp,
                        3,
                        Leaflets.negative(),
                        Money.ofMinor(NZD, 1000),
                        Money.zero(NZD),
                        null,
                        List.of("bx-a", "bx-b", "dev-a", "dev-b"),
                        Purchase.plainly(NZD)));
        assertThat(Supply.of(own.book(), TestLog.day(5)).get(0).leftMl()).isCloseTo(1600, offset(1e-6));
        assertThat(Stock.of(List.of(own.state().kit(2), own.state().kit(3))).makesMl(List.of("dev", "bx")))
                .isCloseTo(1600, offset(1e-6));
        own.add(6, stamp -> new KitFinished(stamp, 2));
        assertThat(Supply.of(own.book(), TestLog.day(7)).get(0).leftMl()).isCloseTo(1000, offset(1e-6));
    }
}
