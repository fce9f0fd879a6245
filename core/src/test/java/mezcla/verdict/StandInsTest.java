package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Range;
import mezcla.measure.ProcessingTime;
import org.testng.annotations.Test;

/** What counts where a sheet prints no limit, and what a leaflet that was mistyped makes of a fill (rules, 5 and 3.8). */
public class StandInsTest {
    private static final BathRole.Nature DEVELOPER = BathRole.Nature.DEVELOPER;
    private static final Bath PRINTED = Leaflets.negative().bath("dev");
    private static final Bath BARE = PRINTED.limited(null, null);

    @Test
    public void whatIsPrintedStaysAndWhatIsNotIsStoodInFor() {
        StandIns house = StandIns.none().with(DEVELOPER, 35.0, 12.0);
        assertThat(house.standsIn(PRINTED)).isFalse();
        assertThat(house.over(PRINTED)).isEqualTo(PRINTED);
        assertThat(house.standsIn(BARE)).isTrue();
        Bath standing = house.over(BARE);
        assertThat(standing.lifeDays()).isEqualTo(Range.standIn(35));
        assertThat(standing.capacity()).isEqualTo(Range.standIn(12 * BARE.capacityForMl() / 1000));
        assertThat(Range.standIn(35).printed()).isFalse();
        assertThat(new Range(28, 42).printed()).isTrue();
    }

    @Test
    public void oneLimitAloneStandsInForItself() {
        StandIns lifeOnly = StandIns.none().with(DEVELOPER, 35.0, null);
        assertThat(lifeOnly.standsIn(BARE)).isTrue();
        assertThat(lifeOnly.standsIn(PRINTED.limited(null, PRINTED.lifeDays()))).isFalse();
        assertThat(lifeOnly.standsIn(PRINTED.limited(PRINTED.capacity(), null))).isTrue();
        StandIns rollsOnly = StandIns.none().with(DEVELOPER, null, 12.0);
        assertThat(rollsOnly.standsIn(PRINTED.limited(PRINTED.capacity(), null)))
                .isFalse();
        assertThat(rollsOnly.standsIn(PRINTED.limited(null, PRINTED.lifeDays())))
                .isTrue();
        assertThat(lifeOnly.with(DEVELOPER, null, null)).isEqualTo(StandIns.none());
        assertThat(lifeOnly.with(BathRole.Nature.FIXER, 90.0, null).lifeDays())
                .containsEntry(DEVELOPER, 35.0)
                .containsEntry(BathRole.Nature.FIXER, 90.0);
        assertThat(StandIns.none().over(BARE)).isEqualTo(BARE);
    }

    @Test
    public void anotherFigureOfTheRightVersionIsADifference() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
        FillState fill = log.state().fill(1);
        ProcessingTime time = ProcessingTime.ofSeconds(200);
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, 5.0, 5.004).isDifferent())
                .isFalse();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, 5.0, 5.006).isDifferent())
                .isTrue();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, 5.0, 4.0).leavesOthers())
                .isTrue();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, null, 5.0, 5.0).isDifferent())
                .isTrue();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, null, 5.0, 5.0).leavesOthers())
                .isFalse();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, null, 5.0).leavesOthers())
                .isTrue();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, 5.0, null).leavesOthers())
                .isTrue();
        assertThat(new RunRemark.LeafletMistyped(fill, 2, time, time, null, null).isDifferent())
                .isFalse();
    }
}
