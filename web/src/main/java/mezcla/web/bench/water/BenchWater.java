package mezcla.web.bench.water;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.leaflet.MixingTemperature;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.HouseWater;
import mezcla.mixing.MixPlan;
import mezcla.mixing.MixWarmth;
import mezcla.processing.WaterInTurn;
import mezcla.web.settings.things.Heater;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/** Water and its temperatures, in words, with what the house can draw. */
public final class BenchWater {

    private final Surroundings around;
    private final HouseWater water;
    private final List<Heater> heaters;
    private final InTheTub tub;

    /** How mixing water comes to temperature in the house's tub, one vessel after the other; empty where nobody knows. */
    public interface InTheTub {
        Optional<WaterInTurn> warmed(List<WaterInTurn.Vessel> vessels);
    }

    public BenchWater(Surroundings around, List<Heater> heaters, InTheTub tub) {
        this.tub = tub;
        this.around = around;
        this.water = around.water();
        this.heaters = heaters;
    }

    /** How warm the start water of a bath is drawn: as the recipe wants it, else as the room is. */
    public double startC(MixPlan mix) {
        return water.startC(mix);
    }

    /** How water of a volume and temperature is made. */
    public String blend(double volumeMl, double wantC) {
        HouseWater.Drawn drawn = water.drawn(volumeMl, wantC);
        return switch (drawn.source()) {
            case CHILLED -> "The cold tap is warmer than that: use chilled water.";
            case NOWHERE -> "No water of the house is that hot.";
            case COLD_TAP -> "All from the cold tap (%s).".formatted(Figures.celsius(around.coldWaterC()));
            case HOT_TAP -> blend(drawn, "hot tap");
            case KETTLE -> blend(drawn, "kettle");
        };
    }

    private String blend(HouseWater.Drawn drawn, String source) {
        return "%s from the %s (%s) and %s cold (%s); measure it again."
                .formatted(
                        Figures.ml(drawn.hotMl()),
                        source,
                        Figures.celsius(drawn.hotC()),
                        Figures.ml(drawn.coldMl()),
                        Figures.celsius(around.coldWaterC()));
    }

    /** What the water of a bath is like from start to end. */
    public List<String> lines(BatchPlan.PlannedBath bath) {
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
        HouseWater.Landing landing = water.landing(mix, bath.bath().timing().atC());
        String wanted = Figures.celsius(landing.wantedC());
        String line = "To run film straight away at %s, start at %s and top up at %s."
                .formatted(wanted, Figures.celsius(landing.startC()), wanted);
        MixingTemperature mixing = mix.recipe().mixingC();
        lines.add(
                switch (landing.reach()) {
                    case NO_WATER -> "No start water lands this at %s: warm the bottle instead.".formatted(wanted);
                    case ABOVE_MIXING ->
                        line
                                + " That is above the %s the sheet allows: better warm the bottle afterwards."
                                        .formatted(allowed(mixing, MixWarmth::mostC));
                    case BELOW_MIXING ->
                        "To land at %s it would start at %s, below the %s at which the sheet has it mixed, where powder does not"
                                        .formatted(
                                                wanted,
                                                Figures.celsius(landing.startC()),
                                                allowed(mixing, MixWarmth::leastC))
                                + " dissolve: mix it warm, and let it cool to %s.".formatted(wanted);
                    case ABOVE_HOT_TAP -> line + " The hot tap does not reach that.";
                    case FINE -> line;
                });
    }

    private static String allowed(@Nullable MixingTemperature mixing, Function<MixWarmth, @Nullable Double> limit) {
        Double celsius = mixing == null ? null : limit.apply(MixWarmth.of(mixing));
        return celsius == null ? "" : Figures.celsius(celsius);
    }

    /** All the water that a plan draws, in the order of mixing. */
    public List<String> draws(BatchPlan plan) {
        return drawn(plan)
                .map(bath -> "%s at %s for the %s"
                        .formatted(
                                Figures.ml(bath.mix().startWaterMl()),
                                Figures.celsius(startC(bath.mix())),
                                Figures.within(bath.bath().role().name())))
                .toList();
    }

    private static Stream<BatchPlan.PlannedBath> drawn(BatchPlan plan) {
        return plan.baths().stream().filter(bath -> bath.mix().startWaterMl() > 0);
    }

    /** Where no tap gives warm water, or it has to be distilled: when each bath's is warm in the tub; empty for nothing. */
    public String inTheTub(BatchPlan plan) {
        List<BatchPlan.PlannedBath> warm = drawn(plan)
                .filter(bath -> startC(bath.mix()) > around.roomC() + 1)
                .toList();
        List<WaterInTurn.Vessel> vessels = warm.stream()
                .map(bath -> new WaterInTurn.Vessel(
                        (bath.mix().startWaterMl() + bath.mix().topUpMl()) / 1000, startC(bath.mix())))
                .toList();
        return warm.isEmpty()
                ? ""
                : tub.warmed(vessels).map(all -> inTurn(warm, all)).orElse("");
    }

    private static String inTurn(List<BatchPlan.PlannedBath> baths, WaterInTurn all) {
        List<String> turns = new ArrayList<>();
        for (int i = 0; i < baths.size(); i++) {
            WaterInTurn.Turn turn = all.turns().get(i);
            Integer ready = turn.readySeconds();
            turns.add("%s for the %s%s, tub at %s: %s"
                    .formatted(
                            Figures.ml(turn.vessel().litres() * 1000),
                            Figures.within(baths.get(i).bath().role().name()),
                            turn.fromTheStart() ? "" : ", put in now",
                            Figures.celsius(turn.vessel().wantedC()),
                            ready == null
                                    ? "not within four hours"
                                    : "warm after about %d min".formatted((int) Math.ceil(ready / 60.0))));
        }
        return String.join("; then ", turns) + ". That is start and top-up water together, from cold.";
    }

    /** What to set each heater to, so that the water really has the temperature of a plan's warmest draw. */
    public String heaters(BatchPlan plan) {
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
