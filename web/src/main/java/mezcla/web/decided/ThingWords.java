package mezcla.web.decided;

import java.util.Locale;
import java.util.stream.Collectors;
import mezcla.log.Bottle;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.house.Tool;
import mezcla.web.words.Figures;
import mezcla.web.words.TankWords;

/** What the house has, in words. */
public final class ThingWords {
    private ThingWords() {}

    /** A tank. */
    public static String of(Tank tank) {
        return "%s%s%s, %s"
                .formatted(
                        Figures.ml(tank.volumeMl()),
                        tank.rotaryMl() == null ? "" : ", rotary " + Figures.ml(tank.rotaryMl()),
                        tank.leastMl() == null ? "" : ", at least " + Figures.ml(tank.leastMl()),
                        tank.holds().isEmpty() ? "reels not recorded" : TankWords.holds(tank.holds()));
    }

    /** What a place is like. */
    public static String of(HouseService.PlaceClimate climate) {
        return climate.quartersC().stream().map(Figures::degrees).collect(Collectors.joining(", ")) + ", "
                + climate.light().name().toLowerCase(Locale.ROOT);
    }

    /** A bottle. */
    public static String bottle(double capacityMl, Bottle.Material material) {
        return Figures.ml(capacityMl) + ", " + material.name().toLowerCase(Locale.ROOT);
    }

    /** A tool. */
    public static String tool(Tool.Kind kind, double capacity, double graduation) {
        var tool = new mezcla.mixing.Tool("", kind.unit(), capacity, graduation);
        return "%s of %s, marked every %s"
                .formatted(kind.words(), Figures.inMarks(capacity, tool), Figures.inMarks(graduation, tool));
    }

    /** A heater. */
    public static String heater(double offsetC) {
        return "off by %s K".formatted(Figures.plain(offsetC, 1));
    }
}
