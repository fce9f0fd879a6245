package mezcla.log;

import org.jspecify.annotations.Nullable;

/**
 * Something that went wrong in a run (rules, section 7).
 *
 * @param what it was
 * @param fillId the fill whose turn it was; null for water
 * @param otherFillId the fill that came in instead, or whose bottle was taken; null where nobody said, or for none
 * @param seconds how long after that step began, in seconds; 0 for before
 */
public record RunAccident(Accident what, @Nullable Long fillId, @Nullable Long otherFillId, double seconds) {}
