package mezcla.processing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * How a water bath and the bottles in it come to temperature (rules, section 9), in steps of one second.
 *
 * @param readySeconds the first second at which every bottle is within tolerance; null for never, after four hours
 * @param untilSeconds the last second of that stay; null when they stay
 * @param bath the bath's temperature each minute, in °C
 * @param bottles each bottle's temperature each minute, in °C
 */
public record WarmUp(
        @Nullable Integer readySeconds, @Nullable Integer untilSeconds, List<Double> bath, List<List<Double>> bottles) {
    private static final double JOULES_PER_LITRE_AND_KELVIN = 4186;
    private static final int LONGEST_SECONDS = 4 * 3600;
    private static final int SECONDS_A_MINUTE = 60;
    private static final double ML_A_LITRE = 1000;
    private static final double SMALL_LITRES = 0.6;
    private static final double SMALL_W_PER_K = 3.5;
    private static final double GLASS_W_PER_K = 6;
    private static final double PLASTIC_W_PER_K = 5;
    private static final double HIGHER_C = 1.5;
    /** Baths whose temperatures differ by less are warmed together, in °C; <em>house</em>. */
    static final double ALIKE_C = 1;

    private static final double WATER_NEAR_C = 3;

    /**
     * The water for soaking and washing that is warmed with the bottles: what a leaflet wants within 3 °C (<em>house</em>) of
     * a temperature, as much as a tank takes for each fill.
     *
     * @param leaflet what the batch was mixed by
     * @param targetC what the bottles are wanted at, in °C
     * @param tankMl what the tank takes, in ml
     * @return in litres; 0 where it wants none
     */
    public static double waterLitres(Leaflet leaflet, double targetC, double tankMl) {
        return RunSteps.printed(leaflet).stream()
                        .filter(step -> step.bath() == null
                                && step.atC() != null
                                && Math.abs(step.atC() - targetC) <= WATER_NEAR_C)
                        .mapToInt(step -> step.fills() == null ? 1 : step.fills())
                        .sum()
                * tankMl
                / ML_A_LITRE;
    }

    /**
     * A water bath.
     *
     * @param litres how much water is in it
     * @param powerW what its heater gives, in W
     * @param lossWPerK what it loses to the room, in W/K
     * @param roomC how warm the room is, in °C
     * @param startC how warm its water is at the beginning, in °C
     */
    public record Tub(double litres, double powerW, double lossWPerK, double roomC, double startC) {
        /** Refuses a bath without water, as {@code tub-empty}. */
        public Tub {
            if (!(litres > 0)) {
                throw Refusal.of(new ProcessingObjection.TubEmpty());
            }
        }
    }

    /**
     * A bottle in the bath.
     *
     * @param litres how much is in it
     * @param wPerK what passes between it and the bath, in W/K
     * @param startC how warm it is at the beginning, in °C
     */
    public record Warmed(double litres, double wPerK, double startC) {}

    /** What the heater is set to from a second on. */
    private interface Setting {
        double at(int second, double[] bottles);
    }

    /** The bath held at one setting, until bottles are wanted at a temperature within a tolerance, all in °C. */
    public static WarmUp of(Tub tub, List<Warmed> bottles, double setC, double targetC, double toleranceC) {
        return simulated(tub, bottles, (second, now) -> setC, targetC, toleranceC);
    }

    /**
     * Setting the bath higher until the slowest bottle is 1 °C short of the tolerance, and then back.
     *
     * @param highC the higher setting, in °C
     * @return null where that is no quicker, or takes a bottle past the tolerance
     */
    public static @Nullable WarmUp overshooting(
            Tub tub, List<Warmed> bottles, double highC, double setC, double targetC, double toleranceC) {
        WarmUp plain = of(tub, bottles, setC, targetC, toleranceC);
        boolean[] back = new boolean[1];
        boolean[] past = new boolean[1];
        WarmUp high = simulated(
                tub,
                bottles,
                (second, now) -> {
                    double coldest = Arrays.stream(now).min().orElse(targetC);
                    back[0] |= coldest >= targetC - toleranceC - 1;
                    past[0] |= Arrays.stream(now).anyMatch(celsius -> Slack.exceeds(celsius, targetC + toleranceC));
                    return back[0] ? setC : highC;
                },
                targetC,
                toleranceC);
        boolean quicker =
                high.readySeconds != null && (plain.readySeconds == null || high.readySeconds < plain.readySeconds);
        return quicker && !past[0] ? high : null;
    }

    private static WarmUp simulated(Tub tub, List<Warmed> bottles, Setting setting, double targetC, double toleranceC) {
        Heating heating = new Heating(tub, bottles);
        double[] now = heating.bottles;
        List<Double> bathCurve = new ArrayList<>();
        List<List<Double>> curves = new ArrayList<>();
        bottles.forEach(bottle -> curves.add(new ArrayList<>()));
        Integer ready = null;
        Integer until = null;
        for (int second = 0; second <= LONGEST_SECONDS; second++) {
            boolean within =
                    Arrays.stream(now).allMatch(celsius -> Slack.reaches(toleranceC, Math.abs(celsius - targetC)));
            if (ready == null && within) {
                ready = second;
            } else if (ready != null && until == null && !within) {
                until = second - 1;
            }
            if (second % SECONDS_A_MINUTE == 0) {
                bathCurve.add(heating.bath);
                for (int i = 0; i < now.length; i++) {
                    curves.get(i).add(now[i]);
                }
            }
            heating.step(setting.at(second, now), tub.powerW());
        }
        return new WarmUp(ready, until, bathCurve, curves);
    }

    /** A bath and its bottles from one second to the next. */
    static final class Heating {
        private final Tub tub;
        private final List<Warmed> warmed;
        private final double capacity;
        private final double[] bottles;
        private double bath;

        Heating(Tub tub, List<Warmed> warmed) {
            this.tub = tub;
            this.warmed = warmed;
            this.capacity = JOULES_PER_LITRE_AND_KELVIN * tub.litres();
            this.bottles = warmed.stream().mapToDouble(Warmed::startC).toArray();
            this.bath = tub.startC();
        }

        double bathC() {
            return bath;
        }

        /** One second with the heater set to a temperature, in °C, and so much power, in W, at most. */
        void step(double setC, double powerW) {
            double leaving = tub.lossWPerK() * (bath - tub.roomC());
            for (int i = 0; i < bottles.length; i++) {
                leaving += warmed.get(i).wPerK() * (bath - bottles[i]);
            }
            double heat = Math.max(0, Math.min(powerW, capacity * (setC - bath) + leaving));
            for (int i = 0; i < bottles.length; i++) {
                bottles[i] += warmed.get(i).wPerK()
                        * (bath - bottles[i])
                        / (JOULES_PER_LITRE_AND_KELVIN * warmed.get(i).litres());
            }
            bath += (heat - leaving) / capacity;
        }
    }

    /**
     * How high to set a bath at first where that is quicker, in °C; <em>house</em>: 1.5 °C above what is near enough.
     *
     * @param targetC what is wanted, in °C
     * @param toleranceC how near is near enough, in °C
     */
    public static double higherC(double targetC, double toleranceC) {
        return targetC + toleranceC + HIGHER_C;
    }

    /**
     * Whether a bath is warmed with its developer: the developers, and what would cool the film between them.
     *
     * @param bath the bath
     * @param developer the batch's developer
     */
    public static boolean includes(Bath bath, Bath developer) {
        return bath.role().isDeveloper()
                || Math.abs(bath.timing().atC() - developer.timing().atC()) < ALIKE_C;
    }

    /**
     * What passes between a usual bottle and its bath, in W/K; <em>house</em>: a litre of glass 6, a litre of plastic 5,
     * half a litre 3.5.
     *
     * @param glass whether it is made of glass
     * @param litres how much it holds
     */
    public static double usualWPerK(boolean glass, double litres) {
        if (litres <= SMALL_LITRES) {
            return SMALL_W_PER_K;
        }
        return glass ? GLASS_W_PER_K : PLASTIC_W_PER_K;
    }

    /**
     * What passes between a bottle and its bath, from two readings of both, in W/K.
     *
     * @param litres how much is in the bottle
     * @param bathC how warm the bath was meanwhile, in °C
     * @param firstC the bottle at first, in °C
     * @param secondC the bottle later, in °C
     * @param seconds how much later
     * @throws Refusal {@code readings-do-not-fit} where the bottle did not come nearer to the bath
     */
    public static double fitted(double litres, double bathC, double firstC, double secondC, double seconds) {
        double before = bathC - firstC;
        double after = bathC - secondC;
        if (!(seconds > 0 && before != 0 && after / before > 0 && after / before < 1)) {
            throw Refusal.of(new ProcessingObjection.ReadingsDoNotFit());
        }
        return JOULES_PER_LITRE_AND_KELVIN * litres * Math.log(before / after) / seconds;
    }
}
