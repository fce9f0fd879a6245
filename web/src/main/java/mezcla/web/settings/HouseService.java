package mezcla.web.settings;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import mezcla.batch.Climate;
import mezcla.batch.Light;
import mezcla.leaflet.BathRole;
import mezcla.log.Bottle;
import mezcla.log.Place;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.verdict.HouseLimit;
import mezcla.verdict.Judging;
import mezcla.verdict.School;
import mezcla.verdict.StandIns;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.things.Heater;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.Jug;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.settings.things.Tank;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.Tool;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.settings.wishes.OwnWishes;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the house is and owns, and how it judges. */
@Service
public class HouseService {
    private static final House NOT_SET_UP =
            new House("Darkroom", CurrencyUnit.of("NZD"), ZoneId.of("UTC"), Units.METRIC, null);

    private final HouseMapper mapper;
    private final Climates climates;
    private final OwnWishes wishes;

    HouseService(HouseMapper mapper, Climates climates, OwnWishes wishes) {
        this.wishes = wishes;
        this.mapper = mapper;
        this.climates = climates;
    }

    /** The house; a plain one until it is set up. */
    @Transactional(readOnly = true)
    public House house() {
        HouseMapper.Row row = mapper.house();
        return row == null
                ? NOT_SET_UP
                : new House(
                        row.name(),
                        CurrencyUnit.of(row.currency()),
                        ZoneId.of(row.timeZone()),
                        row.units(),
                        row.address());
    }

    /** How the house judges: the school of each process, and the climate of its places. */
    @Transactional(readOnly = true)
    public Judging judging() {
        return judging(Instant.MAX);
    }

    /** How the house judged at a moment: what it decided later does not count yet. */
    @Transactional(readOnly = true)
    public Judging judging(Instant when) {
        Map<String, School> schools = new HashMap<>();
        mapper.schools().stream()
                .filter(row -> !row.at().isAfter(when))
                .forEach(row -> schools.put(row.process(), row.school()));
        Climate climate = climates.of(
                surroundings().roomC(),
                house().timeZone(),
                places().stream().map(Place::id).toList());
        Map<String, HouseLimit> limits = new LinkedHashMap<>();
        mapper.limits().stream()
                .filter(row -> !row.at().isAfter(when))
                .forEach(row -> limits.put(
                        row.leaflet() + " " + row.bath(),
                        new HouseLimit(row.leaflet(), row.bath(), row.rolls(), row.days())));
        return new Judging(
                schools,
                School.LEAFLET,
                List.copyOf(limits.values()),
                standIns(when),
                climate,
                wishes.carefulMembers());
    }

    /** What the house takes where a sheet prints no life or no capacity. */
    @Transactional(readOnly = true)
    public StandIns standIns() {
        return standIns(Instant.MAX);
    }

    private StandIns standIns(Instant when) {
        StandIns standIns = StandIns.usual();
        for (HouseMapper.StandInRow row : mapper.standIns()) {
            if (!row.at().isAfter(when)) {
                standIns = standIns.with(row.role(), row.lifeDays(), row.rollsALitre());
            }
        }
        return standIns;
    }

    /**
     * Decides what the house takes where a sheet of a bath prints none.
     *
     * @param role the bath
     * @param lifeDays how long it lasts, in days; null for no limit
     * @param rollsALitre how many roll equivalents a litre takes; null for no limit
     * @param memberId who says so
     */
    @Transactional
    public void standIn(
            BathRole.Nature role, @Nullable Double lifeDays, @Nullable Double rollsALitre, long memberId, Instant at) {
        mapper.standIn(new HouseMapper.StandInRow(role, lifeDays, rollsALitre, at), memberId);
    }

    /**
     * What the house allows of a bath.
     *
     * @param limit how much
     * @param reason why
     */
    public record Allowed(HouseLimit limit, String reason) {}

    private Collection<Allowed> allowed() {
        Map<String, Allowed> last = new LinkedHashMap<>();
        mapper.limits()
                .forEach(row -> last.put(
                        row.leaflet() + " " + row.bath(),
                        new Allowed(new HouseLimit(row.leaflet(), row.bath(), row.rolls(), row.days()), row.reason())));
        last.values()
                .removeIf(each -> each.limit().rolls() == null && each.limit().days() == null);
        return last.values();
    }

    /** What the house allows of a bath beside its leaflet; empty where it goes by what is printed. */
    @Transactional(readOnly = true)
    public Optional<Allowed> allowed(String leaflet, String bath) {
        return allowed().stream()
                .filter(each -> each.limit().leaflet().equals(leaflet)
                        && each.limit().bath().equals(bath))
                .findFirst();
    }

    /** Decides what the house allows of a bath from now on; neither rolls nor days for what is printed. */
    @Transactional
    public void allow(HouseLimit limit, String reason, long memberId, Instant at) {
        mapper.allow(new HouseMapper.LimitRow(
                limit.leaflet(), limit.bath(), limit.rolls(), limit.days(), reason, memberId, at));
    }

    /** Decides how film of a process is judged from now on. */
    @Transactional
    public void choose(String process, School school, long memberId, Instant at) {
        mapper.choose(process, school, memberId, at);
    }

    /**
     * What a place is like.
     *
     * @param quartersC its temperature in December to February, March to May, June to August, September to November, in
     *     °C
     * @param light how light it is
     * @param readings how many temperatures were read there
     */
    public record PlaceClimate(List<Double> quartersC, Light light, long readings) {}

    /** What a place is like, as far as somebody said; the room in the dark where nobody did. */
    @Transactional(readOnly = true)
    public PlaceClimate climateOf(long placeId) {
        double roomC = surroundings().roomC();
        long count = mapper.countReadings(placeId);
        return mapper.climates().stream()
                .filter(row -> row.placeId() == placeId)
                .map(row -> new PlaceClimate(
                        List.of(row.decFebC(), row.marMayC(), row.junAugC(), row.sepNovC()), row.light(), count))
                .findFirst()
                .orElseGet(() -> new PlaceClimate(List.of(roomC, roomC, roomC, roomC), Light.DARK, count));
    }

    /** Says what a place is like. */
    @Transactional
    public void setClimate(long placeId, List<Double> quartersC, Light light) {
        mapper.setClimate(new HouseMapper.ClimateRow(
                placeId, quartersC.get(0), quartersC.get(1), quartersC.get(2), quartersC.get(3), light));
    }

    /**
     * Adds temperatures that were read; one that is there already is passed over.
     *
     * @return how many were new
     */
    @Transactional
    public int addReadings(long placeId, List<Climate.Reading> readings) {
        long readIn = mapper.nextReadIn();
        return readings.stream()
                .mapToInt(reading ->
                        mapper.addReading(new HouseMapper.ReadingRow(placeId, reading.at(), reading.celsius()), readIn))
                .sum();
    }

    /**
     * Takes back the readings of a place that were read in last.
     *
     * @throws Refusal {@code nothing-to-take-back}
     */
    @Transactional
    public void takeReadingsBack(long placeId, Instant at) {
        Long last = mapper.lastReadIn(placeId);
        if (last == null) {
            throw Refusal.of(new FormObjection.NothingToTakeBack());
        }
        mapper.takeBack(last, at);
    }

    /** Its tanks, the smallest first. */
    @Transactional(readOnly = true)
    public List<Tank> tanks() {
        Map<Long, Map<FilmFormat.Reel, Integer>> reels = new HashMap<>();
        mapper.reels().forEach(row -> reels.computeIfAbsent(row.tankId(), tank -> new EnumMap<>(FilmFormat.Reel.class))
                .put(row.reel(), row.holds()));
        return mapper.tanks(false).stream()
                .map(row -> new Tank(
                        row.id(),
                        row.name(),
                        row.volumeMl(),
                        row.rotaryMl(),
                        row.leastMl(),
                        reels.getOrDefault(row.id(), Map.of()),
                        false))
                .toList();
    }

    /** What it does during a run. */
    @Transactional(readOnly = true)
    public RunHabits habits() {
        RunHabits kept = mapper.habits();
        return kept == null ? RunHabits.USUAL : kept;
    }

    /** Changes that. */
    @Transactional
    public void change(RunHabits habits) {
        mapper.changeHabits(habits);
    }

    /**
     * The tank of that id.
     *
     * @throws Refusal {@code unknown-tank}
     */
    @Transactional(readOnly = true)
    public Tank tank(long id) {
        return tanks().stream()
                .filter(tank -> tank.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownTank()));
    }

    /** Its bottles, the smallest first. */
    @Transactional(readOnly = true)
    public List<Bottle> bottles() {
        return mapper.bottles(false);
    }

    /**
     * The bottle of that id, kept or removed.
     *
     * @throws Refusal {@code bottle-missing}
     */
    @Transactional(readOnly = true)
    public Bottle bottle(long id) {
        return Stream.concat(mapper.bottles(false).stream(), mapper.bottles(true).stream())
                .filter(bottle -> bottle.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
    }

    /** The places where its bottles stand, by name. */
    @Transactional(readOnly = true)
    public List<Place> places() {
        return mapper.places(false);
    }

    /** What it measures with. */
    @Transactional(readOnly = true)
    public List<Tool> tools() {
        return mapper.tools(false);
    }

    /** Its heaters, by name. */
    @Transactional(readOnly = true)
    public List<Heater> heaters() {
        return mapper.heaters(false);
    }

    /** The jugs that it mixes in, the smallest first. */
    @Transactional(readOnly = true)
    public List<Jug> jugs() {
        return mapper.jugs(false);
    }

    /** Its water, its room and how long kits take to come. */
    @Transactional(readOnly = true)
    public Surroundings surroundings() {
        Surroundings kept = mapper.surroundings();
        return kept == null ? Surroundings.UNTOLD : kept;
    }

    /** Whether somebody has said what its water and its room are like. */
    @Transactional(readOnly = true)
    public boolean waterSaid() {
        return mapper.waterSaid();
    }

    /** Its water bath; empty where nobody said what it is like. */
    @Transactional(readOnly = true)
    public Optional<WaterBath> waterBath() {
        return Optional.ofNullable(mapper.tub());
    }

    /** Says what its water bath is like from now on. */
    @Transactional
    public void keepTub(long memberId, WaterBath bath, Instant at) {
        mapper.addTub(bath, memberId, at);
    }

    /** Changes those. */
    @Transactional
    public void change(Surroundings surroundings) {
        mapper.changeSurroundings(surroundings);
    }

    /** Everything of a kind, kept or removed, by id and name. */
    @Transactional(readOnly = true)
    public Map<Long, String> names(Thing thing, boolean removed) {
        Map<Long, String> names = new LinkedHashMap<>();
        switch (thing) {
            case TANK -> mapper.tanks(removed).forEach(tank -> names.put(tank.id(), tank.name()));
            case BOTTLE -> mapper.bottles(removed).forEach(bottle -> names.put(bottle.id(), bottle.label()));
            case PLACE -> mapper.places(removed).forEach(place -> names.put(place.id(), place.name()));
            case TOOL -> mapper.tools(removed).forEach(tool -> names.put(tool.id(), tool.name()));
            case JUG -> mapper.jugs(removed).forEach(jug -> names.put(jug.id(), jug.name()));
            case HEATER -> mapper.heaters(removed).forEach(heater -> names.put(heater.id(), heater.name()));
        }
        return names;
    }

    /** Gives the house its name, currency, time zone, units and address, once. */
    @Transactional
    public void setUp(House house) {
        mapper.addHouse(row(house));
    }

    /** Changes everything about the house. */
    @Transactional
    public void change(House house) {
        mapper.changeHouse(row(house));
    }

    private static HouseMapper.Row row(House house) {
        return new HouseMapper.Row(
                house.name(), house.currency().getCode(), house.timeZone().getId(), house.units(), house.address());
    }

    /**
     * Adds something. A name stays with the thing that had it, for the log; what was removed can be brought back.
     *
     * @throws Refusal {@code name-taken} or {@code name-of-removed}
     */
    @Transactional
    public void add(Owned owned) {
        refuseTaken(names(owned.thing(), false), owned, FormObjection.NameTaken::new);
        refuseTaken(names(owned.thing(), true), owned, FormObjection.NameOfRemoved::new);
        owned.add(mapper);
    }

    /**
     * Changes what is known of something.
     *
     * @throws Refusal {@code unknown-thing} or {@code name-taken}
     */
    @Transactional
    public void change(long id, Owned owned) {
        Map<Long, String> others = new LinkedHashMap<>(names(owned.thing(), false));
        others.putAll(names(owned.thing(), true));
        if (others.remove(id) == null) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(id)));
        }
        refuseTaken(others, owned, FormObjection.NameTaken::new);
        owned.change(mapper, id);
    }

    private static void refuseTaken(Map<Long, String> taken, Owned owned, Function<String, FormObjection> objection) {
        if (taken.values().stream().anyMatch(owned.name()::equalsIgnoreCase)) {
            throw Refusal.of(objection.apply(owned.name()));
        }
    }

    /** Something on a list, as it is described now; empty for none of that id. */
    @Transactional(readOnly = true)
    public Optional<Owned> described(Thing thing, long id) {
        Stream<Map.Entry<Long, Owned>> all =
                switch (thing) {
                    case TANK ->
                        tanks().stream()
                                .map(tank -> Map.entry(
                                        tank.id(),
                                        new Owned.OfTank(
                                                tank.name(),
                                                tank.volumeMl(),
                                                tank.rotaryMl(),
                                                tank.leastMl(),
                                                tank.holds())));
                    case BOTTLE ->
                        Stream.concat(mapper.bottles(false).stream(), mapper.bottles(true).stream())
                                .map(each -> Map.entry(
                                        each.id(),
                                        new Owned.OfBottle(each.label(), each.capacityMl(), each.material())));
                    case PLACE ->
                        mapper.places(false).stream().map(each -> Map.entry(each.id(), new Owned.OfPlace(each.name())));
                    case TOOL ->
                        mapper.tools(false).stream()
                                .map(each -> Map.entry(
                                        each.id(),
                                        new Owned.OfTool(
                                                each.name(), each.kind(), each.capacity(), each.graduation())));
                    case JUG ->
                        mapper.jugs(false).stream()
                                .map(each -> Map.entry(each.id(), new Owned.OfJug(each.name(), each.capacityMl())));
                    case HEATER ->
                        mapper.heaters(false).stream()
                                .map(each -> Map.entry(each.id(), new Owned.OfHeater(each.name(), each.offsetC())));
                };
        return all.filter(each -> each.getKey() == id).map(Map.Entry::getValue).findFirst();
    }

    /**
     * Removes something from its list, or brings it back.
     *
     * @throws Refusal {@code unknown-thing}
     */
    @Transactional
    public void remove(Thing thing, long id, boolean removed) {
        if (!names(thing, !removed).containsKey(id)) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(id)));
        }
        switch (thing) {
            case TANK -> mapper.removeTank(id, removed);
            case BOTTLE -> mapper.removeBottle(id, removed);
            case PLACE -> mapper.removePlace(id, removed);
            case TOOL -> mapper.removeTool(id, removed);
            case JUG -> mapper.removeJug(id, removed);
            case HEATER -> mapper.removeHeater(id, removed);
        }
    }
}
