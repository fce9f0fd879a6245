package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletObjection;
import mezcla.log.AccountCorrected;
import mezcla.log.BarLifted;
import mezcla.log.BatchMixed;
import mezcla.log.BathLooked;
import mezcla.log.BathRenewed;
import mezcla.log.ChargingChosen;
import mezcla.log.ClockCorrected;
import mezcla.log.DiscardedFill;
import mezcla.log.DrumCollected;
import mezcla.log.EntryVisitor;
import mezcla.log.EntryVoided;
import mezcla.log.EquipmentBought;
import mezcla.log.FillBarred;
import mezcla.log.FillInspected;
import mezcla.log.FillMeasured;
import mezcla.log.FillMoved;
import mezcla.log.FillSeen;
import mezcla.log.FillShared;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmInspected;
import mezcla.log.HouseDecided;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.KitPriced;
import mezcla.log.LaboratoryPriced;
import mezcla.log.LeafletCorrected;
import mezcla.log.LeafletRevised;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartOpened;
import mezcla.log.PartThrownAway;
import mezcla.log.PartUse;
import mezcla.log.PaymentRecorded;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.log.Stamp;
import mezcla.log.Subject;
import mezcla.measure.Refusal;

/**
 * Adds rows up, one after the other, in the order in which they happened. Each kind of row first finds everything that
 * it names and only then changes anything, so a row that names what is not there changes nothing and is set aside
 * (rules, 12).
 */
final class Folding implements EntryVisitor<Runnable> {
    private final Map<Long, KitFolding> kits = new LinkedHashMap<>();
    private final Map<Long, FillFolding> fills = new LinkedHashMap<>();
    private final Map<Long, BatchFolding> batches = new LinkedHashMap<>();
    private final Set<Long> startsOver = new HashSet<>();
    private final Map<Long, Leaflet> correctedLeaflets = new HashMap<>();
    private final Map<Long, Leaflet> mistyped = new HashMap<>();
    private final List<Anomaly> anomalies = new ArrayList<>();

    private Folding() {}

    /** A folding of rows in order, which knows beforehand which runs are over and which leaflets were corrected. */
    static Folding of(Collection<LogEntry> inOrder) {
        Folding folding = new Folding();
        for (LogEntry entry : inOrder) {
            entry.ends().ifPresent(folding.startsOver::add);
            folding.correctedLeaflets.putAll(entry.leafletsFromTheFirstDay());
        }
        return folding;
    }

    /** The same, in which some fills go by other versions of their leaflets from their first day. */
    static Folding of(Collection<LogEntry> inOrder, Map<Long, Leaflet> governed) {
        Folding folding = of(inOrder);
        folding.correctedLeaflets.putAll(governed);
        return folding;
    }

    /** The version that standing fills should go by and do not yet, by fill (rules, 3.8). */
    Map<Long, Leaflet> toBeSwitched() {
        Map<Long, Leaflet> wrong = new HashMap<>();
        fills.forEach((id, fill) -> {
            Leaflet right = mistyped.get(id);
            if (right != null && !fill.isDiscarded() && isAnother(right, fill)) {
                wrong.put(id, right);
            }
        });
        return wrong;
    }

    private static boolean isAnother(Leaflet right, FillFolding fill) {
        return right.version() != fill.leaflet().version()
                && right.key().equals(fill.leaflet().key())
                && right.baths().stream()
                        .anyMatch(bath -> bath.key().equals(fill.mixed().bathKey()));
    }

    /** Adds a row, or sets it aside. */
    void add(LogEntry entry) {
        Runnable change;
        try {
            change = entry.accept(this);
        } catch (Refusal refusal) {
            anomalies.add(new Anomaly(entry, refusal.objection()));
            return;
        }
        change.run();
    }

    @Override
    public Runnable kitArrived(KitArrived entry) {
        refuseTwice(kits, entry.kitId(), Subject.kit(entry.kitId()));
        return () -> kits.put(entry.kitId(), new KitFolding(entry));
    }

    @Override
    public Runnable partOpened(PartOpened entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.open(entry.part(), entry.stamp());
    }

    @Override
    public Runnable partDecanted(PartDecanted entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.decant(entry);
    }

    @Override
    public Runnable partCorrected(PartCorrected entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.correct(entry);
    }

    @Override
    public Runnable partThrownAway(PartThrownAway entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.take(entry.part(), entry.amount());
    }

    @Override
    public Runnable partMoved(PartMoved entry) {
        KitFolding from = kit(entry.kitId());
        KitFolding to = kit(entry.toKitId());
        return () -> {
            from.take(entry.part(), entry.amount());
            to.receive(entry, from);
        };
    }

    @Override
    public Runnable kitFinished(KitFinished entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.finish(entry.stamp());
    }

    @Override
    public Runnable kitPriced(KitPriced entry) {
        KitFolding kit = kit(entry.kitId());
        return () -> kit.price(entry);
    }

    @Override
    public Runnable batchMixed(BatchMixed entry) {
        refuseTwice(batches, entry.batchId(), Subject.batch(entry.batchId()));
        if (entry.fills().isEmpty()) {
            throw Refusal.of(new LeafletObjection.BathsMissing());
        }
        List<FillFolding> made = entry.fills().stream()
                .map(mixed -> newFill(entry.stamp(), mixed))
                .toList();
        return () -> {
            batches.put(entry.batchId(), new BatchFolding(entry));
            made.forEach(fill -> addFill(fill, entry.stamp()));
        };
    }

    @Override
    public Runnable bathRenewed(BathRenewed entry) {
        BatchFolding batch = batch(entry.batchId());
        FillFolding fresh = newFill(entry.stamp(), entry.fill());
        return () -> {
            addFill(fresh, entry.stamp());
            batch.renew(entry.fill());
        };
    }

    @Override
    public Runnable runLogged(RunLogged entry) {
        BatchFolding batch = batch(entry.batchId());
        Map<RunBath, FillFolding> through = through(entry.baths());
        return () -> {
            batch.run(entry);
            double equivalents = entry.equivalents();
            through.forEach((bath, fill) -> fill.run(entry.stamp(), equivalents, bath));
            entry.accidents()
                    .forEach(accident -> through.forEach((bath, fill) -> {
                        if (accident.fillId() != null && accident.fillId() == bath.fillId()) {
                            fill.doubt(accident);
                        }
                    }));
        };
    }

    /** A run that is over counts by the row that says how it went. */
    @Override
    public Runnable runStarted(RunStarted entry) {
        if (startsOver.contains(entry.stamp().sequence())) {
            return () -> {};
        }
        BatchFolding batch = batch(entry.batchId());
        Map<RunBath, FillFolding> through = through(entry.baths());
        return () -> {
            batch.start(entry);
            through.forEach((bath, fill) -> fill.start(entry, bath));
        };
    }

    /** Money is added up by accounts, and changes nothing on the shelf. */
    @Override
    public Runnable chargingChosen(ChargingChosen entry) {
        return () -> {};
    }

    @Override
    public Runnable houseDecided(HouseDecided entry) {
        return () -> {};
    }

    /** The rows that it dates anew were read with their other stamps already. */
    @Override
    public Runnable clockCorrected(ClockCorrected entry) {
        return () -> {};
    }

    @Override
    public Runnable laboratoryPriced(LaboratoryPriced entry) {
        return () -> {};
    }

    @Override
    public Runnable equipmentBought(EquipmentBought entry) {
        return () -> {};
    }

    @Override
    public Runnable paymentRecorded(PaymentRecorded entry) {
        return () -> {};
    }

    @Override
    public Runnable accountCorrected(AccountCorrected entry) {
        return () -> {};
    }

    /** Film that waits is added up by the queue. */
    @Override
    public Runnable filmDropped(FilmDropped entry) {
        return () -> {};
    }

    @Override
    public Runnable filmHandled(FilmHandled entry) {
        return () -> {};
    }

    /** Its start was left out beforehand. */
    @Override
    public Runnable runCalledOff(RunCalledOff entry) {
        return () -> {};
    }

    @Override
    public Runnable fillSpilled(FillSpilled entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.spill(entry);
    }

    @Override
    public Runnable fillToppedUp(FillToppedUp entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> {
            fill.topUp(entry, anyPast(entry.uses(), entry.stamp()));
            use(entry.uses(), entry.stamp());
        };
    }

    @Override
    public Runnable fillShared(FillShared entry) {
        FillFolding fill = fill(entry.fillId());
        BatchFolding batch = batch(entry.batchId());
        return () -> batch.share(fill.mixed());
    }

    @Override
    public Runnable fillMoved(FillMoved entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.move(entry);
    }

    @Override
    public Runnable limitOverridden(LimitOverridden entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.override(entry);
    }

    @Override
    public Runnable fillMeasured(FillMeasured entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.measure(entry);
    }

    @Override
    public Runnable fillBarred(FillBarred entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.bar(entry);
    }

    @Override
    public Runnable barLifted(BarLifted entry) {
        return fill(entry.fillId())::liftBar;
    }

    @Override
    public Runnable fillInspected(FillInspected entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.inspect(entry);
    }

    @Override
    public Runnable bathLooked(BathLooked entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.look(entry);
    }

    @Override
    public Runnable fillSeen(FillSeen entry) {
        FillFolding fill = fill(entry.fillId());
        return () -> fill.see(entry.stamp());
    }

    /** The sheets that govern fills were looked up beforehand. */
    @Override
    public Runnable leafletCorrected(LeafletCorrected entry) {
        return () -> {};
    }

    /** What it names and was voided since is not concerned. */
    @Override
    public Runnable leafletRevised(LeafletRevised entry) {
        return () -> {
            entry.kitIds().stream().map(kits::get).filter(Objects::nonNull).forEach(kit -> kit.goBy(entry));
            entry.fillIds().forEach(fill -> mistyped.put(fill, entry.leaflet()));
        };
    }

    @Override
    public Runnable noteLeft(NoteLeft entry) {
        BatchFolding batch = batch(entry.batchId());
        return () -> batch.note(entry);
    }

    @Override
    public Runnable filmInspected(FilmInspected entry) {
        BatchFolding batch = batch(entry.batchId());
        List<FillFolding> through = entry.fillIds().stream().map(this::fill).toList();
        return () -> {
            through.forEach(fill -> fill.inspect(entry));
            batch.inspect(entry);
        };
    }

    @Override
    public Runnable fillsDiscarded(FillsDiscarded entry) {
        Map<DiscardedFill, FillFolding> gone = new LinkedHashMap<>();
        entry.fills().forEach(each -> gone.put(each, fill(each.fillId())));
        return () -> gone.forEach((each, fill) -> fill.discard(entry, each));
    }

    /** Drums have levels of their own ({@link DrumLevel}). */
    @Override
    public Runnable drumCollected(DrumCollected entry) {
        return () -> {};
    }

    /** What was voided was left out beforehand. */
    @Override
    public Runnable entryVoided(EntryVoided entry) {
        return () -> {};
    }

    private Map<RunBath, FillFolding> through(List<RunBath> baths) {
        Map<RunBath, FillFolding> through = new LinkedHashMap<>();
        baths.forEach(bath -> through.put(bath, fill(bath.fillId())));
        return through;
    }

    private FillFolding newFill(Stamp stamp, MixedFill mixed) {
        refuseTwice(fills, mixed.fillId(), Subject.fill(mixed.fillId()));
        Leaflet sheet = correctedLeaflets.getOrDefault(mixed.fillId(), mixed.leaflet());
        return new FillFolding(stamp, mixed, sheet, anyPast(mixed.uses(), stamp));
    }

    private boolean anyPast(List<PartUse> uses, Stamp stamp) {
        return uses.stream().anyMatch(use -> {
            KitFolding kit = kits.get(use.kitId());
            return kit != null && kit.isPast(use.part(), stamp.happenedAt());
        });
    }

    private void addFill(FillFolding fill, Stamp stamp) {
        fills.put(fill.mixed().fillId(), fill);
        // A mix that was begun before its leaflet was put right ends after it.
        fill.mixed().uses().stream()
                .map(use -> kits.get(use.kitId()))
                .filter(Objects::nonNull)
                .map(KitFolding::revisedLeaflet)
                .filter(right -> right != null
                        && right.key().equals(fill.leaflet().key())
                        && right.version() > fill.leaflet().version())
                .findFirst()
                .ifPresent(right -> mistyped.put(fill.mixed().fillId(), right));
        use(fill.mixed().uses(), stamp);
    }

    private void use(List<PartUse> uses, Stamp stamp) {
        for (PartUse use : uses) {
            KitFolding kit = kits.get(use.kitId());
            if (kit != null) {
                kit.use(use, stamp);
            }
        }
    }

    private KitFolding kit(long id) {
        return known(kits, id, Subject.kit(id));
    }

    private FillFolding fill(long id) {
        return known(fills, id, Subject.fill(id));
    }

    private BatchFolding batch(long id) {
        return known(batches, id, Subject.batch(id));
    }

    private static <T> T known(Map<Long, T> all, long id, Subject subject) {
        T found = all.get(id);
        if (found == null) {
            throw Refusal.of(new BatchObjection.NotThereYet(subject));
        }
        return found;
    }

    private static <T> void refuseTwice(Map<Long, T> all, long id, Subject subject) {
        if (all.containsKey(id)) {
            throw Refusal.of(new BatchObjection.ThereAlready(subject));
        }
    }

    /**
     * What the rows add up to.
     *
     * @param log all rows, voided ones too, by whose order of recording money is dealt out
     * @param corrected how fills would stand by the version of their leaflet that is right, by fill
     */
    LogState state(Collection<LogEntry> log, Map<Long, FillState> corrected) {
        Set<Long> odd =
                anomalies.stream().map(each -> each.entry().stamp().sequence()).collect(Collectors.toSet());
        Map<Long, List<KitState.Share>> shares = KitShares.inOrderOfRecording(log.stream()
                .filter(entry -> !odd.contains(entry.stamp().sequence()))
                .toList());
        Map<Long, KitState> kitStates = new LinkedHashMap<>();
        kits.forEach((id, kit) -> kitStates.put(id, kit.state(shares.getOrDefault(id, List.of()))));
        Map<Long, FillState> fillStates = new HashMap<>();
        fillStates().forEach((id, fill) -> {
            FillState right = corrected.get(id);
            fillStates.put(id, right == null ? fill : fill.withCorrected(right));
        });
        Map<Long, BatchState> batchStates = new LinkedHashMap<>();
        batches.forEach((id, batch) -> batchStates.put(id, batch.state(fillStates)));
        return new LogState(kitStates, batchStates, anomalies);
    }

    /** Every fill as it stands. */
    Map<Long, FillState> fillStates() {
        Map<Long, FillState> states = new HashMap<>();
        fills.forEach((id, fill) -> states.put(id, fill.state()));
        return states;
    }

    /** Adds up what happened to one batch. */
    private static final class BatchFolding {
        private final BatchMixed mix;
        private final Map<String, Long> slots = new LinkedHashMap<>();
        private final Map<String, MixedFill> latest = new LinkedHashMap<>();
        private final Set<Long> guests = new HashSet<>();
        private final List<Long> replaced = new ArrayList<>();
        private final List<RunLogged> runs = new ArrayList<>();
        private final List<RunStarted> inUse = new ArrayList<>();
        private final List<NoteLeft> notes = new ArrayList<>();
        private final List<FilmInspected> looks = new ArrayList<>();

        BatchFolding(BatchMixed mix) {
            this.mix = mix;
            mix.fills().forEach(fill -> {
                slots.put(fill.bathKey(), fill.fillId());
                latest.put(fill.bathKey(), fill);
            });
        }

        void renew(MixedFill fill) {
            putInto(fill.bathKey(), fill);
        }

        /** A guest takes the place of the bath that does the same, or a place of its own. */
        void share(MixedFill guest) {
            String slot = latest.entrySet().stream()
                    .filter(entry ->
                            entry.getValue().bath().role().equals(guest.bath().role()))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElse(guest.bath().role().key());
            putInto(slot, guest);
            guests.add(guest.fillId());
        }

        private void putInto(String slot, MixedFill fill) {
            Long before = slots.put(slot, fill.fillId());
            latest.put(slot, fill);
            if (before != null) {
                replaced.add(before);
            }
        }

        void run(RunLogged run) {
            runs.add(run);
        }

        void start(RunStarted start) {
            inUse.add(start);
        }

        void inspect(FilmInspected look) {
            looks.add(look);
        }

        void note(NoteLeft note) {
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
