package mezcla.processing;

import mezcla.measure.Refusal;
import mezcla.measure.Temperature;

/** A temperature that somebody read in a bath during a run (rules, sections 2 and 4.6). */
public final class BathTemperature {
    private static final double LEAST_C = 5;
    private static final double MOST_C = 60;

    private static final double DOUBTFUL_C = 8;

    private BathTemperature() {}

    /**
     * Reads what was typed. A unit that was typed counts, whatever the reader's own is.
     *
     * @param typed the text, as {@code 37.8}, {@code 98 F} or {@code 36,9 °C}
     * @param scale what a bare number is in
     * @return how warm it is, in °C
     * @throws Refusal what {@link Temperature#parse} refuses, and {@code no-baths-temperature} outside of 5 to 60 °C: no
     *     process is run there, so it was read or typed wrongly
     */
    public static double parse(String typed, Temperature.Scale scale) {
        double celsius = Temperature.parse(typed, scale).celsius();
        refuseImpossible(celsius);
        return celsius;
    }

    /**
     * Whether somebody is asked once more: more than 8 °C off (<em>house</em>) is more often misread or mistyped than true.
     *
     * @param celsius what was read, in °C
     * @param wantedC how warm it is to be, in °C
     */
    public static boolean isDoubtful(double celsius, double wantedC) {
        return Math.abs(celsius - wantedC) > DOUBTFUL_C;
    }

    /**
     * Refuses what no bath of a run has.
     *
     * @param celsius in °C
     * @throws Refusal {@code no-baths-temperature}
     */
    public static void refuseImpossible(double celsius) {
        if (!(celsius >= LEAST_C && celsius <= MOST_C)) {
            throw Refusal.of(new ProcessingObjection.NoBathsTemperature(celsius));
        }
    }
}
