package mezcla.log;

import java.util.Set;

/**
 * Rows were written under a clock that was wrong: they are dated anew from now on (rules, section 12).
 *
 * @param stamp who says so, and when
 * @param from the sequence of the first of those rows
 * @param to the sequence of the last of them
 * @param aheadSeconds by how much their clock was ahead, in seconds; below 0 for one that was behind
 */
public record ClockCorrected(Stamp stamp, long from, long to, long aheadSeconds) implements LogEntry {
    /** Whether a row is one of those. */
    public boolean concerns(long sequence) {
        return from <= sequence && sequence <= to;
    }

    @Override
    public Set<Subject> touches() {
        return Set.of();
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.CLOCK_CORRECTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.clockCorrected(this);
    }
}
