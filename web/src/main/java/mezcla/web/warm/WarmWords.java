package mezcla.web.warm;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.log.Bottle;
import mezcla.mixing.HouseWater;
import mezcla.verdict.Warming;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.words.Figures;

/** What a run wants warm, in words. */
final class WarmWords {
    private WarmWords() {}

    /** Each bottle with its own range, and the water that stands with them. */
    static List<String> ranges(Warming warming, BatchState batch) {
        List<String> ranges = new ArrayList<>();
        for (Warming.Bottle bottle : warming.bottles()) {
            ranges.add("%s: %s to %s"
                    .formatted(
                            bottle.fill().bath().role().name(),
                            Figures.celsius(bottle.leastC()),
                            Figures.celsius(bottle.mostC())));
        }
        for (Warming.Water water : warming.inTub()) {
            ranges.add("Water for %s, %s: about %s%s"
                    .formatted(
                            water.name(),
                            Figures.ml(water.ml()),
                            Figures.celsius(water.atC()),
                            water.neededAfter() < 60
                                    ? ""
                                    : ", needed %s after the first pour"
                                            .formatted(Figures.count(water.neededAfter() / 60, "minute"))));
        }
        String folding = batch.fills().stream()
                .filter(fill -> fill.discarded() == null && fill.bottle().material() == Bottle.Material.FOLDING)
                .map(fill -> fill.bottle().label())
                .collect(Collectors.joining(", "));
        if (!folding.isEmpty()) {
            ranges.add("%s: let air in before it is warmed, or it tips over; squeeze it again afterwards."
                    .formatted(folding));
        }
        return ranges;
    }

    /**
     * The water that comes from the taps, each with its blend; and that of the bath itself, which starts warm then.
     *
     * @param tubC how warm the bath is to be, in °C
     * @param house what the house's taps give
     */
    static List<String> water(WarmService.Known known, double tubC, HouseWater house) {
        List<String> lines = new ArrayList<>();
        WaterBath tub = known.tub();
        if (tub != null) {
            HouseWater.Drawn drawn = house.drawn(tub.litres() * 1000, tubC);
            switch (drawn.source()) {
                case HOT_TAP -> lines.add(filled(tub, tubC, "the hot tap", drawn));
                case KETTLE -> lines.add(filled(tub, tubC, "the kettle", drawn));
                default -> {}
            }
        }
        known.warming().fromTaps().stream()
                .map(tap -> "Water for %s, %s at %s, from the taps: %s"
                        .formatted(tap.name(), Figures.ml(tap.ml()), Figures.celsius(tap.atC()), blend(tap.drawn())))
                .forEach(lines::add);
        return lines;
    }

    private static String filled(WaterBath tub, double tubC, String from, HouseWater.Drawn drawn) {
        return "The bath itself, %s: filled with %s from %s and %s cold, it starts at %s."
                .formatted(
                        Figures.inAll(tub.litres() * 1000),
                        Figures.inAll(drawn.hotMl()),
                        from,
                        Figures.inAll(drawn.coldMl()),
                        Figures.celsius(tubC));
    }

    /** The parts are rounded so that they add up to the whole. */
    private static String blend(HouseWater.Drawn drawn) {
        double hotMl = Math.rint(drawn.hotMl());
        double coldMl = Math.rint(drawn.hotMl() + drawn.coldMl()) - hotMl;
        return drawn.source() == HouseWater.Source.COLD_TAP
                ? "all of it cold."
                : "%s hot and %s cold.".formatted(Figures.ml(hotMl), Figures.ml(coldMl));
    }
}
