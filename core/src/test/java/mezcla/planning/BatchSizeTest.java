package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import mezcla.Leaflets;
import mezcla.money.ExpectedRolls;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** How big a batch, how big a kit, and when to mix. */
public class BatchSizeTest {
    private static final Money PRICE = Money.ofMinor(CurrencyUnit.of("NZD"), 6000);

    private static KitOffer offer(Double life, Double opened) {
        return new KitOffer("Six litres", 6000, PRICE, 0.012, life, opened, false);
    }

    @Test
    public void aKitIsCountedByTheBathThatGivesOutFirst() {
        KitOffer offer = KitOffer.of(Leaflets.negative(), PRICE).orElseThrow();
        assertThat(offer.rollsPerMl() * offer.makesMl()).isCloseTo(10, within(1e-9));
        assertThat(offer.lifeWeeks()).isNotNull();
    }

    @Test
    public void anExpectationIsThatOfManyWeeksThrown() {
        Random chance = new Random(3);
        double sum = 0;
        int trials = 200_000;
        for (int i = 0; i < trials; i++) {
            int rolls = 0;
            double limit = Math.exp(-6.0);
            for (double product = chance.nextDouble(); product > limit; product *= chance.nextDouble()) {
                rolls++;
            }
            sum += Math.min(8, rolls);
        }
        assertThat(ExpectedRolls.of(8, 6)).isCloseTo(sum / trials, within(0.02));
        assertThat(ExpectedRolls.of(0, 6)).isZero();
        assertThat(ExpectedRolls.of(5, 0)).isZero();
        assertThat(ExpectedRolls.of(900, 900)).isBetween(885.0, 890.0);
        assertThat(ExpectedRolls.of(10, 5000)).isCloseTo(10, within(1e-9));
        assertThatThrownBy(() -> ExpectedRolls.of(3, -1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    public void aBatchThatNeverAgesIsUsedUp() {
        BatchSize whole = BatchSize.of(offer(null, null), 1, 2, 0).orElseThrow();
        assertThat(whole.capacity()).isEqualTo(72);
        assertThat(whole.expectedRolls()).isEqualTo(72);
        assertThat(whole.aRoll()).isEqualTo(Money.ofMinor(CurrencyUnit.of("NZD"), 83));
        assertThat(whole.wasted()).isZero();
        assertThat(whole.lastsWeeks()).isEqualTo(36);
    }

    @Test
    public void smallerBatchesWasteLessUntilTheOpenedKitAges() {
        BatchSize whole = BatchSize.of(offer(6.0, null), 1, 2, 0).orElseThrow();
        BatchSize twelfths = BatchSize.of(offer(6.0, null), 12, 2, 0).orElseThrow();
        assertThat(whole.wasted()).isGreaterThan(0.8);
        assertThat(twelfths.capacity()).isEqualTo(6);
        assertThat(twelfths.wasted()).isLessThan(0.05);
        assertThat(twelfths.aRoll()).isLessThan(whole.aRoll());
        BatchSize opened = BatchSize.of(offer(6.0, 4.0), 12, 2, 0).orElseThrow();
        assertThat(opened.used()).isEqualTo(2);
        assertThat(opened.wasted()).isGreaterThan(0.8);
        assertThat(opened.aRoll()).isGreaterThan(twelfths.aRoll());
    }

    @Test
    public void savingUpMakesARollCheaperAndTakesTime() {
        BatchSize size = BatchSize.of(offer(4.0, null), 6, 1, 0).orElseThrow();
        List<BatchSize> saved = size.savingUp(1);
        assertThat(saved).hasSize(13);
        for (int i = 1; i < saved.size(); i++) {
            assertThat(saved.get(i).aRoll())
                    .isLessThanOrEqualTo(saved.get(i - 1).aRoll());
            assertThat(saved.get(i).waitsWeeks()).isEqualTo(i);
        }
        assertThat(saved.get(12).expectedRolls()).isEqualTo(12);
        assertThat(saved.get(12).lastsWeeks()).isZero();
    }

    @Test
    public void everySensibleSizeIsThereAndNoneThatIsTooSmall() {
        List<BatchSize> all = BatchSize.all(offer(6.0, null), 500, 2, 0);
        assertThat(all.stream().map(BatchSize::batches))
                .containsExactlyElementsOf(IntStream.rangeClosed(1, 12).boxed().toList());
        KitOffer sachet = new KitOffer("Sachet", 600, PRICE, 0.01, 6.0, null, true);
        assertThat(BatchSize.all(sachet, 300, 2, 0)).hasSize(1);
        KitOffer tiny = new KitOffer("Tiny", 600, PRICE, 0.001, 6.0, null, false);
        assertThat(BatchSize.all(tiny, 300, 2, 0)).isEmpty();
        assertThat(all.stream().min(BatchSize.CHEAPEST_FIRST).orElseThrow().batches())
                .isGreaterThan(6);
    }

    @Test
    public void seasonsSpreadAroundWhatIsExpectedAndAreTheSameFromTheSameSeed() {
        BatchSize size = BatchSize.of(offer(6.0, null), 6, 2, 0).orElseThrow();
        int[] told = new int[1];
        Season season = Season.simulate(size, List.of(), 2, 0, 42, 400, done -> told[0] = done);
        assertThat(told[0]).isEqualTo(400);
        assertThat(season.cheap()).isLessThan(season.middle());
        assertThat(season.middle()).isLessThan(season.dear());
        assertThat(season.middle().getAmountMinorLong())
                .isCloseTo(
                        size.aRoll().getAmountMinorLong(), within(size.aRoll().getAmountMinorLong() / 5));
        assertThat(season.rolls()).isCloseTo(52, within(4.0));
        assertThat(Season.simulate(size, List.of(), 2, 0, 42, 400, done -> {}).costs())
                .isEqualTo(season.costs());
        assertThat(Season.simulate(size, List.of(), 2, 0, 43, 400, done -> {}).costs())
                .isNotEqualTo(season.costs());
    }

    @Test
    public void theHousesOwnWeeksAreDrawnAndScaled() {
        BatchSize size = BatchSize.of(offer(6.0, null), 12, 2, 0).orElseThrow();
        List<Double> steady = Collections.nCopies(10, 1.0);
        Season even = Season.simulate(size, steady, 2, 0, 1, 50, done -> {});
        assertThat(even.costs().get(0))
                .as("no week differs")
                .isEqualTo(even.costs().get(49));
        assertThat(even.rolls()).isEqualTo(52);
        assertThat(Season.simulate(size, Collections.nCopies(10, 0.0), 0.001, 0, 1, 3, done -> {})
                        .isEmpty())
                .isTrue();
    }

    @Test
    public void mixingForOneRollIsDearAndForTwoHalfAsDear() {
        KitOffer offer = offer(6.0, null);
        WorthMixing one = WorthMixing.of(offer, 300, 1, OptionalDouble.of(0.5));
        assertThat(one.now()).isEqualTo(Money.ofMinor(CurrencyUnit.of("NZD"), 300));
        assertThat(one.withOneMore()).isEqualTo(Money.ofMinor(CurrencyUnit.of("NZD"), 150));
        assertThat(one.daysUntilOneMore()).hasValue(14);
        assertThat(one.expected().orElseThrow()).isLessThan(one.now());
        assertThat(one.fits()).isTrue();
        assertThat(one.isWorthItBelow(Money.ofMinor(CurrencyUnit.of("NZD"), 50)))
                .isFalse();
        assertThat(WorthMixing.forFilm(offer, 300, 4, OptionalDouble.empty()).volumeMl())
                .as("334 ml for four rolls")
                .isEqualTo(350);
        assertThat(WorthMixing.forFilm(offer, 500, 1, OptionalDouble.empty()).volumeMl())
                .isEqualTo(500);
        WorthMixing many = WorthMixing.of(offer, 300, 4, OptionalDouble.empty());
        assertThat(many.fits()).as("300 ml take 3.6 rolls").isFalse();
        assertThat(many.expected()).isEmpty();
    }

    @Test
    public void theCheapestWayOfEachKitComesFirst() {
        KitOffer dear = new KitOffer("Dear", 6000, PRICE.multipliedBy(2), 0.012, 6.0, null, false);
        KitOffer cheap = offer(6.0, null);
        List<BatchSize> ways = BatchSize.ways(List.of(dear, cheap), 500, 2, 0);
        assertThat(ways).isSortedAccordingTo(BatchSize.CHEAPEST_FIRST);
        assertThat(ways).extracting(each -> each.offer().name()).contains("Dear", "Six litres");
        List<BatchSize> best = BatchSize.best(List.of(dear, cheap), 500, 2);
        assertThat(best).extracting(each -> each.offer().name()).containsExactly("Six litres", "Dear");
        assertThat(best.get(0)).isEqualTo(ways.get(0));
        assertThat(best.get(1).aRoll()).isEqualTo(best.get(0).aRoll().multipliedBy(2));
        assertThat(BatchSize.all(cheap, 500, 2, 0)).hasSize(12);
        assertThat(BatchSize.all(cheap, 501, 2, 0)).hasSize(11);
        assertThat(BatchSize.all(new KitOffer("Whole", 6000, PRICE, 0.012, 6.0, null, true), 500, 2, 0))
                .hasSize(1);
    }

    @Test
    public void whatIsNoWayIsRefused() {
        assertThatThrownBy(() -> BatchSize.of(offer(null, null), 0, 2, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> BatchSize.of(offer(null, null), 1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> BatchSize.of(offer(null, null), 1, 2, -1))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(BatchSize.of(offer(null, null), 72, 2, 0)).isPresent();
        assertThat(BatchSize.of(offer(null, null), 73, 2, 0))
                .as("less than one roll")
                .isEmpty();
    }
}
