package mezcla.log;

/**
 * What is really in a bottle was measured.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param volumeMl how much there is, in ml
 */
public record FillMeasured(Stamp stamp, long fillId, double volumeMl) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_MEASURED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillMeasured(this);
    }
}
