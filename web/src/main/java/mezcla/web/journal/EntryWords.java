package mezcla.web.journal;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.LogEntry;
import mezcla.measure.ProcessingTime;
import mezcla.web.house.House;
import mezcla.web.shell.Figures;

/** Tells what happened, entry by entry. */
public final class EntryWords {
    private final House house;
    private final Map<Long, LogEntry.MixedFill> fills = new HashMap<>();
    private final Map<Long, Long> batchByFill = new HashMap<>();
    private final Map<Long, LogEntry.KitArrived> kits = new HashMap<>();
    private final Map<Long, LogEntry.EntryVoided> voids;

    /**
     * Words for the entries of a log.
     *
     * @param log the whole log, so that names are known
     * @param house where its days begin
     */
    public EntryWords(Collection<LogEntry> log, House house) {
        this.house = house;
        this.voids = log.stream()
                .filter(LogEntry.EntryVoided.class::isInstance)
                .map(LogEntry.EntryVoided.class::cast)
                .collect(Collectors.toMap(LogEntry.EntryVoided::voided, gone -> gone));
        for (LogEntry entry : log) {
            if (entry instanceof LogEntry.BatchMixed mix) {
                mix.fills().forEach(fill -> {
                    fills.put(fill.fillId(), fill);
                    batchByFill.put(fill.fillId(), mix.batchId());
                });
            } else if (entry instanceof LogEntry.KitArrived kit) {
                kits.put(kit.kitId(), kit);
            }
        }
    }

    /** A line of the journal. */
    public EntryLine line(LogEntry entry) {
        LogEntry.EntryVoided gone = voids.get(entry.stamp().sequence());
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
        if (entry instanceof LogEntry.BatchMixed mix) {
            return Set.of(mix.batchId());
        }
        if (entry instanceof LogEntry.RunLogged run) {
            return Set.of(run.batchId());
        }
        if (entry instanceof LogEntry.FillsDiscarded gone) {
            return Set.of(gone.batchId());
        }
        return LogEntry.fillConcerned(entry).map(batchByFill::get).map(Set::of).orElse(Set.of());
    }

    private String what(LogEntry entry) {
        if (entry instanceof LogEntry.KitArrived kit) {
            return "Kit %d came: %s, %s delivered"
                    .formatted(kit.kitId(), kit.leaflet().name(), Figures.money(kit.landed()));
        }
        if (entry instanceof LogEntry.PartOpened opened) {
            return "Opened %s of kit %d"
                    .formatted(
                            kits.get(opened.kitId())
                                    .leaflet()
                                    .part(opened.part())
                                    .name(),
                            opened.kitId());
        }
        if (entry instanceof LogEntry.BatchMixed mix) {
            return "Mixed: "
                    + mix.fills().stream()
                            .map(fill -> fill.bath().role().name() + " " + Figures.ml(fill.volumeMl()) + " into "
                                    + fill.bottle().label())
                            .collect(Collectors.joining(", "));
        }
        if (entry instanceof LogEntry.RunLogged run) {
            return run(run);
        }
        if (entry instanceof LogEntry.FillsDiscarded gone) {
            return discarded(gone);
        }
        if (entry instanceof LogEntry.EntryVoided gone) {
            return "Voided entry %d. %s".formatted(gone.voided(), gone.reason());
        }
        return aboutAFill(entry);
    }

    private String aboutAFill(LogEntry entry) {
        if (entry instanceof LogEntry.FillInspected look) {
            return inspected(look);
        }
        if (entry instanceof LogEntry.FillSpilled spilled) {
            return name(spilled.fillId()) + ": " + Figures.ml(spilled.volumeMl()) + " spilled";
        }
        if (entry instanceof LogEntry.FillToppedUp topped) {
            return name(topped.fillId()) + ": topped up with " + Figures.ml(topped.volumeMl());
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

    private String run(LogEntry.RunLogged run) {
        Map<String, Long> film = run.rolls().stream()
                .collect(Collectors.groupingBy(
                        roll -> roll.format().label() + " of " + roll.owner(),
                        LinkedHashMap::new,
                        Collectors.counting()));
        String rolls = film.entrySet().stream()
                .map(entry -> entry.getValue() + " × " + entry.getKey())
                .collect(Collectors.joining(", "));
        double stops = run.rolls().get(0).stops();
        String times = run.baths().stream()
                .filter(bath -> bath.seconds() != null && fills.containsKey(bath.fillId()))
                .map(bath -> fills.get(bath.fillId()).bath().role().letters() + " "
                        + ProcessingTime.ofSeconds(bath.seconds()))
                .collect(Collectors.joining(", "));
        return "Ran " + rolls + (stops == 0 ? "" : ", pushed " + Figures.stops(stops)) + ". " + times;
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

    /** What film showed, in words. */
    public static String seen(LogEntry.Result result) {
        return switch (result) {
            case GOOD -> "film looked good";
            case THIN -> "film came out thin (slides: dark)";
            case DENSE -> "film came out dense (slides: light)";
            case HEAVY_CAST -> "film had a heavy cast";
            case HEAVY_GRAIN -> "film had heavy grain";
            case MILKY_DRY -> "film stayed milky when dry";
        };
    }

    private String name(long fillId) {
        return fills.get(fillId).bath().role().name();
    }
}
