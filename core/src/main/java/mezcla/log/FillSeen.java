package mezcla.log;

/**
 * A bottle was found where it belongs, on a round of the shelf.
 *
 * @param stamp who and when
 * @param fillId the fill
 */
public record FillSeen(Stamp stamp, long fillId) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.FILL_SEEN;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.fillSeen(this);
    }
}
