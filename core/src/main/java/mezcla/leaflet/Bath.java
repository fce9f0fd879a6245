package mezcla.leaflet;

import org.jspecify.annotations.Nullable;

/**
 * One working solution of a leaflet.
 *
 * @param key a short name, unique in the leaflet
 * @param role what it does
 * @param recipe how it is mixed
 * @param timing how long it takes
 * @param capacityForMl the volume that its capacity is printed for, in ml
 * @param capacity rolls that this volume takes, in roll equivalents; null where no limit is printed
 * @param lifeDays how long it lasts once mixed, in days; null where no limit is printed
 * @param oneShot how it is diluted when it is poured away after each run; null for a bath that is used again
 * @param rotarySeconds the time in a fresh bath in a rotary processor, in seconds; null where the sheet prints the same
 *     for both (rules, 4.7)
 * @param movement how the tank is moved in it, as the sheet prints it; null where it prints nothing
 */
public record Bath(
        String key,
        BathRole role,
        Recipe recipe,
        Timing timing,
        double capacityForMl,
        @Nullable Range capacity,
        @Nullable Range lifeDays,
        @Nullable OneShot oneShot,
        @Nullable Double rotarySeconds,
        @Nullable PrintedMovement movement) {
    /** A bath for which the sheet prints no movement. */
    public Bath(
            String key,
            BathRole role,
            Recipe recipe,
            Timing timing,
            double capacityForMl,
            @Nullable Range capacity,
            @Nullable Range lifeDays,
            @Nullable OneShot oneShot,
            @Nullable Double rotarySeconds) {
        this(key, role, recipe, timing, capacityForMl, capacity, lifeDays, oneShot, rotarySeconds, null);
    }

    /**
     * A stock that is diluted for each run and poured away after it (rules, 4.8).
     *
     * @param stockParts parts of the stock
     * @param waterParts parts of water that go with them; 0 when it is used as mixed
     */
    public record OneShot(double stockParts, double waterParts) {
        /** How much of the stock a tank of that volume takes, in ml. */
        public double stockFor(double tankMl) {
            return tankMl * stockParts / (stockParts + waterParts);
        }
    }

    /** The same bath with other limits; null for none. */
    public Bath limited(@Nullable Range otherCapacity, @Nullable Range otherLifeDays) {
        return new Bath(
                key,
                role,
                recipe,
                timing,
                capacityForMl,
                otherCapacity,
                otherLifeDays,
                oneShot,
                rotarySeconds,
                movement);
    }

    /** The same bath whose capacity is counted for another volume, in ml. */
    Bath countedFor(double ml) {
        return new Bath(key, role, recipe, timing, ml, capacity, lifeDays, oneShot, rotarySeconds, movement);
    }

    /** How long it takes on a rotary base; where the sheet prints nothing else, as long as by hand (rules, 4.7). */
    public Timing turning() {
        return rotarySeconds == null ? timing : timing.based(rotarySeconds);
    }

    /**
     * How many rolls a volume takes before the limit, counting no age.
     *
     * @param limit rolls for the printed volume
     * @param volumeMl the volume there is, in ml
     */
    public double rollsIn(double volumeMl, double limit) {
        return limit * volumeMl / capacityForMl;
    }
}
