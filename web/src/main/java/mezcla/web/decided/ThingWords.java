package mezcla.web.decided;

import java.util.Locale;
import java.util.stream.Collectors;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;

/** What the house has, in words. */
public final class ThingWords {
    private ThingWords() {}

    /** What a place is like. */
    public static String of(HouseService.PlaceClimate climate) {
        return climate.quartersC().stream().map(Figures::degrees).collect(Collectors.joining(", ")) + ", "
                + climate.light().name().toLowerCase(Locale.ROOT);
    }
}
