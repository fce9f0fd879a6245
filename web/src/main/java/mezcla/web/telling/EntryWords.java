package mezcla.web.telling;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.LogBook;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Part;
import mezcla.log.AccountCorrected;
import mezcla.log.BarLifted;
import mezcla.log.BatchMixed;
import mezcla.log.BathLooked;
import mezcla.log.BathRenewed;
import mezcla.log.ChargingChosen;
import mezcla.log.ClockCorrected;
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
import mezcla.log.Finding;
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
import mezcla.log.OfOnePart;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartOpened;
import mezcla.log.PartThrownAway;
import mezcla.log.PartUse;
import mezcla.log.PaymentRecorded;
import mezcla.log.Roll;
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.log.Stamp;
import mezcla.log.Suspect;
import mezcla.measure.ProcessingTime;
import mezcla.planning.QueuedFilm;
import mezcla.web.settings.things.House;
import mezcla.web.words.Figures;
import mezcla.web.words.TemperatureWords;
import org.jspecify.annotations.Nullable;

/** Tells what happened, entry by entry. */
public final class EntryWords implements EntryVisitor<String> {
    private final LogBook book;
    private final House house;

    /**
     * Words for the entries of a log.
     *
     * @param book the whole log, so that names are known
     * @param house where its days begin
     */
    public EntryWords(LogBook book, House house) {
        this.book = book;
        this.house = house;
    }

    /** A line of the journal. */
    public EntryLine line(LogEntry entry) {
        EntryVoided gone = book.voiding(entry.stamp().sequence()).orElse(null);
        return new EntryLine(
                entry.stamp().sequence(),
                (entry.stamp().about() ? "about " : "")
                        + Figures.dayAndHour(entry.stamp().happenedAt(), house.timeZone()),
                Figures.weekday(entry.stamp().happenedAt(), house.timeZone()),
                (entry.stamp().about() ? "about " : "")
                        + Figures.hour(entry.stamp().happenedAt(), house.timeZone()),
                entry.kind().group(),
                writer(entry.stamp()),
                entry.stamp().memberId(),
                entry.accept(this),
                against(entry.against()),
                gone == null ? "" : "Void, " + gone.stamp().who() + ": " + gone.reason(),
                batches(entry));
    }

    private static String writer(Stamp stamp) {
        return stamp.device() == null ? stamp.who() : stamp.who() + ", at " + stamp.device();
    }

    private static String against(List<String> limits) {
        return limits.isEmpty()
                ? ""
                : "Logged against: "
                        + limits.stream().map(code -> code.replace('-', ' ')).collect(Collectors.joining(", "));
    }

    /** The batches that an entry is about. */
    public Set<Long> batches(LogEntry entry) {
        Stream<Long> ofItsFills = entry.fillsConcerned().stream().flatMap(fill -> batchOf(fill).stream());
        return Stream.concat(batchNamed(entry).stream(), ofItsFills).collect(Collectors.toCollection(TreeSet::new));
    }

    private Optional<Long> batchNamed(LogEntry entry) {
        return entry.batchNamed().or(() -> entry.ends().flatMap(book::find).flatMap(LogEntry::batchNamed));
    }

    private Optional<Long> batchOf(long fillId) {
        return book.making(fillId).flatMap(LogEntry::batchNamed);
    }

    private String numberOf(long fillId) {
        return batchOf(fillId).map(batch -> Long.toString(batch)).orElse("?");
    }

    @Override
    public String kitArrived(KitArrived kit) {
        return "Kit %d came: %s, %s delivered".formatted(kit.kitId(), nameOf(kit), Figures.money(kit.landed()));
    }

    @Override
    public String partOpened(PartOpened opened) {
        return "Opened " + name(opened);
    }

    @Override
    public String partDecanted(PartDecanted decanted) {
        return "Decanted %s into %s".formatted(name(decanted), Figures.count(decanted.vials(), "vial"));
    }

    @Override
    public String partCorrected(PartCorrected corrected) {
        return "%s: %s left, as looked at. %s"
                .formatted(name(corrected), amount(corrected, corrected.left()), corrected.reason());
    }

    @Override
    public String partThrownAway(PartThrownAway gone) {
        return "%s: %s gone to %s. %s"
                .formatted(
                        name(gone),
                        amount(gone, gone.amount()),
                        Figures.within(gone.route().words()),
                        gone.reason());
    }

    @Override
    public String kitPriced(KitPriced priced) {
        return "What kit %d cost was put right: %s (%s)"
                .formatted(priced.kitId(), Figures.money(priced.landed()), priced.reason());
    }

    @Override
    public String kitFinished(KitFinished finished) {
        return "Nothing more is mixed from kit %d: what it leaves over is shared by what was mixed from it"
                .formatted(finished.kitId());
    }

    @Override
    public String partMoved(PartMoved moved) {
        return "%s: %s put to kit %d".formatted(name(moved), amount(moved, moved.amount()), moved.toKitId());
    }

    private Optional<Part> part(OfOnePart entry) {
        return book.arrival(entry.kitId()).flatMap(kit -> kit.leaflet().parts().stream()
                .filter(part -> part.key().equals(entry.part()))
                .findFirst());
    }

    private String name(OfOnePart entry) {
        return "%s of kit %d".formatted(part(entry).map(Part::name).orElse(entry.part()), entry.kitId());
    }

    private String amount(OfOnePart entry, double amount) {
        return part(entry).map(part -> Figures.amount(amount, part.unit())).orElseGet(() -> Figures.plain(amount, 1));
    }

    @Override
    public String batchMixed(BatchMixed mixed) {
        return made(mixed.fills().stream().anyMatch(fill -> fill.before() != null) ? "Taken over: " : "Mixed: ", mixed);
    }

    @Override
    public String bathRenewed(BathRenewed renewed) {
        return made("Renewed: ", renewed);
    }

    @Override
    public String runLogged(RunLogged run) {
        String what = run.abandoned() == null
                ? "Ran " + film(run.rolls()) + process(run.baths()) + ". " + times(run.baths(), planned(run))
                : "Gave up a run of %s, which had reached %s. %s"
                        .formatted(
                                film(run.rolls()) + process(run.baths()),
                                run.baths().stream().map(this::reached).collect(Collectors.joining(", ")),
                                run.abandoned());
        String wrong = run.accidents().stream()
                .map(accident -> accident(accident, id -> Figures.within(name(id))))
                .collect(Collectors.joining("; "));
        return what
                + (run.hangs() == null ? "" : ". Hangs: " + run.hangs())
                + (wrong.isEmpty() ? "" : ". Went wrong: " + wrong);
    }

    /**
     * What went wrong in a run, where, and when.
     *
     * @param names what the bath of a fill is called
     */
    public static String accident(RunAccident accident, LongFunction<String> names) {
        Long fill = accident.fillId();
        Long other = accident.otherFillId();
        return "%s (%s%s)%s"
                .formatted(
                        Figures.within(accident.what().words()),
                        fill == null ? "" : names.apply(fill) + ", ",
                        Figures.clock(accident.seconds()),
                        other == null ? "" : ": " + names.apply(other));
    }

    @Override
    public String runStarted(RunStarted start) {
        return "Started " + film(start.rolls()) + process(start.baths()) + ". Planned: "
                + times(start.baths(), Map.of());
    }

    @Override
    public String runCalledOff(RunCalledOff off) {
        return "Called off the run of entry %d. %s".formatted(off.started(), off.reason());
    }

    @Override
    public String leafletCorrected(LeafletCorrected corrected) {
        return "Version %d of the leaflet governs %s. %s"
                .formatted(
                        corrected.leaflet().version(),
                        corrected.fillIds().stream()
                                .map(this::name)
                                .map(Figures::within)
                                .collect(Collectors.joining(", ")),
                        corrected.reason());
    }

    @Override
    public String leafletRevised(LeafletRevised revised) {
        String version = "Version %d of the leaflet of %s"
                .formatted(revised.leaflet().version(), revised.leaflet().name());
        String said =
                switch (revised.why()) {
                    case MISTYPED ->
                        version + ": the one before was mistyped"
                                + (revised.kitIds().isEmpty() ? "" : "; " + kits(revised.kitIds()) + " by it now");
                    case ANOTHER_PRINT -> version + ": another print; kits that came before keep theirs";
                    case BOX_HOLDS_ANOTHER ->
                        "The box of kit %d holds version %d of its leaflet"
                                .formatted(
                                        revised.kitIds().get(0),
                                        revised.leaflet().version());
                };
        return "%s. %s".formatted(said, revised.reason());
    }

    private static String kits(List<Long> ids) {
        return "kit%s %s %s"
                .formatted(
                        ids.size() == 1 ? "" : "s",
                        ids.stream().map(String::valueOf).collect(Collectors.joining(", ")),
                        ids.size() == 1 ? "goes" : "go");
    }

    @Override
    public String noteLeft(NoteLeft note) {
        return "For the next batch: " + note.text();
    }

    @Override
    public String filmInspected(FilmInspected look) {
        return looked(look);
    }

    @Override
    public String drumCollected(DrumCollected collected) {
        return "Collected: %s, with %s in it%s%s"
                .formatted(
                        collected.drum(),
                        Figures.inAll(collected.volumeMl()),
                        collected.firm() == null ? "" : ", by " + collected.firm(),
                        collected.receipt() == null ? "" : ", receipt " + collected.receipt());
    }

    @Override
    public String chargingChosen(ChargingChosen chosen) {
        return "%s is charged %s from now on"
                .formatted(
                        FilmProcess.of(chosen.process()).name(),
                        chosen.price() == null ? "what it cost" : Figures.money(chosen.price()) + " a roll");
    }

    @Override
    public String houseDecided(HouseDecided decided) {
        return "%s%s: %s%s"
                .formatted(
                        decided.topic().words(),
                        decided.subject().isEmpty() ? "" : ", " + decided.subject(),
                        decided.after().isEmpty() ? "nothing any more" : decided.after(),
                        decided.before().isEmpty() ? "" : " (before: " + decided.before() + ")");
    }

    @Override
    public String clockCorrected(ClockCorrected corrected) {
        return "The clock was %s %s: %s dated again"
                .formatted(
                        Figures.span(Math.abs(corrected.aheadSeconds())),
                        corrected.aheadSeconds() >= 0 ? "ahead" : "behind",
                        corrected.from() == corrected.to()
                                ? "1 entry is"
                                : (corrected.to() - corrected.from() + 1) + " entries are");
    }

    @Override
    public String laboratoryPriced(LaboratoryPriced priced) {
        return "A laboratory takes %s for a roll of %s"
                .formatted(
                        Figures.money(priced.price()),
                        Figures.within(FilmProcess.of(priced.process()).name()));
    }

    @Override
    public String equipmentBought(EquipmentBought bought) {
        return "Equipment bought: %s, %s".formatted(bought.what(), Figures.money(bought.price()));
    }

    @Override
    public String paymentRecorded(PaymentRecorded paid) {
        boolean out = paid.amount().isNegative();
        return "%s %s%s"
                .formatted(
                        paid.account(),
                        (out ? "was paid " : "paid ")
                                + Figures.money(paid.amount().abs()),
                        paid.note() == null ? "" : ". " + paid.note());
    }

    @Override
    public String accountCorrected(AccountCorrected corrected) {
        return "%s %s: %s%s, %s"
                .formatted(
                        corrected.account(),
                        corrected.writtenOff() ? "is let off" : "is put right",
                        corrected.amount().isNegative() ? "−" : "+",
                        Figures.money(corrected.amount().abs()),
                        corrected.reason());
    }

    @Override
    public String filmDropped(FilmDropped film) {
        return "%s %s: %s for %s%s"
                .formatted(
                        QueuedFilm.code(film.filmId()),
                        film.here() ? "waits" : "was announced",
                        film(List.of(film.roll())),
                        Figures.within(FilmProcess.of(film.process()).name()),
                        film.by() == null ? "" : ", by " + Figures.day(film.by()));
    }

    @Override
    public String filmHandled(FilmHandled handled) {
        return "%s %s"
                .formatted(
                        handled.filmIds().stream().map(QueuedFilm::code).collect(Collectors.joining(", ")),
                        handled.stage().words());
    }

    @Override
    public String entryVoided(EntryVoided gone) {
        return "Voided entry %d. %s".formatted(gone.voided(), gone.reason());
    }

    @Override
    public String fillSeen(FillSeen seen) {
        return name(seen.fillId()) + ": found in its place on a round";
    }

    @Override
    public String bathLooked(BathLooked looked) {
        return name(looked.fillId()) + ": " + looked.sign().words()
                + (looked.note() == null ? "" : ". " + looked.note());
    }

    @Override
    public String fillSpilled(FillSpilled spilled) {
        return name(spilled.fillId()) + ": " + Figures.ml(spilled.volumeMl()) + " spilled";
    }

    @Override
    public String fillToppedUp(FillToppedUp topped) {
        return name(topped.fillId()) + ": topped up with " + Figures.ml(topped.volumeMl()) + from(topped.uses());
    }

    @Override
    public String fillMoved(FillMoved moved) {
        return name(moved.fillId()) + ": in " + moved.bottle().label()
                + (moved.place() == null ? "" : ", " + moved.place().name()) + ", "
                + moved.air().words();
    }

    @Override
    public String fillShared(FillShared shared) {
        return "%s of batch %s serves in batch %d as well"
                .formatted(name(shared.fillId()), numberOf(shared.fillId()), shared.batchId());
    }

    @Override
    public String limitOverridden(LimitOverridden overridden) {
        return "%s: limit passed on purpose (%s). %s"
                .formatted(
                        name(overridden.fillId()),
                        overridden.limits().stream()
                                .map(code -> code.replace('-', ' '))
                                .collect(Collectors.joining(", ")),
                        overridden.reason());
    }

    @Override
    public String fillMeasured(FillMeasured measured) {
        return name(measured.fillId()) + ": measured, " + Figures.ml(measured.volumeMl()) + " left";
    }

    @Override
    public String fillBarred(FillBarred barred) {
        return name(barred.fillId()) + " barred. " + barred.reason();
    }

    @Override
    public String barLifted(BarLifted lifted) {
        return name(lifted.fillId()) + ": bar lifted. " + lifted.reason();
    }

    private static String nameOf(KitArrived kit) {
        return kit.only().isEmpty()
                ? kit.leaflet().name()
                : kit.parts().stream().map(Part::name).collect(Collectors.joining(", ")) + " for "
                        + kit.leaflet().name();
    }

    private static String made(String verb, LogEntry entry) {
        return verb
                + entry.fillsMade().stream()
                        .map(fill -> "%s %s %s %s%s"
                                .formatted(
                                        fill.bath().role().name(),
                                        Figures.ml(fill.volumeMl()),
                                        fill.before() == null ? "into" : "in",
                                        fill.bottle().label(),
                                        fill.before() == null
                                                ? ""
                                                : " (about "
                                                        + Figures.countOfRolls(
                                                                fill.before().rolls()) + ")"))
                        .collect(Collectors.joining(", "));
    }

    private static String from(List<PartUse> uses) {
        return uses.isEmpty() ? "" : " from kit " + uses.get(0).kitId();
    }

    /** Film in a few words: {@code 2 × 120 of Ines, pushed +1}. */
    public static String film(List<Roll> rolls) {
        Map<String, Long> film = rolls.stream()
                .collect(Collectors.groupingBy(
                        roll -> roll.format().label() + " of " + roll.owner(),
                        LinkedHashMap::new,
                        Collectors.counting()));
        double stops = rolls.get(0).stops();
        return film.entrySet().stream()
                        .map(entry -> entry.getValue() + " × " + entry.getKey())
                        .collect(Collectors.joining(", "))
                + (stops == 0 ? "" : ", pushed " + Figures.stops(stops))
                + (rolls.stream().anyMatch(Roll::irreplaceable) ? ", irreplaceable" : "");
    }

    /** Which process the film went through, as its baths say. */
    private String process(List<RunBath> baths) {
        return baths.stream()
                .flatMap(bath -> book.mixed(bath.fillId()).stream())
                .findFirst()
                .map(fill -> ", " + Figures.within(fill.leaflet().process().name()))
                .orElse("");
    }

    private String reached(RunBath bath) {
        String name = Figures.within(name(bath.fillId()));
        return bath.seconds() == null ? name : name + " for " + ProcessingTime.ofSeconds(bath.seconds());
    }

    /** What a run was to have, by fill; empty for one that was logged in one go. */
    private Map<Long, Integer> planned(RunLogged run) {
        Map<Long, Integer> planned = new HashMap<>();
        run.ends().flatMap(book::find).ifPresent(start -> {
            for (RunBath bath : start.baths()) {
                if (bath.seconds() != null) {
                    planned.put(bath.fillId(), bath.seconds());
                }
            }
        });
        return planned;
    }

    private static String instead(RunBath bath, @Nullable Integer planned) {
        return planned != null && bath.isOtherThan(planned)
                ? " (planned %s)".formatted(ProcessingTime.ofSeconds(planned))
                : "";
    }

    private String times(List<RunBath> baths, Map<Long, Integer> planned) {
        return baths.stream()
                .filter(bath -> bath.seconds() != null || bath.celsius() != null)
                .map(bath -> letters(bath.fillId())
                        + (bath.seconds() == null ? "" : " " + ProcessingTime.ofSeconds(bath.seconds()))
                        + TemperatureWords.after(bath, bath(bath.fillId()))
                        + instead(bath, planned.get(bath.fillId())))
                .collect(Collectors.joining(", "));
    }

    @Override
    public String fillsDiscarded(FillsDiscarded gone) {
        return "Discarded "
                + gone.fills().stream()
                        .map(fill -> Figures.within(name(fill.fillId())) + ", " + Figures.ml(fill.volumeMl()) + " to "
                                + Figures.within(fill.route().words()))
                        .collect(Collectors.joining("; "))
                + ". " + gone.reason();
    }

    @Override
    public String fillInspected(FillInspected look) {
        return name(look.fillId()) + ": " + seen(look.result()) + clip(look.clip());
    }

    private static String clip(FillInspected.@Nullable Clip clip) {
        return clip == null
                ? ""
                : Stream.of(clip.method(), clip.exposure(), clip.reading())
                        .filter(Objects::nonNull)
                        .collect(Collectors.joining(", ", " (", ")"));
    }

    private String looked(FilmInspected look) {
        String suspects = look.suspects().stream().sorted().map(Suspect::words).collect(Collectors.joining(", "));
        return "%s: %s%s%s"
                .formatted(
                        roll(look),
                        seen(look.result()),
                        suspects.isEmpty() ? "" : ", put down to " + suspects,
                        look.note() == null ? "" : ". " + look.note());
    }

    /** The roll that was looked at: what it is, whose, and when it was run. */
    private String roll(FilmInspected look) {
        return book.find(look.run())
                .filter(run -> look.roll() < run.rolls().size())
                .map(run -> "%s of %s, run on %s"
                        .formatted(
                                run.rolls().get(look.roll()).format().label(),
                                run.rolls().get(look.roll()).owner(),
                                Figures.day(run.stamp().happenedAt(), house.timeZone())))
                .orElseGet(() -> "Roll %d".formatted(look.roll() + 1));
    }

    /** What film showed, in words. */
    public static String seen(Finding result) {
        return switch (result) {
            case GOOD -> "film looked good";
            case THIN -> "film came out thin (slides: dark)";
            case DENSE -> "film came out dense (slides: light)";
            case HEAVY_CAST -> "film had a heavy cast";
            case HEAVY_GRAIN -> "film had heavy grain";
            case MILKY_DRY -> "film stayed milky when dry";
            case CAST -> "film had a slight cast";
            case GRAIN -> "film had some grain";
            case STREAKS -> "film had streaks";
            case RESIDUE -> "film had marks on it";
        };
    }

    private String name(long fillId) {
        return book.mixed(fillId)
                .map(fill -> fill.bath().role().name())
                .orElseGet(() -> "Bottle %d, which is not known,".formatted(fillId));
    }

    private Optional<Bath> bath(long fillId) {
        return book.mixed(fillId).map(MixedFill::bath);
    }

    private String letters(long fillId) {
        return book.mixed(fillId).map(fill -> fill.bath().role().letters()).orElse("?");
    }
}
