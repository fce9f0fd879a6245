package mezcla.verdict;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import org.jspecify.annotations.Nullable;

/**
 * A day that somebody looking after a batch wants to know beforehand (rules, section 6).
 *
 * @param batchId the batch
 * @param fill the fill
 * @param kind what the day is
 * @param day the day, by the calendar of the house
 */
public record DayToKnow(long batchId, FillState fill, Kind kind, LocalDate day) {
    /** What a day is. */
    public enum Kind {
        /** From that day on a clip test comes first: the first printed figure is reached. */
        TEST_FROM,
        /** The last day on which it is good, as the house judges it now. */
        LAST
    }

    /**
     * The days of a batch's fills, as they stand at the moment of a plan. A fill that has to go has no days left, so it
     * has none to know; one without a limit of age has none either.
     *
     * @param plan the next run through the batch
     */
    public static List<DayToKnow> of(RunPlan plan) {
        RunQuestion question = plan.question();
        List<DayToKnow> days = new ArrayList<>();
        for (RunPlan.PlannedBath bath : plan.baths()) {
            Double left = bath.verdict().daysLeft();
            if (left == null || bath.verdict().state() == State.DISCARD) {
                continue;
            }
            LocalDate today = LocalDate.ofInstant(question.at(), question.zone());
            LocalDate test = testFrom(plan, bath.fill());
            if (test != null) {
                days.add(new DayToKnow(plan.batch().id(), bath.fill(), Kind.TEST_FROM, test));
            }
            days.add(new DayToKnow(plan.batch().id(), bath.fill(), Kind.LAST, today.plusDays(wholeDays(plan, left))));
        }
        return days;
    }

    /** The careful school condemns once a limit is reached, the others once it is passed. */
    private static long wholeDays(RunPlan plan, double left) {
        RunQuestion question = plan.question();
        School school = question.judging().school(plan.batch().process(), question.irreplaceable());
        return (long) Math.max(0, school == School.CAREFUL ? Math.ceil(left - SLACK) - 1 : Math.floor(left + SLACK));
    }

    private static final double SLACK = 1e-9;

    /** Only who goes by the leaflet tests between its first figure and its last. */
    private static @Nullable LocalDate testFrom(RunPlan plan, FillState fill) {
        RunQuestion question = plan.question();
        Range life = question.judging().over(fill).bath().lifeDays();
        boolean byLeaflet =
                question.judging().school(plan.batch().process(), question.irreplaceable()) == School.LEAFLET;
        return life == null || !byLeaflet || life.min() >= life.max()
                ? null
                : LocalDate.ofInstant(fill.mixedAt(), question.zone()).plusDays((long) Math.ceil(life.min() - SLACK));
    }
}
