package mezcla.log;

/**
 * Which bottle a fill stands in.
 *
 * @param fillId the fill
 * @param bottleId the bottle
 */
public record InBottle(long fillId, long bottleId) {}
