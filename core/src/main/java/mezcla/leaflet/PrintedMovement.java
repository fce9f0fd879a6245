package mezcla.leaflet;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import org.jspecify.annotations.Nullable;

/**
 * How the tank is moved during a step, as a sheet prints it (rules, section 7).
 *
 * @param kind whether it stands still, is moved without a pause, or now and then
 * @param first how it is moved at first; null where the sheet leaves that open
 * @param then how it is moved after that; null where the sheet leaves that open
 * @param initialSeconds how long at first, in seconds; 0 for not at all
 * @param everySeconds how often after that, counted from the start, in seconds; 0 unless now and then, and where it then
 *     stands still
 * @param forSeconds how long each time, in seconds; 0 where turns are counted
 * @param turns how many turns each time; 0 where seconds are counted
 */
public record PrintedMovement(
        Kind kind,
        @Nullable Method first,
        @Nullable Method then,
        double initialSeconds,
        double everySeconds,
        double forSeconds,
        int turns) {
    /** Whether a tank is moved. */
    public enum Kind {
        /** It stands still. */
        STILL,
        /** Without a pause. */
        CONTINUOUS,
        /** At first for a while, then for a moment at regular times. */
        INTERVALS
    }

    /** How a tank is moved. */
    public enum Method {
        /** Turned over by hand. */
        INVERT("invert"),
        /** With the stick in its lid. */
        STICK("stick"),
        /** Rolled on a base or by hand. */
        TURN("turn");

        private final String word;

        Method(String word) {
            this.word = word;
        }

        /** The word for it. */
        public String word() {
            return word;
        }
    }

    /** It stands still. */
    public static final PrintedMovement STANDS = new PrintedMovement(Kind.STILL, null, null, 0, 0, 0, 0);

    private static final double MINUTE = 60;
    private static final String TIME = "(half a minute|half minute|one minute|minute|[0-9]{1,2}:[0-9]{2}"
            + "|[0-9]{1,3}(?:[.,][0-9])?\\s*(?:s|secs?|seconds?|min|mins|minutes?)\\b)";
    private static final Pattern STANDING = Pattern.compile(
            "(none|nothing|not at all|still|stand(s|ing)?( still)?|no (movement|agitation)|do not move.*)");
    private static final Pattern EVERY =
            Pattern.compile("(?:every|each|per|once a|a|in each)\\s+" + TIME, Pattern.CASE_INSENSITIVE);
    private static final Pattern TURNS =
            Pattern.compile("([0-9]{1,2}|one|two|three|four|five|six|once|twice)\\s*(?:×|x|slow|gentle|full)?\\s*"
                    + "(?:turns?|inversions?|times|twists?|rotations?|strokes?|tilts?)?\\b");
    private static final Pattern SOME_TIME = Pattern.compile(TIME);
    private static final Pattern REPEATED = Pattern.compile("(.*?)" + TIME
            + "[,;.]?\\s*(?:then |and )?(?:wait|rest|stand(?:s|ing)?(?: still)?|pause|leave(?: it)?)(?: for)?\\s+"
            + TIME
            + "[,;.]?\\s*(?:and |then )?(?:repeat.*|again|and so on|over and over)");
    private static final Pattern THEN_STILL = Pattern.compile(
            "(?:,|;)?\\s*(?:and then|then|and|after that|afterwards)\\s+(?:do )?(?:nothing|still|none|stand(?:s|ing)?(?: still)?"
                    + "|no (?:more |further )?(?:movement|agitation)|leave it(?: still)?|let it stand|rest)(?: after(?:wards| that)?| more| at all)?$");
    private static final Pattern ONCE = Pattern.compile(
            "(?:invert|agitate|turn|twist|tilt|shake)(?: gently| slowly| it| the tank)?\\s+(?:once|twice|[0-9]{1,2} times)(?: only)?");

    /**
     * Reads what is printed: {@code invert for 30 s, then 5 s every 30 s}, {@code first 15 s, then 4 turns every half
     * minute}, {@code stick for the first 30 s, then invert twice every 30 s}, {@code agitate 15 s, wait 30 s, repeat},
     * {@code 30 s, then nothing}, {@code invert once}, {@code continuous}, {@code none}.
     *
     * @throws Refusal {@code missing} or {@code not-a-movement}
     */
    public static PrintedMovement parse(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (STANDING.matcher(text).matches()) {
            return STANDS;
        }
        Matcher repeated = REPEATED.matcher(text);
        if (repeated.matches()) {
            double moved = seconds(repeated.group(2));
            Method method = method(repeated.group(1));
            return new PrintedMovement(
                    Kind.INTERVALS, method, method, moved, moved + seconds(repeated.group(3)), moved, 0);
        }
        Matcher every = EVERY.matcher(text);
        if (!every.find() && isOnceOnly(text)) {
            return onceOnly(typed, text);
        }
        if (!every.reset().find()) {
            if (text.matches(
                    ".*\\b(continuous(ly)?|constant(ly)?|without a pause|non-?stop|keep (it )?turning|all the time)\\b.*")) {
                Method method = method(text);
                return new PrintedMovement(Kind.CONTINUOUS, method, method, 0, 0, 0, 0);
            }
            throw Refusal.of(new LeafletObjection.NotAMovement(typed.strip()));
        }
        double everySeconds = seconds(every.group(1));
        String before = text.substring(0, every.start());
        int parting = Math.max(before.lastIndexOf("then"), Math.max(before.lastIndexOf(','), before.lastIndexOf(';')));
        String opening = parting < 0 ? "" : before.substring(0, parting);
        String moment = parting < 0 ? before : before.substring(parting).replaceFirst("^then", "");
        Matcher openingTime = SOME_TIME.matcher(opening);
        double initial = openingTime.find() ? seconds(openingTime.group(1)) : 0;
        Matcher momentTime = SOME_TIME.matcher(moment);
        double forSeconds = 0;
        int turns = 0;
        if (momentTime.find()) {
            forSeconds = seconds(momentTime.group(1));
        } else {
            Matcher counted = TURNS.matcher(moment);
            if (!counted.find()) {
                throw Refusal.of(new LeafletObjection.NotAMovement(typed.strip()));
            }
            turns = count(counted.group(1));
        }
        Method later = method(moment + text.substring(every.end()));
        Method at = method(opening);
        if (forSeconds > everySeconds || everySeconds <= 0 || (forSeconds <= 0 && turns <= 0)) {
            throw Refusal.of(new LeafletObjection.NotAMovement(typed.strip()));
        }
        return new PrintedMovement(
                Kind.INTERVALS,
                at == null ? later : at,
                later == null ? at : later,
                initial,
                everySeconds,
                forSeconds,
                turns);
    }

    /** Whether it is moved at the beginning of the step and then not any more. */
    private static boolean isOnceOnly(String text) {
        return THEN_STILL.matcher(text).find()
                || text.matches(".*\\b(first|initial(ly)?|at the (start|beginning))\\b.*")
                || ONCE.matcher(text).matches();
    }

    private static PrintedMovement onceOnly(String typed, String text) {
        String opening = THEN_STILL.matcher(text).replaceFirst("");
        Method method = method(opening);
        Matcher time = SOME_TIME.matcher(opening);
        if (time.find()) {
            return new PrintedMovement(Kind.INTERVALS, method, method, seconds(time.group(1)), 0, 0, 0);
        }
        Matcher counted = TURNS.matcher(opening);
        if (!counted.find()) {
            throw Refusal.of(new LeafletObjection.NotAMovement(typed.strip()));
        }
        int turns = count(counted.group(1));
        return new PrintedMovement(Kind.INTERVALS, method, method, 0, 0, 0, turns);
    }

    /** Whether it is moved at the beginning of the step, and then stands still. */
    public boolean isAtFirstOnly() {
        return kind == Kind.INTERVALS && everySeconds <= 0;
    }

    private static int count(String word) {
        return switch (word) {
            case "one", "once" -> 1;
            case "two", "twice" -> 2;
            case "three" -> 3;
            case "four" -> 4;
            case "five" -> 5;
            case "six" -> 6;
            default -> Integer.parseInt(word);
        };
    }

    private static double seconds(String time) {
        return switch (time) {
            case "half a minute", "half minute" -> MINUTE / 2;
            case "one minute", "minute" -> MINUTE;
            default -> PrintedTime.parse(time).seconds();
        };
    }

    private static @Nullable Method method(String words) {
        if (words.matches(".*\\b(invert|invers|tilt|turn (it )?over|upside).*")) {
            return Method.INVERT;
        }
        if (words.matches(".*\\b(stick|twirl|twist|swirl|rod).*")) {
            return Method.STICK;
        }
        return words.matches(".*\\b(rotat|rotar|roll|turning|motor).*") ? Method.TURN : null;
    }

    /** As it would be printed; {@link #parse} reads it back. */
    @Override
    public String toString() {
        return switch (kind) {
            case STILL -> "none";
            case CONTINUOUS -> first == null ? "continuous" : spoken(first) + " continuously";
            case INTERVALS -> {
                String opening = initialSeconds > 0
                        ? (first == null ? "first" : spoken(first)) + " " + text(initialSeconds) + ", then "
                        : "";
                String named = then != null && (then != first || opening.isEmpty()) ? spoken(then) + " " : "";
                if (isAtFirstOnly()) {
                    String length = turns > 0 ? turns + (turns == 1 ? " turn" : " turns") : text(initialSeconds);
                    yield (first == null ? "first" : spoken(first)) + " " + length + ", then still";
                }
                String moment = turns > 0 ? turns + (turns == 1 ? " turn" : " turns") : text(forSeconds);
                yield opening + named + moment + " every " + text(everySeconds);
            }
        };
    }

    private static String spoken(Method method) {
        return switch (method) {
            case INVERT -> "invert";
            case STICK -> "twirl the stick";
            case TURN -> "rotate";
        };
    }

    private static String text(double seconds) {
        return seconds <= MINUTE
                ? Math.round(seconds) + " s"
                : new ProcessingTime((int) Math.round(seconds)).toString();
    }
}
