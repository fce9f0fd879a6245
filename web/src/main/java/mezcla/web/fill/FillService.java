package mezcla.web.fill;

import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.BarLifted;
import mezcla.log.Bottle;
import mezcla.log.DiscardedFill;
import mezcla.log.FillBarred;
import mezcla.log.FillMeasured;
import mezcla.log.FillMoved;
import mezcla.log.FillSpilled;
import mezcla.log.FillsDiscarded;
import mezcla.log.LogEntry;
import mezcla.log.Place;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks after single bottles: what is really in them, and whether they may be used. */
@Service
public class FillService {
    private final DarkroomLog log;
    private final HouseService houses;
    private final Mixes mixes;
    private final LogClock clock;

    FillService(DarkroomLog log, HouseService houses, Mixes mixes, LogClock clock) {
        this.mixes = mixes;
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * The bottle of a fill.
     *
     * @throws Refusal {@code unknown-fill}
     */
    @Transactional(readOnly = true)
    public FillView fill(long id) {
        LogState state = log.state();
        BatchState batch = state.batchOf(id);
        FillState fill = state.fill(id);
        FillState.Kept kept = fill.kept();
        return new FillView(
                id,
                batch.id(),
                batch.mixed().name(),
                fill.mixed().bathKey(),
                fill.bath().role().name(),
                fill.bottle().label(),
                Figures.ml(fill.volumeMl()),
                MixtureWords.of(fill.mixture()),
                (kept.place() == null ? "nobody said where" : kept.place().name()) + ", "
                        + kept.air().words(),
                fill.inUse().stream()
                        .map(use -> use.who() + " since "
                                + Figures.since(
                                        use.since(),
                                        clock.instant(),
                                        houses.house().timeZone()))
                        .collect(Collectors.joining(", ")),
                state.servedBy(id).stream()
                        .map(BatchState::id)
                        .filter(each -> each != batch.id())
                        .toList(),
                fill.bar() == null
                        ? ""
                        : "Barred by %s: %s"
                                .formatted(fill.bar().who(), fill.bar().reason()),
                fill.bath().oneShot() != null,
                fill.discarded() != null);
    }

    /** How a bottle is kept, to begin a form with. */
    @Transactional(readOnly = true)
    FillState.Kept kept(long id) {
        return log.state().fill(id).kept();
    }

    /** The bottles that a fill could be poured into; its own first. */
    @Transactional(readOnly = true)
    List<Bottle> bottlesFor(long id) {
        LogState state = log.state();
        FillState fill = state.fill(id);
        return Stream.concat(
                        Stream.of(fill.bottle()),
                        mixes.shelf(state).freeFor(fill.volumeMl(), houses.bottles()).stream()
                                .filter(bottle -> bottle.id() != fill.bottle().id()))
                .toList();
    }

    /**
     * Logs that a fill was poured over or put elsewhere, or that the air over it was dealt with.
     *
     * @param bottleId what it is in now
     * @param placeId where that stands; null where nobody says
     * @param air what keeps air out
     * @throws Refusal {@code unknown-fill}, {@code already-discarded}, {@code in-use}, {@code bottle-missing},
     *     {@code bottle-taken}, {@code bottle-too-small}, {@code place-missing} or {@code squeeze-glass}
     */
    @Transactional
    public void move(
            SignedIn who, long id, long bottleId, @Nullable Long placeId, AirKept air, @Nullable Instant since) {
        FillState fill = standing(id);
        fill.refuseInUse();
        Bottle bottle = Stream.concat(Stream.of(fill.bottle()), houses.bottles().stream())
                .filter(each -> each.id() == bottleId)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
        bottle.refuseAirKept(air);
        mixes.shelf(log.state()).pourOver(fill, bottle);
        Place place = placeId == null
                ? null
                : houses.places().stream()
                        .filter(each -> each.id() == placeId)
                        .findFirst()
                        .orElseThrow(() -> Refusal.of(new FormObjection.PlaceMissing()));
        if (since == null) {
            add(who, stamp -> new FillMoved(stamp, id, bottle, place, air));
        } else {
            log.add(who, since, false, stamp -> new FillMoved(stamp, id, bottle, place, air));
        }
    }

    /**
     * The moment of a day since which a bottle has stood somewhere.
     *
     * @throws Refusal {@code not-a-day}, {@code in-the-future} or {@code before-it-came}
     */
    Instant since(long id, String day) {
        Instant mixed = log.state().batchOf(id).mixed().stamp().happenedAt();
        return TypedDay.noonSince(day, mixed, houses.house().timeZone(), clock.instant());
    }

    /**
     * Logs that some of a fill was lost.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded}, {@code more-than-there-is}
     */
    @Transactional
    public void spill(SignedIn who, long id, Volume lost) {
        FillState fill = standing(id);
        fill.refuseSpillOf(lost.ml());
        add(who, stamp -> new FillSpilled(stamp, id, lost.ml()));
        if (!Slack.exceeds(fill.volumeMl(), lost.ml())) {
            end(who, fill, 0, "Emptied");
        }
    }

    /**
     * Logs that a bottle broke: nothing of its fill is left. Any member may.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code in-use}
     */
    @Transactional
    public void broke(SignedIn who, long id) {
        FillState fill = standing(id);
        fill.refuseInUse();
        end(who, fill, fill.volumeMl(), "Bottle broken");
    }

    /** A fill of which nothing is left has ended, wherever it is shown (rules, section 6). */
    private void end(SignedIn who, FillState fill, double volumeMl, String reason) {
        DiscardedFill gone =
                new DiscardedFill(fill.id(), volumeMl, WasteRoute.of(fill.bath().role()), null);
        long batch = log.state().batchOf(fill.id()).id();
        add(who, stamp -> new FillsDiscarded(stamp, batch, List.of(gone), reason));
    }

    /**
     * Logs what is really in a bottle.
     *
     * @return whether that is less than the log explains, so that a run or a spill may be missing
     * @throws Refusal {@code unknown-fill}, {@code already-discarded}, {@code in-use} while some of it is in a tank,
     *     {@code bottle-too-small}
     */
    @Transactional
    public boolean measure(SignedIn who, long id, Volume there) {
        FillState fill = standing(id);
        fill.refuseInUse();
        boolean explained = fill.explains(there.ml());
        add(who, stamp -> new FillMeasured(stamp, id, there.ml()));
        return !explained;
    }

    /**
     * Bars a fill at once; any member may.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code already-barred}
     */
    @Transactional
    public void bar(SignedIn who, long id, String reason) {
        if (standing(id).bar() != null) {
            throw Refusal.of(new FormObjection.AlreadyBarred());
        }
        add(who, stamp -> new FillBarred(stamp, id, reason));
    }

    /**
     * Lifts the bar of a fill; a steward may.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code not-barred}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void lift(SignedIn who, long id, String reason) {
        if (standing(id).bar() == null) {
            throw Refusal.of(new FormObjection.NotBarred());
        }
        add(who, stamp -> new BarLifted(stamp, id, reason));
    }

    private FillState standing(long id) {
        FillState fill = log.state().fill(id);
        fill.refuseDiscarded();
        return fill;
    }

    private void add(SignedIn who, Function<Stamp, LogEntry> entry) {
        log.add(who, entry);
    }
}
