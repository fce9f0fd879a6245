package mezcla.log;

import java.time.Instant;

/**
 * What every row of the log carries.
 *
 * @param sequence its number in the order of recording
 * @param happenedAt when it happened
 * @param recordedAt when it was written down
 * @param who the member who wrote it
 * @param about whether time or count are remembered rather than noted (rules, section 2)
 */
public record Stamp(long sequence, Instant happenedAt, Instant recordedAt, String who, boolean about) {}
