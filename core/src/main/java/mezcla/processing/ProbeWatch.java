package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the last readings of a probe give away: that it is silent, out of the water, or that nothing heats. */
public final class ProbeWatch {
    private static final double SILENT_SECONDS = 60;
    private static final double LOOKED_BACK_SECONDS = 60;
    private static final double LEAVES_WATER_C = 2;
    private static final double COOLS_FOR_SECONDS = 180;
    private static final double COOLS_C = 0.2;
    private static final double UNSTEADY_C = 0.3;
    private static final double JUMPS_C = 0.5;
    private static final double CHANGES_C_PER_SECOND = 0.05;

    private ProbeWatch() {}

    /** What there is to find. */
    public enum Finding {
        /** Nothing has come for a minute. */
        SILENT,
        /** It fell by more than water can within a minute. */
        OUT_OF_WATER,
        /** Below what is wanted, and it has been falling for three minutes. */
        COOLING
    }

    /**
     * What of the readings can have been water: a probe that hangs in the air shows jumps that no bath makes.
     *
     * @param readings what it showed, in order
     */
    public static List<EquivalentDevelopment.Reading> ofWater(List<EquivalentDevelopment.Reading> readings) {
        List<EquivalentDevelopment.Reading> plausible = new ArrayList<>();
        EquivalentDevelopment.Reading before = readings.isEmpty() ? null : readings.get(0);
        for (EquivalentDevelopment.Reading reading : readings) {
            if (before == null || plausible.isEmpty()) {
                plausible.add(reading);
                continue;
            }
            if (canFollow(plausible.get(plausible.size() - 1), reading) && canFollow(before, reading)) {
                plausible.add(reading);
            }
            before = reading;
        }
        return plausible;
    }

    private static boolean canFollow(EquivalentDevelopment.Reading before, EquivalentDevelopment.Reading reading) {
        double most = JUMPS_C + CHANGES_C_PER_SECOND * (reading.seconds() - before.seconds());
        return Math.abs(reading.celsius() - before.celsius()) <= most;
    }

    /**
     * Watches a probe.
     *
     * @param readings what it showed, in order; seconds from any beginning
     * @param nowSeconds the present, from the same beginning
     * @param leastC from where on it is warm enough, in °C
     * @return what is wrong; empty where nothing is, or nothing was read yet
     */
    public static Optional<Finding> find(
            List<EquivalentDevelopment.Reading> readings, double nowSeconds, double leastC) {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        EquivalentDevelopment.Reading last = readings.get(readings.size() - 1);
        if (nowSeconds - last.seconds() > SILENT_SECONDS) {
            return Optional.of(Finding.SILENT);
        }
        double highest = readings.stream()
                .filter(reading -> reading.seconds() >= last.seconds() - LOOKED_BACK_SECONDS)
                .mapToDouble(EquivalentDevelopment.Reading::celsius)
                .max()
                .orElse(last.celsius());
        if (highest - last.celsius() > LEAVES_WATER_C) {
            return Optional.of(Finding.OUT_OF_WATER);
        }
        boolean cooling = last.celsius() < leastC - UNSTEADY_C
                && readings.stream()
                        .filter(reading -> reading.seconds() <= last.seconds() - COOLS_FOR_SECONDS)
                        .reduce((earlier, later) -> later)
                        .filter(before -> before.celsius() - last.celsius() >= COOLS_C)
                        .isPresent();
        return cooling ? Optional.of(Finding.COOLING) : Optional.empty();
    }
}
