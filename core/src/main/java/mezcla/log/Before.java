package mezcla.log;

import java.time.Instant;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * What a fill that was taken over had behind it (rules, 3.6).
 *
 * @param mixedAt when it was mixed, as far as anybody knows
 * @param rolls roll equivalents that it had done, as far as anybody knows
 * @param cost what it cost; null where nobody knows
 */
public record Before(Instant mixedAt, double rolls, @Nullable Money cost) {
    /** What nobody knows the cost of. */
    public Before(Instant mixedAt, double rolls) {
        this(mixedAt, rolls, null);
    }
}
