package mezcla.web.house.things;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.Bottling;
import mezcla.batch.FillState;
import mezcla.batch.Light;
import mezcla.batch.LogState;
import mezcla.log.Bottle;
import mezcla.log.HouseDecided;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.Mixes;
import mezcla.web.decided.Decisions;
import mezcla.web.decided.ThingWords;
import mezcla.web.decided.WaterBaths;
import mezcla.web.forms.FormObjection;
import mezcla.web.house.HouseService;
import mezcla.web.house.ReadingsFile;
import mezcla.web.house.Thing;
import mezcla.web.house.Tool;
import mezcla.web.house.WaterBath;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the lists of what the house has: tanks, bottles, places, tools, jugs, heaters, and its water bath. */
@Service
public class ThingsService {
    private final HouseService houses;
    private final ThingMapper mapper;
    private final Mixes mixes;
    private final Decisions decisions;
    private final WaterBaths baths;
    private final DarkroomLog log;
    private final Clock clock;

    ThingsService(
            HouseService houses,
            ThingMapper mapper,
            Mixes mixes,
            DarkroomLog log,
            Decisions decisions,
            WaterBaths baths,
            Clock clock) {
        this.houses = houses;
        this.mapper = mapper;
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

    private void changed(String name, String was, String newName, String is) {
        boolean renamed = !name.equals(newName);
        said(
                newName,
                renamed ? "called %s%s".formatted(name, was.isEmpty() ? "" : ", " + was) : was,
                renamed && is.isEmpty() ? "called " + newName : is);
    }

    private String name(Thing thing, long id) {
        String kept = houses.names(thing, false).get(id);
        return kept != null ? kept : houses.names(thing, true).getOrDefault(id, "");
    }

    private String tank(String name) {
        return houses.tanks().stream()
                .filter(tank -> tank.name().equals(name))
                .findFirst()
                .map(ThingWords::of)
                .orElse("");
    }

    private static void refuseLeast(double volumeMl, @Nullable Double leastMl) {
        if (leastMl != null && leastMl > volumeMl) {
            throw Refusal.of(new FormObjection.LeastAboveTank(volumeMl));
        }
    }

    /**
     * Adds a tank.
     *
     * @throws Refusal {@code least-above-tank}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addTank(
            String name,
            Volume volume,
            @Nullable Double rotaryMl,
            @Nullable Double leastMl,
            Map<FilmFormat.Reel, Integer> holds) {
        refuseLeast(volume.ml(), leastMl);
        houses.addTank(name, volume.ml(), rotaryMl, leastMl, holds);
        said(name, "", tank(name));
    }

    /** Adds bottles that are all alike, one for each label. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addBottles(List<String> labels, Volume capacity, Bottle.Material material) {
        labels.forEach(label -> {
            houses.addBottle(label, capacity.ml(), material);
            said("bottle " + label, "", ThingWords.bottle(capacity.ml(), material));
        });
    }

    /** Adds a place where bottles stand. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addPlace(String name) {
        houses.addPlace(name);
        said(name, "", "a place for bottles");
    }

    /**
     * Adds a tool.
     *
     * @param capacity what it measures at once, in ml or g
     * @param graduation how fine it is marked, in the same unit
     * @throws Refusal {@code graduation-coarse} when a mark is more than it holds
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addTool(String name, Tool.Kind kind, double capacity, double graduation) {
        refuseCoarse(capacity, graduation);
        houses.addTool(name, kind, capacity, graduation);
        said(name, "", ThingWords.tool(kind, capacity, graduation));
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

    /** Adds a jug. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addJug(String name, Volume capacity) {
        houses.addJug(name, capacity.ml());
        said(name, "", "a jug of " + Figures.ml(capacity.ml()));
    }

    /** Adds a heater; its offset is how much warmer the water is than it says, in K. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addHeater(String name, double offsetC) {
        houses.addHeater(name, offsetC);
        said(name, "", ThingWords.heater(offsetC));
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

    /** A name belongs to one thing of a kind, kept or removed. */
    private void refuseTaken(Thing thing, long id, String name) {
        Map<Long, String> others = new LinkedHashMap<>(houses.names(thing, false));
        others.putAll(houses.names(thing, true));
        if (others.remove(id) == null) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(id)));
        }
        if (others.values().stream().anyMatch(name::equalsIgnoreCase)) {
            throw Refusal.of(new FormObjection.NameTaken(name));
        }
    }

    /**
     * Changes what is known of a tank.
     *
     * @throws Refusal {@code unknown-thing}, {@code name-taken} or {@code least-above-tank}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changeTank(
            long id,
            String name,
            Volume volume,
            @Nullable Double rotaryMl,
            @Nullable Double leastMl,
            Map<FilmFormat.Reel, Integer> holds) {
        refuseTaken(Thing.TANK, id, name);
        refuseLeast(volume.ml(), leastMl);
        String before = name(Thing.TANK, id);
        String was = tank(before);
        mapper.changeTank(id, name, volume.ml());
        houses.fill(id, rotaryMl, leastMl, holds);
        changed(before, was, name, tank(name));
    }

    /**
     * Changes what is known of a bottle. What is written about the bath in it stays as it was written.
     *
     * @throws Refusal {@code unknown-thing}, {@code name-taken}, or {@code bottle-holds-more}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changeBottle(long id, String label, Volume capacity, Bottle.Material material) {
        refuseTaken(Thing.BOTTLE, id, label);
        double inIt = inIt(log.state(), id).stream()
                .mapToDouble(FillState::volumeMl)
                .max()
                .orElse(0);
        if (capacity.ml() < inIt) {
            throw Refusal.of(new FormObjection.BottleHoldsMore(inIt));
        }
        String before = name(Thing.BOTTLE, id);
        Bottle was = houses.bottle(id);
        mapper.changeBottle(id, label, capacity.ml(), material);
        changed(
                "bottle " + before,
                ThingWords.bottle(was.capacityMl(), was.material()),
                "bottle " + label,
                ThingWords.bottle(capacity.ml(), material));
    }

    /**
     * Calls a place otherwise.
     *
     * @throws Refusal {@code unknown-thing} or {@code name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changePlace(long id, String name) {
        refuseTaken(Thing.PLACE, id, name);
        String before = name(Thing.PLACE, id);
        mapper.changePlace(id, name);
        changed(before, "", name, "");
    }

    /**
     * Changes what is known of a tool.
     *
     * @throws Refusal {@code unknown-thing}, {@code name-taken} or {@code graduation-coarse}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changeTool(long id, String name, Tool.Kind kind, double capacity, double graduation) {
        refuseTaken(Thing.TOOL, id, name);
        refuseCoarse(capacity, graduation);
        String before = name(Thing.TOOL, id);
        String was = houses.tools().stream()
                .filter(tool -> tool.id() == id)
                .findFirst()
                .map(tool -> ThingWords.tool(tool.kind(), tool.capacity(), tool.graduation()))
                .orElse("");
        mapper.changeTool(id, name, kind, capacity, graduation);
        changed(before, was, name, ThingWords.tool(kind, capacity, graduation));
    }

    /**
     * Changes what is known of a jug.
     *
     * @throws Refusal {@code unknown-thing} or {@code name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changeJug(long id, String name, Volume capacity) {
        refuseTaken(Thing.JUG, id, name);
        String before = name(Thing.JUG, id);
        String was = houses.jugs().stream()
                .filter(jug -> jug.id() == id)
                .findFirst()
                .map(jug -> Figures.ml(jug.capacityMl()))
                .orElse("");
        mapper.changeJug(id, name, capacity.ml());
        changed(before, was, name, Figures.ml(capacity.ml()));
    }

    /**
     * Changes what is known of a heater.
     *
     * @throws Refusal {@code unknown-thing} or {@code name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void changeHeater(long id, String name, double offsetC) {
        refuseTaken(Thing.HEATER, id, name);
        String before = name(Thing.HEATER, id);
        String was = houses.heaters().stream()
                .filter(heater -> heater.id() == id)
                .findFirst()
                .map(heater -> ThingWords.heater(heater.offsetC()))
                .orElse("");
        mapper.changeHeater(id, name);
        houses.setOffset(id, offsetC);
        changed(before, was, name, ThingWords.heater(offsetC));
    }

    private static void refuseCoarse(double capacity, double graduation) {
        if (graduation > capacity) {
            throw Refusal.of(new FormObjection.GraduationCoarse());
        }
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
