package mezcla.batch;

/**
 * What film of a fill, or a clip test in it, has ever shown that counts (rules, section 6).
 *
 * @param good whether it came out well once
 * @param bad whether a heavy cast or heavy grain was put down to it once
 */
public record Outcome(boolean good, boolean bad) {
    /** Nothing was seen yet. */
    public static final Outcome NOTHING = new Outcome(false, false);
}
