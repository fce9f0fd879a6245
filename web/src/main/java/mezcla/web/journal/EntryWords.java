package mezcla.web.journal;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.LogBook;
import mezcla.batch.LogEntry;
import mezcla.leaflet.Part;
import mezcla.measure.ProcessingTime;
import mezcla.web.house.House;
import mezcla.web.shell.Figures;
import org.jspecify.annotations.Nullable;

/** Tells what happened, entry by entry. */
public final class EntryWords {
    private static final int TOLD_SECONDS = 5;

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
        LogEntry.EntryVoided gone = book.voiding(entry.stamp().sequence()).orElse(null);
        return new EntryLine(
                entry.stamp().sequence(),
                (entry.stamp().about() ? "about " : "")
                        + Figures.dayAndHour(entry.stamp().happenedAt(), house.timeZone()),
                entry.stamp().who(),
                what(entry),
                entry instanceof LogEntry.RunLogged run && !run.against().isEmpty() ? against(run) : "",
                gone == null ? "" : "Void, " + gone.stamp().who() + ": " + gone.reason(),
                batches(entry));
    }

    private static String against(LogEntry.RunLogged run) {
        return "Logged against: "
                + String.join(
                        ", ",
                        run.against().stream()
                                .map(code -> code.replace('-', ' '))
                                .toList());
    }

    /** The batches that an entry is about. */
    public Set<Long> batches(LogEntry entry) {
        Stream<Long> ofItsFills = LogEntry.fillsConcerned(entry).stream().map(this::batchOf);
        return Stream.concat(batchNamed(entry).stream(), ofItsFills).collect(Collectors.toCollection(TreeSet::new));
    }

    private Optional<Long> batchNamed(LogEntry entry) {
        return LogEntry.batchNamed(entry instanceof LogEntry.RunCalledOff off ? book.entry(off.started()) : entry);
    }

    private long batchOf(long fillId) {
        return LogEntry.batchNamed(book.making(fillId)).orElseThrow();
    }

    private LogEntry.MixedFill fill(long fillId) {
        return LogEntry.fillsMade(book.making(fillId)).stream()
                .filter(made -> made.fillId() == fillId)
                .findFirst()
                .orElseThrow();
    }

    private String what(LogEntry entry) {
        if (entry instanceof LogEntry.KitArrived kit) {
            return "Kit %d came: %s, %s delivered".formatted(kit.kitId(), nameOf(kit), Figures.money(kit.landed()));
        }
        if (entry instanceof LogEntry.OfOnePart part) {
            return aboutAPart(part);
        }
        if (!LogEntry.fillsMade(entry).isEmpty()) {
            return made(entry);
        }
        if (entry instanceof LogEntry.RunLogged run) {
            return run.abandoned() == null
                    ? "Ran " + film(run.rolls()) + ". " + times(run.baths(), planned(run))
                    : "Gave up a run of %s, which had reached %s. %s"
                            .formatted(
                                    film(run.rolls()),
                                    run.baths().stream().map(this::reached).collect(Collectors.joining(", ")),
                                    run.abandoned());
        }
        if (entry instanceof LogEntry.RunStarted start) {
            return "Started " + film(start.rolls()) + ". Planned: " + times(start.baths(), Map.of());
        }
        if (entry instanceof LogEntry.RunCalledOff off) {
            return "Called off the run of entry %d. %s".formatted(off.started(), off.reason());
        }
        if (entry instanceof LogEntry.LeafletCorrected corrected) {
            return "Version %d of the leaflet governs %s. %s"
                    .formatted(
                            corrected.leaflet().version(),
                            corrected.fillIds().stream()
                                    .map(this::name)
                                    .map(Figures::within)
                                    .collect(Collectors.joining(", ")),
                            corrected.reason());
        }
        if (entry instanceof LogEntry.NoteLeft note) {
            return "For the next batch: " + note.text();
        }
        if (entry instanceof LogEntry.FilmInspected look) {
            return looked(look);
        }
        if (entry instanceof LogEntry.DrumCollected collected) {
            return "Collected: %s, with %s in it".formatted(collected.drum(), Figures.inAll(collected.volumeMl()));
        }
        if (entry instanceof LogEntry.FillsDiscarded gone) {
            return discarded(gone);
        }
        if (entry instanceof LogEntry.EntryVoided gone) {
            return "Voided entry %d. %s".formatted(gone.voided(), gone.reason());
        }
        return aboutAFill(entry);
    }

    private String aboutAPart(LogEntry.OfOnePart entry) {
        Part part = book.arrival(entry.kitId()).leaflet().part(entry.part());
        String name = "%s of kit %d".formatted(part.name(), entry.kitId());
        if (entry instanceof LogEntry.PartDecanted decanted) {
            return "Decanted %s into %s".formatted(name, Figures.count(decanted.vials(), "vial"));
        }
        if (entry instanceof LogEntry.PartCorrected corrected) {
            return "%s: %s left, as looked at. %s"
                    .formatted(name, Figures.amount(corrected.left(), part.unit()), corrected.reason());
        }
        if (entry instanceof LogEntry.PartThrownAway gone) {
            return "%s: %s gone to %s. %s"
                    .formatted(
                            name,
                            Figures.amount(gone.amount(), part.unit()),
                            Figures.within(gone.route().words()),
                            gone.reason());
        }
        return entry instanceof LogEntry.PartMoved moved
                ? "%s: %s put to kit %d".formatted(name, Figures.amount(moved.amount(), part.unit()), moved.toKitId())
                : "Opened " + name;
    }

    private String aboutAFill(LogEntry entry) {
        if (entry instanceof LogEntry.FillInspected look) {
            return inspected(look);
        }
        if (entry instanceof LogEntry.FillSeen seen) {
            return name(seen.fillId()) + ": found in its place on a round";
        }
        if (entry instanceof LogEntry.BathLooked looked) {
            return name(looked.fillId()) + ": " + looked.sign().words()
                    + (looked.note() == null ? "" : ". " + looked.note());
        }
        if (entry instanceof LogEntry.FillSpilled spilled) {
            return name(spilled.fillId()) + ": " + Figures.ml(spilled.volumeMl()) + " spilled";
        }
        if (entry instanceof LogEntry.FillToppedUp topped) {
            return name(topped.fillId()) + ": topped up with " + Figures.ml(topped.volumeMl()) + from(topped.uses());
        }
        if (entry instanceof LogEntry.FillMoved moved) {
            return name(moved.fillId()) + ": in " + moved.bottle().label()
                    + (moved.place() == null ? "" : ", " + moved.place().name()) + ", "
                    + moved.air().words();
        }
        if (entry instanceof LogEntry.FillShared shared) {
            return "%s of batch %d serves in batch %d as well"
                    .formatted(name(shared.fillId()), batchOf(shared.fillId()), shared.batchId());
        }
        if (entry instanceof LogEntry.LimitOverridden overridden) {
            return "%s: limit passed on purpose (%s). %s"
                    .formatted(
                            name(overridden.fillId()),
                            overridden.limits().stream()
                                    .map(code -> code.replace('-', ' '))
                                    .collect(Collectors.joining(", ")),
                            overridden.reason());
        }
        if (entry instanceof LogEntry.FillMeasured measured) {
            return name(measured.fillId()) + ": measured, " + Figures.ml(measured.volumeMl()) + " left";
        }
        if (entry instanceof LogEntry.FillBarred barred) {
            return name(barred.fillId()) + " barred. " + barred.reason();
        }
        LogEntry.BarLifted lifted = (LogEntry.BarLifted) entry;
        return name(lifted.fillId()) + ": bar lifted. " + lifted.reason();
    }

    private static String nameOf(LogEntry.KitArrived kit) {
        return kit.only().isEmpty()
                ? kit.leaflet().name()
                : kit.parts().stream().map(Part::name).collect(Collectors.joining(", ")) + " for "
                        + kit.leaflet().name();
    }

    private static String made(LogEntry entry) {
        List<LogEntry.MixedFill> made = LogEntry.fillsMade(entry);
        boolean takenOver = made.get(0).before() != null;
        String verb = entry instanceof LogEntry.BathRenewed ? "Renewed: " : takenOver ? "Taken over: " : "Mixed: ";
        return verb
                + made.stream()
                        .map(fill -> "%s %s %s %s%s"
                                .formatted(
                                        fill.bath().role().name(),
                                        Figures.ml(fill.volumeMl()),
                                        takenOver ? "in" : "into",
                                        fill.bottle().label(),
                                        fill.before() == null
                                                ? ""
                                                : " (about "
                                                        + Figures.countOfRolls(
                                                                fill.before().rolls()) + ")"))
                        .collect(Collectors.joining(", "));
    }

    private static String from(List<LogEntry.PartUse> uses) {
        return uses.isEmpty() ? "" : " from kit " + uses.get(0).kitId();
    }

    /** Film in a few words: {@code 2 × 120 of Ines, pushed +1}. */
    public static String film(List<LogEntry.Roll> rolls) {
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
                + (rolls.stream().anyMatch(LogEntry.Roll::irreplaceable) ? ", irreplaceable" : "");
    }

    private String reached(LogEntry.RunBath bath) {
        String name = Figures.within(name(bath.fillId()));
        return bath.seconds() == null ? name : name + " for " + ProcessingTime.ofSeconds(bath.seconds());
    }

    /** What a run was to have, by fill; empty for one that was logged in one go. */
    private Map<Long, Integer> planned(LogEntry.RunLogged run) {
        Map<Long, Integer> planned = new HashMap<>();
        if (run.started() != null && book.entry(run.started()) instanceof LogEntry.RunStarted start) {
            for (LogEntry.RunBath bath : start.baths()) {
                if (bath.seconds() != null) {
                    planned.put(bath.fillId(), bath.seconds());
                }
            }
        }
        return planned;
    }

    private static String instead(int seconds, @Nullable Integer planned) {
        return planned == null || Math.abs(seconds - planned) < TOLD_SECONDS
                ? ""
                : " (planned %s)".formatted(ProcessingTime.ofSeconds(planned));
    }

    private String times(List<LogEntry.RunBath> baths, Map<Long, Integer> planned) {
        return baths.stream()
                .filter(bath -> bath.seconds() != null)
                .map(bath -> fill(bath.fillId()).bath().role().letters() + " "
                        + ProcessingTime.ofSeconds(bath.seconds())
                        + (bath.celsius() == null ? "" : " at " + Figures.celsius(bath.celsius()))
                        + instead(bath.seconds(), planned.get(bath.fillId())))
                .collect(Collectors.joining(", "));
    }

    private String discarded(LogEntry.FillsDiscarded gone) {
        return "Discarded "
                + gone.fills().stream()
                        .map(fill -> Figures.within(name(fill.fillId())) + ", " + Figures.ml(fill.volumeMl()) + " to "
                                + Figures.within(fill.route().words()))
                        .collect(Collectors.joining("; "))
                + ". " + gone.reason();
    }

    private String inspected(LogEntry.FillInspected look) {
        String trim = look.trimPercent() == 0 ? "" : "; trim " + Figures.percent(look.trimPercent());
        return name(look.fillId()) + ": " + seen(look.result()) + trim;
    }

    private static String looked(LogEntry.FilmInspected look) {
        String suspects =
                look.suspects().stream().sorted().map(LogEntry.Suspect::words).collect(Collectors.joining(", "));
        return "Roll %d of the run of entry %d: %s%s%s%s"
                .formatted(
                        look.roll() + 1,
                        look.run(),
                        seen(look.result()),
                        suspects.isEmpty() ? "" : ", put down to " + suspects,
                        look.trimPercent() == null ? "" : "; trim " + Figures.percent(look.trimPercent()),
                        look.note() == null ? "" : ". " + look.note());
    }

    /** What film showed, in words. */
    public static String seen(LogEntry.Result result) {
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
        return fill(fillId).bath().role().name();
    }
}
