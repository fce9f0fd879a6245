package mezcla.log;

import mezcla.leaflet.WasteRoute;

/**
 * Some of a part was thrown away, or lost.
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param part the part's key
 * @param amount how much, in the part's unit
 * @param route where it went
 * @param reason why
 */
public record PartThrownAway(Stamp stamp, long kitId, String part, double amount, WasteRoute route, String reason)
        implements OfOnePart {
    @Override
    public EntryKind kind() {
        return EntryKind.PART_THROWN_AWAY;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partThrownAway(this);
    }
}
