package mezcla.log;

/**
 * A part of a kit was opened.
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param part the part's key
 */
public record PartOpened(Stamp stamp, long kitId, String part) implements OfOnePart {
    @Override
    public EntryKind kind() {
        return EntryKind.PART_OPENED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partOpened(this);
    }
}
