package mezcla.log;

import java.util.Set;

/**
 * Nothing more is mixed from a kit: what it leaves over is shared by what was mixed from it (rules, section 8).
 *
 * @param stamp who and when
 * @param kitId the kit
 */
public record KitFinished(Stamp stamp, long kitId) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.kit(kitId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.KIT_FINISHED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.kitFinished(this);
    }
}
