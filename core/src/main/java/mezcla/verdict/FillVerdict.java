package mezcla.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.Mixture;
import mezcla.log.Finding;
import mezcla.log.Sign;
import mezcla.measure.Slack;
import mezcla.processing.RunTime;
import org.jspecify.annotations.Nullable;

/**
 * Whether a fill is still good for a run, and why (rules, section 6).
 *
 * @param key the bath's key
 * @param state how it stands
 * @param reasons all of them; the one that set the state comes first
 * @param rollsLeft roll equivalents that it still takes; null for no limit
 * @param daysLeft days of the calendar that it still lasts as it stands now; null for no limit
 * @param runFits whether the run asked about fits its limits
 * @param time the time of that run in it
 */
public record FillVerdict(
        String key,
        State state,
        List<Reason> reasons,
        @Nullable Double rollsLeft,
        @Nullable Double daysLeft,
        boolean runFits,
        RunTime time) {
    private static final double FEW_ROLLS = 2;
    private static final double FEW_DAYS = 3;

    /**
     * Judges a fill.
     *
     * @param school how strictly
     * @param fill what is known of it
     * @param rolls the run asked about, in roll equivalents
     * @param time the time of that run in it
     */
    static FillVerdict of(School school, FillCondition fill, double rolls, RunTime time) {
        List<Reason> reasons = new ArrayList<>();
        addSigns(fill, reasons);
        addMixture(fill, reasons);
        SchoolLimits limits = SchoolLimits.of(school, fill);
        limits.addTo(reasons);
        Double rollsLeft = rollsLeft(fill, limits, rolls);
        if (rollsLeft != null && Slack.exceeds(FEW_ROLLS, rollsLeft)) {
            reasons.add(reason(Reason.Code.FEW_ROLLS_LEFT, fill, rollsLeft, FEW_ROLLS));
        }
        Double daysToGo = limits.calendarDaysToGo();
        if (daysToGo != null && Slack.exceeds(FEW_DAYS, daysToGo)) {
            reasons.add(new Reason(Reason.Code.FEW_DAYS_LEFT, fill.key(), daysToGo, FEW_DAYS, limits.whoseDays()));
        }
        Double daysLeft = daysToGo == null ? null : Double.valueOf(Math.max(0, daysToGo));
        if (moreSecondsThanFresh(time) > 0) {
            reasons.add(reason(Reason.Code.MORE_TIME, fill, moreSecondsThanFresh(time), 0));
        }
        reasons.sort(Comparator.comparing((Reason reason) -> reason.code().state())
                .reversed()
                .thenComparing(Reason::code));
        State state = reasons.isEmpty() ? State.GOOD : reasons.get(0).code().state();
        boolean fits = state != State.DISCARD && (rollsLeft == null || Slack.reaches(rollsLeft, rolls));
        return new FillVerdict(fill.key(), state, List.copyOf(reasons), rollsLeft, daysLeft, fits, time);
    }

    /** Push is taste or exposure and temperature is the room's; neither is the bath's age (rules, 4.3). */
    private static int moreSecondsThanFresh(RunTime time) {
        RunTime atPrintedConditions = new RunTime(
                time.freshSeconds(),
                time.exhaustionSeconds(),
                time.straddledStep(),
                1,
                1,
                time.trimFactor(),
                time.flags());
        return atPrintedConditions.addedSeconds();
    }

    private static void addSigns(FillCondition fill, List<Reason> reasons) {
        if (fill.signs().contains(Sign.CONTAMINATED)) {
            reasons.add(reason(Reason.Code.CONTAMINATED, fill, 0, 0));
        }
        if (fill.signs().contains(Sign.SLUDGE)) {
            reasons.add(reason(Reason.Code.SLUDGE, fill, 0, 0));
        }
        if (fill.signs().contains(Sign.BLACK) && fill.role().isDeveloper()) {
            reasons.add(reason(Reason.Code.DEVELOPER_BLACK, fill, 0, 0));
        }
        FillCondition.Stock stock = fill.stock();
        if (stock != null && Slack.exceeds(stock.forSmallestRunMl(), stock.leftMl())) {
            reasons.add(reason(Reason.Code.USED_UP, fill, stock.leftMl(), stock.forSmallestRunMl()));
        }
        if (stock == null && !Slack.exceeds(fill.chemistryMl(), 0)) {
            reasons.add(reason(Reason.Code.USED_UP, fill, 0, 0));
        }
        if (fill.outcome().bad() && fill.role().isDeveloper()) {
            reasons.add(reason(Reason.Code.BAD_RESULT, fill, 0, 0));
        }
        if (fill.look() != null
                && fill.look().result() == Finding.MILKY_DRY
                && fill.role().fixes()) {
            reasons.add(reason(Reason.Code.WEAK_BLEACH_FIX, fill, 0, 0));
        }
    }

    /** What it was mixed of, until something has shown that it works (rules, 3.4 and 3.7). */
    private static void addMixture(FillCondition fill, List<Reason> reasons) {
        Mixture mixture = fill.mixture();
        if (fill.outcome().doubted()) {
            reasons.add(reason(Reason.Code.ACCIDENT, fill, 0, 0));
        }
        if (fill.outcome().good()) {
            return;
        }
        if (mixture.weak()) {
            reasons.add(reason(Reason.Code.WEAK_MIX, fill, (1 - mixture.weakest()) * 100, 0));
        }
        if (mixture.strong()) {
            reasons.add(reason(Reason.Code.STRONG_MIX, fill, (mixture.strongest() - 1) * 100, 0));
        }
        if (mixture.oldParts()) {
            reasons.add(reason(Reason.Code.OLD_PARTS, fill, 0, 0));
        }
        if (mixture.offTemperature()) {
            reasons.add(reason(Reason.Code.MIXED_OFF_TEMPERATURE, fill, 0, 0));
        }
    }

    private static @Nullable Double rollsLeft(FillCondition fill, SchoolLimits limits, double rolls) {
        FillCondition.Stock stock = fill.stock();
        if (stock != null) {
            return stock.runs() * rolls;
        }
        Double limit = limits.rollLimit();
        return limit == null ? null : Math.max(0, (limit - fill.scaledRolls()) / fill.wearPerRoll());
    }

    private static Reason reason(Reason.Code code, FillCondition fill, double figure, double limit) {
        return new Reason(code, fill.key(), figure, limit, Reason.LimitOf.NOBODY);
    }
}
