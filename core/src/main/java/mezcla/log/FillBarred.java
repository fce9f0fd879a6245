package mezcla.log;

/**
 * A fill must not be used until the bar is lifted.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param reason why
 */
public record FillBarred(Stamp stamp, long fillId, String reason) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_BARRED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillBarred(this);
    }
}
