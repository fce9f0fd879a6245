package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Seasons in which the same comes each week, counted by hand; and seasons by chance. */
public class SeasonTest {
    private static final List<Double> ONE_A_WEEK = Collections.nCopies(Season.ENOUGH_WEEKS, 1.0);

    private static BatchSize halves(@Nullable Double life, @Nullable Double opened) {
        Money price = Money.of(CurrencyUnit.of("NZD"), 60);
        return BatchSize.of(new KitOffer("Twelve rolls", 1200, price, 0.01, life, opened, false), 2, 1, 0)
                .orElseThrow();
    }

    @DataProvider
    public Object[][] byHand() {
        return new Object[][] {
            // Five batches of six, of which four rolls are left: 60 × (2.5 − 4/12) / 26.
            {null, null, 0, 26.0, 0.0, 5.00},
            // Each takes the film of four weeks, then two rolls' worth goes: 60 × (3.5 − 4/12) / 26.
            {3.0, null, 0, 26.0, 12.0, 7.31},
            // One more week: five rolls of each, one poured away: 60 × (3 − 5/12) / 26.
            {4.0, null, 0, 26.0, 5.0, 5.96},
            // Three are saved up, three follow; the last two wait: 60 × 2 / 24.
            {null, null, 3, 24.0, 0.0, 5.00},
            // What is left of the kit does not keep until the second batch: 60 × (4.5 − 4/12) / 26.
            {null, 3.0, 0, 26.0, 24.0, 9.62},
            {null, 6.0, 0, 26.0, 0.0, 5.00},
            // More cannot be saved up than a batch takes.
            {null, null, 9, 24.0, 0.0, 5.00},
        };
    }

    @Test(dataProvider = "byHand")
    public void aSteadySeasonIsCountedByHand(
            @Nullable Double life, @Nullable Double opened, int saved, double rolls, double poured, double aRoll) {
        AtomicInteger told = new AtomicInteger();
        Season season = Season.simulate(halves(life, opened), ONE_A_WEEK, 1, saved, 7, 3, told::set);
        assertThat(season.rolls()).isEqualTo(rolls);
        assertThat(season.poured()).isEqualTo(poured);
        assertThat(season.costs()).hasSize(3).containsOnly(Money.of(CurrencyUnit.of("NZD"), aRoll));
        assertThat(season.isEmpty()).isFalse();
        assertThat(told).hasValue(3);
    }

    @Test
    public void weeksAreScaledToWhatIsExpected() {
        assertThat(Season.simulate(halves(null, null), ONE_A_WEEK, 2, 0, 7, 1, done -> {})
                        .rolls())
                .isEqualTo(52);
        assertThat(Season.simulate(halves(null, null), ONE_A_WEEK, 0.5, 0, 7, 1, done -> {})
                        .rolls())
                .isEqualTo(13);
    }

    /** With fewer weeks film comes by chance, as often in the middle as was said. */
    @Test
    public void whereTooFewWeeksAreKnownFilmComesByChance() {
        List<Double> few = ONE_A_WEEK.subList(0, Season.ENOUGH_WEEKS - 1);
        Season season = Season.simulate(halves(null, null), few, 1, 0, 7, 400, done -> {});
        assertThat(season.rolls()).isBetween(24.0, 28.0);
        assertThat(season.costs()).isSorted().hasSize(400);
        assertThat(season.cheap()).isLessThanOrEqualTo(season.middle());
        assertThat(season.middle()).isLessThanOrEqualTo(season.dear());
        assertThat(Season.simulate(halves(null, null), List.of(), 0.0001, 0, 7, 2, done -> {})
                        .isEmpty())
                .isTrue();
    }

    @Test
    public void tenthsAreThoseOfTheSortedCosts() {
        List<Money> costs = new ArrayList<>();
        for (int i = 0; i < 11; i++) {
            costs.add(Money.of(CurrencyUnit.of("NZD"), i));
        }
        Season season = new Season(costs, 26, 0);
        assertThat(season.cheap()).isEqualTo(costs.get(1));
        assertThat(season.middle()).isEqualTo(costs.get(5));
        assertThat(season.dear()).isEqualTo(costs.get(9));
    }
}
