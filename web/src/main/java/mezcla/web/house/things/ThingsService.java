package mezcla.web.house.things;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.batch.Light;
import mezcla.batch.LogState;
import mezcla.log.HouseDecided;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.Decisions;
import mezcla.web.decided.ThingWords;
import mezcla.web.decided.WaterBaths;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.ReadingsFile;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.words.Figures;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the lists of what the house has: tanks, bottles, places, tools, jugs, heaters, and its water bath. */
@Service
public class ThingsService {
    private final HouseService houses;
    private final Mixes mixes;
    private final Decisions decisions;
    private final WaterBaths baths;
    private final DarkroomLog log;
    private final Clock clock;

    ThingsService(
            HouseService houses, Mixes mixes, DarkroomLog log, Decisions decisions, WaterBaths baths, Clock clock) {
        this.houses = houses;
        this.mixes = mixes;
        this.decisions = decisions;
        this.baths = baths;
        this.log = log;
        this.clock = clock;
    }

    /** What is on a list is what others choose from: each change stands in the journal. */
    private void said(String thing, String before, String after) {
        decisions.decided(HouseDecided.Topic.THING, thing, before, after);
    }

    private String name(Thing thing, long id) {
        String kept = houses.names(thing, false).get(id);
        return kept != null ? kept : houses.names(thing, true).getOrDefault(id, "");
    }

    /** A bottle is written about by its label alone. */
    private static String called(Owned owned) {
        return owned.thing() == Thing.BOTTLE ? "bottle " + owned.name() : owned.name();
    }

    /**
     * Adds something.
     *
     * @throws Refusal {@code name-taken} or {@code name-of-removed}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void add(Owned owned) {
        houses.add(owned);
        said(called(owned), "", owned.words());
    }

    /**
     * Changes what is known of something. What is written about the bath in a bottle stays as it was written.
     *
     * @throws Refusal {@code unknown-thing}, {@code name-taken}, or {@code bottle-holds-more}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(long id, Owned owned) {
        if (owned instanceof Owned.OfBottle bottle) {
            double inIt = inIt(log.state(), id).stream()
                    .mapToDouble(FillState::volumeMl)
                    .max()
                    .orElse(0);
            if (bottle.capacityMl() < inIt) {
                throw Refusal.of(new FormObjection.BottleHoldsMore(inIt));
            }
        }
        Optional<Owned> was = houses.described(owned.thing(), id);
        String nameBefore = name(owned.thing(), id);
        houses.change(id, owned);
        String before = was.map(ThingsService::called).orElse(nameBefore);
        boolean same = was.map(Owned::words).filter(owned.words()::equals).isPresent();
        String words = same ? "" : was.map(Owned::words).orElse("");
        String now = same ? "" : owned.words();
        boolean renamed = !before.equals(called(owned));
        said(
                called(owned),
                renamed ? "called %s%s".formatted(before, words.isEmpty() ? "" : ", " + words) : words,
                renamed && now.isEmpty() ? "called " + called(owned) : now);
    }

    /**
     * Says what a place is like.
     *
     * @throws Refusal {@code unknown-thing}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void setClimate(long placeId, List<Double> quartersC, Light light) {
        refuseUnknownPlace(placeId);
        String name = name(Thing.PLACE, placeId);
        String before = ThingWords.of(houses.climateOf(placeId));
        houses.setClimate(placeId, quartersC, light);
        said(name, before, ThingWords.of(houses.climateOf(placeId)));
    }

    /**
     * Adds what a logger wrote at a place.
     *
     * @return how many readings were new
     * @throws Refusal {@code unknown-thing}, {@code not-a-reading}, {@code readings-missing}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public int addReadings(long placeId, String file) {
        refuseUnknownPlace(placeId);
        return houses.addReadings(
                placeId, ReadingsFile.read(file, houses.house().timeZone(), clock.instant()));
    }

    /**
     * Takes back the readings of a place that were read in last.
     *
     * @throws Refusal {@code unknown-thing} or {@code nothing-to-take-back}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void takeReadingsBack(long placeId) {
        refuseUnknownPlace(placeId);
        houses.takeReadingsBack(placeId, clock.instant());
    }

    private void refuseUnknownPlace(long placeId) {
        if (!houses.names(Thing.PLACE, false).containsKey(placeId)) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(placeId)));
        }
    }

    /**
     * Removes something from its list, or brings it back.
     *
     * @throws Refusal {@code unknown-thing}, {@code bottle-in-use} when something is in it, or {@code last-tank}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void remove(Thing thing, long id, boolean removed) {
        if (removed && thing == Thing.BOTTLE && !isEmpty(id)) {
            throw Refusal.of(new FormObjection.BottleInUse());
        }
        if (removed && thing == Thing.TANK && houses.tanks().size() == 1) {
            throw Refusal.of(new FormObjection.LastTank());
        }
        String name = name(thing, id);
        houses.remove(thing, id, removed);
        said(name, removed ? "on the list" : "removed", removed ? "removed" : "on the list");
    }

    private boolean isEmpty(long bottleId) {
        Bottling shelf = mixes.shelf(log.state());
        return houses.bottles().stream()
                .filter(bottle -> bottle.id() == bottleId)
                .allMatch(shelf::isFree);
    }

    /** What is in use of a kind: what for, by id. */
    @Transactional(readOnly = true)
    public Map<Long, String> inUse(Thing thing) {
        LogState state = log.state();
        return switch (thing) {
            case BOTTLE -> bottlesInUse(state);
            case PLACE -> placesInUse(state);
            case TANK, TOOL, JUG, HEATER -> Map.of();
        };
    }

    private static Stream<FillState> standing(LogState state) {
        return state.batches().values().stream()
                .flatMap(BatchState::own)
                .filter(fill -> fill.discarded() == null && !fill.bottle().cameFull());
    }

    private static List<FillState> inIt(LogState state, long bottleId) {
        return standing(state).filter(fill -> fill.bottle().id() == bottleId).toList();
    }

    private Map<Long, String> bottlesInUse(LogState state) {
        Map<Long, String> uses = new LinkedHashMap<>();
        standing(state)
                .forEach(fill -> uses.putIfAbsent(
                        fill.bottle().id(),
                        "holds the %s of batch %d"
                                .formatted(
                                        Figures.within(fill.bath().role().name()),
                                        state.batchOf(fill.id()).id())));
        houses.bottles().stream()
                .filter(bottle -> !mixes.shelf(state).isFree(bottle))
                .forEach(bottle -> uses.putIfAbsent(bottle.id(), "is kept for a mix under way"));
        return uses;
    }

    private static Map<Long, String> placesInUse(LogState state) {
        Map<Long, Integer> counts = new LinkedHashMap<>();
        standing(state)
                .map(fill -> fill.kept().place())
                .filter(Objects::nonNull)
                .forEach(place -> counts.merge(place.id(), 1, Integer::sum));
        Map<Long, String> uses = new LinkedHashMap<>();
        counts.forEach((place, bottles) ->
                uses.put(place, bottles == 1 ? "a bottle stands there" : bottles + " bottles stand there"));
        return uses;
    }

    /** What the house's water bath is like from now on. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void describeBath(SignedIn who, double litres, double powerW, double lossWPerK) {
        baths.describe(who, new WaterBath(litres, powerW, lossWPerK));
    }
}
