package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.log.BathRenewed;
import mezcla.log.EntryGroup;
import mezcla.log.EntryVoided;
import mezcla.log.FillMoved;
import mezcla.log.FillShared;
import mezcla.log.FillsDiscarded;
import mezcla.log.HouseDecided;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.PartMoved;
import mezcla.log.Stamp;
import mezcla.log.Subject;
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
                .filter(EntryVoided.class::isInstance)
                .map(entry -> ((EntryVoided) entry).voided())
                .collect(Collectors.toSet());
    }

    /**
     * Refuses to void a row that cannot be.
     *
     * @param log the whole log
     * @param sequence the row's number
     * @throws Refusal {@code unknown-entry}, {@code already-void}, {@code void-is-final}, {@code undone-where-decided}, or
     *     {@code later-entries-depend} with those entries
     */
    public static void check(Collection<LogEntry> log, long sequence) {
        LogEntry entry = log.stream()
                .filter(each -> each.stamp().sequence() == sequence)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new BatchObjection.UnknownEntry(sequence)));
        Voiding voiding = new Voiding(log);
        if (voiding.voided.contains(sequence)) {
            throw Refusal.of(new BatchObjection.AlreadyVoid());
        }
        if (entry instanceof EntryVoided) {
            throw Refusal.of(new BatchObjection.VoidIsFinal());
        }
        if (entry instanceof HouseDecided) {
            throw Refusal.of(new BatchObjection.UndoneWhereDecided());
        }
        List<LogEntry> dependents = voiding.dependingOn(entry);
        if (!dependents.isEmpty()) {
            throw Refusal.of(new BatchObjection.LaterEntriesDepend(dependents));
        }
        if (entry instanceof FillsDiscarded || entry instanceof FillMoved) {
            voiding.refuseSharedBottles(entry);
        }
    }

    private List<LogEntry> dependingOn(LogEntry entry) {
        return log.stream()
                .filter(later -> !voided.contains(later.stamp().sequence()))
                .filter(later -> later != entry && depends(later, entry))
                .toList();
    }

    /** Whatever the rows between were, two fills never stand in one bottle afterwards. */
    private void refuseSharedBottles(LogEntry entry) {
        Set<Long> before = sharedBottles(LogState.fold(log));
        long next =
                log.stream().mapToLong(each -> each.stamp().sequence()).max().orElse(0) + 1;
        List<LogEntry> without = new ArrayList<>(log);
        Stamp last = new Stamp(next, entry.stamp().happenedAt(), entry.stamp().recordedAt(), "", false);
        without.add(new EntryVoided(last, entry.stamp().sequence(), ""));
        LogState after = LogState.fold(without);
        Set<Long> shared = sharedBottles(after);
        shared.removeAll(before);
        if (!shared.isEmpty()) {
            throw Refusal.of(new BatchObjection.LaterEntriesDepend(log.stream()
                    .filter(later -> !voided.contains(later.stamp().sequence()) && later != entry)
                    .filter(later -> Collections.disjoint(later.fillsConcerned(), entry.fillsConcerned()))
                    .filter(later -> bottlesTaken(later).anyMatch(taken -> shared.contains(taken.bottleId())))
                    .toList()));
        }
    }

    private static Set<Long> sharedBottles(LogState state) {
        Set<Long> seen = new HashSet<>();
        Set<Long> shared = new HashSet<>();
        state.batches().values().stream()
                .flatMap(BatchState::own)
                .filter(fill -> fill.discarded() == null)
                .map(fill -> fill.bottle().id())
                .filter(bottle -> !seen.add(bottle))
                .forEach(shared::add);
        return shared;
    }

    /** A row rests on what another one made, on that row itself, or on what that row made room for. */
    private boolean depends(LogEntry later, LogEntry entry) {
        Set<Subject> needed = later.restsOn();
        if (needed.contains(Subject.entry(entry.stamp().sequence()))
                || entry.makes().stream().anyMatch(needed::contains)) {
            return true;
        }
        if (later.stamp().sequence() < entry.stamp().sequence()) {
            return false;
        }
        if (entry instanceof PartMoved moved) {
            return needed.contains(Subject.kit(moved.toKitId()));
        }
        if (entry instanceof FillShared shared) {
            return later.kind().group() == EntryGroup.RUNS
                    && needed.contains(Subject.batch(shared.batchId()))
                    && needed.contains(Subject.fill(shared.fillId()));
        }
        return (entry instanceof FillsDiscarded || entry instanceof FillMoved)
                && (tookABottleThatWasFreed(later, entry) || tookAPlaceInTheBatch(later, entry));
    }

    /** A fill that came back from a voided discard or move would find its bottle full. */
    private boolean tookABottleThatWasFreed(LogEntry later, LogEntry entry) {
        Set<Long> concerned = entry.fillsConcerned();
        Map<Long, Long> lastBottles = log.stream()
                .filter(before -> before.stamp().sequence() < entry.stamp().sequence())
                .filter(before -> !voided.contains(before.stamp().sequence()))
                .sorted(Comparator.comparingLong(before -> before.stamp().sequence()))
                .flatMap(Voiding::bottlesTaken)
                .filter(taken -> concerned.contains(taken.fillId()))
                .collect(Collectors.toMap(Taken::fillId, Taken::bottleId, (earlier, last) -> last));
        return bottlesTaken(later).anyMatch(taken -> lastBottles.containsValue(taken.bottleId()))
                && !later.fillsConcerned().equals(concerned);
    }

    private record Taken(long fillId, long bottleId) {}

    private static Stream<Taken> bottlesTaken(LogEntry entry) {
        return entry instanceof FillMoved moved
                ? Stream.of(new Taken(moved.fillId(), moved.bottle().id()))
                : entry.fillsMade().stream()
                        .map(fill -> new Taken(fill.fillId(), fill.bottle().id()));
    }

    /** A fill that came back from a voided discard would find another one in its place. */
    private boolean tookAPlaceInTheBatch(LogEntry later, LogEntry entry) {
        if (!(entry instanceof FillsDiscarded gone)) {
            return false;
        }
        if (later instanceof BathRenewed renewed && renewed.batchId() == gone.batchId()) {
            return made(gone)
                    .anyMatch(fill -> fill.bathKey().equals(renewed.fill().bathKey()));
        }
        if (later instanceof FillShared shared && shared.batchId() == gone.batchId()) {
            return made(shared).anyMatch(guest -> made(gone)
                    .anyMatch(fill -> fill.bath().role().equals(guest.bath().role())));
        }
        return false;
    }

    private Stream<MixedFill> made(LogEntry about) {
        Set<Long> concerned = about.fillsConcerned();
        return log.stream()
                .flatMap(entry -> entry.fillsMade().stream())
                .filter(fill -> concerned.contains(fill.fillId()));
    }
}
