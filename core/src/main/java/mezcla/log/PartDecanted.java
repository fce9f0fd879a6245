package mezcla.log;

import org.jspecify.annotations.Nullable;

/**
 * What was left of a part was decanted into full small vials under inert gas; its clock starts anew (rules, 3.4).
 *
 * @param stamp who and when
 * @param kitId the kit
 * @param part the part's key
 * @param vials how many vials
 * @param each how much a vial holds, in the part's unit; null where all of it went into them, in equal shares
 */
public record PartDecanted(Stamp stamp, long kitId, String part, int vials, @Nullable Double each)
        implements OfOnePart {
    /** All that was left, in equal shares. */
    public PartDecanted(Stamp stamp, long kitId, String part, int vials) {
        this(stamp, kitId, part, vials, null);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.PART_DECANTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.partDecanted(this);
    }
}
