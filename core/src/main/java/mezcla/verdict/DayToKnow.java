package mezcla.verdict;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import mezcla.batch.FillState;

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
        List<DayToKnow> days = new ArrayList<>();
        for (FillLimits limits : plan.limits()) {
            LocalDate last = limits.lastDay();
            LocalDate test = limits.dayTestedFrom();
            if (last != null && test != null) {
                days.add(new DayToKnow(plan.batch().id(), limits.fill(), Kind.TEST_FROM, test));
            }
            if (last != null) {
                days.add(new DayToKnow(plan.batch().id(), limits.fill(), Kind.LAST, last));
            }
        }
        return days;
    }
}
