package mezcla.web.bench.mix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.Bottling;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
import mezcla.batch.Stock;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.log.BatchMixed;
import mezcla.log.Bottle;
import mezcla.log.MixedFill;
import mezcla.log.NoteLeft;
import mezcla.log.Place;
import mezcla.measure.Refusal;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.JugChoice;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.TankFillings;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.water.BenchWater;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.declared.Refusals;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.MixRequest;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.settings.things.Tool;
import mezcla.web.warm.WarmService;
import mezcla.web.words.BottleWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans mixes and logs them. */
@Service
public class MixService {

    private final DarkroomLog log;
    private final HouseService houses;
    private final Mixes mixes;
    private final WarmService warm;
    private final LogClock clock;

    MixService(DarkroomLog log, HouseService houses, Mixes mixes, WarmService warm, LogClock clock) {
        this.warm = warm;
        this.clock = clock;
        this.mixes = mixes;
        this.log = log;
        this.houses = houses;
    }

    /** What a mix would be, with the bottles that it can go into. */
    record Proposal(BatchPlan plan, MixView view, Map<String, String> bottles) {}

    /**
     * The leaflet of a kit.
     *
     * @throws Refusal {@code unknown-kit}
     */
    @Transactional(readOnly = true)
    public Leaflet leaflet(long kitId) {
        return log.state().kit(kitId).arrival().leaflet();
    }

    /** A volume to begin with: a litre, or as much as the kit still makes. */
    @Transactional(readOnly = true)
    public String usualVolume(long kitId) {
        KitState kit = log.state().kit(kitId);
        double usual = kit.usualVolumeMl();
        return usual == 1000 ? "1 L" : usual == kit.allMl() ? MixForm.ALL : Figures.plain(usual, 2) + " ml";
    }

    /** All that a kit still makes, in ml, exactly. */
    @Transactional(readOnly = true)
    public double allMl(long kitId) {
        return log.state().kit(kitId).allMl();
    }

    /** The baths of a kit that it has every part for. */
    @Transactional(readOnly = true)
    public List<Bath> baths(long kitId) {
        return log.state().kit(kitId).complete();
    }

    /** Another kit, and what it is called. */
    public record OtherKit(long id, String label) {}

    /** Other kits of the same leaflet that can help out. */
    @Transactional(readOnly = true)
    public List<OtherKit> others(long kitId) {
        LogState state = log.state();
        String sheet = state.kit(kitId).arrival().leaflet().key();
        return state.kits().values().stream()
                .filter(kit -> kit.id() != kitId
                        && !kit.isFinished()
                        && kit.arrival().leaflet().key().equals(sheet))
                .filter(kit -> kit.parts().stream().anyMatch(part -> part.left() > 0))
                .map(kit -> new OtherKit(kit.id(), "Kit " + kit.id()))
                .toList();
    }

    /**
     * Volumes to choose with one press: bottles that are free for every bath, and as much as the kits make.
     *
     * @param volume what is filled in
     * @param label what is said
     */
    public record Quick(String volume, String label) {}

    /** Volumes to choose with one press. */
    @Transactional(readOnly = true)
    public List<Quick> quick(long kitId) {
        LogState state = log.state();
        KitState kit = state.kit(kitId);
        List<Bath> complete = kit.complete();
        List<String> taking = complete.stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .map(Bath::key)
                .toList();
        if (taking.isEmpty()) {
            return List.of();
        }
        double largest = kit.makesMl(taking);
        boolean onlyWhole = complete.stream().anyMatch(bath -> bath.recipe().takesSachets());
        List<Quick> quick = new ArrayList<>();
        mixes.shelf(state).freeFor(0, houses.bottles()).stream()
                .collect(Collectors.groupingBy(Bottle::capacityMl, TreeMap::new, Collectors.counting()))
                .forEach((capacity, count) -> {
                    if (count >= complete.size() && capacity <= largest && !onlyWhole) {
                        quick.add(new Quick(typed(capacity), "Bottles of " + Figures.ml(capacity)));
                    }
                });
        if (largest >= 1) {
            quick.add(new Quick(MixForm.ALL, "All the kit makes, " + Figures.ml(largest)));
        }
        return quick;
    }

    /** What a little more would give, where a bath fills its tank fewer times than its capacity allows. */
    private String howFar(BatchPlan plan) {
        List<RunQuestion.InTank> tanks =
                houses.tanks().stream().map(Tank::asUsed).toList();
        return plan.leaflet()
                .imageDeveloper()
                .flatMap(developer -> plan.baths().stream()
                        .filter(bath -> bath.bath().key().equals(developer.key()))
                        .findFirst())
                .flatMap(bath -> TankFillings.tooFew(bath.bath(), bath.mix().finalMl(), tanks))
                .map(few -> "%s in a tank of %s before too little is left to cover its reels; %s would do all its %s"
                        .formatted(
                                Figures.sentence(Figures.count(few.times(), "run")),
                                Figures.ml(few.tank().takesMl()),
                                Figures.ml(Math.ceil(few.neededMl())),
                                Figures.count(few.rolls(), "roll")))
                .orElse("");
    }

    private String past(LogState state, MixRequest request, BatchPlan plan) {
        List<String> baths =
                plan.baths().stream().map(bath -> bath.bath().key()).toList();
        String parts = request.kits().stream()
                .flatMap(kit -> state.kit(kit).past(baths, clock.instant()).stream())
                .map(part -> part.part().name())
                .distinct()
                .collect(Collectors.joining(", "));
        return parts.isEmpty() ? "" : parts + ": what is mixed from it has to be tested before film that matters";
    }

    private static String typed(double ml) {
        return Figures.plain(ml, 0).replace("\u202f", "") + " ml";
    }

    /**
     * Plans a mix and finds a bottle for each bath.
     *
     * @throws Refusal {@code unknown-kit}, {@code kits-differ}, or what the plan refuses
     */
    @Transactional(readOnly = true)
    Proposal propose(MixRequest request) {
        LogState state = log.state();
        refuseFinished(state, request);
        BatchPlan plan = Mixes.stock(state, request.kits()).plan(request.wanted());
        List<Bottle> bottles = houses.bottles();
        Bottling.Chosen chosen = mixes.shelf(state).choose(plan.baths(), bottles);
        Bottling shelf = mixes.shelf(state);
        MixView view = MixView.of(
                title(plan, request),
                plan.inOrder(request.order()),
                equipment().of(state.kit(request.kits().get(0)).parts()),
                bath -> choices(bath, shelf, bottles));
        String free = bottles.stream()
                .filter(chosen.bottles()::containsValue)
                .map(Bottle::label)
                .collect(Collectors.joining(", "));
        return new Proposal(
                plan,
                view.with(new MixView.SetUp("Bottles, empty and clean", bottles(free, chosen.missing())))
                        .with(new MixView.SetUp("How far it goes", howFar(plan)))
                        .with(new MixView.SetUp("Past its printed life", past(state, request, plan))),
                chosen.bottles().entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey,
                                each -> Long.toString(each.getValue().id()))));
    }

    private static void refuseFinished(LogState state, MixRequest request) {
        request.kits().forEach(kit -> state.kit(kit).refuseFinished());
    }

    private static List<MixView.BottleChoice> choices(
            BatchPlan.PlannedBath bath, Bottling shelf, List<Bottle> bottles) {
        BathRole role = bath.bath().role();
        Stream<MixView.BottleChoice> own = bath.mayStay()
                ? Stream.of(Bottle.itsOwn(bath.mix().finalMl()))
                        .map(bottle -> new MixView.BottleChoice(bottle.id(), bottle.label(), true))
                : Stream.empty();
        return Stream.concat(
                        own,
                        shelf.freeFor(bath.mix().finalMl(), role, bottles).stream()
                                .map(bottle -> choice(bottle, shelf, role)))
                .toList();
    }

    /** A bottle to choose for a bath. */
    public static MixView.BottleChoice choice(Bottle bottle, Bottling shelf, BathRole role) {
        return new MixView.BottleChoice(
                bottle.id(), BottleWords.choice(bottle, shelf, role), shelf.suits(bottle, role));
    }

    private static String bottles(String free, List<Double> missing) {
        if (missing.isEmpty()) {
            return free;
        }
        String lacking = "%s missing: %s"
                .formatted(
                        missing.size() == 1 ? "one is" : Figures.number(missing.size()) + " are",
                        missing.stream().map(Figures::ml).collect(Collectors.joining(", ")));
        return free.isEmpty() ? Figures.sentence(lacking) : free + "; " + lacking;
    }

    private static String title(BatchPlan plan, MixRequest request) {
        long volumes = request.typed().values().stream().distinct().count();
        boolean all = plan.baths().size() == plan.leaflet().baths().size();
        String what = volumes == 1
                ? request.typed().values().iterator().next() + " of " + (all ? "every bath" : names(plan))
                : plan.baths().stream()
                        .map(bath -> Objects.requireNonNull(
                                        request.typed().get(bath.bath().key())) + " of "
                                + Figures.within(bath.bath().role().name()))
                        .collect(Collectors.joining(", "));
        return "Mix %s, with %s of water in all".formatted(what, Figures.inAll(plan.waterMl()));
    }

    private static String names(BatchPlan plan) {
        return plan.baths().stream()
                .map(bath -> Figures.within(bath.bath().role().name()))
                .collect(Collectors.joining(" and "));
    }

    /** What the house mixes with. */
    public MixView.Equipment equipment() {
        return new MixView.Equipment(
                houses.tools().stream().map(Tool::measuring).toList(),
                houses.jugs().stream()
                        .map(jug -> new JugChoice(jug.name(), jug.capacityMl()))
                        .toList(),
                new BenchWater(houses.surroundings(), houses.heaters(), warm::inTurn),
                List.of());
    }

    /**
     * Logs a mix that is done already, as it was planned.
     *
     * @param who who mixed it
     * @param request what was mixed
     * @param day when it was mixed; null for now
     * @param form what it is called, the bottle of each bath, and how they are kept
     * @return the batch
     * @throws Refusal {@code unknown-kit}, {@code kits-differ}, {@code place-missing}, or what the plan refuses
     */
    @Transactional
    long mix(SignedIn who, MixRequest request, @Nullable Instant day, MixForm form) {
        LogState state = log.state();
        refuseFinished(state, request);
        Stock stock = Mixes.stock(state, request.kits());
        BatchPlan plan = stock.plan(request.wanted());
        Map<String, Bottle> bottles = bottles(plan, mixes.shelf(state), form.bottles());
        List<MixedFill> fills = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            String key = bath.bath().key();
            fills.add(new MixedFill(
                    log.newFill(),
                    plan.leaflet(),
                    key,
                    bath.mix().finalMl(),
                    Objects.requireNonNull(request.typed().get(key)),
                    Objects.requireNonNull(bottles.get(key)),
                    stock.uses(bath),
                    null));
        }
        long batchId = log.newBatch();
        Instant when = day == null ? clock.instant() : day;
        log.add(who, when, false, stamp -> new BatchMixed(stamp, batchId, form.name(), fills));
        Map<Long, Bottle> kept = new LinkedHashMap<>();
        fills.forEach(fill -> kept.put(fill.fillId(), fill.bottle()));
        mixes.keep(who, kept, form.place(), form.air(), when);
        return batchId;
    }

    /** Where bottles of the house can stand. */
    @Transactional(readOnly = true)
    List<Place> places() {
        return houses.places();
    }

    /**
     * The moment of a day on which something was mixed from a kit.
     *
     * @throws Refusal {@code not-a-day}, {@code in-the-future} or {@code before-it-came}
     */
    Instant mixedOn(long kitId, String day) {
        Instant came = log.state().kit(kitId).arrival().stamp().happenedAt();
        return TypedDay.noonSince(day, came, houses.house().timeZone(), clock.instant());
    }

    /**
     * Begins a mix at the bench.
     *
     * @throws Refusal {@code unknown-kit}, {@code kits-differ}, or what the plan refuses
     */
    @Transactional
    public long begin(SignedIn who, MixRequest request, String name, Map<String, String> chosen) {
        LogState state = log.state();
        refuseFinished(state, request);
        Stock stock = Mixes.stock(state, request.kits());
        BatchPlan plan = stock.plan(request.wanted());
        Map<String, Bottle> bottles = bottles(plan, mixes.shelf(state), chosen);
        return mixes.begin(
                who,
                new Mixes.Beginning(stock.leaflet(), request, stock.left(), bottles, log.newBatch(), name, null, null));
    }

    /** What it takes to mix all of a kit, also of one that nobody has bought yet. */
    @Transactional(readOnly = true)
    public MixView gear(Leaflet leaflet) {
        Map<String, Double> full = new HashMap<>();
        leaflet.parts().forEach(part -> full.put(part.key(), part.amount()));
        List<String> baths = leaflet.baths().stream().map(Bath::key).toList();
        BatchPlan plan = BatchPlan.of(leaflet, full, leaflet::valueShare, leaflet.makesMl(), baths);
        String bottles = plan.baths().stream()
                .map(bath -> "%s for the %s"
                        .formatted(
                                Figures.ml(bath.mix().finalMl()),
                                Figures.within(bath.bath().role().name())))
                .collect(Collectors.joining(", "));
        boolean bottled = mixes.shelf(log.state())
                .choose(plan.baths(), houses.bottles())
                .missing()
                .isEmpty();
        return MixView.of("What %s takes".formatted(leaflet.name()), plan, equipment(), bath -> List.of())
                .with(new MixView.SetUp("Bottles, empty and clean", bottles, bottled ? MixView.SetUp.HAVE : ""));
    }

    private Map<String, Bottle> bottles(BatchPlan plan, Bottling bottling, Map<String, String> chosen) {
        Refusals.Collected refused = new Refusals.Collected();
        List<Bottle> owned = houses.bottles();
        Map<String, Bottle> bottles = new HashMap<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            String key = bath.bath().key();
            refused.read("bottle-" + key, () -> {
                Bottle bottle = Stream.concat(
                                owned.stream(),
                                bath.mayStay()
                                        ? Stream.of(Bottle.itsOwn(bath.mix().finalMl()))
                                        : Stream.empty())
                        .filter(each -> Long.toString(each.id()).equals(chosen.get(key)))
                        .findFirst()
                        .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
                bottling.take(bottle, bath.mix().finalMl());
                bottles.put(key, bottle);
                return bottle;
            });
        }
        refused.refuse();
        return bottles;
    }

    /** What members wanted to be remembered when that kit is mixed again, the newest first. */
    @Transactional(readOnly = true)
    public List<String> notes(long kitId) {
        LogState state = log.state();
        String sheet = state.kit(kitId).arrival().leaflet().key();
        return state.batches().values().stream()
                .filter(batch -> batch.leaflet().key().equals(sheet))
                .flatMap(batch -> batch.notes().stream())
                .sorted(Comparator.comparing((NoteLeft note) -> note.stamp().happenedAt())
                        .reversed())
                .map(note -> "%s (%s, %s, batch %d)"
                        .formatted(
                                note.text(),
                                note.stamp().who(),
                                Figures.day(
                                        note.stamp().happenedAt(),
                                        houses.house().timeZone()),
                                note.batchId()))
                .toList();
    }
}
