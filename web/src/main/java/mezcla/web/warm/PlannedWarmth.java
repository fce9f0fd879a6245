package mezcla.web.warm;

import java.util.Arrays;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * What a planned run says about what has to be warm for it: its tank, the temperature it was planned at, and how it is
 * done.
 *
 * @param tankId the tank; null where nobody said
 * @param celsius how warm the developer is planned to be, in °C; null for as printed
 * @param choices how the run is done
 */
public record PlannedWarmth(@Nullable Long tankId, @Nullable Double celsius, RunSteps.Choices choices) {
    /** A run as the leaflet says, in the tank of the next roll. */
    public static final PlannedWarmth AS_USUAL = new PlannedWarmth(null, null, RunSteps.Choices.USUAL);

    /** Reads the address of a run's page, as it goes along with what leads away from it; what cannot be read is as usual. */
    static PlannedWarmth of(String query) {
        Map<String, String> typed = query(query).toSingleValueMap();
        String tank = typed.getOrDefault("tank", "");
        return new PlannedWarmth(
                tank.matches("[0-9]{1,9}") ? Long.valueOf(tank) : null,
                celsius(typed.getOrDefault("celsius", "")),
                new RunSteps.Choices(
                        chosen(RunSteps.Soak.values(), typed.get("preSoak")),
                        chosen(RunSteps.Between.values(), typed.get("between")),
                        chosen(RunSteps.FinalRinse.values(), typed.get("finalRinse")),
                        RunSteps.Wetting.LEAFLET,
                        chosen(Movement.values(), typed.get("movement")),
                        Map.of()));
    }

    private static MultiValueMap<String, String> query(String query) {
        return UriComponentsBuilder.fromUriString("/?" + query).build().getQueryParams();
    }

    private static @Nullable Double celsius(String typed) {
        if (typed.isBlank()) {
            return null;
        }
        try {
            return Temperature.parse(typed, Units.shown().temperature()).celsius();
        } catch (Refusal refusal) {
            return null;
        }
    }

    private static <E extends Enum<E>> E chosen(E[] choices, @Nullable String typed) {
        return Arrays.stream(choices)
                .filter(each -> each.name().equals(typed))
                .findFirst()
                .orElse(choices[0]);
    }
}
