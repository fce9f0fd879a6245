package mezcla.web.shelf;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The shelf.
 *
 * @param title how many batches can take the film
 * @param boards one for each process
 * @param first the batch to use first; null when none can take the film
 * @param firsts the first of each process, where any would do and the film has to be asked about; empty where only one would
 * @param waysOut what else can be done when none can
 * @param retired what was discarded last
 * @param drumsDue the waste drums that are to be collected
 */
public record ShelfView(
        String title,
        List<Board> boards,
        @Nullable CrateView first,
        List<FirstOf> firsts,
        List<WayOutView> waysOut,
        List<Retired> retired,
        List<String> drumsDue) {
    /**
     * The batch to use first of a process.
     *
     * @param key the process
     * @param process what it is called
     * @param batch the batch
     */
    public record FirstOf(String key, String process, long batch) {}

    /**
     * A board with the crates of one process.
     *
     * @param process the process
     * @param crates its crates, in the order of mixing; on a full board those that take the film go first
     * @param more the rest of a full board, each in a line
     */
    public record Board(String process, List<CrateView> crates, List<Line> more) {}

    /**
     * A batch in a line.
     *
     * @param id the batch
     * @param name what it is called
     * @param state the state's key, for its look
     * @param stateWord the state's word
     * @param how the developer's time, and why
     * @param fits whether it takes the run
     */
    public record Line(long id, String name, String state, String stateWord, String how, boolean fits) {}

    /**
     * What else can be done.
     *
     * @param what in a few words
     * @param how with time and cost
     * @param page where to do it
     */
    public record WayOutView(String what, String how, String page) {}

    /**
     * A batch that was discarded.
     *
     * @param id the batch
     * @param name what it was called
     * @param how when, by whom and why
     */
    public record Retired(long id, String name, String how) {}
}
