package mezcla.log;

import java.util.Optional;
import java.util.Set;

/**
 * A run that was started did not take place.
 *
 * @param stamp who and when
 * @param started the sequence of the row with which it was started
 * @param reason why
 */
public record RunCalledOff(Stamp stamp, long started, String reason) implements LogEntry {
    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.entry(started));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Optional<Long> ends() {
        return Optional.of(started);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.RUN_CALLED_OFF;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.runCalledOff(this);
    }
}
