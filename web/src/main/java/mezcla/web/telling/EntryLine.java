package mezcla.web.telling;

import java.util.Set;
import mezcla.log.EntryGroup;

/**
 * A line of the journal.
 *
 * @param sequence its number
 * @param when when it happened
 * @param day the day of that
 * @param hour the hour of that
 * @param kind the group that it belongs to, for its mark
 * @param who who wrote it, and at which shared device
 * @param memberId their account
 * @param what what happened
 * @param against what spoke against it; empty for nothing
 * @param gone who voided it and why; empty while it counts
 * @param batches the batches that it is about
 */
public record EntryLine(
        long sequence,
        String when,
        String day,
        String hour,
        EntryGroup kind,
        String who,
        long memberId,
        String what,
        String against,
        String gone,
        Set<Long> batches) {
    /** Whether it still counts. */
    public boolean counts() {
        return gone.isEmpty();
    }
}
