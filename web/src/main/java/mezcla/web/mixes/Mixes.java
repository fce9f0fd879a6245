package mezcla.web.mixes;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.Stock;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.BatchMixed;
import mezcla.log.BathRenewed;
import mezcla.log.Bottle;
import mezcla.log.DiscardedFill;
import mezcla.log.FillMoved;
import mezcla.log.FillSpilled;
import mezcla.log.FillsDiscarded;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.PartThrownAway;
import mezcla.log.Place;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.BathMade;
import mezcla.mixing.BenchAct;
import mezcla.mixing.BenchWalk;
import mezcla.mixing.MixPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Mixes at the bench. What was planned and every act is kept as it happens; only when a mix ends does it enter the log,
 * with what was really poured.
 */
@Service
public class Mixes {
    private final MixMapper mapper;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final DarkroomLog log;
    private final WasteService waste;
    private final Clock clock;

    Mixes(MixMapper mapper, Leaflets leaflets, HouseService houses, DarkroomLog log, WasteService waste, Clock clock) {
        this.waste = waste;
        this.mapper = mapper;
        this.leaflets = leaflets;
        this.houses = houses;
        this.log = log;
        this.clock = clock;
    }

    /**
     * What a mix begins with.
     *
     * @param leaflet what it is mixed by
     * @param request what shall be mixed
     * @param left what the kits had of each part
     * @param bottles where each bath goes, by its key
     * @param batchId the batch that it will be, or whose bath it renews
     * @param name what the batch is called; null for a renewal
     * @param old the fill that it takes the place of; null for none
     * @param route where that goes; null for none
     */
    public record Beginning(
            Leaflet leaflet,
            MixRequest request,
            Map<String, Double> left,
            Map<String, Bottle> bottles,
            long batchId,
            @Nullable String name,
            @Nullable FillState old,
            @Nullable WasteRoute route) {}

    /**
     * A mix at the bench.
     *
     * @param id which
     * @param begunBy who began it
     * @param begunAt when
     * @param batchId the batch that it will be, or whose bath it renews
     * @param name what the batch is called; null for a renewal
     * @param oldFill the fill that it takes the place of; null for none
     * @param oldRoute where that goes; null for none
     * @param kits the kits that it is mixed from
     * @param baths where each bath goes, by its key
     * @param walk how far it has come
     * @param ended whether it is over
     */
    public record Mix(
            long id,
            String begunBy,
            Instant begunAt,
            long batchId,
            @Nullable String name,
            @Nullable Long oldFill,
            @Nullable WasteRoute oldRoute,
            List<Long> kits,
            Map<String, MixMapper.BathRow> baths,
            BenchWalk walk,
            boolean ended) {
        /** Whether a bath is in its bottle. */
        public boolean isBottled(String bath) {
            return walk.acts().stream()
                    .anyMatch(act -> act.bath().equals(bath)
                            && act.kind() == BenchAct.Kind.BOTTLE
                            && walk.done().containsKey(act.number()));
        }

        /** Who did something last; who began it where nobody did. */
        public String lastBy() {
            return walk.last()
                    .map(act -> Objects.requireNonNull(walk.done().get(act.number()))
                            .who())
                    .orElse(begunBy);
        }
    }

    /** The mixes that are not over, the earliest first. */
    @Transactional(readOnly = true)
    public List<Mix> underWay() {
        return mapper.underWay().stream().map(this::mix).toList();
    }

    /**
     * A mix.
     *
     * @throws Refusal {@code unknown-mix}
     */
    @Transactional(readOnly = true)
    public Mix one(long id) {
        return Optional.ofNullable(mapper.begun(id))
                .map(this::mix)
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownMix(Long.toString(id))));
    }

    private Mix mix(MixMapper.BegunRow row) {
        Leaflet leaflet = leaflets.version(row.leafletVersionId());
        Map<String, MixMapper.BathRow> baths = new LinkedHashMap<>();
        mapper.baths(row.id()).forEach(bath -> baths.put(bath.bath(), bath));
        Map<String, Double> left = new HashMap<>();
        mapper.left(row.id()).forEach(part -> left.put(part.part(), part.amount()));
        Map<String, MixPlan.Wanted> wanted = new HashMap<>();
        baths.forEach((key, bath) -> wanted.put(key, new MixPlan.Wanted(bath.volumeMl(), bath.partsForMl())));
        BatchPlan inUse = BatchPlan.of(leaflet, left, leaflet::valueShare, wanted);
        BatchPlan plan = inUse.inOrder(row.mixOrder());
        return new Mix(
                row.id(),
                row.who(),
                row.begunAt(),
                row.batchId(),
                row.name(),
                row.oldFillId(),
                row.oldFillRoute(),
                mapper.kits(row.id()),
                baths,
                BenchWalk.of(plan, mapper.ticks(row.id())),
                row.ended());
    }

    /** Bottles that are empty, and not spoken for by a mix under way. */
    @Transactional(readOnly = true)
    public Bottling shelf(LogState state) {
        Bottling bottling = Bottling.beside(state);
        Set<Long> reserved = underWay().stream()
                .flatMap(mix -> mix.baths().values().stream())
                .map(MixMapper.BathRow::bottleId)
                .collect(Collectors.toSet());
        bottling.reserve(reserved);
        return bottling;
    }

    /** Begins a mix. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long begin(SignedIn who, Beginning what) {
        FillState old = what.old();
        long id = mapper.begin(new MixMapper.NewMix(
                who.id(),
                clock.instant(),
                leaflets.idOf(what.leaflet()),
                what.batchId(),
                what.name(),
                old == null ? null : Long.valueOf(old.id()),
                what.route(),
                what.request().order()));
        for (int i = 0; i < what.request().kits().size(); i++) {
            mapper.addKit(id, i, what.request().kits().get(i));
        }
        what.left().forEach((part, amount) -> mapper.addLeft(id, part, amount));
        what.leaflet().baths().stream()
                .filter(bath -> what.request().wanted().containsKey(bath.key()))
                .forEach(bath -> {
                    MixPlan.Wanted wanted =
                            Objects.requireNonNull(what.request().wanted().get(bath.key()));
                    mapper.addBath(
                            id,
                            new MixMapper.BathRow(
                                    bath.key(),
                                    log.newFill(),
                                    wanted.volumeMl(),
                                    wanted.partsForMl(),
                                    Objects.requireNonNull(
                                            what.request().typed().get(bath.key())),
                                    Objects.requireNonNull(what.bottles().get(bath.key()))
                                            .id()));
                });
        return id;
    }

    /**
     * Ticks an act.
     *
     * @param who who did it
     * @param id the mix
     * @param act the number of the act
     * @param poured what was really poured or read, in the act's unit; null for as planned
     * @param celsius the temperature that was measured, in °C; null for none
     * @throws Refusal {@code unknown-mix}, {@code mix-is-over}, {@code act-done-already}, {@code act-out-of-turn}
     */
    @Transactional
    public void tick(SignedIn who, long id, int act, @Nullable Double poured, @Nullable Double celsius) {
        underWay(id).walk().refuseOutOfTurn(act, false);
        mapper.addTick(id, act, false, poured, celsius, who.id(), clock.instant());
    }

    /**
     * Takes the act that was done last back.
     *
     * @throws Refusal as above
     */
    @Transactional
    public void undo(SignedIn who, long id, int act) {
        underWay(id).walk().refuseOutOfTurn(act, true);
        mapper.addTick(id, act, true, null, null, who.id(), clock.instant());
    }

    /** The parts of those kits, in that order. */
    public static Stock stock(LogState state, List<Long> kits) {
        return Stock.of(kits.stream().map(state::kit).toList());
    }

    private Mix underWay(long id) {
        Mix mix = one(id);
        if (mix.ended()) {
            throw Refusal.of(new FormObjection.MixIsOver());
        }
        return mix;
    }

    /**
     * Puts a finished mix on the shelf: the log gets what was really poured.
     *
     * @param place where all its bottles stand; null where nobody says
     * @param air what keeps air out of all of them; null where nobody says
     * @return the batch
     * @throws Refusal {@code mix-is-over}, {@code acts-left}, {@code in-use}, {@code steward-pours-away}, {@code
     *     place-missing}
     */
    @Transactional
    public long finish(SignedIn who, long id, @Nullable Long place, @Nullable AirKept air) {
        Mix mix = underWay(id);
        if (mix.walk().now().isPresent()) {
            throw Refusal.of(new FormObjection.ActsLeft());
        }
        mapper.end(id, false, who.id(), clock.instant());
        logBottled(who, mix);
        Map<Long, Bottle> bottles = new LinkedHashMap<>();
        mix.baths().values().forEach(row -> bottles.put(row.fillId(), bottle(row)));
        keep(who, bottles, place, air, clock.instant());
        return mix.batchId();
    }

    /**
     * Says of fills where they stand, and what keeps air out; what a bottle does not allow is left out.
     *
     * @param bottles the bottle of each fill
     * @param placeId where; null where nobody says
     * @param air how; null where nobody says
     * @param when since when
     * @throws Refusal {@code place-missing}
     */
    public void keep(
            SignedIn who, Map<Long, Bottle> bottles, @Nullable Long placeId, @Nullable AirKept air, Instant when) {
        if (placeId == null && air == null) {
            return;
        }
        Place place = placeId == null
                ? null
                : houses.places().stream()
                        .filter(each -> each.id() == placeId)
                        .findFirst()
                        .orElseThrow(() -> Refusal.of(new FormObjection.PlaceMissing()));
        bottles.forEach((fill, bottle) -> {
            AirKept kept = air != null && bottle.allows(air) ? air : AirKept.NOTHING;
            log.add(who, when, false, stamp -> new FillMoved(stamp, fill, bottle, place, kept));
        });
    }

    /**
     * Abandons a mix: what is in its bottle already goes on the shelf, what was poured otherwise is logged as lost.
     *
     * @return the batch, or 0 where none came of it
     */
    @Transactional
    public long abandon(SignedIn who, long id, String reason) {
        Mix mix = underWay(id);
        mapper.end(id, true, who.id(), clock.instant());
        Stock stock = stock(log.state(), mix.kits());
        boolean some = mix.baths().keySet().stream().anyMatch(mix::isBottled);
        if (some) {
            stock = logBottled(who, mix);
        }
        for (BatchPlan.PlannedBath bath : mix.walk().plan().baths()) {
            Map<String, Double> poured =
                    mix.walk().poured().getOrDefault(bath.bath().key(), Map.of());
            if (!mix.isBottled(bath.bath().key())) {
                WasteRoute route = WasteRoute.of(bath.bath().role());
                stock.uses(poured)
                        .forEach(use -> log.add(
                                who,
                                stamp -> new PartThrownAway(
                                        stamp, use.kitId(), use.part(), use.amount(), route, reason)));
            }
        }
        return some ? mix.batchId() : 0;
    }

    private Stock logBottled(SignedIn who, Mix mix) {
        Long oldFill = mix.oldFill();
        if (oldFill != null) {
            pourAway(who, mix, log.state().fill(oldFill));
        }
        Stock stock = stock(log.state(), mix.kits());
        List<MixedFill> fills = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : mix.walk().plan().baths()) {
            if (mix.isBottled(bath.bath().key())) {
                fills.add(fill(mix, bath, stock));
            }
        }
        String name = mix.name();
        if (name == null) {
            log.add(who, stamp -> new BathRenewed(stamp, mix.batchId(), fills.get(0)));
        } else {
            log.add(who, stamp -> new BatchMixed(stamp, mix.batchId(), name, fills));
        }
        logSpilt(who, mix, stock);
        fills.stream()
                .filter(fill -> !fill.bottle().cameFull()
                        && Slack.exceeds(fill.volumeMl(), fill.bottle().capacityMl()))
                .forEach(fill -> log.add(
                        who,
                        stamp -> new FillSpilled(
                                stamp,
                                fill.fillId(),
                                fill.volumeMl() - fill.bottle().capacityMl())));
        return stock;
    }

    /** What of a sachet did not go in was spilt: it is not in the kit any more either. */
    private void logSpilt(SignedIn who, Mix mix, Stock stock) {
        mix.walk().spilt(bath -> mix.isBottled(bath)).forEach((bath, parts) -> stock.uses(new TreeMap<>(parts))
                .forEach(use -> log.add(
                        who,
                        stamp -> new PartThrownAway(
                                stamp,
                                use.kitId(),
                                use.part(),
                                use.amount(),
                                WasteRoute.of(mix.walk().bath(bath).bath().role()),
                                "Spilt while mixing"))));
    }

    private void pourAway(SignedIn who, Mix mix, FillState old) {
        if (old.discarded() != null) {
            return;
        }
        if (!who.isSteward()) {
            throw Refusal.of(
                    new FormObjection.StewardPoursAway(old.bath().role().name()));
        }
        old.refuseInUse();
        WasteRoute route = mix.oldRoute() == null ? WasteRoute.of(old.bath().role()) : mix.oldRoute();
        DiscardedFill gone = new DiscardedFill(
                old.id(), old.volumeMl(), route, waste.usual(old, route).orElse(null));
        log.add(who, stamp -> new FillsDiscarded(stamp, mix.batchId(), List.of(gone), "Mixed afresh"));
    }

    private MixedFill fill(Mix mix, BatchPlan.PlannedBath bath, Stock stock) {
        MixMapper.BathRow row =
                Objects.requireNonNull(mix.baths().get(bath.bath().key()));
        Map<String, Double> poured =
                mix.walk().poured().getOrDefault(bath.bath().key(), Map.of());
        Bottle bottle = bottle(row);
        return new MixedFill(
                row.fillId(),
                mix.walk().plan().leaflet(),
                row.bath(),
                volumeMl(mix, bath),
                row.volumeTyped(),
                bottle,
                stock.uses(new TreeMap<>(poured)),
                null,
                mix.walk().measuredC(row.bath()));
    }

    /** What a bath goes into. */
    public Bottle bottle(MixMapper.BathRow row) {
        return row.bottleId() == Bottle.ITS_OWN ? Bottle.itsOwn(row.volumeMl()) : houses.bottle(row.bottleId());
    }

    /** What is in the bottle: what was planned, unless it went over the mark or nothing was topped up. */
    public static double volumeMl(Mix mix, BatchPlan.PlannedBath bath) {
        BathMade made = mix.walk().made(bath);
        boolean toppedUp = bath.mix().recipe().mode() == Recipe.Mode.TOP_UP;
        return toppedUp
                        && made.overTheMarkMl() == 0
                        && made.levelMl() >= bath.mix().finalMl() - 1e-6
                ? bath.mix().finalMl()
                : made.levelMl();
    }

    /**
     * What of a mix is in its bottle already.
     *
     * @param book the log, as it would be if the mix ended now
     * @param batchId its batch
     * @param fills the fills that are bottled
     */
    public record Bottled(LogBook book, long batchId, List<Long> fills) {}

    /** What of a mix is in its bottle already, as the log would say it. */
    @Transactional(readOnly = true)
    public Bottled bottled(long id) {
        Mix mix = one(id);
        LogBook book = log.book();
        List<BatchPlan.PlannedBath> baths = mix.walk().plan().baths().stream()
                .filter(bath -> mix.isBottled(bath.bath().key()))
                .toList();
        List<Long> ids = baths.stream()
                .map(bath -> Objects.requireNonNull(mix.baths().get(bath.bath().key()))
                        .fillId())
                .toList();
        if (mix.ended() || ids.isEmpty()) {
            return new Bottled(book, mix.batchId(), ids);
        }
        Stock stock = stock(book.state(), mix.kits());
        List<MixedFill> fills =
                baths.stream().map(bath -> fill(mix, bath, stock)).toList();
        String name = mix.name();
        Function<Stamp, LogEntry> row = stamp -> name == null
                ? new BathRenewed(by(stamp, mix), mix.batchId(), fills.get(0))
                : new BatchMixed(by(stamp, mix), mix.batchId(), name, fills);
        return new Bottled(book.supposing(mix.begunAt(), List.of(row)), mix.batchId(), ids);
    }

    private static Stamp by(Stamp stamp, Mix mix) {
        return new Stamp(stamp.sequence(), stamp.happenedAt(), stamp.recordedAt(), mix.begunBy(), stamp.about());
    }
}
