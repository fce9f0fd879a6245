package mezcla.processing;

import mezcla.measure.Slack;

/**
 * How much of what is in the tank its film will use up (rules, 4.9).
 *
 * @param share 1 where the film takes all that the solution can do
 */
public record FilmLoad(double share) {
    private static final double CROWDED_ABOVE = 0.5;

    /**
     * The load of a tank.
     *
     * @param equivalents the film, in roll equivalents
     * @param printedForMl the volume that the capacity is printed for, in ml
     * @param solutionMl the solution in the tank, of a one-shot the stock, in ml
     * @param capacity the printed capacity, its maximum, in roll equivalents
     */
    public static FilmLoad of(double equivalents, double printedForMl, double solutionMl, double capacity) {
        return new FilmLoad(equivalents * printedForMl / solutionMl / capacity);
    }

    /** The solution that so much film needs at least, in ml. */
    public static double leastMl(double equivalents, double printedForMl, double capacity) {
        return equivalents * printedForMl / capacity;
    }

    /** Whether the film would use up more than is in the tank. */
    public boolean tooMuch() {
        return Slack.exceeds(share, 1);
    }

    /** Whether it uses up more than half of it, which is said; <em>house</em>. */
    public boolean crowded() {
        return !tooMuch() && Slack.exceeds(share, CROWDED_ABOVE);
    }
}
