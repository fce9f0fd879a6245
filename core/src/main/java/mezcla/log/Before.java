package mezcla.log;

import java.time.Instant;

/**
 * What a fill that was taken over had behind it (rules, 3.6).
 *
 * @param mixedAt when it was mixed, as far as anybody knows
 * @param rolls roll equivalents that it had done, as far as anybody knows
 */
public record Before(Instant mixedAt, double rolls) {}
