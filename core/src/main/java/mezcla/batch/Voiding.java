package mezcla.batch;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.measure.Refusal;

/** Which rows of the log may be voided: those that no later row depends on. */
public final class Voiding {
    private final Collection<LogEntry> log;
    private final Set<Long> voided;

    private Voiding(Collection<LogEntry> log) {
        this.log = log;
        this.voided = voided(log);
    }

    /** The sequences of the rows of a log that do not count. */
    public static Set<Long> voided(Collection<LogEntry> log) {
        return log.stream()
                .filter(LogEntry.EntryVoided.class::isInstance)
                .map(entry -> ((LogEntry.EntryVoided) entry).voided())
                .collect(Collectors.toSet());
    }

    /**
     * Refuses to void a row that cannot be.
     *
     * @param log the whole log
     * @param sequence the row's number
     * @throws Refusal {@code unknown-entry}, {@code already-void}, {@code void-is-final}, or
     *     {@code later-entries-depend} with those entries
     */
    public static void check(Collection<LogEntry> log, long sequence) {
        LogEntry entry = log.stream()
                .filter(each -> each.stamp().sequence() == sequence)
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-entry", "sequence", sequence));
        Voiding voiding = new Voiding(log);
        if (voiding.voided.contains(sequence)) {
            throw Refusal.of("already-void");
        }
        if (entry instanceof LogEntry.EntryVoided) {
            throw Refusal.of("void-is-final");
        }
        List<LogEntry> dependents = voiding.dependingOn(entry);
        if (!dependents.isEmpty()) {
            throw Refusal.of("later-entries-depend", "entries", dependents);
        }
    }

    private List<LogEntry> dependingOn(LogEntry entry) {
        return log.stream()
                .filter(later -> !voided.contains(later.stamp().sequence()))
                .filter(later -> later != entry && depends(later, entry))
                .toList();
    }

    private boolean depends(LogEntry later, LogEntry entry) {
        if (entry instanceof LogEntry.KitArrived kit) {
            return kitsOf(later).contains(kit.kitId());
        }
        if (entry instanceof LogEntry.RunLogged run
                && later instanceof LogEntry.FilmInspected look
                && look.run() == run.stamp().sequence()) {
            return true;
        }
        if (entry instanceof LogEntry.PartMoved moved) {
            return later.stamp().sequence() > moved.stamp().sequence()
                    && kitsOf(later).contains(moved.toKitId());
        }
        if (entry instanceof LogEntry.RunStarted start) {
            return later instanceof LogEntry.RunLogged run
                            && Objects.equals(run.started(), start.stamp().sequence())
                    || later instanceof LogEntry.RunCalledOff off
                            && off.started() == start.stamp().sequence();
        }
        if (entry instanceof LogEntry.BatchMixed mix && batchAdded(later) == mix.batchId()) {
            return true;
        }
        if (!LogEntry.fillsMade(entry).isEmpty()) {
            Set<Long> made = LogEntry.fillsConcerned(entry);
            return LogEntry.fillsConcerned(later).stream().anyMatch(made::contains);
        }
        if (entry instanceof LogEntry.FillShared shared) {
            return later.stamp().sequence() > shared.stamp().sequence() && ranThrough(later, shared);
        }
        if (entry instanceof LogEntry.FillsDiscarded || entry instanceof LogEntry.FillMoved) {
            return later.stamp().sequence() > entry.stamp().sequence()
                    && (tookABottleThatWasFreed(later, entry) || tookAPlaceInTheBatch(later, entry));
        }
        return false;
    }

    /** The batch that a row needs without naming any of the fills it was mixed with; 0 for none. */
    private static long batchAdded(LogEntry later) {
        if (later instanceof LogEntry.BathRenewed renewed) {
            return renewed.batchId();
        }
        if (later instanceof LogEntry.FillShared shared) {
            return shared.batchId();
        }
        return later instanceof LogEntry.NoteLeft note ? note.batchId() : 0;
    }

    private static boolean ranThrough(LogEntry later, LogEntry.FillShared shared) {
        boolean sameBatch = later instanceof LogEntry.RunLogged run && run.batchId() == shared.batchId()
                || later instanceof LogEntry.RunStarted start && start.batchId() == shared.batchId();
        return sameBatch && LogEntry.fillsConcerned(later).contains(shared.fillId());
    }

    /** A fill that came back from a voided discard or move would find its bottle full. */
    private boolean tookABottleThatWasFreed(LogEntry later, LogEntry entry) {
        Set<Long> concerned = LogEntry.fillsConcerned(entry);
        Map<Long, Long> lastBottles = log.stream()
                .filter(before -> before.stamp().sequence() < entry.stamp().sequence())
                .filter(before -> !voided.contains(before.stamp().sequence()))
                .sorted(Comparator.comparingLong(before -> before.stamp().sequence()))
                .flatMap(Voiding::bottlesTaken)
                .filter(taken -> concerned.contains(taken.fillId()))
                .collect(Collectors.toMap(Taken::fillId, Taken::bottleId, (earlier, last) -> last));
        return bottlesTaken(later).anyMatch(taken -> lastBottles.containsValue(taken.bottleId()))
                && !LogEntry.fillsConcerned(later).equals(concerned);
    }

    private record Taken(long fillId, long bottleId) {}

    private static Stream<Taken> bottlesTaken(LogEntry entry) {
        return entry instanceof LogEntry.FillMoved moved
                ? Stream.of(new Taken(moved.fillId(), moved.bottle().id()))
                : LogEntry.fillsMade(entry).stream()
                        .map(fill -> new Taken(fill.fillId(), fill.bottle().id()));
    }

    /** A fill that came back from a voided discard would find another one in its place. */
    private boolean tookAPlaceInTheBatch(LogEntry later, LogEntry entry) {
        if (!(entry instanceof LogEntry.FillsDiscarded gone)) {
            return false;
        }
        return later instanceof LogEntry.BathRenewed renewed && renewed.batchId() == gone.batchId()
                ? made(gone)
                        .anyMatch(fill -> fill.bathKey().equals(renewed.fill().bathKey()))
                : later instanceof LogEntry.FillShared shared
                        && shared.batchId() == gone.batchId()
                        && made(gone).anyMatch(fill -> fill.bath()
                                .role()
                                .equals(made(shared)
                                        .findFirst()
                                        .map(guest -> guest.bath().role())
                                        .orElse(null)));
    }

    private Stream<LogEntry.MixedFill> made(LogEntry about) {
        Set<Long> concerned = LogEntry.fillsConcerned(about);
        return log.stream()
                .flatMap(entry -> LogEntry.fillsMade(entry).stream())
                .filter(fill -> concerned.contains(fill.fillId()));
    }

    private static Set<Long> kitsOf(LogEntry entry) {
        if (entry instanceof LogEntry.PartMoved moved) {
            return Set.of(moved.kitId(), moved.toKitId());
        }
        if (entry instanceof LogEntry.OfOnePart part) {
            return Set.of(part.kitId());
        }
        return LogEntry.usesByFill(entry).values().stream()
                .flatMap(List::stream)
                .map(LogEntry.PartUse::kitId)
                .collect(Collectors.toSet());
    }
}
