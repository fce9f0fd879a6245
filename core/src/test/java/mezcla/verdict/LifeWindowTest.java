package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.log.FillSpilled;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** The limits of a fill over days and rolls. */
public class LifeWindowTest {
    /** Half a litre of a developer for 8 to 10 rolls a litre and 28 to 42 days, after two rolls. */
    private static FillState halfALitre() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 500);
        log.run(1, 7, 2, 1L, 2L);
        return log.state().fill(1);
    }

    private static FillState limited(@Nullable Range rolls, @Nullable Range days) {
        FillState fill = halfALitre();
        Bath bath = fill.bath();
        return fill.governedBy(fill.leaflet()
                .with(new Bath(
                        bath.key(),
                        bath.role(),
                        bath.recipe(),
                        bath.timing(),
                        bath.capacityForMl(),
                        rolls,
                        days,
                        null,
                        null)));
    }

    @Test
    public void limitsAreThoseOfThisBottle() {
        LifeWindow window = LifeWindow.of(halfALitre(), School.LEAFLET, false);
        assertThat(window.done()).isCloseTo(2, within(1e-9));
        assertThat(window.first()).isEqualTo(new LifeWindow.Corner(28, 4));
        assertThat(window.last()).isEqualTo(new LifeWindow.Corner(42, 5));
        assertThat(window.stretch()).isEqualTo(new LifeWindow.Corner(126, 12.5));
        assertThat(window.hasFirst()).isTrue();
        assertThat(window.end()).isEqualTo(window.last());
        assertThat(LifeWindow.of(halfALitre(), School.STRETCH, false).end()).isEqualTo(window.stretch());
    }

    @Test
    public void theCarefulCurveIsAQuarterOfAnEllipse() {
        List<LifeWindow.Corner> curve =
                LifeWindow.of(halfALitre(), School.CAREFUL, false).careful(4);
        assertThat(curve).hasSize(5);
        assertThat(curve.get(0).days()).isCloseTo(0, within(1e-9));
        assertThat(curve.get(0).rolls()).isCloseTo(4, within(1e-9));
        assertThat(curve.get(4).days()).isCloseTo(28, within(1e-9));
        assertThat(curve.get(4).rolls()).isCloseTo(0, within(1e-9));
        assertThat(curve).allSatisfy(point -> assertThat(Math.hypot(point.days() / 28, point.rolls() / 4))
                .isCloseTo(1, within(1e-9)));
    }

    @Test
    public void whereNothingIsPrintedThereIsNoLimit() {
        LifeWindow ageless = LifeWindow.of(limited(new Range(8, 8), null), School.STRETCH, false);
        assertThat(ageless.last()).isEqualTo(new LifeWindow.Corner(Double.POSITIVE_INFINITY, 4));
        assertThat(ageless.first().days()).isInfinite();
        assertThat(ageless.stretch().days()).isInfinite();
        assertThat(ageless.hasFirst()).isFalse();
        assertThat(ageless.careful(4)).isEmpty();
        LifeWindow tireless = LifeWindow.of(limited(null, new Range(28, 42)), School.LEAFLET, false);
        assertThat(tireless.first()).isEqualTo(new LifeWindow.Corner(28, Double.POSITIVE_INFINITY));
        assertThat(tireless.end().rolls()).isInfinite();
        assertThat(tireless.hasFirst()).as("its days").isTrue();
        assertThat(tireless.careful(4)).isEmpty();
        assertThat(LifeWindow.of(limited(new Range(8, 10), null), School.LEAFLET, false)
                        .hasFirst())
                .as("its rolls")
                .isTrue();
    }

    @Test
    public void aRollThatGoesInLaterTakesLonger() {
        LifeWindow window = LifeWindow.of(halfALitre(), School.LEAFLET, false);
        assertThat(window.timeAfter(0).seconds()).isEqualTo(200);
        assertThat(window.timeAfter(2).seconds()).as("n = 4 to 6").isEqualTo(220);
        assertThat(window.timeAfter(4).seconds()).as("n = 8 to 10").isEqualTo(245);
    }

    @Test
    public void aSpillBringsTheLimitNearerAndLeavesWhatWasDone() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        log.run(1, 1, 3, 1L, 2L);
        log.add(2, stamp -> new FillSpilled(stamp, 1, 500));
        LifeWindow window = LifeWindow.of(log.state().fill(1), School.LEAFLET, false);
        assertThat(window.done()).isEqualTo(3);
        assertThat(window.last().rolls()).isCloseTo(3 + 3.5, within(1e-9));
        assertThat(log.state().fill(1).path()).last().satisfies(worn -> assertThat(worn.rolls())
                .isEqualTo(3));
        assertThat(window.timeAfter(3).seconds())
                .as("the fourth roll, in half of it: the fourth and fifth of a litre")
                .isEqualTo(200);
    }
}
