package mezcla.web.demo;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Locale;
import java.util.Random;

/**
 * A temperature logger that is not there: it writes what one would, a time and degrees Celsius in each line, with warm
 * evenings, cool nights and a little noise.
 */
final class SimulatedLogger {
    private static final int HOURS_APART = 6;
    private static final double SWING_C = 2.5;
    private static final double NOISE_C = 0.4;

    private final double meanC;
    private final ZoneId zone;
    private final Random noise;

    /**
     * A logger.
     *
     * @param meanC how warm it is on the whole, in °C
     * @param zone where it stands
     * @param seed makes its noise the same each time
     */
    SimulatedLogger(double meanC, ZoneId zone, long seed) {
        this.meanC = meanC;
        this.zone = zone;
        this.noise = new Random(seed);
    }

    /** What it writes about some days until now. */
    String csv(Instant now, int days) {
        StringBuilder file = new StringBuilder("time,celsius\n");
        ZonedDateTime at =
                now.atZone(zone).minusDays(days).withMinute(0).withSecond(0).withNano(0);
        while (at.toInstant().isBefore(now)) {
            double swing = SWING_C * Math.sin((at.getHour() - 11) * Math.PI / 12);
            double celsius = meanC + swing + NOISE_C * noise.nextGaussian();
            file.append(at.toInstant())
                    .append(',')
                    .append(String.format(Locale.ROOT, "%.1f", celsius))
                    .append('\n');
            at = at.plusHours(HOURS_APART);
        }
        return file.toString();
    }
}
