package mezcla.log;

import mezcla.measure.FilmFormat;

/**
 * One roll of a run.
 *
 * @param owner whose it is
 * @param format its format
 * @param equivalents what it counted for when it was logged
 * @param stops how far it was pushed
 * @param irreplaceable whether it cannot be made again
 */
public record Roll(String owner, FilmFormat format, double equivalents, double stops, boolean irreplaceable) {}
