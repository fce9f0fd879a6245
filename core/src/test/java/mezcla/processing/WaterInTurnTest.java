package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Objects;
import mezcla.processing.WaterInTurn.Turn;
import mezcla.processing.WaterInTurn.Vessel;
import org.testng.annotations.Test;

/** Water for several baths, warmed in one tub one after the other. */
public class WaterInTurnTest {
    private static final WarmUp.Tub TUB = new WarmUp.Tub(12, 800, 8, 20, 20);
    private static final Vessel BLEACH = new Vessel(0.47, 37);
    private static final Vessel DEVELOPER = new Vessel(0.47, 47);

    private static int ready(Turn turn) {
        return Objects.requireNonNull(turn.readySeconds());
    }

    @Test
    public void theCoolerLeavesAndTheWarmerGoesOn() {
        List<Turn> turns = WaterInTurn.of(TUB, List.of(BLEACH, DEVELOPER), 20).turns();
        assertThat(turns).extracting(Turn::fromTheStart).containsExactly(true, true);
        assertThat(ready(turns.get(1))).isGreaterThan(ready(turns.get(0)));
        assertThat(ready(turns.get(1)))
                .as("it was warmed with the other, so it needs less than a whole warming more")
                .isLessThan(ready(turns.get(0))
                        + ready(WaterInTurn.of(TUB, List.of(DEVELOPER), 20)
                                .turns()
                                .get(0)));
    }

    @Test
    public void oneVesselIsWarmAsTheSameBottleInABathIs() {
        WarmUp bath = WarmUp.of(
                TUB,
                List.of(new WarmUp.Wanted(new WarmUp.Warmed(0.47, WarmUp.usualWPerK(false, 0.47), 20), 36, 38)),
                37);
        assertThat((double)
                        ready(WaterInTurn.of(TUB, List.of(BLEACH), 20).turns().get(0)))
                .isCloseTo(Objects.requireNonNull(bath.readySeconds()), within(1.0));
    }

    @Test
    public void whatWantsLessThanTheOneBeforeGoesInWhenItsTurnComes() {
        List<Turn> turns = WaterInTurn.of(TUB, List.of(DEVELOPER, BLEACH), 20).turns();
        assertThat(turns).extracting(Turn::fromTheStart).containsExactly(true, false);
        assertThat(ready(turns.get(1)) - ready(turns.get(0)))
                .as("in a tub that is hot already")
                .isBetween(
                        1,
                        ready(WaterInTurn.of(TUB, List.of(BLEACH), 20).turns().get(0)));
    }

    @Test
    public void aWarmVesselHasNothingToWaitForAndAWeakHeaterNeverGetsThere() {
        assertThat(WaterInTurn.of(TUB, List.of(new Vessel(1, 21)), 20).turns())
                .extracting(Turn::readySeconds)
                .containsExactly(0);
        assertThat(WaterInTurn.of(new WarmUp.Tub(12, 60, 20, 20, 20), List.of(BLEACH, DEVELOPER), 20)
                        .turns())
                .extracting(Turn::readySeconds)
                .containsExactly(null, null);
    }
}
