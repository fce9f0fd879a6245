package mezcla.web.bench.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import mezcla.leaflet.Recipe;
import mezcla.measure.Refusal;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.MixPlan;
import mezcla.mixing.WaterBlend;
import mezcla.web.house.Heater;
import mezcla.web.house.Surroundings;
import mezcla.web.words.Figures;

/** Water and its temperatures, in words, with what the house can draw. */
public final class BenchWater {
    private static final double KETTLE_C = 95;

    private final Surroundings around;
    private final List<Heater> heaters;

    BenchWater(Surroundings around, List<Heater> heaters) {
        this.around = around;
        this.heaters = heaters;
    }

    /** How warm the start water of a bath is drawn: as the recipe wants it, else as the room is. */
    public double startC(MixPlan mix) {
        Recipe.MixingTemperature mixing = mix.recipe().mixingC();
        return mixing == null ? around.roomC() : mixing.target();
    }

    /** How water of a volume and temperature is made. */
    public String blend(double volumeMl, double wantC) {
        try {
            return blend(volumeMl, wantC, around.hotWaterC(), "hot tap");
        } catch (Refusal tooHot) {
            try {
                return blend(volumeMl, wantC, KETTLE_C, "kettle");
            } catch (Refusal outOfReach) {
                return wantC < around.coldWaterC()
                        ? "The cold tap is warmer than that: use chilled water."
                        : "No water of the house is that hot.";
            }
        }
    }

    private String blend(double volumeMl, double wantC, double hotC, String source) {
        WaterBlend blend = WaterBlend.of(volumeMl, wantC, hotC, around.coldWaterC());
        if (blend.hotMl() < 0.5) {
            return "All from the cold tap (%s).".formatted(Figures.celsius(around.coldWaterC()));
        }
        return "%s from the %s (%s) and %s cold (%s); measure it again."
                .formatted(
                        Figures.ml(blend.hotMl()),
                        source,
                        Figures.celsius(hotC),
                        Figures.ml(blend.coldMl()),
                        Figures.celsius(around.coldWaterC()));
    }

    /** What the water of a bath is like from start to end. */
    List<String> lines(BatchPlan.PlannedBath bath) {
        MixPlan mix = bath.mix();
        List<String> lines = new ArrayList<>();
        if (mix.startWaterMl() <= 0) {
            return lines;
        }
        double start = startC(mix);
        lines.add(Figures.sentence(blend(mix.startWaterMl(), start)));
        double after = mix.afterPartsC(around.roomC(), start);
        double landed = mix.landedC(around.roomC(), start, start);
        lines.add("About %s once the parts are in, %s topped up with water of %s."
                .formatted(Figures.celsius(after), Figures.celsius(landed), Figures.celsius(start)));
        landing(bath, lines);
        return lines;
    }

    /** For running film straight away. */
    private void landing(BatchPlan.PlannedBath bath, List<String> lines) {
        MixPlan mix = bath.mix();
        double wanted = bath.bath().timing().atC();
        double start = mix.startWaterForLandingC(around.roomC(), wanted, wanted);
        Recipe.MixingTemperature mixing = mix.recipe().mixingC();
        String line = "To run film straight away at %s, start at %s and top up at %s."
                .formatted(Figures.celsius(wanted), Figures.celsius(start), Figures.celsius(wanted));
        if (start > 100 || start < 0) {
            lines.add("No start water lands this at %s: warm the bottle instead.".formatted(Figures.celsius(wanted)));
        } else if (mixing != null && start > mixing.max() + 0.05) {
            lines.add(line
                    + " That is above the %s the sheet allows: better warm the bottle afterwards."
                            .formatted(Figures.celsius(mixing.max())));
        } else if (start > around.hotWaterC()) {
            lines.add(line + " The hot tap does not reach that.");
        } else {
            lines.add(line);
        }
    }

    /** All the water that a plan draws, the cooler first. */
    List<String> draws(BatchPlan plan) {
        return plan.baths().stream()
                .filter(bath -> bath.mix().startWaterMl() > 0)
                .sorted(Comparator.comparingDouble(bath -> startC(bath.mix())))
                .map(bath -> "%s at %s for the %s"
                        .formatted(
                                Figures.ml(bath.mix().startWaterMl()),
                                Figures.celsius(startC(bath.mix())),
                                Figures.within(bath.bath().role().name())))
                .toList();
    }

    /** What to set each heater to, so that the water really has the temperature of a plan's warmest draw. */
    String heaters(BatchPlan plan) {
        double warmest = plan.baths().stream()
                .filter(bath -> bath.mix().startWaterMl() > 0)
                .mapToDouble(bath -> startC(bath.mix()))
                .max()
                .orElse(around.roomC());
        return heaters.stream()
                .map(heater -> "%s at %s".formatted(heater.name(), Figures.celsius(warmest - heater.offsetC())))
                .collect(Collectors.joining(", or "));
    }
}
