package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.Leaflets;
import mezcla.leaflet.Bath;
import org.testng.annotations.Test;

public class TankFillingsTest {
    private static final Bath DEVELOPER = Leaflets.negative().bath("dev");
    private static final List<RunQuestion.InTank> TANKS =
            List.of(RunQuestion.InTank.of(300), RunQuestion.InTank.of(1000));

    @Test
    public void aKitAsLargeAsTheTankGivesAllItsRuns() {
        assertThat(TankFillings.tooFew(DEVELOPER, 1000, TANKS))
                .as("fifty millilitres less still cover the reels: eleven runs of ten rolls")
                .isEmpty();
    }

    @Test
    public void aLittleMoreWouldGiveTheRest() {
        TankFillings few = TankFillings.tooFew(DEVELOPER, 960, TANKS).orElseThrow();
        assertThat(few.tank().takesMl()).isEqualTo(1000);
        assertThat(few.times()).isEqualTo(3);
        assertThat(few.rolls()).isEqualTo(9);
        assertThat(few.neededMl()).isCloseTo(990, within(1e-9));
        assertThat(TankFillings.tooFew(DEVELOPER, few.neededMl(), TANKS)
                        .map(TankFillings::times)
                        .orElse(9))
                .isEqualTo(9);
        assertThat(TankFillings.tooFew(DEVELOPER, 200, TANKS))
                .as("it covers no tank")
                .isEmpty();
    }
}
