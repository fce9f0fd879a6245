package mezcla.log;

/**
 * A barred fill may be used again.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param reason why
 */
public record BarLifted(Stamp stamp, long fillId, String reason) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.BAR_LIFTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.barLifted(this);
    }
}
