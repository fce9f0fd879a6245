package mezcla.web.settings.things;

import mezcla.mixing.HouseWater;

/**
 * What the house has around its bench; every figure is a steward's to change.
 *
 * @param coldWaterC how cold its cold tap is, in °C
 * @param hotWaterC how hot its hot tap is, in °C
 * @param roomC how warm its room is, in °C
 * @param deliveryWeeks how many weeks a kit takes to come
 */
public record Surroundings(double coldWaterC, double hotWaterC, double roomC, int deliveryWeeks) {
    /** The water of its taps. */
    public HouseWater water() {
        return new HouseWater(coldWaterC, hotWaterC, roomC);
    }
}
