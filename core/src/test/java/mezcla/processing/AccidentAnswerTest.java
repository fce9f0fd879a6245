package mezcla.processing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import mezcla.log.Accident;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What to do when something goes wrong, and what was said of it. */
public class AccidentAnswerTest {
    private static final Instant BEGAN = Instant.parse("2026-02-01T07:00:00Z");

    /** Pre-soak, first developer, wash, colour developer, wash, bleach, fixer, final rinse. */
    private static RunSteps slides() {
        List<BathRole> roles = Arrays.asList(
                null,
                BathRole.FIRST_DEVELOPER,
                null,
                BathRole.COLOUR_DEVELOPER,
                null,
                BathRole.BLEACH,
                BathRole.FIXER,
                BathRole.STABILISER);
        return new RunSteps(
                roles.stream().map(AccidentAnswerTest::step).toList(),
                Schedule.of(roles.stream()
                        .map(role -> new Schedule.Step("", 120, StepClock.POUR, 10, 10, null))
                        .toList()),
                WASHED);
    }

    private static RunSteps.Step step(BathRole role) {
        return new RunSteps.Step(
                role == null ? ProcessStep.Kind.WASH : ProcessStep.Kind.BATH,
                role == null ? null : role.key(),
                role,
                role == null ? "Wash" : role.name(),
                38.0,
                null,
                null,
                0,
                false,
                false,
                null,
                null);
    }

    private static final int SOAK = 0;
    private static final int FIRST = 1;
    private static final int BETWEEN = 2;
    private static final int COLOUR = 3;
    private static final int WASHED = 4;
    private static final int BLEACH = 5;
    private static final int FIXER = 6;
    private static final int LAST = 7;

    @DataProvider
    public Object[][] answers() {
        return new Object[][] {
            {Accident.ON_SKIN, FIRST, -1, "on-skin", AccidentAnswer.Needs.NOTHING},
            {Accident.FORGOT_TO_MOVE, FIRST, -1, "forgot-to-move.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.FORGOT_TO_MOVE, COLOUR, -1, "forgot-to-move.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.FORGOT_TO_MOVE, BLEACH, -1, "forgot-to-move.else", AccidentAnswer.Needs.NOTHING},
            {Accident.TOO_COLD, FIRST, -1, "too-cold.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.TOO_WARM, FIXER, -1, "too-warm.else", AccidentAnswer.Needs.NOTHING},
            {Accident.LIGHT, FIRST, -1, "light.dark", AccidentAnswer.Needs.NOTHING},
            {Accident.LIGHT, COLOUR, -1, "light.dark", AccidentAnswer.Needs.NOTHING},
            {Accident.LIGHT, WASHED, -1, "light.dark", AccidentAnswer.Needs.NOTHING},
            {Accident.LIGHT, BLEACH, -1, "light.safe", AccidentAnswer.Needs.NOTHING},
            {Accident.FILM_STUCK, BETWEEN, -1, "film-stuck.dark", AccidentAnswer.Needs.NOTHING},
            {Accident.FILM_STUCK, FIXER, -1, "film-stuck.safe", AccidentAnswer.Needs.NOTHING},
            {Accident.TOO_LITTLE, FIRST, -1, "too-little.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.LEAK, FIRST, -1, "leak", AccidentAnswer.Needs.CLIP_TEST},
            {Accident.LEAK, BLEACH, -1, "leak", AccidentAnswer.Needs.NOTHING},
            {Accident.TOO_SHORT, FIRST, -1, "too-short.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.TOO_LONG, LAST, -1, "too-long.else", AccidentAnswer.Needs.NOTHING},
            {Accident.LEFT_OUT, COLOUR, -1, "left-out.before", AccidentAnswer.Needs.NOTHING},
            {Accident.LEFT_OUT, BLEACH, -1, "left-out.after", AccidentAnswer.Needs.NOTHING},
            {Accident.POWER, FIRST, -1, "power", AccidentAnswer.Needs.NOTHING},
            {Accident.OTHER, FIRST, -1, "other", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BOTTLE, FIRST, -1, "wrong-bottle.unknown", AccidentAnswer.Needs.BAR},
            {Accident.WRONG_BOTTLE, FIRST, BLEACH, "wrong-bottle", AccidentAnswer.Needs.BAR_BOTH},
            {Accident.WRONG_BATH, FIRST, -1, "wrong-bath.unknown", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, FIRST, BLEACH, "wrong-bath.blank", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, COLOUR, FIXER, "wrong-bath.blank", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, FIRST, COLOUR, "wrong-bath.developer", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, BLEACH, FIXER, "wrong-bath.order", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, FIXER, COLOUR, "wrong-bath.spoiled", AccidentAnswer.Needs.BAR_OTHER},
            {Accident.WRONG_BATH, FIRST, LAST, "wrong-bath.rinse", AccidentAnswer.Needs.NOTHING},
            {Accident.WRONG_BATH, LAST, FIXER, "wrong-bath.order", AccidentAnswer.Needs.NOTHING},
        };
    }

    @Test(dataProvider = "answers")
    public void theAnswerHangsOnWhereTheRunStands(
            Accident what, int at, int other, String key, AccidentAnswer.Needs needs) {
        assertThat(AccidentAnswer.of(what, slides(), at, other)).isEqualTo(new AccidentAnswer(key, needs));
    }

    @Test
    public void theBathInQuestionIsTheLastThatWasPoured() {
        RunSteps slides = slides();
        assertThat(AccidentAnswer.bathAt(slides, COLOUR)).isEqualTo(COLOUR);
        assertThat(AccidentAnswer.bathAt(slides, WASHED)).isEqualTo(COLOUR);
        assertThat(AccidentAnswer.bathAt(slides, SOAK)).isEqualTo(-1);
        assertThat(AccidentAnswer.Needs.BAR.bars(4L, 5L)).containsExactly(4L);
        assertThat(AccidentAnswer.Needs.BAR_OTHER.bars(4L, 5L)).containsExactly(5L);
        assertThat(AccidentAnswer.Needs.BAR_BOTH.bars(4L, 5L)).containsExactly(4L, 5L);
        assertThat(AccidentAnswer.Needs.BAR_BOTH.bars(null, 5L)).containsExactly(5L);
        assertThat(AccidentAnswer.Needs.CLIP_TEST.bars(4L, 5L)).isEmpty();
    }

    @Test
    public void everyAccidentHasItsOwnNumberAndPeopleComeFirst() {
        Map<Integer, Accident> byNumber =
                Arrays.stream(Accident.values()).collect(Collectors.toMap(Accident::number, accident -> accident));
        assertThat(byNumber).hasSize(Accident.values().length).containsEntry(1, Accident.ON_SKIN);
        byNumber.forEach((number, accident) -> assertThat(Accident.of(number)).contains(accident));
        assertThat(Accident.of(0)).isEmpty();
        assertThat(Accident.of(99)).isEmpty();
    }

    private static RunProgress.Event event(double second, RunProgress.Kind kind, int step, double value) {
        return new RunProgress.Event(BEGAN.plusMillis(Math.round(second * 1000)), kind, step, value);
    }

    @Test
    public void whatWasSaidIsReadWithTheOtherBathAndWhen() {
        List<RunProgress.Event> happened = List.of(
                event(-5, RunProgress.Kind.TROUBLE, 0, Trouble.noted(Accident.FILM_STUCK, -1)),
                event(0, RunProgress.Kind.POUR, 0, 0),
                event(60, RunProgress.Kind.POUR, 1, 0),
                event(72.5, RunProgress.Kind.TROUBLE, 1, Trouble.noted(Accident.WRONG_BATH, BLEACH)));
        assertThat(Trouble.all(happened))
                .containsExactly(
                        new Trouble(0, 0, Accident.FILM_STUCK, -1), new Trouble(1, 12.5, Accident.WRONG_BATH, BLEACH));
        assertThat(Trouble.noted(Accident.WRONG_BATH, BLEACH)).isEqualTo(606);
        assertThat(known(606)).isTrue();
        assertThat(known(6)).isTrue();
        assertThat(known(906)).as("a step that the run has not").isFalse();
        assertThat(known(0)).isFalse();
        assertThat(known(99)).isFalse();
        assertThat(known(6.5)).isFalse();
    }

    private static boolean known(double value) {
        return Trouble.isKnown(event(0, RunProgress.Kind.TROUBLE, 0, value), 8);
    }

    @Test
    public void readingsAndTroublesCanBeTakenBackAndNothingElse() {
        RunProgress.Event pour = event(0, RunProgress.Kind.POUR, 0, 0);
        RunProgress.Event misread = event(5, RunProgress.Kind.TEMPERATURE, 0, 12);
        RunProgress.Event longer = event(6, RunProgress.Kind.CHANGE, 0, 5);
        RunProgress.Event read = event(8, RunProgress.Kind.TEMPERATURE, 0, 38);
        RunProgress.Event trouble = event(9, RunProgress.Kind.TROUBLE, 0, 2);
        assertThat(RunProgress.standing(List.of(
                        pour,
                        misread,
                        longer,
                        event(7, RunProgress.Kind.TAKEN_BACK, 0, 2),
                        read,
                        trouble,
                        event(10, RunProgress.Kind.TAKEN_BACK, 0, 6),
                        event(11, RunProgress.Kind.TAKEN_BACK, 0, 3),
                        event(12, RunProgress.Kind.TAKEN_BACK, 0, 99))))
                .containsExactly(pour, longer, read);
    }

    @Test
    public void aReadingFarOffIsAskedOnceMore() {
        assertThat(BathTemperature.isDoubtful(30, 38)).isFalse();
        assertThat(BathTemperature.isDoubtful(29.9, 38)).isTrue();
        assertThat(BathTemperature.isDoubtful(46.1, 38)).isTrue();
    }
}
