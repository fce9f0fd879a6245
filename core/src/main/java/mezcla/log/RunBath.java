package mezcla.log;

import org.jspecify.annotations.Nullable;

/**
 * A fill in a run.
 *
 * @param fillId the fill
 * @param seconds how long the film was in it; null where nobody knows
 * @param wearEquivalents the run's roll equivalents as they wear this bath: pushed film may weigh more
 * @param carryOverMl what left it with the film, in ml
 * @param pouredAwayMl what was poured away after it, in ml: a one-shot's share, else 0
 * @param celsius how warm it was, in °C; null where nobody measured
 */
public record RunBath(
        long fillId,
        @Nullable Integer seconds,
        double wearEquivalents,
        double carryOverMl,
        double pouredAwayMl,
        @Nullable Double celsius) {
    private static final int TOLD_SECONDS = 5;

    /**
     * Whether it lasted otherwise than planned by so much that people are told: five seconds.
     *
     * @param plannedSeconds how long it was to last; null where nobody planned it
     */
    public boolean isOtherThan(@Nullable Integer plannedSeconds) {
        return seconds != null && plannedSeconds != null && Math.abs(seconds - plannedSeconds) >= TOLD_SECONDS;
    }

    /** The same bath with the time and the temperature that it really had. */
    public RunBath really(@Nullable Integer actualSeconds, @Nullable Double actualCelsius) {
        return new RunBath(fillId, actualSeconds, wearEquivalents, carryOverMl, pouredAwayMl, actualCelsius);
    }
}
