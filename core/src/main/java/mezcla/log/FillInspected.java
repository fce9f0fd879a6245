package mezcla.log;

import org.jspecify.annotations.Nullable;

/**
 * Film that went through a fill was judged.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param result what was seen
 * @param chemistry whether it was put down to the chemistry, or nothing was wrong
 * @param clip how the clip was made; null where nobody said
 */
public record FillInspected(Stamp stamp, long fillId, Finding result, boolean chemistry, @Nullable Clip clip)
        implements OfOneFill {
    /**
     * How a clip was made, so that the next one can be made in the same way.
     *
     * @param method what was developed; null where nobody said
     * @param exposure how it was exposed; null where nobody said
     * @param reading what was read of it, as a density or against an older one; null where nobody said
     */
    public record Clip(@Nullable String method, @Nullable String exposure, @Nullable String reading) {}

    /** A clip of which nobody said how it was made. */
    public FillInspected(Stamp stamp, long fillId, Finding result, boolean chemistry) {
        this(stamp, fillId, result, chemistry, null);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILL_INSPECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillInspected(this);
    }
}
