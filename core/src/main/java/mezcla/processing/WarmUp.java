package mezcla.processing;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * How a water bath and the bottles in it come to temperature (rules, section 9), in steps of one second.
 *
 * @param readySeconds the first second at which every bottle is within its range; null for never, after four hours
 * @param untilSeconds the last second of that stay; null when they stay
 * @param bath the bath's temperature each minute, in °C
 * @param bottles each bottle's temperature each minute, in °C
 */
public record WarmUp(
        @Nullable Integer readySeconds, @Nullable Integer untilSeconds, List<Double> bath, List<List<Double>> bottles) {
    private static final double JOULES_PER_LITRE_AND_KELVIN = 4186;
    private static final int LONGEST_SECONDS = 4 * 3600;
    private static final int SECONDS_A_MINUTE = 60;
    private static final double SMALL_LITRES = 0.6;
    private static final double SMALL_W_PER_K = 3.5;
    private static final double GLASS_W_PER_K = 6;
    private static final double PLASTIC_W_PER_K = 5;
    private static final double HIGHER_C = 1.5;

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

    /**
     * What is wanted warm.
     *
     * @param in a bottle, or a jug of water
     * @param leastC from where on it is warm enough, in °C
     * @param mostC up to where it is not too warm, in °C
     * @param neededAfter how long after the first pouring it is needed, in seconds: a wash only when its step comes
     */
    public record Wanted(Warmed in, double leastC, double mostC, int neededAfter) {
        /** What is needed when the first bath is poured. */
        public Wanted(Warmed in, double leastC, double mostC) {
            this(in, leastC, mostC, 0);
        }

        /** The same as warm as it is now, in °C. */
        public Wanted from(double celsius) {
            return new Wanted(new Warmed(in.litres(), in.wPerK(), celsius), leastC, mostC, neededAfter);
        }

        boolean holds(double celsius) {
            return Slack.reaches(celsius, leastC) && Slack.reaches(mostC, celsius);
        }
    }

    /** What the heater is set to from a second on. */
    private interface Setting {
        double at(int second, double[] bottles);
    }

    /**
     * The bath held at one setting until everything in it is within its own range, at the moment at which it is needed.
     *
     * @param tub the bath
     * @param wanted what stands in it
     * @param setC what the heater holds, in °C
     */
    public static WarmUp of(Tub tub, List<Wanted> wanted, double setC) {
        return simulated(tub, wanted, (second, now) -> setC);
    }

    /**
     * Setting the bath higher until the slowest bottle is 1 °C short of its range, and then back.
     *
     * @param tub the bath
     * @param wanted what stands in it
     * @param highC the higher setting, in °C
     * @param setC what it is set back to, in °C
     * @return null where that is no quicker, or takes a bottle past its range
     */
    public static @Nullable WarmUp overshooting(Tub tub, List<Wanted> wanted, double highC, double setC) {
        WarmUp plain = of(tub, wanted, setC);
        boolean[] back = new boolean[1];
        boolean[] past = new boolean[1];
        WarmUp high = simulated(tub, wanted, (second, now) -> {
            boolean nearly = true;
            for (int i = 0; i < now.length; i++) {
                nearly &= now[i] >= wanted.get(i).leastC() - 1;
                past[0] |= Slack.exceeds(now[i], wanted.get(i).mostC());
            }
            back[0] |= nearly;
            return back[0] ? setC : highC;
        });
        boolean quicker =
                high.readySeconds != null && (plain.readySeconds == null || high.readySeconds < plain.readySeconds);
        return quicker && !past[0] ? high : null;
    }

    private static WarmUp simulated(Tub tub, List<Wanted> wanted, Setting setting) {
        Heating heating = new Heating(tub, wanted.stream().map(Wanted::in).toList());
        double[] now = heating.bottles;
        List<Double> bathCurve = new ArrayList<>();
        List<List<Double>> curves = new ArrayList<>();
        List<BitSet> within = new ArrayList<>();
        wanted.forEach(each -> {
            curves.add(new ArrayList<>());
            within.add(new BitSet(LONGEST_SECONDS + 1));
        });
        for (int second = 0; second <= LONGEST_SECONDS; second++) {
            for (int i = 0; i < now.length; i++) {
                within.get(i).set(second, wanted.get(i).holds(now[i]));
            }
            if (second % SECONDS_A_MINUTE == 0) {
                bathCurve.add(heating.bath);
                for (int i = 0; i < now.length; i++) {
                    curves.get(i).add(now[i]);
                }
            }
            heating.step(setting.at(second, now), tub.powerW());
        }
        Integer ready = null;
        Integer until = null;
        for (int second = 0; second <= LONGEST_SECONDS && until == null; second++) {
            boolean all = true;
            for (int i = 0; i < within.size(); i++) {
                all &= within.get(i)
                        .get(Math.min(LONGEST_SECONDS, second + wanted.get(i).neededAfter()));
            }
            if (ready == null && all) {
                ready = second;
            } else if (ready != null && !all) {
                until = second - 1;
            }
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

        double bottleC(int at) {
            return bottles[at];
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
     * @param mostC up to where the developer is not too warm, in °C
     */
    public static double higherC(double mostC) {
        return mostC + HIGHER_C;
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
