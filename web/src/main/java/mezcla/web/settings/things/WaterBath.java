package mezcla.web.settings.things;

import java.util.Map;
import mezcla.web.words.Figures;

/**
 * The house's water bath.
 *
 * @param litres how much water it holds as it is filled
 * @param powerW what its heater takes, in W; 0 for a tub without one
 * @param lossWPerK what it loses to the room, in W for each K
 */
public record WaterBath(double litres, double powerW, double lossWPerK) {
    /** The figures as they stand in the fields in which they are typed. */
    public Map<String, String> asTyped() {
        return Map.of(
                "litres", Figures.plain(litres, 1),
                "power", Figures.plain(powerW, 0),
                "loss", Figures.plain(lossWPerK, 1));
    }
}
