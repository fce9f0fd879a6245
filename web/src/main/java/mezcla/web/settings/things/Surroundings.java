package mezcla.web.settings.things;

import java.time.Duration;
import java.time.LocalTime;
import java.util.Optional;
import mezcla.mixing.HouseWater;
import org.jspecify.annotations.Nullable;

/**
 * What the house has around its bench; every figure is a steward's to change.
 *
 * @param coldWaterC how cold its cold tap is, in °C
 * @param hotWaterC how hot its hot tap is, in °C
 * @param roomC how warm its room is, in °C
 * @param deliveryWeeks how many weeks a kit takes to come
 * @param dryMinutes how long film hangs until it is dry, in minutes: two hours in a room, less in a cabinet
 * @param eveningEnds when its evenings are over, as 22:30; null where they have no end
 */
public record Surroundings(
        double coldWaterC,
        double hotWaterC,
        double roomC,
        int deliveryWeeks,
        int dryMinutes,
        @Nullable String eveningEnds) {
    /** Two hours, where nobody said otherwise. */
    public static final int USUAL_DRY_MINUTES = 120;

    /** A house of which nobody has said anything yet. */
    public static final Surroundings UNTOLD = new Surroundings(15, 55, 20, 3, USUAL_DRY_MINUTES, null);

    /** Where nothing was said of drying, two hours count. */
    public Surroundings {
        dryMinutes = dryMinutes <= 0 ? USUAL_DRY_MINUTES : dryMinutes;
    }

    /** How long film hangs until it is dry. */
    public Duration dries() {
        return Duration.ofMinutes(dryMinutes);
    }

    /** When its evenings are over; empty where they have no end. */
    public Optional<LocalTime> evenings() {
        return Optional.ofNullable(eveningEnds).map(LocalTime::parse);
    }

    /** The water of its taps. */
    public HouseWater water() {
        return new HouseWater(coldWaterC, hotWaterC, roomC);
    }
}
