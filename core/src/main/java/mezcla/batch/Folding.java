package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;

/** Adds rows up, one after the other, in the order in which they happened. */
final class Folding {
    private final Map<Long, KitFolding> kits = new LinkedHashMap<>();
    private final Map<Long, FillFolding> fills = new LinkedHashMap<>();
    private final Map<Long, BatchFolding> batches = new LinkedHashMap<>();
    private final Set<Long> startsOver = new HashSet<>();
    private final Map<Long, Leaflet> correctedLeaflets = new HashMap<>();

    private Folding() {}

    /** A folding of rows in order, which knows beforehand which runs are over and which leaflets were corrected. */
    static Folding of(Collection<LogEntry> inOrder) {
        Folding folding = new Folding();
        for (LogEntry entry : inOrder) {
            if (entry instanceof LogEntry.RunLogged run && run.started() != null) {
                folding.startsOver.add(run.started());
            } else if (entry instanceof LogEntry.RunCalledOff off) {
                folding.startsOver.add(off.started());
            } else if (entry instanceof LogEntry.LeafletCorrected corrected) {
                corrected.fillIds().forEach(fill -> folding.correctedLeaflets.put(fill, corrected.leaflet()));
            }
        }
        return folding;
    }

    void add(LogEntry entry) {
        if (entry instanceof LogEntry.OfOneFill one) {
            addToFill(one);
        } else if (entry instanceof LogEntry.KitArrived arrival) {
            kits.put(arrival.kitId(), new KitFolding(arrival));
        } else if (entry instanceof LogEntry.OfOnePart part) {
            addToKit(part);
        } else if (entry instanceof LogEntry.BatchMixed mix) {
            batches.put(mix.batchId(), new BatchFolding(mix));
            mix.fills().forEach(mixed -> addFill(mix.stamp(), mixed));
        } else if (entry instanceof LogEntry.BathRenewed renewed) {
            addFill(renewed.stamp(), renewed.fill());
            batch(renewed.batchId()).renew(renewed.fill());
        } else if (entry instanceof LogEntry.RunLogged run) {
            addRun(run);
        } else if (entry instanceof LogEntry.RunStarted start) {
            addStart(start);
        } else if (entry instanceof LogEntry.FillsDiscarded discarded) {
            discarded.fills().forEach(each -> fill(each.fillId()).discard(discarded, each));
        } else if (entry instanceof LogEntry.FilmInspected look) {
            look.fillIds().forEach(id -> fill(id).inspect(look));
            batch(look.batchId()).inspect(look);
        } else if (entry instanceof LogEntry.NoteLeft note) {
            batch(note.batchId()).note(note);
        }
    }

    private void addToKit(LogEntry.OfOnePart entry) {
        KitFolding kit = kit(entry.kitId());
        if (entry instanceof LogEntry.PartOpened opened) {
            kit.open(opened.part(), opened.stamp());
        } else if (entry instanceof LogEntry.PartDecanted decanted) {
            kit.decant(decanted);
        } else if (entry instanceof LogEntry.PartCorrected corrected) {
            kit.correct(corrected);
        } else if (entry instanceof LogEntry.PartThrownAway gone) {
            kit.take(gone.part(), gone.amount());
        } else if (entry instanceof LogEntry.PartMoved moved) {
            kit.take(moved.part(), moved.amount());
            kit(moved.toKitId()).receive(moved, kit);
        }
    }

    private void addRun(LogEntry.RunLogged run) {
        batch(run.batchId()).run(run);
        double equivalents = run.equivalents();
        run.baths().forEach(bath -> fill(bath.fillId()).run(run.stamp(), equivalents, bath));
    }

    private void addToFill(LogEntry.OfOneFill entry) {
        FillFolding fill = fill(entry.fillId());
        if (entry instanceof LogEntry.FillSpilled spilled) {
            fill.spill(spilled);
        } else if (entry instanceof LogEntry.FillToppedUp topped) {
            fill.topUp(topped);
            use(topped.uses(), topped.stamp());
        } else if (entry instanceof LogEntry.FillMeasured measured) {
            fill.measure(measured);
        } else if (entry instanceof LogEntry.FillMoved moved) {
            fill.move(moved);
        } else if (entry instanceof LogEntry.FillBarred barred) {
            fill.bar(barred);
        } else if (entry instanceof LogEntry.BarLifted) {
            fill.liftBar();
        } else if (entry instanceof LogEntry.FillInspected inspected) {
            fill.inspect(inspected);
        } else if (entry instanceof LogEntry.FillSeen seen) {
            fill.see(seen.stamp());
        } else if (entry instanceof LogEntry.BathLooked looked) {
            fill.look(looked);
        } else if (entry instanceof LogEntry.LimitOverridden overridden) {
            fill.override(overridden);
        } else if (entry instanceof LogEntry.FillShared shared) {
            batch(shared.batchId()).share(fill.mixed());
        }
    }

    private void addFill(Stamp stamp, LogEntry.MixedFill mixed) {
        Leaflet leaflet = correctedLeaflets.getOrDefault(mixed.fillId(), mixed.leaflet());
        fills.put(mixed.fillId(), new FillFolding(stamp, mixed, leaflet));
        use(mixed.uses(), stamp);
    }

    private void use(List<LogEntry.PartUse> uses, Stamp stamp) {
        uses.stream().filter(use -> kits.containsKey(use.kitId())).forEach(use -> kit(use.kitId())
                .use(use, stamp));
    }

    /** A run that is over counts by the row that says how it went. */
    private void addStart(LogEntry.RunStarted start) {
        if (!startsOver.contains(start.stamp().sequence())) {
            batch(start.batchId()).start(start);
            start.baths().forEach(bath -> fill(bath.fillId()).start(start, bath));
        }
    }

    private KitFolding kit(long id) {
        return known(kits, id, "unknown-kit", "kit");
    }

    private FillFolding fill(long id) {
        return known(fills, id, "unknown-fill", "fill");
    }

    private BatchFolding batch(long id) {
        return known(batches, id, "unknown-batch", "batch");
    }

    private static <T> T known(Map<Long, T> all, long id, String code, String what) {
        T found = all.get(id);
        if (found == null) {
            throw Refusal.of(code, what, id);
        }
        return found;
    }

    LogState state(Map<Long, List<KitState.Share>> shares) {
        Map<Long, KitState> kitStates = new LinkedHashMap<>();
        kits.forEach((id, kit) -> kitStates.put(id, kit.state(shares.getOrDefault(id, List.of()))));
        Map<Long, FillState> fillStates = new HashMap<>();
        fills.forEach((id, fill) -> fillStates.put(id, fill.state()));
        Map<Long, BatchState> batchStates = new LinkedHashMap<>();
        batches.forEach((id, batch) -> batchStates.put(id, batch.state(fillStates)));
        return new LogState(kitStates, batchStates);
    }

    /** Adds up what happened to one batch. */
    private static final class BatchFolding {
        private final LogEntry.BatchMixed mix;
        private final Map<String, Long> slots = new LinkedHashMap<>();
        private final Map<String, LogEntry.MixedFill> latest = new LinkedHashMap<>();
        private final Set<Long> guests = new HashSet<>();
        private final List<Long> replaced = new ArrayList<>();
        private final List<LogEntry.RunLogged> runs = new ArrayList<>();
        private final List<LogEntry.RunStarted> inUse = new ArrayList<>();
        private final List<LogEntry.NoteLeft> notes = new ArrayList<>();
        private final List<LogEntry.FilmInspected> looks = new ArrayList<>();

        BatchFolding(LogEntry.BatchMixed mix) {
            this.mix = mix;
            mix.fills().forEach(fill -> {
                slots.put(fill.bathKey(), fill.fillId());
                latest.put(fill.bathKey(), fill);
            });
        }

        void renew(LogEntry.MixedFill fill) {
            putInto(fill.bathKey(), fill);
        }

        /** A guest takes the place of the bath that does the same, or a place of its own. */
        void share(LogEntry.MixedFill guest) {
            String slot = latest.entrySet().stream()
                    .filter(entry ->
                            entry.getValue().bath().role().equals(guest.bath().role()))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElse(guest.bath().role().key());
            putInto(slot, guest);
            guests.add(guest.fillId());
        }

        private void putInto(String slot, LogEntry.MixedFill fill) {
            Long before = slots.put(slot, fill.fillId());
            latest.put(slot, fill);
            if (before != null) {
                replaced.add(before);
            }
        }

        void run(LogEntry.RunLogged run) {
            runs.add(run);
        }

        void start(LogEntry.RunStarted start) {
            inUse.add(start);
        }

        void inspect(LogEntry.FilmInspected look) {
            looks.add(look);
        }

        void note(LogEntry.NoteLeft note) {
            notes.add(note);
        }

        BatchState state(Map<Long, FillState> fills) {
            return new BatchState(
                    mix.batchId(),
                    mix,
                    slots.values().stream().map(fills::get).toList(),
                    replaced.stream().map(fills::get).toList(),
                    Set.copyOf(guests),
                    runs,
                    inUse,
                    notes,
                    looks);
        }
    }
}
