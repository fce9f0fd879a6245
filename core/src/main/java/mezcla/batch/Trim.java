package mezcla.batch;

import java.util.List;
import mezcla.log.Finding;

/**
 * A developer's own correction (rules, 4.5): one step for each tank load that was looked at, and for each clip test,
 * however many of its rolls were.
 */
public final class Trim {
    /** How much a tank load changes it, in percent; <em>house</em>. */
    public static final double STEP_PERCENT = 4;
    /** The least that it becomes, in percent; <em>house</em>. */
    public static final double LEAST_PERCENT = -12;
    /** The most that it becomes, in percent; <em>house</em>. */
    public static final double MOST_PERCENT = 24;

    private Trim() {}

    /**
     * Adds up what was seen.
     *
     * @param loads of each tank load or clip test, in the order in which they were run, what its looks found that count:
     *     the latest of each roll
     * @return in percent
     */
    public static double percent(List<List<Finding>> loads) {
        double percent = 0;
        for (List<Finding> load : loads) {
            double step = STEP_PERCENT * direction(load);
            percent = Math.max(LEAST_PERCENT, Math.min(MOST_PERCENT, percent + step));
        }
        return percent;
    }

    /**
     * Which way a tank load corrects: 1 for more time, -1 for less, 0 where not more of its looks say so than say
     * otherwise.
     */
    public static int direction(List<Finding> load) {
        if (isMost(load, Finding.THIN)) {
            return 1;
        }
        return isMost(load, Finding.DENSE) ? -1 : 0;
    }

    private static boolean isMost(List<Finding> load, Finding finding) {
        long such = load.stream().filter(each -> each == finding).count();
        return such > load.size() - such;
    }
}
