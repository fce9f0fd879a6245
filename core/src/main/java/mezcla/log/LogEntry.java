package mezcla.log;

import java.time.Instant;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.leaflet.Leaflet;
import org.jspecify.annotations.Nullable;

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

    /** Itself, where it voids another row. */
    default Optional<EntryVoided> voiding() {
        return Optional.empty();
    }

    /** The row that it voids; empty for every other kind. */
    default Optional<Long> voids() {
        return voiding().map(EntryVoided::voided);
    }

    /** The row that began the run that it ends; empty for one that ends none. */
    default Optional<Long> ends() {
        return Optional.empty();
    }

    /** Whether it may be voided at all, before anybody asks what rests on it. */
    default Voidable voidable() {
        return Voidable.YES;
    }

    /** Whether a later row is possible because of this one, beside what rests on what it makes. */
    default boolean supports(LogEntry later) {
        return false;
    }

    /** By which version of its leaflet a fill goes from its first day on because of this row; empty for one that decides that for none. */
    default Map<Long, Leaflet> leafletsFromTheFirstDay() {
        return Map.of();
    }

    /** The limits that it passes on purpose, by code; empty for one that passes none. */
    default List<String> limitsPassed() {
        return List.of();
    }

    /** The film that went in, roll by roll; empty for a row about no run. */
    default List<Roll> rolls() {
        return List.of();
    }

    /** What that film was in, bath by bath; empty for a row about no run. */
    default List<RunBath> baths() {
        return List.of();
    }

    /** The limits that it was logged against, by code; empty for one that was within them. */
    default List<String> against() {
        return List.of();
    }

    /** Where that film hangs; null where nobody said, and for a row about none. */
    default @Nullable String hangs() {
        return null;
    }

    /** What each of its rolls is charged, in their order; empty where nobody is charged. */
    default List<Charge> charges() {
        return List.of();
    }

    /** The film that it leaves in the queue. */
    default Optional<FilmDropped> filmLeft() {
        return Optional.empty();
    }

    /** What became of film of the queue. */
    default Optional<FilmHandled> filmHandled() {
        return Optional.empty();
    }

    /** Whose account it is about: only they and stewards read it. A kind about accounts that names none is read by stewards. */
    default Optional<String> accountConcerned() {
        return Optional.empty();
    }

    /** What it does to an account by itself. */
    default Optional<AccountMove> accountMove() {
        return Optional.empty();
    }

    /** Who paid how much for a kit. */
    default Optional<KitPayment> kitPayment() {
        return Optional.empty();
    }

    /** Whether an amount in the currency of the house stands in it. */
    default boolean holdsAmount() {
        return kind().amounts() != EntryKind.Amounts.NONE;
    }

    /** How much went into drums, in ml, by drum; empty for a row that poured nothing. */
    default Map<Long, Double> pouredIntoDrums() {
        return Map.of();
    }

    /** The drum that is empty since. */
    default Optional<Long> drumEmptied() {
        return Optional.empty();
    }

    /** Which bottles its fills stand in because of it. */
    default List<InBottle> bottlesTaken() {
        return fillsMade().stream()
                .map(fill -> new InBottle(fill.fillId(), fill.bottle().id()))
                .toList();
    }

    /** Whether its fills leave their bottles. */
    default boolean freesBottles() {
        return false;
    }

    /** Whether its fills leave their places in the batch. */
    default boolean freesPlaces() {
        return false;
    }

    /**
     * Whether a fill that it is about took the place of one that was gone.
     *
     * @param gone the fill that had left its place in the same batch
     * @param own a fill that this row is about
     */
    default boolean takesPlaceOf(MixedFill gone, MixedFill own) {
        return false;
    }

    /**
     * Rows of one kind, in their order.
     *
     * @param rows some rows
     * @param type the record of that kind
     */
    static <T extends LogEntry> Stream<T> only(Collection<LogEntry> rows, Class<T> type) {
        return rows.stream().filter(type::isInstance).map(type::cast);
    }

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
