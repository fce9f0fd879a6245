package mezcla.leaflet;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;

/**
 * A time as a sheet prints it: one, from one to another ({@code 0:30 to 1:00}), or one at least ({@code at least six
 * minutes}). What counts is the first; whoever processes may stay until the last (rules, section 7).
 *
 * @param seconds what counts, in seconds
 * @param mostSeconds how long it may be, in seconds; the same where one is printed, infinite for <em>at least</em>
 */
public record PrintedTime(double seconds, double mostSeconds) {
    private static final Pattern AT_LEAST = Pattern.compile("(?:at least|min(?:imum)?\\.?)\\s+(.+)");
    private static final Pattern OR_MORE = Pattern.compile("(.+?)\\s*(?:or more|or longer|at least|\\+)");
    private static final Pattern RANGE = Pattern.compile("(.+?)\\s*(?:–|-|\\bto\\b)\\s*(.+)");
    private static final Pattern UNIT = Pattern.compile(".*?\\s*(s|secs?|seconds?|min|mins|minutes?)\\.?");
    private static final Pattern BARE = Pattern.compile("[0-9]{1,5}(?:[.,][0-9]{1,2})?");
    private static final String[] NUMBERS = {
        "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"
    };

    /**
     * Reads a time.
     *
     * @throws Refusal what {@link ProcessingTime#parse} refuses, and {@code range-reversed}
     */
    public static PrintedTime parse(String typed) {
        String text = inDigits(typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " "));
        Matcher least = AT_LEAST.matcher(text);
        if (least.matches()) {
            return new PrintedTime(seconds(least.group(1)), Double.POSITIVE_INFINITY);
        }
        Matcher more = OR_MORE.matcher(text);
        if (more.matches()) {
            return new PrintedTime(seconds(more.group(1)), Double.POSITIVE_INFINITY);
        }
        Matcher range = RANGE.matcher(text);
        if (range.matches()) {
            Matcher unit = UNIT.matcher(range.group(2));
            boolean bare = BARE.matcher(range.group(1)).matches();
            double from = seconds(bare && unit.matches() ? range.group(1) + " " + unit.group(1) : range.group(1));
            double to = seconds(range.group(2));
            if (from > to) {
                throw Refusal.of(new LeafletObjection.RangeReversed(from, to));
            }
            return new PrintedTime(from, to);
        }
        double seconds = seconds(text);
        return new PrintedTime(seconds, seconds);
    }

    private static double seconds(String text) {
        return ProcessingTime.parse(text.replaceAll("\\bmins\\b", "min").replaceAll("\\bsecs\\b", "sec"))
                .seconds();
    }

    private static String inDigits(String text) {
        String digits = text;
        for (int i = 0; i < NUMBERS.length; i++) {
            digits = digits.replaceAll("\\b" + NUMBERS[i] + "\\b", Integer.toString(i + 1));
        }
        return digits;
    }

    /** As it would be printed; {@link #parse} reads it back. */
    @Override
    public String toString() {
        String first = text(seconds);
        return Double.isInfinite(mostSeconds)
                ? "at least " + first
                : mostSeconds > seconds ? first + " to " + text(mostSeconds) : first;
    }

    private static String text(double seconds) {
        return new ProcessingTime((int) Math.round(seconds)).toString();
    }
}
