package mezcla.log;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * One row of the log: something that happened. Rows are only ever added; each holds what it meant when it was written,
 * and tells itself what it touches, what it brings about and what it rests on. What it does to the state is one method
 * of an {@link EntryVisitor}, so the compiler names every place that does not know a new kind yet.
 */
public sealed interface LogEntry
        permits OfOneFill,
                OfOnePart,
                KitArrived,
                KitFinished,
                KitPriced,
                BatchMixed,
                BathRenewed,
                RunLogged,
                RunStarted,
                RunCalledOff,
                LeafletCorrected,
                LeafletRevised,
                NoteLeft,
                FilmInspected,
                FillsDiscarded,
                DrumCollected,
                AboutMoney,
                FilmDropped,
                FilmHandled,
                HouseDecided,
                ClockCorrected,
                EntryVoided {
    /** Who, when, and in which order. */
    Stamp stamp();

    /** Since when it counts: since it happened, unless it is about something that was there before. */
    default Instant foldedAt() {
        return stamp().happenedAt();
    }

    /** Which kind of row it is. */
    EntryKind kind();

    /** Everything that the row names: what it brings about, what it changes, what it takes from, and other rows. */
    Set<Subject> touches();

    /** What has to be there before the row can count: it cannot be voided while this row stands (rules, 6). */
    Set<Subject> restsOn();

    /** What the row brought about; empty for one that only changes what is there. */
    default Set<Subject> makes() {
        return Set.of();
    }

    /**
     * Tells a visitor which kind of row this is.
     *
     * @param visitor has an answer for every kind
     * @return the visitor's answer
     */
    <R> R accept(EntryVisitor<R> visitor);

    /** The fills that the row made, with what they took of kits; empty for a row that made none. */
    default List<MixedFill> fillsMade() {
        return List.of();
    }

    /** What the row took of kits, by the fill that it went into; empty for a row that took nothing. */
    default Map<Long, List<PartUse>> usesByFill() {
        return fillsMade().isEmpty()
                ? Map.of()
                : fillsMade().stream().collect(Collectors.toMap(MixedFill::fillId, MixedFill::uses));
    }

    /** The fills that the row is about, or that it brought about; empty for a row about none. */
    default Set<Long> fillsConcerned() {
        Set<Long> fills = new HashSet<>();
        touches().stream().filter(each -> each.kind() == Subject.Kind.FILL).forEach(each -> fills.add(each.id()));
        return fills;
    }

    /** The batch that the row names itself; a run that was called off and a void name the row that named it. */
    default Optional<Long> batchNamed() {
        return touches().stream()
                .filter(each -> each.kind() == Subject.Kind.BATCH)
                .map(Subject::id)
                .findFirst();
    }
}
