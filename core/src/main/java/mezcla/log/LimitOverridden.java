package mezcla.log;

import java.util.List;

/**
 * Limits of a fill are passed on purpose (rules, section 6).
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param limits codes of the limits that no longer hold it back
 * @param reason why
 */
public record LimitOverridden(Stamp stamp, long fillId, List<String> limits, String reason) implements OfOneFill {
    /** Keeps its own list. */
    public LimitOverridden {
        limits = List.copyOf(limits);
    }

    @Override
    public List<String> limitsPassed() {
        return limits;
    }

    @Override
    public EntryKind kind() {
        return EntryKind.LIMIT_OVERRIDDEN;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.limitOverridden(this);
    }
}
