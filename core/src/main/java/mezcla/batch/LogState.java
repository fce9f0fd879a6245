package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.measure.Refusal;

/**
 * What a log adds up to: folded by when things happened, then by sequence, less what was voided. The same rows give the
 * same state in whatever order they are handed in.
 *
 * @param kits every kit, by its id, in the order of arrival
 * @param batches every batch, by its id, in the order of mixing
 */
public record LogState(Map<Long, KitState> kits, Map<Long, BatchState> batches) {
    /**
     * Folds a log.
     *
     * @param log the rows, in any order; those about a kit or fill must include the row that brought it about
     */
    public static LogState fold(Collection<LogEntry> log) {
        Set<Long> voided = voided(log);
        Folding folding = new Folding();
        log.stream()
                .filter(entry -> !voided.contains(entry.stamp().sequence()))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.stamp().happenedAt())
                        .thenComparingLong(entry -> entry.stamp().sequence()))
                .forEach(folding::add);
        return folding.state(KitShares.inOrderOfRecording(log));
    }

    private static Set<Long> voided(Collection<LogEntry> log) {
        return log.stream()
                .filter(LogEntry.EntryVoided.class::isInstance)
                .map(entry -> ((LogEntry.EntryVoided) entry).voided())
                .collect(Collectors.toSet());
    }

    /**
     * The batch of that number.
     *
     * @throws Refusal {@code unknown-batch}
     */
    public BatchState batch(long id) {
        BatchState batch = batches.get(id);
        if (batch == null) {
            throw Refusal.of("unknown-batch", "batch", id);
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
            throw Refusal.of("unknown-kit", "kit", id);
        }
        return kit;
    }

    /**
     * The fill of that id.
     *
     * @throws Refusal {@code unknown-fill}
     */
    public FillState fill(long id) {
        return batchOf(id).fills().stream()
                .filter(fill -> fill.id() == id)
                .findFirst()
                .orElseThrow();
    }

    /**
     * The batch that a fill belongs to.
     *
     * @throws Refusal {@code unknown-fill}
     */
    public BatchState batchOf(long fillId) {
        return batches.values().stream()
                .filter(batch -> batch.fills().stream().anyMatch(fill -> fill.id() == fillId))
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-fill", "fill", fillId));
    }

    /** The batches of which something still stands on the shelf, in the order of mixing. */
    public List<BatchState> standing() {
        return batches.values().stream().filter(batch -> !batch.ended()).toList();
    }

    private static final class Folding {
        private final Map<Long, KitFolding> kits = new LinkedHashMap<>();
        private final Map<Long, FillFolding> fills = new LinkedHashMap<>();
        private final Map<Long, LogEntry.BatchMixed> mixes = new LinkedHashMap<>();
        private final Map<Long, List<LogEntry.RunLogged>> runs = new LinkedHashMap<>();

        void add(LogEntry entry) {
            if (entry instanceof LogEntry.KitArrived arrival) {
                kits.put(arrival.kitId(), new KitFolding(arrival));
            } else if (entry instanceof LogEntry.PartOpened opened) {
                kit(opened.kitId()).open(opened.part(), opened.stamp());
            } else if (entry instanceof LogEntry.BatchMixed mix) {
                mixes.put(mix.batchId(), mix);
                mix.fills().forEach(mixed -> addFill(mix, mixed));
            } else if (entry instanceof LogEntry.RunLogged run) {
                runs.computeIfAbsent(run.batchId(), key -> new ArrayList<>()).add(run);
                run.baths().forEach(bath -> fill(bath.fillId()).run(run, bath));
            } else if (entry instanceof LogEntry.FillSpilled spilled) {
                fill(spilled.fillId()).spill(spilled);
            } else if (entry instanceof LogEntry.FillToppedUp topped) {
                fill(topped.fillId()).topUp(topped);
            } else if (entry instanceof LogEntry.FillMeasured measured) {
                fill(measured.fillId()).measure(measured);
            } else if (entry instanceof LogEntry.FillBarred barred) {
                fill(barred.fillId()).bar(barred);
            } else if (entry instanceof LogEntry.BarLifted lifted) {
                fill(lifted.fillId()).liftBar();
            } else if (entry instanceof LogEntry.FillInspected inspected) {
                fill(inspected.fillId()).inspect(inspected);
            } else if (entry instanceof LogEntry.FillsDiscarded discarded) {
                discarded.fills().forEach(each -> fill(each.fillId()).discard(discarded, each));
            }
        }

        private void addFill(LogEntry.BatchMixed mix, LogEntry.MixedFill mixed) {
            fills.put(mixed.fillId(), new FillFolding(mix.stamp(), mixed));
            mixed.uses().forEach(use -> {
                if (kits.containsKey(use.kitId())) {
                    kit(use.kitId()).use(use, mix.stamp());
                }
            });
        }

        private KitFolding kit(long id) {
            KitFolding kit = kits.get(id);
            if (kit == null) {
                throw Refusal.of("unknown-kit", "kit", id);
            }
            return kit;
        }

        private FillFolding fill(long id) {
            FillFolding fill = fills.get(id);
            if (fill == null) {
                throw Refusal.of("unknown-fill", "fill", id);
            }
            return fill;
        }

        LogState state(Map<Long, List<KitState.Share>> shares) {
            Map<Long, KitState> kitStates = new LinkedHashMap<>();
            kits.forEach((id, kit) -> kitStates.put(id, kit.state(shares.getOrDefault(id, List.of()))));
            Map<Long, BatchState> batchStates = new LinkedHashMap<>();
            mixes.forEach((id, mix) -> batchStates.put(
                    id,
                    new BatchState(
                            id,
                            mix,
                            mix.fills().stream()
                                    .map(mixed -> fill(mixed.fillId()).state())
                                    .toList(),
                            runs.getOrDefault(id, List.of()))));
            return new LogState(kitStates, batchStates);
        }
    }
}
