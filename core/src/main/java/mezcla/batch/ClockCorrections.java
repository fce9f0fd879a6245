package mezcla.batch;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import mezcla.log.ClockCorrected;
import mezcla.log.LogEntry;
import mezcla.log.Stamp;

/**
 * What is known of rows that were written under a wrong clock: when they really were (rules, section 12). Rows themselves
 * never change; they are read with another stamp.
 */
public final class ClockCorrections {
    /** Every clock was right. */
    public static final ClockCorrections NONE = new ClockCorrections(List.of());

    private final List<ClockCorrected> standing;

    private ClockCorrections(List<ClockCorrected> standing) {
        this.standing = standing;
    }

    /** The corrections among rows that were not voided. */
    public static ClockCorrections of(Collection<? extends LogEntry> rows) {
        Set<Long> voided = Voiding.voided(List.copyOf(rows));
        return new ClockCorrections(LogEntry.only(List.copyOf(rows), ClockCorrected.class)
                .filter(row -> !voided.contains(row.stamp().sequence()))
                .toList());
    }

    /** Whether there are none. */
    public boolean isEmpty() {
        return standing.isEmpty();
    }

    /**
     * The stamp that a row counts with. When it was written is moved by what its clock was wrong; when it happened is moved
     * with it where it would lie after that: a day in the past was typed by somebody who knew which day it was.
     *
     * @param written the stamp that the row was written with
     * @return the same stamp for a row that no correction concerns
     */
    public Stamp counting(Stamp written) {
        Stamp stamp = written;
        for (ClockCorrected correction : standing) {
            if (correction.concerns(written.sequence())) {
                stamp = stamp.movedBy(-correction.aheadSeconds());
            }
        }
        return stamp;
    }
}
