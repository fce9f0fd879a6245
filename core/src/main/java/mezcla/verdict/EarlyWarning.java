package mezcla.verdict;

import java.util.Optional;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What a batch still allows, said while there is time to do something about it (rules, section 6: warnings come before
 * the last safe run, not after it). An evening is one of two rolls.
 *
 * @param evenings whole evenings of two rolls that are left; null while rolls are not what ends it soon
 * @param rolls whole rolls that are left when not even one evening is; null otherwise
 * @param days whole days that are left; null while days are not what ends it soon
 */
public record EarlyWarning(@Nullable Integer evenings, @Nullable Integer rolls, @Nullable Integer days) {
    private static final double ROLLS_AN_EVENING = 2;
    private static final double FROM_ROLLS = 6;
    private static final double FROM_DAYS = 10;

    /** The warning for a batch; empty while it has three evenings and ten days or more, and once it is past its limits. */
    public static Optional<EarlyWarning> of(BatchVerdict verdict) {
        if (verdict.state() == State.DISCARD) {
            return Optional.empty();
        }
        Double rolls = verdict.rollsLeft();
        Double days = verdict.daysLeft();
        Integer left = rolls != null && Slack.exceeds(FROM_ROLLS, rolls) ? (int) Slack.floor(rolls) : null;
        Integer until = days != null && Slack.exceeds(FROM_DAYS, days) ? (int) Slack.floor(days) : null;
        if (left == null && until == null) {
            return Optional.empty();
        }
        int evenings = rolls == null || left == null ? 0 : (int) Slack.floor(rolls / ROLLS_AN_EVENING);
        return Optional.of(new EarlyWarning(evenings > 0 ? evenings : null, evenings > 0 ? null : left, until));
    }
}
