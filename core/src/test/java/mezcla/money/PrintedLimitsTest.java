package mezcla.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneOffset;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.log.FillSpilled;
import org.testng.annotations.Test;

/** What a batch takes by its print, whatever it did since (rules, section 8). */
public class PrintedLimitsTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static TestLog of(Leaflet leaflet) {
        TestLog log = new TestLog();
        log.kit(0, 1, leaflet, 5000);
        log.kit(0, 2, leaflet, 5000);
        log.mix(0, 7, 1, 1000);
        return log;
    }

    private static double rolls(TestLog log) {
        return PRINTED.rolls(log.state().batch(7)).orElse(-1);
    }

    private static double left(TestLog log) {
        return PRINTED.left(log.state().batch(7)).orElse(-1);
    }

    @Test
    public void theBathThatGivesOutFirstLimitsIt() {
        TestLog log = of(Leaflets.negative());
        assertThat(rolls(log)).isEqualTo(10);
        assertThat(left(log)).isEqualTo(10);
        log.run(1, 7, 4, 1L, 2L);
        assertThat(rolls(log)).isCloseTo(10, within(0.2));
        assertThat(left(log)).isCloseTo(6, within(0.2));
        log.run(2, 7, 8, 1L, 2L);
        assertThat(rolls(log)).as("past the print").isCloseTo(10, within(0.2));
        assertThat(left(log)).isZero();
    }

    @Test
    public void aBathThatWasRenewedHasTheRollsOfAllItsFills() {
        TestLog log = of(Leaflets.negative());
        log.run(1, 7, 9, 1L, 2L);
        log.discard(2, 7, 1L);
        log.renew(2, 7, 2, "dev", 1000);
        assertThat(rolls(log))
                .as("nine and ten by the developer, fourteen by the bleach-fix")
                .isCloseTo(14, within(0.2));
        assertThat(left(log)).as("five by the bleach-fix").isCloseTo(5, within(0.2));
    }

    @Test
    public void aOneShotGoesByWhatIsLeftOfItAndDoesNotWear() {
        TestLog log = of(Leaflets.slide());
        assertThat(rolls(log)).as("six by the colour developer").isEqualTo(6);
        assertThat(left(log))
                .as("1000 ml by 150 a tank, and six by the colour developer")
                .isEqualTo(6);
        log.add(1, stamp -> new FillSpilled(stamp, 1, 400));
        assertThat(left(log)).as("600 ml by 150 a tank").isEqualTo(4);
        log.add(1, stamp -> new FillSpilled(stamp, 1, 1));
        assertThat(left(log)).as("whole tanks").isEqualTo(3);
        Leaflet strong = Leaflets.withBaths(
                Leaflets.slide(),
                bath -> bath.oneShot() == null
                        ? bath
                        : new Bath(
                                bath.key(),
                                bath.role(),
                                bath.recipe(),
                                bath.timing(),
                                bath.capacityForMl(),
                                new mezcla.leaflet.Range(4, 4),
                                bath.lifeDays(),
                                bath.oneShot(),
                                null));
        assertThat(left(of(strong)))
                .as("250 ml a roll are printed, more than a tank takes")
                .isEqualTo(4);
    }

    @Test
    public void aOneShotThatWasMixedAfreshCountsWhatTheOldStockDid() {
        TestLog log = of(Leaflets.slide());
        log.run(1, 7, 2, 1L, 2L, 3L);
        log.discard(2, 7, 1L);
        log.renew(2, 7, 2, "f1", 500);
        assertThat(rolls(log)).as("six by the colour developer").isCloseTo(6, within(0.1));
        log.discard(3, 7, 2L);
        log.renew(3, 7, 2, "cd", 1000);
        log.discard(3, 7, 3L);
        log.renew(3, 7, 2, "bx", 1000);
        assertThat(rolls(log))
                .as("two through the old stock, six of twelve a litre in 500 ml")
                .isCloseTo(8, within(0.1));
    }

    @Test
    public void daysAreThoseOfTheBathThatIsOldFirst() {
        TestLog log = of(Leaflets.negative());
        assertThat(PRINTED.daysLeft(log.state().batch(7), TestLog.day(10)).orElseThrow())
                .isEqualTo(32);
        assertThat(PRINTED.daysLeft(log.state().batch(7), TestLog.day(60)).orElseThrow())
                .isZero();
        log.discard(20, 7, 1L);
        log.renew(20, 7, 2, "dev", 1000);
        assertThat(PRINTED.daysLeft(log.state().batch(7), TestLog.day(21)).orElseThrow())
                .as("the bleach-fix is of the first day")
                .isEqualTo(21);
        assertThat(new PrintedLimits(
                                bath -> new Bath(
                                        bath.key(),
                                        bath.role(),
                                        bath.recipe(),
                                        bath.timing(),
                                        bath.capacityForMl(),
                                        null,
                                        null,
                                        null,
                                        null),
                                300,
                                ZoneOffset.UTC)
                        .rolls(log.state().batch(7)))
                .as("no bath has a limit")
                .isEmpty();
    }
}
