package mezcla.web.batch;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogEntry;
import mezcla.measure.ProcessingTime;
import mezcla.web.house.House;
import mezcla.web.shell.Figures;
import org.jspecify.annotations.Nullable;

/** Tells what happened to a batch. */
final class LogLines {
    private final BatchState batch;
    private final House house;
    private final Map<Long, FillState> fills;

    LogLines(BatchState batch, House house) {
        this.batch = batch;
        this.house = house;
        this.fills = batch.fills().stream()
                .collect(Collectors.toMap(FillState::id, fill -> fill, (one, other) -> one, LinkedHashMap::new));
    }

    List<BatchView.LogLine> of(List<LogEntry> entries) {
        Set<Long> voided = entries.stream()
                .filter(LogEntry.EntryVoided.class::isInstance)
                .map(entry -> ((LogEntry.EntryVoided) entry).voided())
                .collect(Collectors.toSet());
        return entries.stream()
                .filter(entry -> what(entry) != null)
                .sorted(Comparator.comparing((LogEntry entry) -> entry.stamp().happenedAt())
                        .thenComparing(entry -> entry.stamp().sequence())
                        .reversed())
                .map(entry -> line(entry, voided))
                .toList();
    }

    private BatchView.LogLine line(LogEntry entry, Set<Long> voided) {
        String what = what(entry);
        return new BatchView.LogLine(
                entry.stamp().sequence(),
                (entry.stamp().about() ? "about " : "")
                        + Figures.dayAndHour(entry.stamp().happenedAt(), house.timeZone()),
                entry.stamp().who(),
                voided.contains(entry.stamp().sequence()) ? "Void: " + what : what,
                entry instanceof LogEntry.RunLogged run && !run.against().isEmpty() ? against(run) : null);
    }

    private static String against(LogEntry.RunLogged run) {
        return "Logged against: "
                + String.join(
                        ", ",
                        run.against().stream()
                                .map(code -> code.replace('-', ' '))
                                .toList());
    }

    /** What an entry says about this batch; null for one about something else. */
    private @Nullable String what(LogEntry entry) {
        if (entry instanceof LogEntry.BatchMixed mix && mix.batchId() == batch.id()) {
            return "Mixed: "
                    + mix.fills().stream()
                            .map(fill -> fill.bath().role().name() + " " + Figures.ml(fill.volumeMl()) + " into "
                                    + fill.bottle().label())
                            .collect(Collectors.joining(", "));
        }
        if (entry instanceof LogEntry.RunLogged run && run.batchId() == batch.id()) {
            return run(run);
        }
        if (entry instanceof LogEntry.FillsDiscarded gone && gone.batchId() == batch.id()) {
            return discarded(gone);
        }
        if (entry instanceof LogEntry.FillInspected look && fills.containsKey(look.fillId())) {
            return inspected(look);
        }
        if (entry instanceof LogEntry.FillSpilled spilled && fills.containsKey(spilled.fillId())) {
            return name(spilled.fillId()) + ": " + Figures.ml(spilled.volumeMl()) + " spilled";
        }
        if (entry instanceof LogEntry.FillToppedUp topped && fills.containsKey(topped.fillId())) {
            return name(topped.fillId()) + ": topped up with " + Figures.ml(topped.volumeMl());
        }
        return null;
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
        String seen =
                switch (look.result()) {
                    case GOOD -> "film looked good";
                    case THIN -> "film came out thin (slides: dark)";
                    case DENSE -> "film came out dense (slides: light)";
                    case HEAVY_CAST -> "film had a heavy cast";
                    case HEAVY_GRAIN -> "film had heavy grain";
                    case MILKY_DRY -> "film stayed milky when dry";
                };
        String trim = look.trimPercent() == 0 ? "" : "; trim " + Figures.percent(look.trimPercent());
        return name(look.fillId()) + ": " + seen + trim;
    }

    private String name(long fillId) {
        return fills.get(fillId).bath().role().name();
    }
}
