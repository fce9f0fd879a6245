package mezcla.log;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.jspecify.annotations.Nullable;

/**
 * What every row of the log carries.
 *
 * @param sequence its number in the order of recording
 * @param happenedAt when it happened
 * @param recordedAt when it was written down
 * @param who the member who wrote it, by name
 * @param about whether time or count are remembered rather than noted (rules, section 2)
 * @param memberId the member's account, which alone says what they may do with the row; 0 where nobody has one
 * @param device the shared device that it was written at; null for a device of the member's own
 */
public record Stamp(
        long sequence,
        Instant happenedAt,
        Instant recordedAt,
        String who,
        boolean about,
        long memberId,
        @Nullable String device) {
    /** A row that no account wrote at a device: a plan, or what is only thought of. */
    public Stamp(long sequence, Instant happenedAt, Instant recordedAt, String who, boolean about) {
        this(sequence, happenedAt, recordedAt, who, about, 0, null);
    }

    /**
     * The same row under a clock that was right.
     *
     * @param seconds by how much it was wrong; below 0 for a clock that was ahead
     * @return when it was written, moved; when it happened moved with it where it would lie later than that, or where the
     *     clock was behind and it happened as it was written
     */
    public Stamp movedBy(long seconds) {
        Instant written = recordedAt.plus(seconds, ChronoUnit.SECONDS);
        boolean atOnce = happenedAt.equals(recordedAt);
        Instant happened =
                atOnce || happenedAt.isAfter(written) ? happenedAt.plus(seconds, ChronoUnit.SECONDS) : happenedAt;
        return new Stamp(
                sequence, happened.isAfter(written) ? written : happened, written, who, about, memberId, device);
    }
}
