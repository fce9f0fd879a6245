package mezcla.log;

import org.jspecify.annotations.Nullable;

/**
 * Somebody looked into a bottle.
 *
 * @param stamp who and when
 * @param fillId the fill
 * @param sign what it showed
 * @param note what else; null for nothing
 */
public record BathLooked(Stamp stamp, long fillId, Sign sign, @Nullable String note) implements OfOneFill {
    @Override
    public EntryKind kind() {
        return EntryKind.BATH_LOOKED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.bathLooked(this);
    }
}
