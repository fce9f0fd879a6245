package mezcla.log;

/**
 * Film that went through a fill was judged.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param result what was seen
 * @param chemistry whether it was put down to the chemistry, or nothing was wrong
 */
public record FillInspected(Stamp stamp, long fillId, Finding result, boolean chemistry) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_INSPECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillInspected(this);
    }
}
