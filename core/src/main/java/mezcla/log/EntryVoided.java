package mezcla.log;

import java.util.Optional;
import java.util.Set;

/**
 * An earlier row does not count.
 *
 * @param stamp who and when
 * @param voided the sequence of that row
 * @param reason why
 */
public record EntryVoided(Stamp stamp, long voided, String reason) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.entry(voided));
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public Optional<EntryVoided> voiding() {
        return Optional.of(this);
    }

    @Override
    public Voidable voidable() {
        return Voidable.FINAL;
    }

    @Override
    public EntryKind kind() {
        return EntryKind.ENTRY_VOIDED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.entryVoided(this);
    }
}
