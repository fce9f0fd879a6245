package mezcla.web.fill;

/**
 * One bottle.
 *
 * @param id the fill
 * @param batchId its batch
 * @param batchName what that is called
 * @param bath what it is
 * @param bottle what is written on the bottle
 * @param volume how much the log says is in it
 * @param bar why it must not be used; empty while it may
 * @param discarded whether it was poured away
 */
public record FillView(
        long id,
        long batchId,
        String batchName,
        String bath,
        String bottle,
        String volume,
        String bar,
        boolean discarded) {}
