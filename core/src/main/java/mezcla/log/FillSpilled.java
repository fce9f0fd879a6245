package mezcla.log;

/**
 * Some of a fill was lost.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param volumeMl how much, in ml
 */
public record FillSpilled(Stamp stamp, long fillId, double volumeMl) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_SPILLED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillSpilled(this);
    }
}
