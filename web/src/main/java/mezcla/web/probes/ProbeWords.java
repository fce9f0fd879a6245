package mezcla.web.probes;

import java.util.List;
import mezcla.processing.ProbeWatch;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/** What probes show, in words. */
public final class ProbeWords {
    private ProbeWords() {}

    /** What a probe shows: {@code Bath probe: 37.8 °C}. */
    public static String shows(Probe probe, List<Probe.Reading> readings) {
        return probe.name()
                + ": "
                + (readings.isEmpty()
                        ? "nothing yet"
                        : Figures.celsius(readings.get(readings.size() - 1).celsius()));
    }

    /** What was found, as a sentence; empty for nothing. */
    public static String finding(ProbeWatch.@Nullable Finding finding) {
        if (finding == null) {
            return "";
        }
        return switch (finding) {
            case SILENT -> "The probe has said nothing for a minute. Measure by hand.";
            case OUT_OF_WATER -> "It fell faster than water can: the probe may be out of the water.";
            case COOLING -> "Below what is wanted, and falling: is the heater on, and under water?";
        };
    }
}
