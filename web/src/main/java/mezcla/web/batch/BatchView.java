package mezcla.web.batch;

import java.util.List;
import java.util.Map;
import mezcla.web.shelf.CrateView;
import mezcla.web.telling.EntryLine;
import org.jspecify.annotations.Nullable;

/**
 * One batch.
 *
 * @param id the batch
 * @param name what it is called
 * @param title what it is good for
 * @param crate its crate; null when nothing of it stands any more
 * @param facts what it is and how it was used, by heading
 * @param reasons all reasons, as sentences
 * @param fits whether the next roll fits
 * @param fills its fills
 * @param cost what it costs; null when nothing is known
 * @param log what happened to it, the newest first
 * @param waste where each standing fill can be poured away
 * @param about whether it rests on remembered figures
 * @param handover who used it last, when, with what, and how it came out
 * @param inUse the runs that it is in just now
 * @param overrides limits that were passed on purpose, as sentences
 * @param renewable the baths that can be mixed afresh, by key
 * @param renewal the bath that has to be mixed afresh first; null where none has to, or all of it
 * @param guests fills of other batches that could serve in this one as well
 * @param notes what to remember when its kit is mixed again
 * @param newerLeaflet whether a later version of its leaflet is known
 * @param switches the versions that baths of it should be switched to, by the id of the leaflet
 * @param relabel whether its labels say other limits than those that count now
 */
public record BatchView(
        long id,
        String name,
        String title,
        @Nullable CrateView crate,
        Map<String, String> facts,
        List<String> reasons,
        boolean fits,
        List<Fill> fills,
        @Nullable Cost cost,
        List<EntryLine> log,
        List<Waste> waste,
        boolean about,
        String handover,
        List<InUse> inUse,
        List<String> overrides,
        Map<String, String> renewable,
        @Nullable Renewal renewal,
        List<Guest> guests,
        List<String> notes,
        boolean newerLeaflet,
        List<Long> switches,
        boolean relabel) {
    /**
     * A run that it is in just now.
     *
     * @param started the row with which it was started
     * @param words since when, by whom, with what
     */
    public record InUse(long started, String words) {}

    /** A bath that has to be mixed afresh, by its key, and what it is called. */
    public record Renewal(String bath, String name) {}

    /**
     * A fill of another batch.
     *
     * @param fillId the fill
     * @param words what it is, and whose
     */
    public record Guest(long fillId, String words) {}

    /**
     * A fill, as a line of the table.
     *
     * @param id the fill
     * @param letters the bath's letters
     * @param name the bath
     * @param mixture what it was mixed of; empty where that is as printed
     * @param state the state's key; {@code gone} for a discarded one
     * @param time how long the next roll stays in it
     * @param rolls how far it is used
     * @param age how old it is
     * @param volume how much is left
     * @param bottle where it stands
     */
    public record Fill(
            long id,
            String letters,
            String name,
            String mixture,
            String state,
            String time,
            String rolls,
            String age,
            String volume,
            String bottle) {}

    /**
     * What a roll costs.
     *
     * @param total the whole batch
     * @param unused the same when the rest of its kit is not used; empty where that changes nothing
     * @param soFar for each roll done
     * @param atPrintedCapacity for each roll at the printed capacity
     * @param expected for each roll at the rolls that demand, age and volume will allow
     * @param currency in what
     */
    public record Cost(
            String total, String unused, String soFar, String atPrintedCapacity, String expected, String currency) {}

    /**
     * A fill that can be discarded.
     *
     * @param fillId the fill
     * @param name the bath
     * @param volume how much that pours away
     * @param mustGo whether it has to go
     * @param route where it goes unless told otherwise
     */
    public record Waste(long fillId, String name, String volume, boolean mustGo, String route) {}
}
