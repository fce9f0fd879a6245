package mezcla.log;

/**
 * Film that went through a fill was judged.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param result what was seen
 * @param chemistry whether it was put down to the chemistry
 * @param trimPercent the correction that it left the fill with, in percent
 */
public record FillInspected(Stamp stamp, long fillId, Finding result, boolean chemistry, double trimPercent)
        implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_INSPECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillInspected(this);
    }
}
