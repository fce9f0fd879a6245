package mezcla.batch;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.leaflet.Leaflet;
import mezcla.log.LogEntry;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;

/**
 * What a log adds up to: folded by when things happened, then by sequence, less what was voided. The same rows give the
 * same state in whatever order they are handed in.
 *
 * @param kits every kit, by its id, in the order of arrival
 * @param batches every batch, by its id, in the order of mixing
 * @param anomalies the rows that could not be applied, in the order in which they happened
 * @param standing the batches of which something still stands on the shelf, in the order of mixing
 */
public record LogState(
        Map<Long, KitState> kits, Map<Long, BatchState> batches, List<Anomaly> anomalies, List<BatchState> standing) {
    /** The order in which things count. */
    static final Comparator<LogEntry> IN_ORDER = Comparator.comparing(LogEntry::foldedAt)
            .thenComparingLong(entry -> entry.stamp().sequence());

    /** Keeps its own lists. */
    public LogState {
        anomalies = List.copyOf(anomalies);
        standing = List.copyOf(standing);
    }

    /** What kits and batches add up to; most batches of an old house have ended, so those that stand are known at once. */
    LogState(Map<Long, KitState> kits, Map<Long, BatchState> batches, List<Anomaly> anomalies) {
        this(
                kits,
                batches,
                anomalies,
                batches.values().stream().filter(batch -> !batch.ended()).toList());
    }

    /**
     * Folds a log. Any rows can be folded: those that cannot be applied are among the anomalies.
     *
     * @param log the rows, in any order
     */
    public static LogState fold(Collection<LogEntry> log) {
        Set<Long> voided = Voiding.voided(log);
        List<LogEntry> counting = log.stream()
                .filter(entry -> !voided.contains(entry.stamp().sequence()))
                .sorted(IN_ORDER)
                .toList();
        Folding folding = Folding.of(counting);
        counting.forEach(folding::add);
        return folding.state(log, corrected(counting, folding.toBeSwitched()));
    }

    /** How fills would stand by the version of their leaflet that is right: the same rows, gone through with it. */
    private static Map<Long, FillState> corrected(List<LogEntry> counting, Map<Long, Leaflet> right) {
        if (right.isEmpty()) {
            return Map.of();
        }
        Folding folding = Folding.of(counting, right);
        counting.forEach(folding::add);
        Map<Long, FillState> states = folding.fillStates();
        states.keySet().retainAll(right.keySet());
        return states;
    }

    /**
     * What the log added up to at a moment, as far as it is known now: what happened later is left out, and so is what
     * was voided since.
     *
     * @param log the rows, in any order
     * @param when the moment
     */
    public static LogState foldUntil(Collection<LogEntry> log, Instant when) {
        return fold(log.stream()
                .filter(entry -> entry.voids().isPresent()
                        || !entry.leafletsFromTheFirstDay().isEmpty()
                        || !entry.foldedAt().isAfter(when))
                .toList());
    }

    /**
     * The batch of that number.
     *
     * @throws Refusal {@code unknown-batch}
     */
    public BatchState batch(long id) {
        BatchState batch = batches.get(id);
        if (batch == null) {
            throw Refusal.of(new BatchObjection.UnknownBatch(id));
        }
        return batch;
    }

    /**
     * The kit of that id.
     *
     * @throws Refusal {@code unknown-kit}
     */
    public KitState kit(long id) {
        KitState kit = kits.get(id);
        if (kit == null) {
            throw Refusal.of(new BatchObjection.UnknownKit(id));
        }
        return kit;
    }

    /**
     * The fill of that id.
     *
     * @throws Refusal {@code unknown-fill}
     */
    public FillState fill(long id) {
        return batchOf(id).own().filter(fill -> fill.id() == id).findFirst().orElseThrow();
    }

    /**
     * The batch that a fill was mixed for.
     *
     * @throws Refusal {@code unknown-fill}
     */
    public BatchState batchOf(long fillId) {
        return batches.values().stream()
                .filter(batch -> batch.own().anyMatch(fill -> fill.id() == fillId))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new BatchObjection.UnknownFill(fillId)));
    }

    /** The batches that a fill serves in, the one that it was mixed for among them. */
    public List<BatchState> servedBy(long fillId) {
        return batches.values().stream()
                .filter(batch -> Stream.concat(batch.fills().stream(), batch.replaced().stream())
                        .anyMatch(fill -> fill.id() == fillId))
                .toList();
    }

    /**
     * The run that was started with a row, and is not over yet.
     *
     * @param sequence the row
     * @throws Refusal {@code run-is-over} when it was logged, called off or voided, or never was
     */
    public RunStarted underWay(long sequence) {
        return batches.values().stream()
                .flatMap(batch -> batch.inUse().stream())
                .filter(start -> start.stamp().sequence() == sequence)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new BatchObjection.RunIsOver()));
    }
}
