package mezcla.measure;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** A time in a bath, held in whole seconds between 1 s and 6 h (rules, section 2). */
public record ProcessingTime(int seconds) implements Comparable<ProcessingTime> {
    private static final int MOST_SECONDS = 6 * 3600;
    private static final int SHOWN_STEP = 5;
    private static final Pattern CLOCK = Pattern.compile("(?:([0-9]):)?([0-9]{1,3}):([0-9]{2})");
    private static final Pattern BARE = Pattern.compile("[0-9]{1,5}(?:[.,][0-9]{1,2})?");
    private static final Pattern PRIMES =
            Pattern.compile("([0-9]{1,3}) ?['\u2032](?: ?([0-9]{1,2}) ?(?:\"|\u2033|''))?");
    private static final Pattern PART_MINUTES = Pattern.compile("([0-9]{1,3})[.,]([0-9]{1,3}) ?min(?:utes?)?");
    private static final Pattern MINUTES_AND_BARE = Pattern.compile("([0-9]{1,3}) ?min(?:utes?)?,? ([0-5]?[0-9])");
    private static final Pattern WORDS = Pattern.compile(
            "(?:([0-9]{1,2}) ?h(?:ours?)?)? ?(?:([0-9]{1,3}) ?min(?:utes?)?)? ?(?:([0-9]{1,5}) ?s(?:ec(?:onds?)?)?)?");

    /** Refuses what lies outside 1 s to 6 h as {@code out-of-range}. */
    public ProcessingTime {
        if (seconds < 1 || seconds > MOST_SECONDS) {
            throw Refusal.of(new TypedObjection.OutOfRange(String.valueOf(seconds), 1, MOST_SECONDS, "s"));
        }
    }

    /** A time of so many seconds. */
    public static ProcessingTime ofSeconds(int seconds) {
        return new ProcessingTime(seconds);
    }

    /**
     * The time as it is shown and worked to: rounded to 5 s, half up, and never beyond 6 h.
     *
     * @param exactSeconds unrounded seconds
     */
    public static ProcessingTime shown(double exactSeconds) {
        double steps = Slack.floor(exactSeconds / SHOWN_STEP + 0.5);
        return new ProcessingTime((int) Math.min(MOST_SECONDS, Math.max(1, steps * SHOWN_STEP)));
    }

    /**
     * Reads a time as a person types it: {@code 3:15}, {@code 3 min 15 s}, {@code 195 s}, {@code 6.5 min}, {@code 6½ min},
     * {@code 3 1/2 minutes}, {@code 6 min 30} or {@code 3'15"}. A bare number could be minutes or seconds, and is neither.
     *
     * @throws Refusal {@code missing}, {@code minutes-or-seconds} for a bare number, {@code not-a-time} (also for seconds
     *     above 59 behind a colon) or {@code out-of-range}
     */
    public static ProcessingTime parse(String typed) {
        String text =
                Fractions.inDecimals(typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+(?:and )?", " "));
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (BARE.matcher(text).matches()) {
            throw Refusal.of(new TypedObjection.MinutesOrSeconds(typed.strip()));
        }
        Matcher clock = CLOCK.matcher(text);
        if (clock.matches()) {
            boolean hours = clock.group(1) != null;
            if (number(clock.group(3)) > 59 || (hours && number(clock.group(2)) > 59)) {
                throw Refusal.of(new TypedObjection.NotATime(typed.strip()));
            }
            return checked(typed, total(clock));
        }
        Matcher primes = PRIMES.matcher(text);
        if (primes.matches() && number(primes.group(2)) <= 59) {
            return checked(typed, number(primes.group(1)) * 60 + number(primes.group(2)));
        }
        Matcher part = PART_MINUTES.matcher(text);
        if (part.matches()) {
            return checked(typed, number(part.group(1)) * 60 + partOfAMinute(part.group(2)));
        }
        Matcher bare = MINUTES_AND_BARE.matcher(text);
        if (bare.matches()) {
            return checked(typed, number(bare.group(1)) * 60 + number(bare.group(2)));
        }
        Matcher words = WORDS.matcher(text);
        if (words.matches()) {
            return checked(typed, total(words));
        }
        throw Refusal.of(new TypedObjection.NotATime(typed.strip()));
    }

    private static int partOfAMinute(String decimals) {
        return (int) Math.round(Double.parseDouble("0." + decimals) * 60);
    }

    private static int total(Matcher matcher) {
        return number(matcher.group(1)) * 3600 + number(matcher.group(2)) * 60 + number(matcher.group(3));
    }

    private static int number(@Nullable String digits) {
        return digits == null ? 0 : Integer.parseInt(digits);
    }

    private static ProcessingTime checked(String typed, int seconds) {
        if (seconds < 1 || seconds > MOST_SECONDS) {
            throw Refusal.of(new TypedObjection.OutOfRange(typed.strip(), 1, MOST_SECONDS, "s"));
        }
        return new ProcessingTime(seconds);
    }

    @Override
    public int compareTo(ProcessingTime other) {
        return Integer.compare(seconds, other.seconds);
    }

    /** As minutes and seconds, {@code 3:15}, or with hours, {@code 1:02:30}; {@link #parse} reads it back. */
    @Override
    public String toString() {
        int hours = seconds / 3600;
        String shown = hours == 0 ? "" + seconds / 60 : hours + ":" + twoDigits(seconds / 60 % 60);
        return shown + ":" + twoDigits(seconds % 60);
    }

    private static String twoDigits(int number) {
        return number < 10 ? "0" + number : "" + number;
    }
}
