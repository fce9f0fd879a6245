package mezcla.batch;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.measure.Refusal;

/** Which rows of the log may be voided: those that no later row depends on. */
public final class Voiding {
    private final Collection<LogEntry> log;
    private final Set<Long> voided;

    private Voiding(Collection<LogEntry> log) {
        this.log = log;
        this.voided = log.stream()
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
        if (entry instanceof LogEntry.BatchMixed mix) {
            Set<Long> fills =
                    mix.fills().stream().map(LogEntry.MixedFill::fillId).collect(Collectors.toSet());
            return fillsOf(later).stream().anyMatch(fills::contains);
        }
        if (entry instanceof LogEntry.FillsDiscarded gone && later instanceof LogEntry.BatchMixed mix) {
            return mix.stamp().sequence() > gone.stamp().sequence() && tookABottleOf(mix, gone);
        }
        return false;
    }

    /** A fill that came back from a voided discard would find its bottle full. */
    private boolean tookABottleOf(LogEntry.BatchMixed mix, LogEntry.FillsDiscarded gone) {
        Set<Long> fills = fillsOf(gone);
        Set<Long> bottles = log.stream()
                .filter(LogEntry.BatchMixed.class::isInstance)
                .flatMap(entry -> ((LogEntry.BatchMixed) entry).fills().stream())
                .filter(fill -> fills.contains(fill.fillId()))
                .map(fill -> fill.bottle().id())
                .collect(Collectors.toSet());
        return mix.fills().stream()
                .anyMatch(fill -> bottles.contains(fill.bottle().id()));
    }

    private static Set<Long> kitsOf(LogEntry entry) {
        if (entry instanceof LogEntry.BatchMixed mix) {
            return mix.fills().stream()
                    .flatMap(fill -> fill.uses().stream())
                    .map(LogEntry.PartUse::kitId)
                    .collect(Collectors.toSet());
        }
        return entry instanceof LogEntry.PartOpened opened ? Set.of(opened.kitId()) : Set.of();
    }

    private static Set<Long> fillsOf(LogEntry entry) {
        if (entry instanceof LogEntry.RunLogged run) {
            return run.baths().stream().map(LogEntry.RunBath::fillId).collect(Collectors.toSet());
        }
        if (entry instanceof LogEntry.FillsDiscarded gone) {
            return gone.fills().stream().map(LogEntry.DiscardedFill::fillId).collect(Collectors.toSet());
        }
        return LogEntry.fillConcerned(entry).map(Set::of).orElse(Set.of());
    }
}
