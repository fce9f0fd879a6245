package mezcla.web.house.things;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToLongFunction;
import mezcla.batch.Light;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Heater;
import mezcla.web.settings.things.Jug;
import mezcla.web.settings.things.Tank;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.Tool;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The pages of the rooms Things and Places. */
@Service
class ThingPages {
    private static final List<Thing> THINGS = List.of(Thing.TANK, Thing.TOOL, Thing.JUG, Thing.HEATER, Thing.BOTTLE);
    private static final List<String> QUARTERS =
            List.of("December to February", "March to May", "June to August", "September to November");

    private final HouseService houses;
    private final ThingsService things;

    ThingPages(HouseService houses, ThingsService things) {
        this.houses = houses;
        this.things = things;
    }

    /**
     * The room of things.
     *
     * @param heading how many there are
     * @param lists the lists
     * @param bath what the water bath is like, in words; empty where nobody said
     */
    record Things(String heading, List<ThingList> lists, String bath) {}

    /** The room of places. */
    record Places(String heading, ThingList list) {}

    /**
     * The page of one thing, or of a new one.
     *
     * @param heading what it is
     * @param list where it is listed
     * @param kind tank, bottle …
     * @param id which one; null for a new one
     * @param typed what stands in its fields
     * @param inUse what it is in use for; empty for nothing
     * @param isRemoved whether it is off its list
     * @param readings how many temperatures were read at a place
     */
    record One(
            String heading,
            String list,
            String kind,
            @Nullable Long id,
            Map<String, String> typed,
            String inUse,
            boolean isRemoved,
            long readings,
            List<String> quarters,
            List<Light> lights,
            List<FilmFormat.Reel> reels,
            List<Bottle.Material> materials,
            List<Tool.Kind> toolKinds) {}

    /** The page of the water bath. */
    record Bath(Map<String, String> typed) {}

    @Transactional(readOnly = true)
    Things things() {
        List<ThingList> lists = THINGS.stream()
                .map(thing -> ThingList.of(houses, thing, things.inUse(thing)))
                .toList();
        List<String> counted = new ArrayList<>();
        lists.forEach(list -> counted.add(
                Figures.count(list.kept().size(), list.thing().name().toLowerCase(Locale.ROOT))));
        return new Things(
                Figures.sentence(String.join(", ", counted)),
                lists,
                houses.waterBath().map(ThingPages::words).orElse(""));
    }

    private static String words(WaterBath bath) {
        return "%s litres, %s"
                .formatted(
                        Figures.plain(bath.litres(), 1),
                        bath.powerW() == 0
                                ? "without a heater"
                                : "heated by " + Figures.plain(bath.powerW(), 0) + "\u00a0W");
    }

    @Transactional(readOnly = true)
    Places places() {
        ThingList list = ThingList.of(houses, Thing.PLACE, things.inUse(Thing.PLACE));
        return new Places(
                list.kept().isEmpty()
                        ? "Nobody has said yet where bottles stand"
                        : "Bottles stand in %s"
                                .formatted(Figures.count(list.kept().size(), "place")),
                list);
    }

    @Transactional(readOnly = true)
    Bath bath(Map<String, String> typed) {
        Map<String, String> fields =
                new HashMap<>(houses.waterBath().map(WaterBath::asTyped).orElse(Map.of()));
        fields.putAll(typed);
        return new Bath(fields);
    }

    /**
     * The page of one thing.
     *
     * @param id which one; null for a new one
     * @param typed what was typed on it; empty for as it is kept
     * @throws Refusal {@code unknown-thing}
     */
    @Transactional(readOnly = true)
    One one(Thing thing, @Nullable Long id, Map<String, String> typed) {
        String kind = thing.name().toLowerCase(Locale.ROOT);
        boolean isRemoved = id != null && houses.names(thing, true).containsKey(id);
        if (id != null && !isRemoved && !houses.names(thing, false).containsKey(id)) {
            throw Refusal.of(new FormObjection.UnknownThing(String.valueOf(id)));
        }
        Map<String, String> fields = new HashMap<>(id == null || isRemoved ? Map.of() : kept(thing, id));
        fields.putAll(typed);
        return new One(
                id == null
                        ? "Another " + kind
                        : houses.names(thing, isRemoved).getOrDefault(id, "") + (isRemoved ? ", removed" : ""),
                ThingList.address(thing),
                kind,
                id,
                fields,
                id == null ? "" : things.inUse(thing).getOrDefault(id, ""),
                isRemoved,
                id == null || thing != Thing.PLACE ? 0 : houses.climateOf(id).readings(),
                QUARTERS,
                List.of(Light.values()),
                List.of(FilmFormat.Reel.values()),
                List.of(Bottle.Material.values()),
                List.of(Tool.Kind.values()));
    }

    private Map<String, String> kept(Thing thing, long id) {
        return switch (thing) {
            case TANK -> tank(houses.tank(id));
            case BOTTLE -> {
                Bottle bottle = houses.bottle(id);
                yield Map.of(
                        "bottle", bottle.label(),
                        "bottleVolume", Figures.ml(bottle.capacityMl()),
                        "material", bottle.material().name());
            }
            case PLACE -> place(id);
            case TOOL -> {
                Tool tool = one(houses.tools(), id, Tool::id);
                yield Map.of(
                        "tool", tool.name(),
                        "toolKind", tool.kind().name(),
                        "toolCapacity", Figures.inMarks(tool.capacity(), tool.measuring()),
                        "toolGraduation", Figures.inMarks(tool.graduation(), tool.measuring()));
            }
            case JUG -> {
                Jug jug = one(houses.jugs(), id, Jug::id);
                yield Map.of("jug", jug.name(), "jugVolume", Figures.ml(jug.capacityMl()));
            }
            case HEATER -> {
                Heater heater = one(houses.heaters(), id, Heater::id);
                yield Map.of("heater", heater.name(), "heaterOffset", Figures.plain(heater.offsetC(), 2));
            }
        };
    }

    private static <T> T one(List<T> all, long id, ToLongFunction<T> idOf) {
        return all.stream()
                .filter(each -> idOf.applyAsLong(each) == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(String.valueOf(id))));
    }

    private static Map<String, String> tank(Tank tank) {
        Map<String, String> fields = new HashMap<>();
        fields.put("tank", tank.name());
        fields.put("tankVolume", Figures.ml(tank.volumeMl()));
        Double rotary = tank.rotaryMl();
        Double least = tank.leastMl();
        fields.put("tankRotary", rotary == null ? "" : Figures.ml(rotary));
        fields.put("tankLeast", least == null ? "" : Figures.ml(least));
        Arrays.stream(FilmFormat.Reel.values())
                .filter(reel -> tank.holds().containsKey(reel))
                .forEach(reel ->
                        fields.put("holds" + reel, String.valueOf(tank.holds().get(reel))));
        return fields;
    }

    private Map<String, String> place(long id) {
        Map<String, String> fields = new HashMap<>();
        fields.put("place", houses.names(Thing.PLACE, false).getOrDefault(id, ""));
        ClimateView climate = ClimateView.of(houses.climateOf(id));
        for (int i = 0; i < climate.quarters().size(); i++) {
            fields.put("quarter" + i, climate.quarters().get(i));
        }
        fields.put("light", climate.light());
        return fields;
    }
}
