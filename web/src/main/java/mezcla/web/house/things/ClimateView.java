package mezcla.web.house.things;

import java.util.List;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;

/**
 * What a place is like, in figures to read and to change.
 *
 * @param summary in a line
 * @param quarters its temperature by the quarter of the year
 * @param light how light it is
 * @param readings how many temperatures were read there
 */
public record ClimateView(String summary, List<String> quarters, String light, long readings) {
    public static ClimateView of(HouseService.PlaceClimate climate) {
        List<String> quarters =
                climate.quartersC().stream().map(Figures::celsius).toList();
        double least =
                climate.quartersC().stream().mapToDouble(each -> each).min().orElse(0);
        double most =
                climate.quartersC().stream().mapToDouble(each -> each).max().orElse(0);
        String warmth = least == most
                ? Figures.celsius(least)
                : Figures.celsius(least) + " to " + Figures.celsius(most) + " over the year";
        return new ClimateView(
                "%s, %s%s%s"
                        .formatted(
                                warmth,
                                climate.light().words(),
                                climate.readings() == 0 ? "" : ", " + climate.readings() + " readings",
                                least < 10 ? "; below 10 °C crystals may fall out" : ""),
                quarters,
                climate.light().name(),
                climate.readings());
    }
}
