package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Climate;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import mezcla.log.Suspect;
import mezcla.measure.Refusal;
import org.testng.annotations.Test;

/** Limits of the house's own, what bears them out, and the warning before the last safe run. */
public class HouseLimitTest {
    private static final String SHEET = Leaflets.negative().key();
    private static final Bath DEVELOPER = Leaflets.negative().baths().get(0);

    private static Judging judging(School school, HouseLimit... limits) {
        return new Judging(Map.of(), school, List.of(limits), Climate.steady(8));
    }

    private static RunPlan plan(TestLog log, double day, Judging judging) {
        return RunPlan.of(
                log.state().batch(1),
                new RunQuestion(List.of(TestLog.roll(0)), 300, 300, judging, TestLog.day(day), ZoneOffset.UTC));
    }

    private static TestLog used(int rolls) {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 3000);
        log.mix(0, 1, 1, 1000);
        for (int i = 0; i < rolls; i++) {
            log.run(1, 1, 1, 1L, 2L);
        }
        return log;
    }

    private static double printedRolls() {
        Range capacity = DEVELOPER.capacity();
        assertThat(capacity).isNotNull();
        return capacity.max();
    }

    @Test
    public void theHousesOwnLimitTakesThePlaceOfThePrintedOne() {
        TestLog log = used((int) printedRolls());
        RunPlan printed = plan(log, 2, judging(School.LEAFLET));
        assertThat(printed.verdict().fill("dev").state()).isEqualTo(State.DISCARD);
        RunPlan own = plan(log, 2, judging(School.LEAFLET, new HouseLimit(SHEET, "dev", printedRolls() + 4, null)));
        assertThat(own.verdict().fill("dev").state()).isNotEqualTo(State.DISCARD);
        assertThat(own.verdict().fill("dev").rollsLeft()).isEqualTo(4);
        assertThat(own.imageDeveloper().orElseThrow().fill().bath().capacity()).satisfies(range -> {
            assertThat(range.whose()).isEqualTo(Range.Whose.HOUSE);
            assertThat(range.max()).isEqualTo(printedRolls() + 4);
        });
        assertThat(own.verdict().fill("bx").state())
                .isEqualTo(printed.verdict().fill("bx").state());
    }

    @Test
    public void aLowerLimitOfTheHouseEndsABathSooner() {
        TestLog log = used(3);
        assertThat(plan(log, 2, judging(School.LEAFLET, new HouseLimit(SHEET, "dev", 3.0, null)))
                        .verdict()
                        .fill("dev")
                        .reasons()
                        .get(0)
                        .code())
                .isEqualTo(Reason.Code.OVER_ROLLS);
        assertThat(plan(log, 9, judging(School.LEAFLET, new HouseLimit(SHEET, "dev", null, 8.0)))
                        .verdict()
                        .fill("dev")
                        .reasons()
                        .get(0)
                        .code())
                .isEqualTo(Reason.Code.OVER_AGE);
        assertThat(plan(log, 9, judging(School.LEAFLET, new HouseLimit("another-sheet", "dev", 1.0, 1.0)))
                        .verdict()
                        .state())
                .isEqualTo(plan(log, 9, judging(School.LEAFLET)).verdict().state());
        assertThatThrownBy(() -> new HouseLimit(SHEET, "dev", -1.0, null)).isInstanceOf(Refusal.class);
    }

    /** A fill that was run and looked at: one look after each run. */
    private static void life(TestLog log, long batch, int runs, int turnedFrom, double daysApart) {
        long developer = 2 * batch - 1;
        for (int run = 1; run <= runs; run++) {
            double day = batch + run * daysApart;
            RunLogged film = log.run(day, batch, 1, developer, developer + 1);
            boolean turned = turnedFrom > 0 && run >= turnedFrom;
            look(log, film, developer, turned ? Finding.HEAVY_CAST : Finding.GOOD);
        }
    }

    private static void look(TestLog log, RunLogged film, long developer, Finding result) {
        Set<Suspect> suspects = result == Finding.GOOD ? Set.of() : Set.of(Suspect.CHEMISTRY);
        log.add(
                (film.stamp().happenedAt().getEpochSecond() - TestLog.START.getEpochSecond()) / 86_400.0 + 0.5,
                stamp -> new FilmInspected(
                        stamp, film.batchId(), film.stamp().sequence(), 0, List.of(developer), result, suspects, null));
    }

    private static TestLog batches(int count) {
        TestLog log = new TestLog();
        for (int i = 1; i <= count; i++) {
            log.kit(0, i, Leaflets.negative(), 3000);
            log.mix(i, i, i, 1000);
        }
        return log;
    }

    private static HouseEvidence evidence(TestLog log) {
        return HouseEvidence.of(log.state(), Leaflets.negative(), DEVELOPER, ZoneOffset.UTC);
    }

    @Test
    public void aLimitIsProposedBelowTheFirstTurn() {
        TestLog log = batches(3);
        life(log, 1, 6, 6, 1);
        life(log, 2, 5, 0, 1);
        life(log, 3, 4, 0, 1);
        HouseEvidence evidence = evidence(log);
        assertThat(evidence.looks()).hasSize(15);
        assertThat(evidence.fills()).isEqualTo(3);
        assertThat(evidence.proposal()).isNotNull();
        assertThat(evidence.proposal().rolls()).isEqualTo(5);
        assertThat(evidence.proposal().days()).isEqualTo(5);
    }

    @Test
    public void aLimitBeyondThePrintIsProposedWhereFilmStayedGood() {
        TestLog log = batches(3);
        int beyond = (int) printedRolls() + 3;
        life(log, 1, beyond, 0, 0.1);
        life(log, 2, 3, 0, 0.1);
        life(log, 3, 3, 0, 0.1);
        assertThat(evidence(log).proposal()).isEqualTo(new HouseEvidence.Proposal((double) beyond, null));
    }

    @Test
    public void littleOrUnremarkableEvidenceProposesNothing() {
        TestLog two = batches(2);
        life(two, 1, 5, 5, 1);
        life(two, 2, 5, 0, 1);
        assertThat(evidence(two).proposal()).as("two fills are too few").isNull();
        TestLog usual = batches(3);
        life(usual, 1, 3, 0, 1);
        life(usual, 2, 3, 0, 1);
        life(usual, 3, 3, 0, 1);
        assertThat(evidence(usual).proposal()).as("what is printed stands").isNull();
    }

    @Test
    public void whatIsNotTheChemistryOrWasMendedIsNoTurn() {
        TestLog log = batches(3);
        life(log, 1, 4, 0, 1);
        life(log, 2, 4, 0, 1);
        life(log, 3, 2, 0, 1);
        RunLogged mended = log.run(5.5, 3, 1, 5L, 6L);
        look(log, mended, 5, Finding.THIN);
        assertThat(evidence(log).looks()).hasSize(11).noneMatch(HouseEvidence.Look::turned);
        RunLogged exposed = log.run(5.6, 3, 1, 5L, 6L);
        log.add(
                6,
                stamp -> new FilmInspected(
                        stamp,
                        3,
                        exposed.stamp().sequence(),
                        0,
                        List.of(5L),
                        Finding.HEAVY_CAST,
                        Set.of(Suspect.SCAN),
                        null));
        assertThat(evidence(log).looks()).hasSize(11);
    }

    @Test
    public void theWarningComesBeforeTheLastSafeRun() {
        int printed = (int) printedRolls();
        assertThat(warning(used(0), 1)).isEmpty();
        assertThat(warning(used(printed - 5), 2))
                .get()
                .extracting(EarlyWarning::evenings)
                .isEqualTo(2);
        assertThat(warning(used(printed - 3), 2))
                .get()
                .extracting(EarlyWarning::evenings)
                .isEqualTo(1);
        assertThat(warning(used(printed - 1), 2)).contains(new EarlyWarning(null, 1, null));
        assertThat(warning(used(printed), 2))
                .as("past its limit it is no warning")
                .isEmpty();
    }

    @Test
    public void fewDaysAreWarnedOfToo() {
        Range life = DEVELOPER.lifeDays();
        assertThat(life).isNotNull();
        assertThat(warning(used(0), life.max() - 10)).isEmpty();
        assertThat(warning(used(0), life.max() - 9)).contains(new EarlyWarning(null, null, 9));
    }

    private static Optional<EarlyWarning> warning(TestLog log, double day) {
        return EarlyWarning.of(plan(log, day, judging(School.LEAFLET)).verdict());
    }

    @Test
    public void moreRollsMoreDaysAndWarmerStorageNeverImproveAVerdict() {
        Random random = new Random(21);
        for (int round = 0; round < 300; round++) {
            School school = School.values()[random.nextInt(School.values().length)];
            int rolls = random.nextInt(14);
            double day = 2 + random.nextInt(80);
            double celsius = 12 + random.nextInt(12);
            HouseLimit[] limits = random.nextBoolean()
                    ? new HouseLimit[0]
                    : new HouseLimit[] {new HouseLimit(SHEET, "dev", 1.0 + random.nextInt(15), null)};
            State here = state(used(rolls), day, school, celsius, limits);
            assertThat(state(used(rolls + 1), day, school, celsius, limits))
                    .as("%s: one more than %s rolls", school, rolls)
                    .isGreaterThanOrEqualTo(here);
            assertThat(state(used(rolls), day + 1 + random.nextInt(30), school, celsius, limits))
                    .as("%s: later than day %s", school, day)
                    .isGreaterThanOrEqualTo(here);
            assertThat(state(used(rolls), day, school, celsius + 1 + random.nextInt(8), limits))
                    .as("%s: warmer than %s °C", school, celsius)
                    .isGreaterThanOrEqualTo(here);
        }
    }

    private static State state(TestLog log, double day, School school, double celsius, HouseLimit... limits) {
        Judging judging = new Judging(Map.of(), school, List.of(limits), Climate.steady(celsius));
        return RunPlan.of(
                        log.state().batch(1),
                        new RunQuestion(
                                Collections.nCopies(1, TestLog.roll(0)),
                                300,
                                300,
                                judging,
                                TestLog.day(day),
                                ZoneOffset.UTC))
                .verdict()
                .state();
    }

    @Test
    public void aVoidRestoresAVerdictAndARenewalChangesOnlyItself() {
        TestLog log = used((int) printedRolls() - 1);
        RunPlan before = plan(log, 2, judging(School.LEAFLET));
        RunLogged mistaken = log.run(1.5, 1, 2, 1L, 2L);
        assertThat(plan(log, 2, judging(School.LEAFLET)).verdict().state()).isEqualTo(State.DISCARD);
        FillVerdict worn = plan(log, 2, judging(School.LEAFLET)).verdict().fill("bx");
        log.voidEntry(mistaken.stamp().sequence());
        assertThat(plan(log, 2, judging(School.LEAFLET)).verdict()).isEqualTo(before.verdict());
        log.kit(1, 2, Leaflets.negative(), 3000);
        log.discard(1.8, 1, 1);
        log.renew(1.9, 1, 2, "dev", 1000);
        BatchVerdict after = plan(log, 2, judging(School.LEAFLET)).verdict();
        assertThat(after.fill("dev").state()).isEqualTo(State.GOOD);
        assertThat(after.fill("bx")).isEqualTo(before.verdict().fill("bx"));
        assertThat(worn.rollsLeft()).isLessThan(after.fill("bx").rollsLeft());
    }
}
