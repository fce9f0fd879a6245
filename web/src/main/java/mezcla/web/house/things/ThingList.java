package mezcla.web.house.things;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import mezcla.log.Bottle;
import mezcla.log.Place;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Heater;
import mezcla.web.settings.things.Jug;
import mezcla.web.settings.things.Tank;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.Tool;
import mezcla.web.words.Figures;
import mezcla.web.words.TankWords;

/**
 * A list that the house keeps.
 *
 * @param thing what it is a list of
 * @param address where it is changed
 * @param title what it is called
 * @param kept what is on it
 * @param removed what is no longer, by id and name
 */
public record ThingList(Thing thing, String address, String title, List<Kept> kept, Map<Long, String> removed) {
    /**
     * Something on a list.
     *
     * @param id which one
     * @param name what it is called
     * @param what what else there is to know
     * @param inUse what it is in use for; empty for nothing
     */
    public record Kept(long id, String name, String what, String inUse) {}

    /** Where the list of a kind is changed. */
    static String address(Thing thing) {
        return thing.name().toLowerCase(Locale.ROOT) + "s";
    }

    /**
     * The list of a kind.
     *
     * @param inUse what things are in use for, by id
     */
    static ThingList of(HouseService houses, Thing thing, Map<Long, String> inUse) {
        Map<Long, String> what = what(houses, thing);
        return new ThingList(
                thing,
                address(thing),
                Figures.sentence(address(thing)),
                houses.names(thing, false).entrySet().stream()
                        .map(each -> new Kept(
                                each.getKey(),
                                each.getValue(),
                                what.getOrDefault(each.getKey(), ""),
                                inUse.getOrDefault(each.getKey(), "")))
                        .toList(),
                houses.names(thing, true));
    }

    private static Map<Long, String> what(HouseService houses, Thing thing) {
        return switch (thing) {
            case TANK -> by(houses.tanks(), Tank::id, ThingList::what);
            case BOTTLE ->
                by(
                        houses.bottles(),
                        Bottle::id,
                        bottle -> Figures.ml(bottle.capacityMl()) + " "
                                + bottle.material().words());
            case PLACE ->
                by(houses.places(), Place::id, place -> ClimateView.of(houses.climateOf(place.id()))
                        .summary());
            case TOOL ->
                by(houses.tools(), Tool::id, tool -> "%s, marked every %s"
                        .formatted(tool.kind().words(), Figures.inMarks(tool.graduation(), tool.measuring())));
            case JUG -> by(houses.jugs(), Jug::id, jug -> "holds " + Figures.ml(jug.capacityMl()));
            case HEATER -> by(houses.heaters(), Heater::id, ThingList::offset);
        };
    }

    private static <T> Map<Long, String> by(List<T> all, ToLongFunction<T> id, Function<T, String> what) {
        Map<Long, String> words = new HashMap<>();
        all.forEach(each -> words.put(id.applyAsLong(each), what.apply(each)));
        return words;
    }

    private static String what(Tank tank) {
        Double rotary = tank.rotaryMl();
        String reels = TankWords.holds(tank.holds());
        return "takes "
                + Figures.ml(tank.volumeMl())
                + (rotary == null ? "" : ", turning " + Figures.ml(rotary))
                + ", covers its reels from " + Figures.ml(tank.asUsed().leastMl())
                + (reels.isEmpty() ? "" : "; holds " + reels);
    }

    private static String offset(Heater heater) {
        if (heater.offsetC() == 0) {
            return "shows what it is";
        }
        return "water is %s\u00a0°C %s than it shows"
                .formatted(Figures.plain(Math.abs(heater.offsetC()), 1), heater.offsetC() > 0 ? "warmer" : "cooler");
    }
}
