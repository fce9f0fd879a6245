package mezcla.batch;

/**
 * What film of a fill, or a clip test in it, has ever shown that counts (rules, section 6).
 *
 * @param good whether it came out well once
 * @param bad whether a heavy cast or heavy grain was put down to it once
 * @param doubted whether something went wrong with it in a run, and nothing has come out well since
 */
public record Outcome(boolean good, boolean bad, boolean doubted) {
    /** What was shown of a fill with which nothing went wrong. */
    public Outcome(boolean good, boolean bad) {
        this(good, bad, false);
    }

    /** Nothing was seen yet. */
    public static final Outcome NOTHING = new Outcome(false, false);
}
