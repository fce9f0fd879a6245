package mezcla.log;

import java.util.Set;

/**
 * Something to remember when that kit is mixed again.
 *
 * @param stamp who and when
 * @param batchId the batch that taught it
 * @param text what to remember
 */
public record NoteLeft(Stamp stamp, long batchId, String text) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.batch(batchId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.NOTE_LEFT;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.noteLeft(this);
    }
}
