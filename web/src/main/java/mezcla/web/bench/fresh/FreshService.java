package mezcla.web.bench.fresh;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BathRenewed;
import mezcla.log.Bottle;
import mezcla.log.DiscardedFill;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.MixedFill;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.MixPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixService;
import mezcla.web.bench.mix.MixView;
import mezcla.web.clock.LogClock;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.MixRequest;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import mezcla.web.words.PartWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Brings fresh solution into batches that stand already: tops a bath up, or mixes it afresh. */
@Service
public class FreshService {
    private final DarkroomLog log;
    private final WasteService waste;
    private final LogClock clock;
    private final HouseService houses;

    private final Mixes mixes;

    FreshService(DarkroomLog log, HouseService houses, Mixes mixes, WasteService waste, LogClock clock) {
        this.clock = clock;
        this.waste = waste;
        this.mixes = mixes;
        this.log = log;
        this.houses = houses;
    }

    /**
     * A kit, or parts bought alone, that still makes some of a bath.
     *
     * @param id the kit
     * @param label what it is, and how much it makes
     */
    public record KitChoice(long id, String label) {}

    /**
     * A bath of a batch, and what can become of it.
     *
     * @param batch the batch
     * @param leaflet what it is mixed by
     * @param bathKey the bath
     * @param fill the fill that it has or had; null where it never had one
     */
    public record Subject(BatchState batch, Leaflet leaflet, String bathKey, @Nullable FillState fill) {
        /** The sheet by which its batch was mixed, whichever its own fill is of. */
        public Leaflet batchLeaflet() {
            Leaflet first = batch.mixed().fills().get(0).leaflet();
            return first.baths().stream().anyMatch(bath -> bath.key().equals(bathKey)) ? first : leaflet;
        }

        /** What the bath is called. */
        public String bathName() {
            return leaflet.bath(bathKey).role().name();
        }

        /** Whether it is still there. */
        public boolean stands() {
            return fill != null && fill.discarded() == null;
        }
    }

    /**
     * The subject of topping up.
     *
     * @throws Refusal {@code unknown-fill}
     */
    @Transactional(readOnly = true)
    Subject ofFill(long fillId) {
        LogState state = log.state();
        FillState fill = state.fill(fillId);
        return new Subject(state.batchOf(fillId), fill.leaflet(), fill.mixed().bathKey(), fill);
    }

    /**
     * The subject of a renewal.
     *
     * @throws Refusal {@code unknown-batch} or {@code unknown-bath}
     */
    @Transactional(readOnly = true)
    Subject ofBath(long batchId, String bathKey) {
        return ofBath(log.state(), batchId, bathKey);
    }

    private static Subject ofBath(LogState state, long batchId, String bathKey) {
        BatchState batch = state.batch(batchId);
        Leaflet leaflet = batch.mixed().fills().get(0).leaflet();
        leaflet.bath(bathKey);
        FillState fill = batch.fills().stream()
                .filter(each -> !batch.isGuest(each) && each.mixed().bathKey().equals(bathKey))
                .findFirst()
                .orElse(null);
        return new Subject(batch, fill == null ? leaflet : fill.leaflet(), bathKey, fill);
    }

    /** Kits of a leaflet, or of the bath sold alone, that still make some of it, the earliest first. */
    @Transactional(readOnly = true)
    List<KitChoice> kitsFor(Subject subject) {
        return log.state().kits().values().stream()
                .filter(kit -> kit.offers(subject.batchLeaflet(), subject.bathKey()))
                .sorted(KitState.bestFirst(kit -> List.of(subject.bathKey()), clock.instant()))
                .map(kit -> new KitChoice(
                        kit.id(),
                        "Kit %d, %s: makes %s%s"
                                .formatted(
                                        kit.id(),
                                        kit.arrival().leaflet().name(),
                                        Figures.ml(Math.floor(kit.makesMl(List.of(subject.bathKey())) + 1e-6)),
                                        PartWords.past(kit.past(List.of(subject.bathKey()), clock.instant())))))
                .toList();
    }

    /**
     * How a volume of one bath is mixed.
     *
     * @throws Refusal {@code unknown-kit}, or what the plan refuses
     */
    @Transactional(readOnly = true)
    BatchPlan plan(Subject subject, long kitId, Volume volume) {
        return plan(log.state().kit(kitId), subject, volume);
    }

    private static BatchPlan plan(KitState kit, Subject subject, Volume volume) {
        if (!kit.arrival().leaflet().renews(subject.batchLeaflet(), subject.bathKey())) {
            throw Refusal.of(new BatchObjection.UnknownKit(kit.id()));
        }
        return kit.plan(volume.ml(), List.of(subject.bathKey()));
    }

    /** The empty bottles that hold a volume, the best first; the one of the old fill among them. */
    @Transactional(readOnly = true)
    List<MixView.BottleChoice> bottlesFor(Subject subject, double volumeMl) {
        Bottling shelf = mixes.shelf(log.state());
        BathRole role = subject.leaflet().bath(subject.bathKey()).role();
        FillState fill = subject.fill();
        Stream<Bottle> itsOwn =
                fill != null && subject.stands() && fill.bottle().capacityMl() >= volumeMl
                        ? Stream.of(fill.bottle())
                        : Stream.empty();
        return Stream.concat(itsOwn, shelf.freeFor(volumeMl, role, houses.bottles()).stream())
                .map(bottle -> MixService.choice(bottle, shelf, role))
                .toList();
    }

    /**
     * Logs that a fill was topped up.
     *
     * @throws Refusal what {@link FillState#refuseToppingUpWith} or the plan refuses
     */
    @Transactional
    void topUp(SignedIn who, long fillId, long kitId, Volume volume) {
        LogState state = log.state();
        FillState fill = state.fill(fillId);
        fill.refuseToppingUpWith(volume.ml());
        KitState kit = state.kit(kitId);
        BatchPlan plan = plan(kit, ofFill(fillId), volume);
        log.add(
                who,
                stamp -> new FillToppedUp(
                        stamp, fillId, volume.ml(), kit.uses(plan.baths().get(0))));
    }

    /** What a renewal needs to know. */
    record Renewal(
            long batchId, String bathKey, long kitId, String typed, Volume volume, long bottleId, WasteRoute route) {}

    /**
     * Logs that a bath was mixed afresh; where the old one still stands, that it was poured away first, which a steward
     * does.
     *
     * @throws Refusal {@code steward-pours-away}, {@code in-use}, {@code waste-kept-apart}, {@code bottle-missing},
     *     {@code bottle-taken}, {@code bottle-too-small}, or what the plan refuses
     */
    @Transactional
    void renew(SignedIn who, Renewal renewal) {
        LogState state = log.state();
        Subject subject = ofBath(state, renewal.batchId(), renewal.bathKey());
        KitState kit = state.kit(renewal.kitId());
        BatchPlan.PlannedBath bath =
                plan(kit, subject, renewal.volume()).baths().get(0);
        FillState old = subject.fill();
        if (old != null && subject.stands()) {
            pourAway(who, subject, old, renewal.route());
            state = log.state();
        }
        Bottle bottle = houses.bottles().stream()
                .filter(each -> each.id() == renewal.bottleId())
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
        mixes.shelf(state).take(bottle, bath.mix().finalMl());
        MixedFill fresh = new MixedFill(
                log.newFill(),
                kit.arrival().leaflet(),
                renewal.bathKey(),
                bath.mix().finalMl(),
                renewal.typed(),
                bottle,
                kit.uses(bath),
                null);
        log.add(who, stamp -> new BathRenewed(stamp, renewal.batchId(), fresh));
    }

    /**
     * Begins to mix a bath afresh at the bench. What still stands there is poured away when the fresh one is in its
     * bottle, which a steward does.
     *
     * @return the mix
     * @throws Refusal {@code steward-pours-away}, {@code waste-kept-apart}, {@code bottle-missing}, {@code
     *     bottle-taken}, {@code bottle-too-small}, or what the plan refuses
     */
    @Transactional
    long begin(SignedIn who, Renewal renewal) {
        LogState state = log.state();
        Subject subject = ofBath(state, renewal.batchId(), renewal.bathKey());
        KitState kit = state.kit(renewal.kitId());
        BatchPlan.PlannedBath bath =
                plan(kit, subject, renewal.volume()).baths().get(0);
        FillState old = subject.stands() ? subject.fill() : null;
        Bottle bottle = houses.bottles().stream()
                .filter(each -> each.id() == renewal.bottleId())
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
        if (old != null) {
            refusePouringAway(who, subject, old, renewal.route());
        }
        if (old == null || old.bottle().id() != bottle.id()) {
            mixes.shelf(state).take(bottle, bath.mix().finalMl());
        }
        MixRequest request = new MixRequest(
                List.of(renewal.kitId()),
                Map.of(
                        renewal.bathKey(),
                        new MixPlan.Wanted(
                                renewal.volume().ml(), renewal.volume().ml())),
                Map.of(renewal.bathKey(), renewal.typed()));
        return mixes.begin(
                who,
                new Mixes.Beginning(
                        kit.arrival().leaflet(),
                        request,
                        kit.left(),
                        Map.of(renewal.bathKey(), bottle),
                        renewal.batchId(),
                        null,
                        old,
                        old == null ? null : renewal.route()));
    }

    private static void refusePouringAway(SignedIn who, Subject subject, FillState old, WasteRoute route) {
        if (!who.isSteward()) {
            throw Refusal.of(new FormObjection.StewardPoursAway(subject.bathName()));
        }
        old.refuseInUse();
        route.accept(old.bath().role());
    }

    private void pourAway(SignedIn who, Subject subject, FillState old, WasteRoute route) {
        refusePouringAway(who, subject, old, route);
        DiscardedFill gone = new DiscardedFill(
                old.id(), old.volumeMl(), route, waste.usual(old, route).orElse(null));
        log.add(who, stamp -> new FillsDiscarded(stamp, subject.batch().id(), List.of(gone), "Mixed afresh"));
    }
}
