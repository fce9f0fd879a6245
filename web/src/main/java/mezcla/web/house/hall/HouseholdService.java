package mezcla.web.house.hall;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import mezcla.batch.Bottling;
import mezcla.batch.Light;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.Mixes;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.house.RunHabits;
import mezcla.web.house.Surroundings;
import mezcla.web.house.Tank;
import mezcla.web.house.Thing;
import mezcla.web.house.Tool;
import mezcla.web.house.things.ReadingsFile;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Begins a house, and keeps its members, tanks and bottles. */
@Service
public class HouseholdService {
    private final HouseService houses;
    private final Mixes mixes;
    private final Members members;
    private final Devices devices;
    private final DarkroomLog log;
    private final LogClock logClock;
    private final Clock clock;

    HouseholdService(
            HouseService houses,
            Members members,
            Devices devices,
            DarkroomLog log,
            Mixes mixes,
            LogClock logClock,
            Clock clock) {
        this.logClock = logClock;
        this.clock = clock;
        this.devices = devices;
        this.mixes = mixes;
        this.houses = houses;
        this.members = members;
        this.log = log;
    }

    /** Whether somebody belongs to the house already. */
    @Transactional(readOnly = true)
    public boolean begun() {
        return !members.all().isEmpty();
    }

    /**
     * Reads a currency by its three letters.
     *
     * @throws Refusal {@code unknown-currency}
     */
    public static CurrencyUnit currency(String typed) {
        try {
            return CurrencyUnit.of(typed.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalCurrencyException e) {
            throw Refusal.of(new FormObjection.UnknownCurrency(typed.strip()));
        }
    }

    /**
     * Reads a time zone by its name.
     *
     * @throws Refusal {@code unknown-time-zone}
     */
    public static ZoneId timeZone(String typed) {
        String text = typed.strip();
        if (!ZoneId.getAvailableZoneIds().contains(text)) {
            throw Refusal.of(new FormObjection.UnknownTimeZone(text));
        }
        return ZoneId.of(text);
    }

    /**
     * Reads in what units figures are read.
     *
     * @throws Refusal {@code unknown-units}
     */
    public static Units units(String typed) {
        return TypedChoice.of(Units.values(), typed, new FormObjection.UnknownUnits());
    }

    /**
     * Reads where links to the house lead, without a slash at the end.
     *
     * @return the address; null when nothing was typed
     * @throws Refusal {@code not-an-address}
     */
    public static @Nullable String address(String typed) {
        String text = typed.strip().replaceAll("/+$", "");
        if (text.isEmpty()) {
            return null;
        }
        if (!text.matches("https?://[a-zA-Z0-9.-]{1,100}(:[0-9]{1,5})?(/[a-zA-Z0-9._/-]{0,60})?")) {
            throw Refusal.of(new FormObjection.NotAnAddress(text));
        }
        return text;
    }

    /**
     * Begins the house with its first steward.
     *
     * @throws Refusal {@code house-begun} when somebody was quicker, or what {@link Members#add} refuses
     */
    @Transactional
    public void begin(House house, String name, String signInName, String password) {
        if (begun()) {
            throw Refusal.of(new FormObjection.HouseBegun());
        }
        members.add(signInName, name, password, "STEWARD");
        houses.setUp(house);
    }

    /** Everybody, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> people() {
        return members.all();
    }

    /** Adds a member or another steward. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addMember(String name, String signInName, String password, boolean steward) {
        members.add(signInName, name, password, steward ? "STEWARD" : "MEMBER");
        SignedIn.here()
                .ifPresent(by -> devices.record(by, "added %s, a %s".formatted(name, steward ? "steward" : "member")));
    }

    private String name(long memberId) {
        return members.all().stream()
                .filter(each -> each.id() == memberId)
                .map(SignedIn::name)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownMember()));
    }

    /** Gives a member a new password. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void resetPassword(long memberId, String password) {
        members.setPassword(memberId, password);
        SignedIn.here().ifPresent(by -> devices.record(by, "gave %s another password".formatted(name(memberId))));
    }

    /**
     * Changes what the house is called and how it is read; its currency stays.
     *
     * @param name what it is called
     * @param timeZone where its days begin
     * @param units how figures are read
     * @param address where links lead; null for nowhere yet
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(String name, ZoneId timeZone, Units units, @Nullable String address) {
        houses.change(new House(name, houses.house().currency(), timeZone, units, address));
    }

    /** Goes on with the machine's clock as it is. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void trustClock(SignedIn steward) {
        logClock.trust();
        devices.record(steward, "said that the clock is right");
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
    }

    /**
     * Says what goes into a tank.
     *
     * @throws Refusal {@code unknown-tank} or {@code least-above-tank}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void fill(
            long tankId, @Nullable Double rotaryMl, @Nullable Double leastMl, Map<FilmFormat.Reel, Integer> holds) {
        Tank tank = houses.tank(tankId);
        refuseLeast(tank.volumeMl(), leastMl);
        houses.fill(tank.id(), rotaryMl, leastMl, holds);
    }

    /** Changes what the house does during a run. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(RunHabits habits) {
        houses.change(habits);
    }

    /** Adds bottles that are all alike, one for each label. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addBottles(List<String> labels, Volume capacity, Bottle.Material material) {
        labels.forEach(label -> houses.addBottle(label, capacity.ml(), material));
    }

    /** Adds a place where bottles stand. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addPlace(String name) {
        houses.addPlace(name);
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
        if (graduation > capacity) {
            throw Refusal.of(new FormObjection.GraduationCoarse());
        }
        houses.addTool(name, kind, capacity, graduation);
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
        houses.setClimate(placeId, quartersC, light);
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
    }

    /**
     * Changes the water, the room and how long kits take to come.
     *
     * @throws Refusal {@code hot-not-hotter} when hot water is no warmer than cold
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(Surroundings surroundings) {
        if (surroundings.hotWaterC() <= surroundings.coldWaterC()) {
            throw Refusal.of(new FormObjection.HotNotHotter());
        }
        houses.change(surroundings);
    }

    /** Adds a heater; its offset is how much warmer the water is than it says, in K. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addHeater(String name, double offsetC) {
        houses.addHeater(name, offsetC);
    }

    /**
     * Corrects what a heater is off by.
     *
     * @throws Refusal {@code unknown-thing}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void setOffset(long heaterId, double offsetC) {
        if (!houses.names(Thing.HEATER, false).containsKey(heaterId)) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(heaterId)));
        }
        houses.setOffset(heaterId, offsetC);
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
        houses.remove(thing, id, removed);
    }

    private boolean isEmpty(long bottleId) {
        Bottling shelf = mixes.shelf(log.state());
        return houses.bottles().stream()
                .filter(bottle -> bottle.id() == bottleId)
                .allMatch(shelf::isFree);
    }
}
