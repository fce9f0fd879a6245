package mezcla.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mezcla.measure.Refusal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

public class MoneyTest {
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
}
