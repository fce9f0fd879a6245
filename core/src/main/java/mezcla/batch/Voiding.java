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
import mezcla.log.EntryVoided;
import mezcla.log.InBottle;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
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
        return log.stream().flatMap(entry -> entry.voids().stream()).collect(Collectors.toSet());
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
        switch (entry.voidable()) {
            case FINAL -> throw Refusal.of(new BatchObjection.VoidIsFinal());
            case WHERE_DECIDED -> throw Refusal.of(new BatchObjection.UndoneWhereDecided());
            case YES -> {}
        }
        List<LogEntry> dependents = voiding.dependingOn(entry);
        if (!dependents.isEmpty()) {
            throw Refusal.of(new BatchObjection.LaterEntriesDepend(dependents));
        }
        if (entry.freesBottles()) {
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
                    .filter(later -> later.bottlesTaken().stream().anyMatch(taken -> shared.contains(taken.bottleId())))
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
        return entry.supports(later)
                || (entry.freesBottles() && tookABottleThatWasFreed(later, entry))
                || (entry.freesPlaces() && tookAPlaceInTheBatch(later, entry));
    }

    /** A fill that came back from a voided discard or move would find its bottle full. */
    private boolean tookABottleThatWasFreed(LogEntry later, LogEntry entry) {
        Set<Long> concerned = entry.fillsConcerned();
        Map<Long, Long> lastBottles = log.stream()
                .filter(before -> before.stamp().sequence() < entry.stamp().sequence())
                .filter(before -> !voided.contains(before.stamp().sequence()))
                .sorted(Comparator.comparingLong(before -> before.stamp().sequence()))
                .flatMap(before -> before.bottlesTaken().stream())
                .filter(taken -> concerned.contains(taken.fillId()))
                .collect(Collectors.toMap(InBottle::fillId, InBottle::bottleId, (earlier, last) -> last));
        return later.bottlesTaken().stream().anyMatch(taken -> lastBottles.containsValue(taken.bottleId()))
                && !later.fillsConcerned().equals(concerned);
    }

    /** A fill that came back from a voided discard would find another one in its place. */
    private boolean tookAPlaceInTheBatch(LogEntry later, LogEntry entry) {
        return later.batchNamed().equals(entry.batchNamed())
                && made(later).anyMatch(own -> made(entry).anyMatch(gone -> later.takesPlaceOf(gone, own)));
    }

    private Stream<MixedFill> made(LogEntry about) {
        Set<Long> concerned = about.fillsConcerned();
        return log.stream()
                .flatMap(entry -> entry.fillsMade().stream())
                .filter(fill -> concerned.contains(fill.fillId()));
    }
}
