package mezcla.processing;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Timing;
import org.jspecify.annotations.Nullable;

/**
 * A run that is practised: a sheet's fresh times without film or chemistry, in a bath that is reckoned.
 *
 * @param leaflet the sheet
 * @param choices how the run is done
 * @param fault what goes wrong with the bath or its probe
 */
public record Exercise(Leaflet leaflet, RunSteps.Choices choices, SimulatedBath.Fault fault) {
    private static final double TUB_LITRES = 12;
    private static final double TUB_W = 800;
    private static final double TUB_W_PER_K = 8;
    private static final double BOTTLE_LITRES = 1;
    private static final double FAULT_AFTER_SECONDS = 120;
    private static final int READ_EVERY_SECONDS = 5;
    private static final int MOST_SECONDS = 3 * 3600;

    /** Its steps, in fresh baths. */
    public RunSteps steps() {
        Map<String, Integer> seconds = new HashMap<>();
        leaflet.baths()
                .forEach(bath -> seconds.put(
                        bath.key(), (int) Math.round(timing(bath.key()).baseSeconds())));
        return RunSteps.of(leaflet, seconds, choices);
    }

    /** What the sheet says of a bath's time, as the tank is moved. */
    public Timing timing(String bathKey) {
        Bath bath = leaflet.bath(bathKey);
        return choices.movement() == Movement.ROTARY ? bath.turning() : bath.timing();
    }

    /**
     * What the probe shows: the bath is warm when the first step is poured.
     *
     * @param happened what was confirmed
     * @param until until when
     * @param roomC how warm the room is, in °C
     * @return seconds from the first pour, and °C; empty before it
     */
    public List<EquivalentDevelopment.Reading> readings(List<RunProgress.Event> happened, Instant until, double roomC) {
        Instant began = began(happened);
        if (began == null || until.isBefore(began)) {
            return List.of();
        }
        double atC =
                leaflet.imageDeveloper().orElse(leaflet.baths().get(0)).timing().atC();
        SimulatedBath bath = new SimulatedBath(
                new WarmUp.Tub(TUB_LITRES, TUB_W, TUB_W_PER_K, roomC, atC),
                List.of(new WarmUp.Warmed(BOTTLE_LITRES, WarmUp.usualWPerK(true, BOTTLE_LITRES), atC)),
                atC,
                fault,
                FAULT_AFTER_SECONDS,
                began.getEpochSecond());
        long elapsed = Math.min(MOST_SECONDS, until.getEpochSecond() - began.getEpochSecond());
        return bath.readings(READ_EVERY_SECONDS, (int) elapsed).stream()
                .map(shown -> new EquivalentDevelopment.Reading(shown.seconds(), shown.celsius()))
                .toList();
    }

    /** When its first step was poured; null before it. */
    public static @Nullable Instant began(List<RunProgress.Event> happened) {
        return happened.stream()
                .filter(event -> event.kind() == RunProgress.Kind.POUR)
                .map(RunProgress.Event::at)
                .min(Comparator.naturalOrder())
                .orElse(null);
    }
}
