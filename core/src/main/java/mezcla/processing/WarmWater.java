package mezcla.processing;

import java.util.List;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * A tub without a heater, asked the other way round (rules, section 9): how warm its water must be for every bottle to
 * come into its range within an hour.
 *
 * @param waterC the least that its water must be at the beginning, in °C
 * @param readySeconds the first second at which every bottle is within its range
 * @param untilSeconds the last second of that stay; null where it goes on for four hours
 * @param warmUp how the water and the bottles go
 */
public record WarmWater(double waterC, int readySeconds, @Nullable Integer untilSeconds, WarmUp warmUp) {
    private static final double STEP_C = 0.5;
    private static final double HOTTEST_C = 70;
    private static final int WITHIN_SECONDS = 3600;

    /**
     * Looks for the least start temperature, in steps of half a degree.
     *
     * @param litres how much water is in the tub
     * @param lossWPerK what it loses to the room, in W/K
     * @param roomC how warm the room is, in °C
     * @param wanted what stands in it
     * @param fromC the least that is tried, in °C: what the developer wants
     * @throws Refusal {@code tub-too-small} where no water up to 70 °C does, {@code tub-empty}
     */
    public static WarmWater of(
            double litres, double lossWPerK, double roomC, List<WarmUp.Wanted> wanted, double fromC) {
        for (int step = 0; fromC + step * STEP_C <= HOTTEST_C; step++) {
            double waterC = fromC + step * STEP_C;
            WarmUp.Tub tub = new WarmUp.Tub(litres, 0, lossWPerK, roomC, waterC);
            WarmUp warm = WarmUp.of(tub, wanted, waterC);
            Integer ready = warm.readySeconds();
            if (ready != null && ready <= WITHIN_SECONDS) {
                return new WarmWater(waterC, ready, warm.untilSeconds(), warm);
            }
        }
        throw Refusal.of(new ProcessingObjection.TubTooSmall());
    }
}
