package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import mezcla.batch.Mixture;
import mezcla.batch.Outcome;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Range;
import mezcla.leaflet.Timing;
import mezcla.log.Finding;
import mezcla.log.Sign;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class FillVerdictTest {
    private static final Timing TIMING = new Timing(200, 38, 37.7, 38.3, new Exhaustion.Fixed(), List.of(), List.of());

    private static FillCondition fill(
            BathRole role,
            double scaledRolls,
            double age,
            Set<Sign> signs,
            FillCondition.@Nullable Look look,
            double trim) {
        return new FillCondition(
                "bath",
                role,
                TIMING,
                1000,
                500,
                scaledRolls / 2,
                scaledRolls,
                age,
                age,
                1,
                new Range(28, 42),
                new Range(8, 12),
                signs,
                look,
                Mixture.AS_PRINTED,
                new Outcome(false, look != null && look.result() == Finding.HEAVY_CAST),
                trim,
                null);
    }

    private static List<String> reasons(FillCondition fill) {
        return BatchVerdict.of(School.LEAFLET, List.of(fill), 1).reasons().stream()
                .map(reason -> reason.code().words())
                .toList();
    }

    @DataProvider
    public Object[][] looks() {
        return new Object[][] {
            {Finding.GOOD, 14, 2, 0, List.of()},
            {Finding.GOOD, 15, 2, 0, List.of("test-rolls", "test-age")},
            {Finding.GOOD, 14, 2.1, 0, List.of("test-rolls", "test-age")},
            {Finding.THIN, 1, 0, 0, List.of("test-rolls", "test-age")},
            {Finding.THIN, 1, 0, 4, List.of("more-time")},
            {Finding.DENSE, 1, 0, -4, List.of("test-rolls", "test-age")},
        };
    }

    @Test(dataProvider = "looks")
    public void reassuranceHoldsFourteenDaysAndFourScaledRolls(
            Finding result, double daysAgo, double rollsAgo, double trim, List<String> reasons) {
        FillCondition.Look look = new FillCondition.Look(result, daysAgo, rollsAgo);
        assertThat(reasons(fill(BathRole.DEVELOPER, 8, 30, Set.of(), look, trim)))
                .isEqualTo(reasons);
    }

    @Test
    public void reassuranceNeverLiftsAHardLimit() {
        FillCondition.Look good = new FillCondition.Look(Finding.GOOD, 0, 0);
        assertThat(reasons(fill(BathRole.DEVELOPER, 12, 43, Set.of(), good, 0))).startsWith("over-rolls", "over-age");
    }

    @Test
    public void figuresAreRollsOfThisBottle() {
        Reason reason = BatchVerdict.of(School.LEAFLET, List.of(fill(BathRole.DEVELOPER, 12, 1, Set.of(), null, 0)), 1)
                .reasons()
                .get(0);
        assertThat(reason.code()).isEqualTo(Reason.Code.OVER_ROLLS);
        assertThat(reason.figure()).isEqualTo(6);
        assertThat(reason.limit()).isEqualTo(6);
    }

    @Test
    public void signsCondemnWhatTheyConcern() {
        assertThat(reasons(fill(BathRole.DEVELOPER, 0, 1, Set.of(Sign.BLACK, Sign.CONTAMINATED), null, 0)))
                .containsExactly("contaminated", "developer-black");
        assertThat(reasons(fill(BathRole.BLEACH, 0, 1, Set.of(Sign.BLACK), null, 0)))
                .isEmpty();
        assertThat(reasons(fill(BathRole.DEVELOPER, 0, 1, Set.of(Sign.DARK), null, 0)))
                .isEmpty();
        FillCondition.Look milky = new FillCondition.Look(Finding.MILKY_DRY, 30, 9);
        assertThat(reasons(fill(BathRole.FIXER, 0, 1, Set.of(), milky, 0))).containsExactly("weak-bleach-fix");
        assertThat(reasons(fill(BathRole.BLEACH, 0, 1, Set.of(), milky, 0))).isEmpty();
    }

    @Test
    public void onlyTheBathThatMustGoIsToBeRenewed() {
        FillCondition sound = fill(BathRole.BLEACH_FIX, 0, 1, Set.of(), null, 0);
        FillCondition gone = fill(BathRole.DEVELOPER, 12, 1, Set.of(), null, 0);
        BatchVerdict verdict = BatchVerdict.of(School.LEAFLET, List.of(gone, sound), 1);
        assertThat(verdict.state()).isEqualTo(State.DISCARD);
        assertThat(verdict.toRenew()).hasSize(1);
        assertThat(BatchVerdict.of(School.LEAFLET, List.of(gone), 1).toRenew()).isEmpty();
    }
}
