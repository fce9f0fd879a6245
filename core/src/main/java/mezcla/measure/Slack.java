package mezcla.measure;

/**
 * Comparisons of physical quantities. Limits, steps and tolerances are compared with a slack of 1e-9, so that seven
 * tenths added ten times still reach seven (rules, introduction).
 */
public final class Slack {
    private static final double SLACK = 1e-9;

    private Slack() {}

    /** Whether {@code value} reaches {@code limit}, or is above it. */
    public static boolean reaches(double value, double limit) {
        return value >= limit - SLACK;
    }

    /** Whether {@code value} lies truly above {@code limit}. */
    public static boolean exceeds(double value, double limit) {
        return value > limit + SLACK;
    }

    /** Whether {@code value} lies between two limits, or on one of them. */
    public static boolean isWithin(double value, double least, double most) {
        return reaches(value, least) && reaches(most, value);
    }

    /** The largest whole number that {@code value} reaches. */
    public static double floor(double value) {
        return Math.floor(value + SLACK);
    }

    /** The smallest whole number that reaches {@code value}. */
    public static int ceiling(double value) {
        return (int) Math.ceil(value - SLACK);
    }
}
