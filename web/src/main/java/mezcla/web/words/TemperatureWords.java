package mezcla.web.words;

import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import mezcla.leaflet.Bath;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Timing;
import mezcla.log.RunBath;
import org.jspecify.annotations.Nullable;

/** How warm a bath was, and whether that was near enough to what is printed (rules, 4.4). */
public final class TemperatureWords {
    private TemperatureWords() {}

    /** To follow a time; empty where nobody measured. */
    public static String after(RunBath run, Optional<Bath> bath) {
        Double celsius = run.celsius();
        if (celsius == null) {
            return "";
        }
        String at = " at " + Figures.celsius(celsius);
        return bath.map(Bath::timing)
                .filter(timing -> !timing.holds(celsius))
                .map(timing -> at + ", outside " + range(timing))
                .orElse(at);
    }

    /** A sentence for each bath of a run that was not as warm as printed. */
    public static List<String> outside(List<RunBath> baths, LongFunction<Optional<Bath>> known) {
        return baths.stream()
                .flatMap(run ->
                        known.apply(run.fillId()).stream().flatMap(bath -> outside(run.celsius(), bath).stream()))
                .toList();
    }

    private static Optional<String> outside(@Nullable Double celsius, Bath bath) {
        return celsius == null || bath.timing().holds(celsius)
                ? Optional.empty()
                : Optional.of("The %s was at %s, outside %s: that shows in film too."
                        .formatted(Figures.within(bath.role().name()), Figures.celsius(celsius), range(bath.timing())));
    }

    private static String range(Timing timing) {
        return Figures.celsius(timing.leastC()) + " to " + Figures.celsius(timing.mostC());
    }

    /** How warm a bath is mixed: {@code 40.0 °C (30.0 °C to 45.0 °C)}. */
    public static String mixing(MixingTemperature mixing) {
        Double least = mixing.min();
        Double most = mixing.max();
        String between = least != null && most != null
                ? " (%s to %s)".formatted(Figures.celsius(least), Figures.celsius(most))
                : least != null
                        ? " (at least %s)".formatted(Figures.celsius(least))
                        : most != null ? " (at most %s)".formatted(Figures.celsius(most)) : "";
        return Figures.celsius(mixing.target()) + between;
    }

    /** From where to where a bath may be mixed, as a sentence; empty where nothing is printed. */
    public static String mixingWillDo(MixingTemperature mixing) {
        Double least = mixing.min();
        Double most = mixing.max();
        if (least != null && most != null) {
            return "Between %s and %s will do.".formatted(Figures.celsius(least), Figures.celsius(most));
        }
        return least != null
                ? "At least %s.".formatted(Figures.celsius(least))
                : most != null ? "At most %s.".formatted(Figures.celsius(most)) : "";
    }
}
