package mezcla.verdict;

import java.time.LocalDate;
import java.util.Objects;
import mezcla.batch.FillState;
import mezcla.leaflet.Range;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What a fill is good for as the house judges it now (rules, section 6): how many rolls in all, until which day, and from
 * where on it is tested first. Whoever names a limit of a bottle (its label, its batch, the calendar) takes it from here.
 *
 * @param fill the fill, as the house takes its limits
 * @param state how it stands
 * @param rollsInAll roll equivalents that it does in all: those that are done and those that are left; null for no limit
 * @param rollsTestedFrom how many are done when it has to be tested first; null where it never has to be before its end
 * @param whoseRolls whose limit of rolls that is
 * @param lastDay the last day on which it is good; null for no limit, and for one that has to go
 * @param dayTestedFrom the day from which it is tested first; null where it never has to be
 * @param whoseDays whose limit of days that is
 */
public record FillLimits(
        FillState fill,
        State state,
        @Nullable Double rollsInAll,
        @Nullable Double rollsTestedFrom,
        Reason.LimitOf whoseRolls,
        @Nullable LocalDate lastDay,
        @Nullable LocalDate dayTestedFrom,
        Reason.LimitOf whoseDays) {
    /** How many rolls are ticked or notched one by one on a bottle: what it can do beyond is only said. */
    public static final int MOST_COUNTED = 24;

    private static final double SLACK = 1e-9;

    /**
     * The limits of a bath of a plan.
     *
     * @param plan the next run through its batch
     * @param bath the bath
     */
    static FillLimits of(RunPlan plan, RunPlan.PlannedBath bath) {
        FillState fill = bath.fill();
        School school = school(plan);
        Range capacity = fill.bath().oneShot() == null ? fill.bath().capacity() : null;
        Range life = fill.bath().lifeDays();
        boolean goes = bath.verdict().state() == State.DISCARD;
        Double left = bath.verdict().rollsLeft();
        return new FillLimits(
                fill,
                bath.verdict().state(),
                capacity == null || left == null ? null : Double.valueOf(fill.rolls() + left),
                capacity == null ? null : rollsTestedFrom(school, fill, capacity),
                whose(school, capacity),
                goes ? null : lastDay(plan, bath, school),
                goes || life == null ? null : dayTestedFrom(plan, bath, school, life),
                whose(school, life));
    }

    private static School school(RunPlan plan) {
        return plan.question()
                .judging()
                .school(plan.batch().process(), plan.question().irreplaceable());
    }

    private static Reason.LimitOf whose(School school, @Nullable Range limits) {
        return switch (school) {
            case CAREFUL -> Reason.LimitOf.CAREFUL;
            case STRETCH -> Reason.LimitOf.STRETCH;
            case LEAFLET -> limits == null ? Reason.LimitOf.NOBODY : SchoolLimits.whose(limits);
        };
    }

    private static @Nullable Double rollsTestedFrom(School school, FillState fill, Range capacity) {
        return switch (school) {
            case CAREFUL -> null;
            case STRETCH -> Double.valueOf(fill.rollsOf(capacity.max()));
            case LEAFLET ->
                Slack.exceeds(capacity.max(), capacity.min()) ? Double.valueOf(fill.rollsOf(capacity.min())) : null;
        };
    }

    /** The careful school condemns once a limit is reached, the others once it is passed. */
    private static @Nullable LocalDate lastDay(RunPlan plan, RunPlan.PlannedBath bath, School school) {
        Double left = bath.verdict().daysLeft();
        if (left == null) {
            return null;
        }
        double whole = school == School.CAREFUL ? Math.ceil(left - SLACK) - 1 : Math.floor(left + SLACK);
        return today(plan).plusDays((long) Math.max(0, whole));
    }

    private static LocalDate today(RunPlan plan) {
        RunQuestion question = plan.question();
        return LocalDate.ofInstant(question.at(), question.zone());
    }

    /** By the leaflet from its first figure on; by the stretch school once what is printed is past, as it is stored now. */
    private static @Nullable LocalDate dayTestedFrom(
            RunPlan plan, RunPlan.PlannedBath bath, School school, Range life) {
        LocalDate mixed =
                LocalDate.ofInstant(bath.fill().mixedAt(), plan.question().zone());
        return switch (school) {
            case CAREFUL -> null;
            case LEAFLET ->
                Slack.exceeds(life.max(), life.min()) ? mixed.plusDays((long) Math.ceil(life.min() - SLACK)) : null;
            case STRETCH -> {
                Double left = Objects.requireNonNull(bath.verdict().daysLeft());
                double printedLeft = left - (School.STRETCH_LIVES - 1) * life.max() / bath.daysADay();
                yield today(plan).plusDays((long) Math.floor(Math.max(-1, printedLeft) + SLACK) + 1);
            }
        };
    }

    /** Whether it has to be tested first before it ends. */
    public boolean isTestedFirst() {
        return rollsTestedFrom != null || dayTestedFrom != null;
    }
}
