package mezcla.log;

/**
 * How much of a part there really is was looked at.
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param part the part's key
 * @param left how much there is, in the part's unit
 * @param reason why the log was wrong
 */
public record PartCorrected(Stamp stamp, long kitId, String part, double left, String reason) implements OfOnePart {
    @Override
    public EntryKind kind() {
        return EntryKind.PART_CORRECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partCorrected(this);
    }
}
