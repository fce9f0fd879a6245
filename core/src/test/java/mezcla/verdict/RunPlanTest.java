package mezcla.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.Climate;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Accident;
import mezcla.log.DiscardedFill;
import mezcla.log.FillBarred;
import mezcla.log.FillInspected;
import mezcla.log.FillSpilled;
import mezcla.log.FillsDiscarded;
import mezcla.log.Finding;
import mezcla.log.LimitOverridden;
import mezcla.log.Roll;
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.StepChoice;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

public class RunPlanTest {
    /** The bottles of these tests are far too large: kept cool, the air in them does no harm. */
    private static final Judging COOL = new Judging(Map.of(), School.LEAFLET, Climate.steady(8));

    private static RunQuestion question(double day, int rolls, double stops, double tankMl) {
        return new RunQuestion(
                Collections.nCopies(rolls, TestLog.roll(stops)), tankMl, 250, COOL, TestLog.day(day), ZoneOffset.UTC);
    }

    private static TestLog negative() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 7, 1, 1000);
        return log;
    }

    private static TestLog slide() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.slide(), 5000);
        log.mix(0, 7, 1, 500);
        return log;
    }

    private static RunPlan plan(TestLog log, RunQuestion question) {
        return RunPlan.of(log.state().batch(7), question);
    }

    @Test
    public void anOwnersCorrectionIsTasteAndTouchesTheDevelopersTimeAlone() {
        TestLog log = negative();
        RunQuestion usual = question(1, 1, 0, 250);
        Roll roll = usual.rolls().get(0);
        RunQuestion own = usual.ofRolls(List.of(new Roll(
                roll.owner(),
                roll.format(),
                roll.equivalents(),
                0,
                false,
                new Roll.Film("Harbour", null, 10, null, false))));
        RunPlan asUsual = plan(log, usual);
        RunPlan corrected = plan(log, own);
        assertThat(seconds(corrected, 0)).isEqualTo(seconds(asUsual, 0) + 10);
        assertThat(seconds(corrected, 1)).isEqualTo(seconds(asUsual, 1));
        assertThat(corrected.baths().get(0).time())
                .isEqualTo(asUsual.baths().get(0).time());
        assertThat(corrected.asRunBaths().get(0).seconds()).isEqualTo(seconds(corrected, 0));
        assertThat(corrected.asRunBaths().get(0).wearEquivalents())
                .isEqualTo(asUsual.asRunBaths().get(0).wearEquivalents());
        StepChoice longer = new StepChoice(false, seconds(asUsual, 1) + 60, StepChoice.Water.PRINTED, false, null);
        RunSteps.Choices choices = new RunSteps.Choices(
                RunSteps.Soak.LEAFLET,
                RunSteps.Between.LEAFLET,
                RunSteps.FinalRinse.WARM,
                RunSteps.Wetting.LEAFLET,
                Movement.PRINTED,
                Map.of("bleach-fix", longer));
        assertThat(asUsual.asRunBaths(choices).get(1).seconds())
                .as("a time that was chosen for this run")
                .isEqualTo(seconds(asUsual, 1) + 60);
        RunSteps.Choices tooShort = new RunSteps.Choices(
                RunSteps.Soak.LEAFLET,
                RunSteps.Between.LEAFLET,
                RunSteps.FinalRinse.WARM,
                RunSteps.Wetting.LEAFLET,
                Movement.PRINTED,
                Map.of("bleach-fix", new StepChoice(false, 20, StepChoice.Water.PRINTED, false, null)));
        assertThat(catchThrowableOfType(Refusal.class, () -> asUsual.asRunBaths(tooShort))
                        .code())
                .as("a plan is refused")
                .isEqualTo("time-too-short");
        assertThat(asUsual.asDone(tooShort))
                .as("a fact is not")
                .extracting(RunBath::seconds)
                .containsExactly(seconds(asUsual, 0), 20);
    }

    private static Reason.Code deciding(TestLog log) {
        return plan(log, question(3, 1, 0, 250)).baths().get(0).verdict().reasons().stream()
                .map(Reason::code)
                .findFirst()
                .orElse(null);
    }

    @Test
    public void aDeveloperWithWhichSomethingWentWrongIsTriedWithAClipFirst() {
        for (Accident what : Accident.values()) {
            TestLog log = negative();
            RunQuestion film = question(1, 1, 0, 250);
            log.add(
                    1,
                    stamp -> new RunLogged(
                            stamp,
                            7,
                            film.rolls(),
                            plan(log, film).asRunBaths(),
                            250,
                            List.of(),
                            null,
                            null,
                            List.of(new RunAccident(what, 1L, null, 30), new RunAccident(what, 2L, null, 300)),
                            null,
                            false,
                            List.of()));
            assertThat(deciding(log) == Reason.Code.ACCIDENT).as(what.key()).isEqualTo(what == Accident.LEAK);
            assertThat(plan(log, film).baths().get(1).verdict().reasons())
                    .as("the bleach-fix has no clip")
                    .extracting(Reason::code)
                    .doesNotContain(Reason.Code.ACCIDENT);
            log.add(2, stamp -> new FillInspected(stamp, 1, Finding.GOOD, true));
            assertThat(deciding(log)).as("a good clip since").isNotEqualTo(Reason.Code.ACCIDENT);
        }
    }

    @Test
    public void filmMadeForAnotherProcessIsRemarkedOn() {
        TestLog log = negative();
        RunQuestion usual = question(1, 1, 0, 250);
        Roll roll = usual.rolls().get(0);
        for (String madeFor : new String[] {"colour-slide", "colour-negative"}) {
            RunQuestion film = usual.ofRolls(List.of(new Roll(
                    roll.owner(),
                    roll.format(),
                    roll.equivalents(),
                    0,
                    false,
                    new Roll.Film(null, null, 0, madeFor, false))));
            assertThat(plan(log, film)
                            .remarks()
                            .contains(new RunRemark.CrossProcessed("Colour slide", "Colour negative")))
                    .isEqualTo(madeFor.equals("colour-slide"));
        }
    }

    @Test
    public void theNextRollIsAskedAboutAsTheBatchIsReallyUsed() {
        TestLog log = negative();
        RunQuestion byHand = question(2, 1, 0, 250);
        assertThat(byHand.asUsed(log.state().batch(7))).isSameAs(byHand);
        log.add(1, stamp -> new RunLogged(stamp, 7, byHand.rolls(), List.of(), 250, List.of(), null).turned(true));
        RunQuestion turned = byHand.asUsed(log.state().batch(7));
        assertThat(turned.tank().turning()).isTrue();
        assertThat(turned.tankMl()).isEqualTo(250);
        log.add(1.5, stamp -> new RunLogged(stamp, 7, byHand.rolls(), List.of(), 250, List.of(), null));
        assertThat(turned.asUsed(log.state().batch(7)).tank().turning())
                .as("by hand again")
                .isFalse();
    }

    private static int seconds(RunPlan plan, int bath) {
        return plan.baths().get(bath).shown().orElseThrow().seconds();
    }

    @Test
    public void onlyTheImageDeveloperIsPushed() {
        RunPlan plan = plan(slide(), question(1, 1, 2, 250));
        assertThat(plan.baths().get(0).shown().orElseThrow().seconds()).isEqualTo(340);
        assertThat(plan.baths().get(1).shown().orElseThrow().seconds()).isEqualTo(200);
        assertThat(plan.fits()).isTrue();
    }

    @Test
    public void aTurningTankTakesTheTimesPrintedForTurning() {
        Leaflet plain = Leaflets.negative();
        Bath developer = plain.baths().get(0);
        Leaflet turning = plain.with(new Bath(
                developer.key(),
                developer.role(),
                developer.recipe(),
                developer.timing(),
                developer.capacityForMl(),
                developer.capacity(),
                developer.lifeDays(),
                null,
                developer.timing().baseSeconds() * 0.9));
        TestLog log = new TestLog();
        log.kit(0, 1, turning, 5000);
        log.mix(0, 7, 1, 1000);
        RunQuestion question = question(1, 1, 0, 300);
        int byHand = plan(log, question).baths().get(0).shown().orElseThrow().seconds();
        int turned =
                plan(log, turned(question)).baths().get(0).shown().orElseThrow().seconds();
        assertThat(turned).isEqualTo((int) Math.round(byHand * 0.9 / 5) * 5);
        assertThat(plan(log, turned(question)).baths().get(1).shown())
                .as("nothing else is printed for the bleach-fix")
                .isEqualTo(plan(log, question).baths().get(1).shown());
    }

    @Test
    public void pushWeighsOnTheDeveloperAlone() {
        List<RunBath> baths = plan(negative(), question(1, 2, 2, 300)).asRunBaths();
        assertThat(baths.get(0).wearEquivalents()).isCloseTo(3, within(1e-9));
        assertThat(baths.get(1).wearEquivalents()).isCloseTo(2, within(1e-9));
        assertThat(baths.get(0).carryOverMl()).isCloseTo(10, within(1e-9));
    }

    @Test
    public void pushThatTheLeafletLacksIsRefusedButLogged() {
        RunPlan plan = plan(negative(), question(1, 1, 3, 300));
        assertThat(plan.fits()).isFalse();
        assertThat(plan.against()).containsExactly("push-outside-leaflet");
        assertThat(plan.asRunBaths().get(0).seconds()).isNull();
        assertThat(plan.asRunBaths().get(0).wearEquivalents()).isEqualTo(1);
    }

    private static RunQuestion turned(RunQuestion byHand) {
        RunQuestion.InTank tank = byHand.tank();
        return byHand.inTank(new RunQuestion.InTank(tank.takesMl(), tank.leastMl(), tank.holds(), true));
    }

    @Test
    public void runBeyondTheLimitIsRefusedWithWhatFits() {
        TestLog log = negative();
        log.run(1, 7, 7, 1L, 2L);
        RunPlan plan = plan(log, question(2, 4, 0, 500));
        assertThat(plan.objections()).hasSize(1);
        assertThat(plan.objections().get(0).key()).isEqualTo("run-too-big");
        assertThat(((RunObjection.RunTooBig) plan.objections().get(0)).fits()).isCloseTo(3, within(1e-9));
        assertThat(plan(log, question(2, 3, 0, 300)).fits()).isTrue();
    }

    @Test
    public void tankThatTheBottleCannotFillIsRefused() {
        TestLog log = negative();
        log.add(1, stamp -> new FillSpilled(stamp, 2, 300));
        RunPlan plan = plan(log, question(2, 1, 0, 900));
        assertThat(plan.against()).containsExactly("too-little-for-tank");
        assertThat(plan(log, question(2, 1, 0, 700)).fits()).isTrue();
    }

    @Test
    public void oneShotCountsRunsByVolumeAndIsPouredAway() {
        TestLog log = slide();
        RunPlan first = plan(log, question(1, 1, 0, 300));
        FillVerdict fresh = first.baths().get(0).verdict();
        assertThat(fresh.rollsLeft()).isEqualTo(3);
        assertThat(first.asRunBaths().get(0).pouredAwayMl()).isCloseTo(150, within(1e-9));
        log.add(
                1,
                stamp -> new RunLogged(stamp, 7, List.of(TestLog.roll(0)), first.asRunBaths(), 300, List.of(), null));
        log.add(
                2,
                stamp -> new RunLogged(stamp, 7, List.of(TestLog.roll(0)), first.asRunBaths(), 300, List.of(), null));
        RunPlan third = plan(log, question(3, 1, 0, 300));
        assertThat(third.batch().fills().get(0).volumeMl()).isCloseTo(200, within(1e-9));
        assertThat(third.baths().get(0).verdict().state()).isEqualTo(State.LAST);
        assertThat(plan(log, question(3, 1, 0, 500)).against()).contains("too-little-for-tank");
        log.add(4, stamp -> new FillSpilled(stamp, 1, 82));
        RunPlan spent = plan(log, question(5, 1, 0, 250));
        assertThat(spent.baths().get(0).verdict().reasons())
                .extracting(reason -> reason.code().words())
                .contains("used-up");
        assertThat(spent.verdict().state()).isEqualTo(State.DISCARD);
    }

    @Test
    public void whatWasDiscardedIsMissing() {
        TestLog log = negative();
        log.add(
                1,
                stamp -> new FillsDiscarded(
                        stamp, 7, List.of(new DiscardedFill(1, 900, WasteRoute.DEVELOPERS)), "spent"));
        RunPlan plan = plan(log, question(2, 1, 0, 300));
        assertThat(plan.against()).containsExactly("bath-missing");
        assertThat(plan.baths()).hasSize(1);
        log.add(
                2,
                stamp -> new FillsDiscarded(
                        stamp, 7, List.of(new DiscardedFill(2, 900, WasteRoute.SILVER_BEARING)), "spent"));
        assertThat(catchThrowableOfType(Refusal.class, () -> plan(log, question(3, 1, 0, 300)))
                        .code())
                .isEqualTo("batch-ended");
    }

    @Test
    public void daysCountByTheCalendar() {
        TestLog log = negative();
        assertThat(plan(log, question(42.2, 1, 0, 300)).verdict().state()).isEqualTo(State.CHECK);
        assertThat(plan(log, question(42.3, 1, 0, 300)).verdict().state()).isEqualTo(State.DISCARD);
    }

    @Test
    public void pushesThatDifferNeverShareATank() {
        Refusal refusal = catchThrowableOfType(
                Refusal.class,
                () -> new RunQuestion(
                        List.of(TestLog.roll(0), TestLog.roll(1)),
                        300,
                        250,
                        Judging.by(School.LEAFLET),
                        TestLog.day(1),
                        ZoneOffset.UTC));
        assertThat(refusal.code()).isEqualTo("pushes-differ");
    }

    @Test
    public void moreRollsAndMoreDaysNeverImproveAnything() {
        Random random = new Random(17);
        for (int round = 0; round < 200; round++) {
            TestLog log = negative();
            int done = random.nextInt(12);
            if (done > 0) {
                log.run(1, 7, done, 1L, 2L);
            }
            int day = 1 + random.nextInt(50);
            RunPlan less = plan(log, question(day, 1, 0, 300));
            RunPlan older = plan(log, question(day + 1 + random.nextInt(10), 1, 0, 300));
            log.run(1, 7, 1 + random.nextInt(3), 1L, 2L);
            RunPlan more = plan(log, question(day, 1, 0, 300));
            for (RunPlan worse : List.of(older, more)) {
                assertThat(worse.verdict().state())
                        .isGreaterThanOrEqualTo(less.verdict().state());
                for (int bath = 0; bath < 2; bath++) {
                    assertThat(worse.baths().get(bath).shown().orElseThrow())
                            .isGreaterThanOrEqualTo(
                                    less.baths().get(bath).shown().orElseThrow());
                }
            }
        }
    }

    @Test
    public void firstToUseIsTheOneThatEndsFirstAmongThoseThatFit() {
        TestLog log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 5000);
        log.mix(0, 1, 1, 250);
        log.mix(10, 2, 1, 250);
        log.mix(12, 3, 1, 250);
        log.run(13, 2, 3, 3L, 4L);
        var state = log.state();
        List<RunPlan> plans = List.of(3L, 2L, 1L).stream()
                .map(batch -> RunPlan.of(state.batch(batch), question(29, 1, 0, 250)))
                .toList();
        assertThat(plans.get(1).fits()).isFalse();
        assertThat(Shortlist.first(plans).orElseThrow().batch().id()).isEqualTo(3);
        assertThat(Shortlist.first(List.of(plans.get(2)))
                        .orElseThrow()
                        .verdict()
                        .state())
                .isEqualTo(State.CHECK);
    }

    @Test
    public void developerAndSilverWasteAreKeptApart() {
        assertThat(catchThrowableOfType(Refusal.class, () -> WasteRoute.SILVER_BEARING.accept(BathRole.DEVELOPER))
                        .code())
                .isEqualTo("waste-kept-apart");
        assertThat(catchThrowableOfType(Refusal.class, () -> WasteRoute.DEVELOPERS.accept(BathRole.FIXER))
                        .code())
                .isEqualTo("waste-kept-apart");
        WasteRoute.SILVER_BEARING.accept(BathRole.BLEACH_FIX);
        WasteRoute.OTHERS.accept(BathRole.DEVELOPER);
    }

    @Test
    public void twoTanksAtOnceNeedTwoTanksFull() {
        TestLog log = negative();
        log.start(1, 7, 1, 600, 1L, 2L);
        assertThat(plan(log, question(1, 1, 0, 395)).fits()).isTrue();
        RunPlan second = plan(log, question(1, 1, 0, 600));
        assertThat(second.against()).containsExactly("in-use");
        assertThat(second.overridable()).isEmpty();
    }

    @Test
    public void lastRollGoesToWhoeverStartsFirst() {
        TestLog log = negative();
        log.run(1, 7, 9, 1L, 2L);
        assertThat(plan(log, question(1, 1, 0, 300)).fits()).isTrue();
        log.start(1, 7, 1, 300, 1L, 2L);
        assertThat(plan(log, question(1, 1, 0, 300)).fits()).isFalse();
    }

    @Test
    public void limitPassedOnPurposeNoLongerHoldsBack() {
        TestLog log = negative();
        log.run(1, 7, 9, 1L, 2L);
        RunPlan tooBig = plan(log, question(2, 2, 0, 300));
        assertThat(tooBig.overridable()).containsExactly(Map.entry(1L, List.of("over-rolls")));
        log.add(2, stamp -> new LimitOverridden(stamp, 1, List.of("over-rolls"), "test strips"));
        assertThat(plan(log, question(2, 2, 0, 300)).fits()).isTrue();
        log.run(2, 7, 2, 1L, 2L);
        RunPlan beyond = plan(log, question(3, 1, 0, 300));
        assertThat(beyond.verdict().state()).isEqualTo(State.DISCARD);
        assertThat(beyond.fits()).isTrue();
        RunPlan old = plan(log, question(60, 1, 0, 300));
        assertThat(old.fits()).isFalse();
        assertThat(old.overridable()).containsKeys(1L, 2L);
        assertThat(old.overridable().get(1L)).contains("over-age");
    }

    @Test
    public void tooLittleAndBarsCannotBePassed() {
        TestLog log = negative();
        assertThat(plan(log, question(60, 1, 0, 1200)).overridable()).isEmpty();
        log.add(1, stamp -> new FillBarred(stamp, 1, "smells"));
        assertThat(plan(log, question(60, 1, 0, 300)).overridable()).isEmpty();
    }

    /** The negative leaflet with a stop bath, which its process does not need, and a final rinse. */
    private static Leaflet fourBaths() {
        Leaflet plain = Leaflets.negative();
        List<Bath> baths = new ArrayList<>(plain.baths());
        baths.add(
                1,
                like(
                        plain.baths().get(1),
                        "stop",
                        BathRole.STOP,
                        plain.baths().get(1).capacity()));
        baths.add(like(plain.baths().get(1), "fr", BathRole.STABILISER, null));
        return new Leaflet(
                "test-four",
                1,
                "Test Four",
                "Nobody",
                plain.process(),
                null,
                plain.makesMl(),
                plain.parts(),
                baths,
                List.of(),
                List.of());
    }

    private static Bath like(Bath bath, String key, BathRole role, @Nullable Range capacity) {
        return new Bath(
                key, role, bath.recipe(), bath.timing(), bath.capacityForMl(), capacity, bath.lifeDays(), null, null);
    }

    @Test
    public void aBathThatWasThrownAwayIsMissedThoughItsProcessCouldDoWithoutIt() {
        TestLog log = new TestLog();
        log.kit(0, 1, fourBaths(), 5000);
        log.kit(0, 2, fourBaths(), 5000);
        log.mix(0, 7, 1, 300);
        assertThat(plan(log, question(1, 1, 0, 300)).fits()).isTrue();
        assertThat(remarks(log)).doesNotContain(RunRemark.FinalRinseMissing.class);
        log.discard(1, 7, 4L);
        assertThat(plan(log, question(1, 1, 0, 300)).fits())
                .as("film goes without a final rinse")
                .isTrue();
        assertThat(remarks(log)).contains(RunRemark.FinalRinseMissing.class);
        log.discard(1, 7, 2L);
        RunPlan without = plan(log, question(1, 1, 0, 300));
        assertThat(without.objections()).containsExactly(new RunObjection.BathMissing(BathRole.STOP));
        assertThat(without.lacking()).containsExactly(BathRole.STOP);
        assertThat(without.worth()).isEmpty();
        assertThat(without.heldBackBy()).containsExactly(2L, 4L);
        log.renew(1.5, 7, 2, "stop", 300);
        RunPlan renewed = plan(log, question(2, 1, 0, 300));
        assertThat(renewed.fits()).isTrue();
        assertThat(renewed.worth())
                .contains(renewed.imageDeveloper().orElseThrow().shown().orElseThrow());
    }

    private static List<Object> remarks(TestLog log) {
        return plan(log, question(1, 1, 0, 300)).remarks().stream()
                .map(remark -> (Object) remark.getClass())
                .toList();
    }

    @Test
    public void theBathThatLacksMostSaysHowMuchTheTankWants() {
        TestLog log = negative();
        log.add(1, stamp -> new FillSpilled(stamp, 1, 600));
        log.add(1, stamp -> new FillSpilled(stamp, 2, 770));
        assertThat(plan(log, question(1, 1, 0, 500)).objections())
                .containsExactly(new RunObjection.TooLittleForTank(
                        log.state().batch(7).fills().get(1), 500, 230, true));
        assertThat(plan(log, question(1, 1, 0, 240)).remarks())
                .as("230 ml of 240 cover the reels")
                .contains(new RunRemark.TankNotFull(log.state().batch(7).fills().get(1), 230, 10));
        log.add(1, stamp -> new FillSpilled(stamp, 1, 167));
        assertThat(plan(log, question(1, 1, 0, 240)).remarks())
                .as("the bleach-fix lacks more than the developer does")
                .contains(new RunRemark.TankNotFull(log.state().batch(7).fills().get(1), 230, 10));
        log.add(1, stamp -> new FillSpilled(stamp, 1, 4));
        assertThat(plan(log, question(1, 1, 0, 240)).remarks())
                .contains(new RunRemark.TankNotFull(log.state().batch(7).fills().get(0), 229, 11));
        assertThat(plan(log, question(1, 1, 0, 300)).objections())
                .as("there is a tank of 250, of which 237.5 cover the reels: too little for any")
                .first()
                .isEqualTo(new RunObjection.TooLittleForTank(
                        log.state().batch(7).fills().get(0), 300, 229, true));
        TestLog more = negative();
        more.add(1, stamp -> new FillSpilled(stamp, 1, 760));
        assertThat(plan(more, question(1, 1, 0, 300)).objections())
                .containsExactly(new RunObjection.TooLittleForTank(
                        more.state().batch(7).fills().get(0), 300, 240, false));
    }

    @Test
    public void theBathWithTheLargestLoadSpeaks() {
        TestLog log = negative();
        FillState developer = log.state().batch(7).fills().get(0);
        assertThat(plan(log, question(1, 3, 0, 250)).objections())
                .containsExactly(new RunObjection.TooMuchFilm(developer, 300, 250));
        assertThat(plan(log, question(1, 2, 0, 250)).remarks()).contains(new RunRemark.Crowded(developer, 0.8));
        assertThat(plan(log, question(1, 1, 0, 250)).remarks()).noneMatch(RunRemark.Crowded.class::isInstance);
        Leaflet weak = Leaflets.withBaths(
                Leaflets.negative(),
                bath -> bath.role().fixes() ? like(bath, bath.key(), bath.role(), new Range(5, 5)) : bath);
        TestLog other = new TestLog();
        other.kit(0, 1, weak, 5000);
        other.mix(0, 7, 1, 1000);
        RunPlan crowded = plan(other, question(1, 1, 0, 250));
        assertThat(crowded.remarks())
                .contains(new RunRemark.Crowded(other.state().batch(7).fills().get(1), 0.8));
        assertThat(crowded.fewestRolls().orElseThrow().fill().bath().role().fixes())
                .isTrue();
        assertThat(plan(log, question(1, 1, 0, 250))
                        .fewestRolls()
                        .orElseThrow()
                        .fill()
                        .id())
                .isEqualTo(1);
    }

    @Test
    public void theBathWhoseDaysAreOverFirstIsNamed() {
        Leaflet brief = Leaflets.withBaths(
                Leaflets.negative(),
                bath -> bath.role().fixes()
                        ? new Bath(
                                bath.key(),
                                bath.role(),
                                bath.recipe(),
                                bath.timing(),
                                bath.capacityForMl(),
                                bath.capacity(),
                                new Range(14, 21),
                                null,
                                null)
                        : bath);
        TestLog log = new TestLog();
        log.kit(0, 1, brief, 5000);
        log.mix(0, 7, 1, 1000);
        RunPlan plan = plan(log, question(1, 1, 0, 300));
        assertThat(plan.fewestDays().orElseThrow().fill().id()).isEqualTo(2);
        assertThat(plan.verdict().daysLeft()).isEqualTo(20.0);
        assertThat(plan.lastDay()).contains(LocalDate.of(2026, 1, 26));
    }

    @Test
    public void filmThatCannotBeMadeAgainAsksAlsoWhatIsAskedOfAnyOther() {
        TestLog log = negative();
        log.run(1, 7, 8, 1L, 2L);
        RunQuestion plain = question(2, 1, 0, 300);
        RunQuestion careful =
                plain.ofRolls(List.of(new Roll("Ines", TestLog.roll(0).format(), 1, 0, true)));
        assertThat(plan(log, plain).isSure()).as("it goes").isTrue();
        assertThat(plan(log, careful).asksForTest()).isTrue();
        assertThat(plan(log, careful).isSure()).isFalse();
        TestLog fresh = negative();
        assertThat(plan(fresh, careful).asksForTest()).isFalse();
        assertThat(plan(fresh, careful).isSure()).isTrue();
    }

    @Test
    public void pushedFilmIsLateOnceLessThanHalfIsLeft() {
        TestLog log = negative();
        log.run(1, 7, 4, 1L, 2L);
        assertThat(plan(log, question(2, 1, 1, 300)).remarks()).noneMatch(RunRemark.PushedLate.class::isInstance);
        log.run(2, 7, 1, 1L, 2L);
        assertThat(plan(log, question(2, 1, 1, 300)).remarks())
                .as("half is left")
                .noneMatch(RunRemark.PushedLate.class::isInstance);
        log.run(2, 7, 1, 1L, 2L);
        assertThat(plan(log, question(2, 1, 1, 300)).remarks())
                .contains(new RunRemark.PushedLate(log.state().batch(7).fills().get(0), 4));
        assertThat(plan(log, question(2, 1, 0, 300)).remarks()).noneMatch(RunRemark.PushedLate.class::isInstance);
    }

    @Test
    public void aMemberMayBeStricterForTheirOwnFilm() {
        Judging strict =
                new Judging(Map.of(), School.LEAFLET, List.of(), StandIns.usual(), Climate.steady(20), Set.of("Ines"));
        assertThat(asked(strict, "Ines").irreplaceable()).isTrue();
        assertThat(asked(strict, "Ines").carefulOwner()).contains("Ines");
        assertThat(asked(strict, "Devi").irreplaceable()).isFalse();
        TestLog log = negative();
        assertThat(plan(log, asked(strict, "Ines")).remarks()).contains(new RunRemark.JudgedForOwner("Ines"));
        assertThat(plan(log, asked(strict, "Devi")).remarks()).noneMatch(RunRemark.JudgedForOwner.class::isInstance);
        assertThat(strict.wholly(School.STRETCH).careful()).containsExactly("Ines");
    }

    private static RunQuestion asked(Judging judging, String owner) {
        Roll plain = TestLog.roll(0);
        Roll own = new Roll(owner, plain.format(), plain.equivalents(), 0, false);
        return new RunQuestion(List.of(own), 250, 250, judging, TestLog.day(1), ZoneOffset.UTC);
    }
}
