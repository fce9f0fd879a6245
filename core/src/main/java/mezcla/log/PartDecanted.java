package mezcla.log;

/**
 * What was left of a part was decanted into full small vials under inert gas; its clock starts anew (rules, 3.4).
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param part the part's key
 * @param vials how many vials
 */
public record PartDecanted(Stamp stamp, long kitId, String part, int vials) implements OfOnePart {
    @Override
    public EntryKind kind() {
        return EntryKind.PART_DECANTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partDecanted(this);
    }
}
