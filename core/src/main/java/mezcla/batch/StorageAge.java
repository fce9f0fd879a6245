package mezcla.batch;

import java.util.List;
import mezcla.leaflet.BathRole;

/**
 * How old a fill is by how it was stored (rules, section 5). An estimate, for ranking and early warning; the calendar
 * age stands beside it.
 *
 * @param effectiveDays days as they count, in days
 * @param calendarDays days that went by, in days
 */
public record StorageAge(double effectiveDays, double calendarDays) {
    private static final double COLDEST_THAT_COUNTS_C = 10;
    private static final double USUAL_C = 20;

    /**
     * A stretch of storage during which nothing changed.
     *
     * @param days how long, in days
     * @param celsius how warm, in °C
     * @param headspace the empty share of the bottle, 0 to 1
     * @param air what keeps the air out
     * @param light how much light there was
     */
    public record Stretch(double days, double celsius, double headspace, AirKept air, Light light) {
        /** What these days count for, in days. */
        double effectiveDays(BathRole role) {
            double warmth = Math.pow(2, (Math.max(COLDEST_THAT_COUNTS_C, celsius) - USUAL_C) / 10);
            double airReaching = headspace * (1 - air.protection());
            return days * warmth * (1 + sensitivity(role) * airReaching) * light.factor();
        }
    }

    /** Adds stretches up. */
    public static StorageAge of(BathRole role, List<Stretch> stretches) {
        return new StorageAge(
                stretches.stream()
                        .mapToDouble(stretch -> stretch.effectiveDays(role))
                        .sum(),
                stretches.stream().mapToDouble(Stretch::days).sum());
    }

    /** How much air over it ages a bath; <em>house</em>. */
    private static double sensitivity(BathRole role) {
        return switch (role.nature()) {
            case DEVELOPER, FIRST_DEVELOPER, COLOUR_DEVELOPER -> 2.0;
            case BLEACH_FIX, REVERSAL_BATH -> 1.0;
            case FIXER -> 0.5;
            case STABILISER -> 0.2;
            case BLEACH, STOP, PRE_BATH, WETTING_AGENT, OTHER -> 0;
        };
    }

    /** Whether crystals may fall out of a bath that is kept that cold, while nothing more is gained. */
    public static boolean tooCold(double celsius) {
        return celsius < COLDEST_THAT_COUNTS_C;
    }
}
