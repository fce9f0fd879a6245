package mezcla.batch;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.log.BatchMixed;
import mezcla.log.FilmInspected;
import mezcla.log.NoteLeft;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;

/**
 * A batch as the log leaves it.
 *
 * @param id the batch, which is also its number on the shelf
 * @param mixed the row with which it began
 * @param fills its fills, in the order of use
 * @param replaced the fills that others took the place of, the earliest first
 * @param guests the ids of fills that were mixed for another batch and serve in this one as well
 * @param runs the runs that it took, in the order in which they happened
 * @param inUse the runs that it is in just now
 * @param notes what to remember when its kit is mixed again
 * @param looks what rolls looked like when they were dry, the earliest first
 */
public record BatchState(
        long id,
        BatchMixed mixed,
        List<FillState> fills,
        List<FillState> replaced,
        Set<Long> guests,
        List<RunLogged> runs,
        List<RunStarted> inUse,
        List<NoteLeft> notes,
        List<FilmInspected> looks) {
    /** Keeps its own lists, and the fills in the order of use. */
    public BatchState {
        Leaflet leaflet = fills.get(0).leaflet();
        fills = fills.stream()
                .sorted(Comparator.comparingInt(fill -> leaflet.orderOf(fill.bath())))
                .toList();
        replaced = List.copyOf(replaced);
        guests = Set.copyOf(guests);
        runs = List.copyOf(runs);
        inUse = List.copyOf(inUse);
        notes = List.copyOf(notes);
        looks = List.copyOf(looks);
    }

    /** The same batch, with each of its fills seen in another way. */
    public BatchState withFills(UnaryOperator<FillState> seen) {
        return new BatchState(
                id,
                mixed,
                fills.stream().map(seen).toList(),
                replaced.stream().map(seen).toList(),
                guests,
                runs,
                inUse,
                notes,
                looks);
    }

    /** The fills that were mixed for it, those that others took the place of among them. */
    public Stream<FillState> own() {
        return Stream.concat(fills.stream(), replaced.stream()).filter(fill -> !guests.contains(fill.id()));
    }

    /** The bath of the batch's own leaflet whose place a fill takes; a guest goes by what it does. */
    public String placeOf(FillState fill) {
        String own = fill.mixed().bathKey();
        List<String> alike = leaflet().baths().stream()
                .filter(bath -> bath.role().equals(fill.bath().role()))
                .map(Bath::key)
                .toList();
        return alike.isEmpty() || alike.contains(own) ? own : alike.get(0);
    }

    /** Whether a fill is the developer that makes the image. */
    public boolean isImageDeveloper(FillState fill) {
        return imageDeveloper().filter(each -> each.id() == fill.id()).isPresent();
    }

    /** Whether a fill was mixed for another batch and serves in this one as well. */
    public boolean isGuest(FillState fill) {
        return guests.contains(fill.id());
    }

    /** Whether it stood there already when the log began with it (rules, 3.6). */
    public boolean adopted() {
        return mixed.fills().stream().anyMatch(fill -> fill.before() != null);
    }

    /**
     * Refuses another batch's fill where one of its own stands, or where the other would not do.
     *
     * @param guest the fill
     * @throws Refusal {@code of-another-process}, {@code developer-not-shared}, {@code already-discarded}, {@code serves-here-already}, or
     *     {@code bath-stands} when a fill of the same role stands
     */
    public void refuseGuest(FillState guest) {
        guest.refuseDiscarded();
        if (!guest.leaflet().process().equals(process())) {
            throw Refusal.of(new BatchObjection.OfAnotherProcess(guest, process()));
        }
        if (guest.bath().role().isDeveloper() || guest.bath().oneShot() != null) {
            throw Refusal.of(new BatchObjection.DeveloperNotShared(guest));
        }
        for (FillState fill : fills) {
            if (fill.id() == guest.id()) {
                throw Refusal.of(new BatchObjection.ServesHereAlready(guest));
            }
            if (fill.discarded() == null
                    && fill.bath().role().equals(guest.bath().role())) {
                throw Refusal.of(new BatchObjection.BathStands(fill));
            }
        }
    }

    /**
     * Its fill of a bath, which must have been poured away before a fresh one takes its place; empty where the batch
     * never had one.
     *
     * @param bathKey the bath
     * @throws Refusal {@code bath-stands} while it stands
     */
    public Optional<FillState> refuseRenewalWhileItStands(String bathKey) {
        Optional<FillState> old = fills.stream()
                .filter(fill -> fill.mixed().bathKey().equals(bathKey))
                .findFirst();
        old.filter(fill -> fill.discarded() == null).ifPresent(fill -> {
            throw Refusal.of(new BatchObjection.BathStands(fill));
        });
        return old;
    }

    /** The leaflet of its first fill, which gives the batch its process. */
    public Leaflet leaflet() {
        return fills.get(0).leaflet();
    }

    /** Its family of chemistry. */
    public FilmProcess process() {
        return leaflet().process();
    }

    /** Roll equivalents that it took. */
    public double rolls() {
        return runs.stream().mapToDouble(RunLogged::equivalents).sum();
    }

    /**
     * Roll equivalents that it had done before it was taken over, as far as anybody knows: those of its image developer, else
     * of the bath that had done most; 0 for one that was mixed here (rules, 3.6).
     */
    public double rollsBefore() {
        List<FillState> mixedFills = own().filter(
                        fill -> mixed.fills().stream().anyMatch(each -> each.fillId() == fill.id()))
                .toList();
        return process()
                .imageDeveloper(mixedFills, fill -> fill.bath().role())
                .map(FillState::mixedRolls)
                .orElseGet(() -> mixedFills.stream()
                        .mapToDouble(FillState::mixedRolls)
                        .max()
                        .orElse(0));
    }

    /** All roll equivalents that it did, those before it was taken over among them (rules, section 8). */
    public double allRolls() {
        return rollsBefore() + rolls();
    }

    /** When it was mixed: what was taken over, as far as anybody knows. */
    public Instant mixedAt() {
        return mixed.foldedAt();
    }

    /** How many rolls of film it took, of whatever format. */
    public int filmCount() {
        return runs.stream().mapToInt(run -> run.rolls().size()).sum();
    }

    /**
     * Refuses a run at a moment at which it cannot have been.
     *
     * @param when when the run is said to have been
     * @param now the present
     * @return the same moment; that of mixing where it is the minute in which the batch was mixed, because people type
     *     minutes
     * @throws Refusal {@code in-the-future} or {@code before-mixing}
     */
    public Instant runAt(Instant when, Instant now) {
        if (when.isAfter(now)) {
            throw Refusal.of(new BatchObjection.InTheFuture());
        }
        if (when.isBefore(mixed.foldedAt())) {
            if (when.isBefore(mixed.foldedAt().truncatedTo(ChronoUnit.MINUTES))) {
                throw Refusal.of(new BatchObjection.BeforeMixing(mixed.foldedAt()));
            }
            return mixed.foldedAt();
        }
        return when;
    }

    /** Whether nothing of it stands on the shelf any more. */
    public boolean ended() {
        return fills.stream().filter(fill -> !isGuest(fill)).allMatch(fill -> fill.discarded() != null);
    }

    /** The fill whose time people ask for first (rules, 4.3). */
    public Optional<FillState> imageDeveloper() {
        return process().imageDeveloper(fills, fill -> fill.bath().role());
    }
}
