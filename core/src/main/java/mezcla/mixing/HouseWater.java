package mezcla.mixing;

import mezcla.leaflet.MixingTemperature;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What water a house has for its mixes (rules, 3.2).
 *
 * @param coldC how cold its cold tap is, in °C
 * @param hotC how hot its hot tap is, in °C
 * @param roomC how warm its room is, in °C
 */
public record HouseWater(double coldC, double hotC, double roomC) {
    /** Water from a kettle that has boiled a moment ago, in °C; <em>house</em>. */
    public static final double KETTLE_C = 95;

    private static final double HARDLY_ANY_ML = 0.5;
    private static final double BOILS_C = 100;
    private static final double SAME_C = 0.05;

    /** Where warm water comes from. */
    public enum Source {
        /** All from the cold tap. */
        COLD_TAP,
        /** Hot tap and cold tap. */
        HOT_TAP,
        /** Kettle and cold tap. */
        KETTLE,
        /** It is wanted colder than the cold tap. */
        CHILLED,
        /** Nothing of the house is that hot. */
        NOWHERE
    }

    /**
     * Water of a temperature.
     *
     * @param source where the warm part of it comes from
     * @param hotC how warm that is, in °C
     * @param hotMl how much of that, in ml
     * @param coldMl how much from the cold tap, in ml
     */
    public record Drawn(Source source, double hotC, double hotMl, double coldMl) {}

    /** How warm the start water of a mix is drawn, in °C: as the recipe wants it, else as the room is. */
    public double startC(MixPlan mix) {
        MixingTemperature mixing = mix.recipe().mixingC();
        return mixing == null ? roomC : mixing.target();
    }

    /**
     * How water is made: from the hot tap where that is hot enough, else from a kettle.
     *
     * @param volumeMl how much, in ml
     * @param wantC how warm, in °C
     */
    public Drawn drawn(double volumeMl, double wantC) {
        if (Slack.exceeds(coldC, wantC)) {
            return new Drawn(Source.CHILLED, wantC, volumeMl, 0);
        }
        Source source = Slack.reaches(hotC, wantC) && Slack.exceeds(hotC, coldC) ? Source.HOT_TAP : Source.KETTLE;
        double warmC = source == Source.HOT_TAP ? hotC : KETTLE_C;
        if (Slack.exceeds(wantC, warmC) || !Slack.exceeds(warmC, coldC)) {
            return new Drawn(Source.NOWHERE, wantC, volumeMl, 0);
        }
        WaterBlend blend = WaterBlend.of(volumeMl, wantC, warmC, coldC);
        return new Drawn(
                blend.hotMl() < HARDLY_ANY_ML ? Source.COLD_TAP : source, warmC, blend.hotMl(), blend.coldMl());
    }

    /** Whether a mix can land at the temperature that film is run at. */
    public enum Reach {
        /** It can. */
        FINE,
        /** No water does it. */
        NO_WATER,
        /** Only with water that is warmer than the recipe may be mixed with. */
        ABOVE_MIXING,
        /** Only with water that is cooler than the recipe may be mixed with: powder does not dissolve in it. */
        BELOW_MIXING,
        /** Only with water that is hotter than the hot tap. */
        ABOVE_HOT_TAP
    }

    /**
     * How a mix lands at the temperature that film is run at.
     *
     * @param wantedC that temperature, in °C
     * @param startC how warm its start water has to be, in °C
     * @param reach whether that can be
     */
    public record Landing(double wantedC, double startC, Reach reach) {}

    /**
     * Lands a mix at a temperature; it is topped up with water of that temperature.
     *
     * @param mix the mix
     * @param wantedC how warm it shall be in the end, in °C
     */
    public Landing landing(MixPlan mix, double wantedC) {
        double start = mix.startWaterForLandingC(roomC, wantedC, wantedC);
        return new Landing(wantedC, start, reach(mix.recipe().mixingC(), start));
    }

    private Reach reach(@Nullable MixingTemperature mixing, double start) {
        if (start > BOILS_C || start < 0) {
            return Reach.NO_WATER;
        }
        MixWarmth warmth = mixing == null ? new MixWarmth(null, null) : MixWarmth.of(mixing);
        Double most = warmth.mostC();
        if (most != null && start > most + SAME_C) {
            return Reach.ABOVE_MIXING;
        }
        Double least = warmth.leastC();
        if (least != null && start < least - SAME_C) {
            return Reach.BELOW_MIXING;
        }
        return start > hotC ? Reach.ABOVE_HOT_TAP : Reach.FINE;
    }
}
