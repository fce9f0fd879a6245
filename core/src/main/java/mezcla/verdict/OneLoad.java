package mezcla.verdict;

import java.util.Collection;
import mezcla.log.EntryGroup;
import mezcla.log.LogEntry;

/** What was passed on purpose for one load: it holds for the next run through the batch, and for no other (rules, 6). */
public final class OneLoad {
    private OneLoad() {}

    /** Whether a row passes what belongs to one load, rather than what belongs to the bath. */
    public static boolean isPassedBy(LogEntry row) {
        return row.limitsPassed().contains(RunObjection.TooMuchFilm.LIMIT);
    }

    /**
     * Whether what belongs to one load is passed for the next run.
     *
     * @param about the rows that bear on the batch
     * @param passed the sequence of the row that passed it; 0 for none
     * @return false where there is no such row, or a run began or was logged since
     */
    public static boolean isPassed(Collection<LogEntry> about, long passed) {
        boolean there = about.stream().anyMatch(row -> row.stamp().sequence() == passed && isPassedBy(row));
        return there
                && about.stream()
                        .noneMatch(row ->
                                row.stamp().sequence() > passed && row.kind().group() == EntryGroup.RUNS);
    }
}
