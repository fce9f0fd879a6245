package mezcla.web.fill;

import java.util.List;

/**
 * One bottle.
 *
 * @param id the fill
 * @param batchId its batch
 * @param batchName what that is called
 * @param bathKey the bath's key
 * @param bath what it is
 * @param bottle what is written on the bottle
 * @param mixture what it was mixed of; empty where that is as printed
 * @param volume how much the log says is in it
 * @param kept where it stands and how air is kept out
 * @param inUse who has some of it in a tank; empty for nobody
 * @param otherBatches the numbers of other batches that it serves in as well
 * @param bar why it must not be used; empty while it may
 * @param oneShot whether it is poured away after each run
 * @param discarded whether it was poured away
 */
public record FillView(
        long id,
        long batchId,
        String batchName,
        String bathKey,
        String bath,
        String bottle,
        String volume,
        String mixture,
        String kept,
        String inUse,
        List<Long> otherBatches,
        String bar,
        boolean oneShot,
        boolean discarded) {}
