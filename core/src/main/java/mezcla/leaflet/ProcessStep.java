package mezcla.leaflet;

import org.jspecify.annotations.Nullable;

/**
 * One thing that happens to the film, as the sheet lists it (rules, section 7).
 *
 * @param kind what it is
 * @param bath the bath's key; null for water
 * @param seconds how long, in seconds; null where the bath's own timing says so or nothing does
 * @param mostSeconds how long it may be, in seconds; null where one time is printed, infinite for <em>at least</em>
 * @param fills how many times water is filled in and dumped, beside a time instead of it; null for none
 * @param atC its temperature, in °C, of a range its middle; null where nothing is printed
 * @param leastC the lowest that is printed, in °C; null where there is only one
 * @param mostC the highest that is printed, in °C; null where there is only one
 * @param says a short instruction that is printed with it; null for none
 */
public record ProcessStep(
        Kind kind,
        @Nullable String bath,
        @Nullable Double seconds,
        @Nullable Double mostSeconds,
        @Nullable Integer fills,
        @Nullable Double atC,
        @Nullable Double leastC,
        @Nullable Double mostC,
        @Nullable String says) {
    /** A step with one time, and no instruction. */
    public ProcessStep(
            Kind kind, @Nullable String bath, @Nullable Double seconds, @Nullable Integer fills, @Nullable Double atC) {
        this(kind, bath, seconds, null, fills, atC, null, null, null);
    }

    /** A step with one temperature. */
    public ProcessStep(
            Kind kind,
            @Nullable String bath,
            @Nullable Double seconds,
            @Nullable Double mostSeconds,
            @Nullable Integer fills,
            @Nullable Double atC,
            @Nullable String says) {
        this(kind, bath, seconds, mostSeconds, fills, atC, null, null, says);
    }

    /** The same with an instruction; null for none. */
    public ProcessStep saying(@Nullable String words) {
        return new ProcessStep(kind, bath, seconds, mostSeconds, fills, atC, leastC, mostC, words);
    }

    /** What a step is. */
    public enum Kind {
        /** Warm water before anything else. */
        PRE_SOAK,
        /** A bath of the leaflet. */
        BATH,
        /** Water for a time. */
        WASH,
        /** Water, filled in and dumped several times. */
        WASH_FILLS,
        /** Water, until it runs off clear. */
        WASH_UNTIL_CLEAR,
        /** A wetting agent that belongs to no kit: the house's own. */
        WETTING_AGENT
    }
}
