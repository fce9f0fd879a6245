package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A stand-in for a heater and a probe in a water bath, to try things out without either: the bath follows the same rules
 * as a warm-up (rules, section 9), and the probe shows it late, a little off, and a little unsteadily.
 *
 * @param tub the bath as it begins
 * @param bottles what stands in it
 * @param setC what the heater is set to, in °C
 * @param fault what goes wrong
 * @param faultAtSeconds from when on, in seconds from the beginning
 * @param seed what its unsteadiness is drawn from: the same seed shows the same
 */
public record SimulatedBath(
        WarmUp.Tub tub, List<WarmUp.Warmed> bottles, double setC, Fault fault, double faultAtSeconds, long seed) {
    private static final double LAG_SECONDS = 12;
    private static final double NOISE_C = 0.04;
    private static final double DRIFT_C_PER_HOUR = 0.15;
    private static final double OUT_FOR_SECONDS = 120;
    private static final double SECONDS_AN_HOUR = 3600;

    /** Keeps its own list. */
    public SimulatedBath {
        bottles = List.copyOf(bottles);
    }

    /** What can go wrong. */
    public enum Fault {
        /** Nothing. */
        NONE("nothing goes wrong"),
        /** The heater gives nothing any more. */
        HEATER_OFF("the heater goes off"),
        /** The probe hangs in the air for two minutes. */
        PROBE_OUT("the probe slips out of the water");

        private final String words;

        Fault(String words) {
            this.words = words;
        }

        /** What it is, in words. */
        public String words() {
            return words;
        }
    }

    /**
     * What the probe shows at a moment.
     *
     * @param seconds since the beginning
     * @param celsius what it shows, in °C
     * @param bathC how warm the water really is, in °C
     */
    public record Shown(double seconds, double celsius, double bathC) {}

    /**
     * What the probe shows until a moment.
     *
     * @param everySeconds how often it is read
     * @param untilSeconds until when, in seconds from the beginning
     */
    public List<Shown> readings(int everySeconds, int untilSeconds) {
        WarmUp.Heating heating = new WarmUp.Heating(tub, bottles);
        SplittableRandom random = new SplittableRandom(seed);
        List<Shown> shown = new ArrayList<>();
        double probe = tub.startC();
        for (int second = 0; second <= untilSeconds; second++) {
            double around = isOut(second) ? tub.roomC() : heating.bathC();
            probe += (around - probe) / LAG_SECONDS;
            if (second % everySeconds == 0) {
                double drift = DRIFT_C_PER_HOUR * second / SECONDS_AN_HOUR;
                double noise = NOISE_C * (random.nextDouble() + random.nextDouble() - 1);
                shown.add(new Shown(second, probe + drift + noise, heating.bathC()));
            }
            boolean off = fault == Fault.HEATER_OFF && second >= faultAtSeconds;
            heating.step(setC, off ? 0 : tub.powerW());
        }
        return shown;
    }

    private boolean isOut(int second) {
        return fault == Fault.PROBE_OUT && second >= faultAtSeconds && second < faultAtSeconds + OUT_FOR_SECONDS;
    }
}
