package mezcla.mixing;

import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * Hot and cold water that make a volume of a temperature (rules, 3.2).
 *
 * @param hotMl how much hot water, in ml
 * @param coldMl how much cold water, in ml
 */
public record WaterBlend(double hotMl, double coldMl) {
    /**
     * Blends water.
     *
     * @param volumeMl how much is wanted, in ml
     * @param wantC how warm, in °C
     * @param hotC how warm the hot water is, in °C
     * @param coldC how warm the cold water is, in °C
     * @throws Refusal {@code cannot-be-blended} when the wanted temperature lies outside cold to hot, or hot is no
     *     warmer than cold
     */
    public static WaterBlend of(double volumeMl, double wantC, double hotC, double coldC) {
        boolean between = Slack.reaches(wantC, coldC) && Slack.reaches(hotC, wantC);
        if (!Slack.exceeds(hotC, coldC) || !between) {
            throw Refusal.of(new MixingObjection.CannotBeBlended(wantC, hotC, coldC));
        }
        double hotMl = volumeMl * (wantC - coldC) / (hotC - coldC);
        return new WaterBlend(hotMl, volumeMl - hotMl);
    }
}
