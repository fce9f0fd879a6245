package mezcla.web.house.things;

import java.util.List;
import java.util.Map;
import mezcla.web.house.Heater;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.house.Thing;
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
     */
    public record Kept(long id, String name, String what) {}

    public static List<ThingList> all(HouseService houses) {
        return List.of(
                list(
                        houses,
                        Thing.TANK,
                        "tanks",
                        "Tanks",
                        houses.tanks().stream()
                                .map(tank -> new Kept(tank.id(), tank.name(), what(tank)))
                                .toList()),
                list(
                        houses,
                        Thing.BOTTLE,
                        "bottles",
                        "Bottles",
                        houses.bottles().stream()
                                .map(bottle -> new Kept(
                                        bottle.id(),
                                        bottle.label(),
                                        Figures.ml(bottle.capacityMl()) + " "
                                                + bottle.material().words()))
                                .toList()),
                list(
                        houses,
                        Thing.PLACE,
                        "places",
                        "Places",
                        houses.places().stream()
                                .map(place -> new Kept(place.id(), place.name(), ""))
                                .toList()),
                list(
                        houses,
                        Thing.TOOL,
                        "tools",
                        "Tools",
                        houses.tools().stream()
                                .map(tool -> new Kept(
                                        tool.id(),
                                        tool.name(),
                                        "%s, marked every %s"
                                                .formatted(
                                                        tool.kind().words(),
                                                        Figures.amount(
                                                                tool.graduation(),
                                                                tool.kind().unit()))))
                                .toList()),
                list(
                        houses,
                        Thing.JUG,
                        "jugs",
                        "Jugs",
                        houses.jugs().stream()
                                .map(jug -> new Kept(jug.id(), jug.name(), "holds " + Figures.ml(jug.capacityMl())))
                                .toList()),
                list(
                        houses,
                        Thing.HEATER,
                        "heaters",
                        "Heaters",
                        houses.heaters().stream()
                                .map(heater -> new Kept(heater.id(), heater.name(), offset(heater)))
                                .toList()));
    }

    private static ThingList list(HouseService houses, Thing thing, String address, String title, List<Kept> kept) {
        return new ThingList(thing, address, title, kept, houses.names(thing, true));
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
