package mezcla.leaflet;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Takes apart a line of a sheet that says several things: a time with its temperature, water with its temperature, rolls
 * with a life, how long a part keeps. It only parts them; what reads each says what it refuses. What is not found is
 * empty, and a line that says one thing alone comes back as that (rules, 3.1 and 4.2).
 */
public final class PrintedLine {
    private static final String DEGREES = "[0-9]{1,3}(?:[.,][0-9]+)?(?:\\s*[½¼¾])?";
    private static final String SCALED = DEGREES + "\\s*(?:°\\s*[cf]?|[cf]\\b|degrees)";

    /** Where a temperature begins. */
    private static final String WARMTH = "(?<![0-9:.,])(?:" + SCALED + "|" + DEGREES + "\\s*(?:–|-|to)\\s*" + SCALED
            + ")" + "|\\broom\\b|\\bambient\\b|±|\\+/-|\\bgive or take\\b";

    private static final Pattern AFTER_A_TIME = Pattern.compile(WARMTH + "|(?<=\\bat )(?=[0-9])");
    private static final Pattern AFTER_WATER =
            Pattern.compile("\\b(?:at least|at most|at|best|about)\\s+(?=[0-9r])|" + WARMTH, Pattern.CASE_INSENSITIVE);
    private static final String GIVE_OR_TAKE = "±|\\+/-|give or take";
    private static final Pattern AROUND = Pattern.compile("\\s*,?\\s*(" + GIVE_OR_TAKE + ")\\s*");
    private static final Pattern BY_HAND =
            Pattern.compile("(.+?)\\s+by hand[,;/]?\\s*(?:or\\s+)?(.+?)\\s+(?:turning|rotary|in rotation|by rotation)");
    private static final Pattern LIFE = Pattern.compile(
            "(?:(?:up to|about|at most)\\s+)?[0-9]{1,4}(?:[.,][0-9]{1,2})?(?:\\s*(?:-|–|to)\\s*[0-9]{1,4}(?:[.,][0-9]{1,2})?)?"
                    + "\\s*(?:days?|weeks?|months?|years?)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern SEALED =
            Pattern.compile("(?:sealed|unopened|closed)[:,]?|(?:sealed|unopened|closed)$");
    private static final Pattern OPEN = Pattern.compile("(?:once |when |after )?(?:opening|opened|open)[:,]?");
    private static final Pattern VIALS = Pattern.compile("(?:in )?vials?[:,]?");
    private static final List<String> SAME =
            List.of("same", "the same", "as above", "ditto", "as before", "same as above", "likewise", "\"", "″", "〃");

    private PrintedLine() {}

    /** Whether a sheet says that something is as in the line above. */
    public static boolean isSame(String printed) {
        return SAME.contains(printed.strip().toLowerCase(Locale.ROOT).replaceAll("\\.$", ""));
    }

    /**
     * A time and what stands behind it.
     *
     * @param time by hand
     * @param rotary in a machine that turns the tank
     * @param at how warm
     * @param within by how much it may be off
     */
    public record Timed(String time, String rotary, String at, String within) {}

    /**
     * Parts {@code 3:20 at 38 °C ± 0.3}, {@code 6:30, 24–41 °C}, {@code 11:00 by hand, 7:30 rotary, 38 °C}, {@code 3:15,
     * give or take 0.25 °C}. A range behind a comma says how far the bath may be off; behind <em>at</em> it says how warm it
     * is.
     *
     * @param line the line
     */
    public static Timed timed(String line) {
        String text = line.strip();
        Matcher warmth = AFTER_A_TIME.matcher(text.toLowerCase(Locale.ROOT));
        boolean found = warmth.find();
        String first = found ? text.substring(0, warmth.start()) : text;
        String behind = found ? text.substring(warmth.start()) : "";
        String rest = first.endsWith("(") ? behind.replaceFirst("\\)$", "") : behind;
        boolean named = first.toLowerCase(Locale.ROOT).matches("(?s).*\\bat\\s*");
        String time = first.replaceFirst("(?i)[\\s,;(@]*(?:\\b(?:at|as warm as|within))?\\s*$", "")
                .replaceFirst("[,;]$", "");
        String[] warm = warm(rest, named);
        Matcher hands = BY_HAND.matcher(time);
        return hands.matches()
                ? new Timed(hands.group(1).strip(), hands.group(2).strip(), warm[0], warm[1])
                : new Timed(time.strip(), "", warm[0], warm[1]);
    }

    /** How warm, and by how much it may be off. */
    private static String[] warm(String text, boolean named) {
        Matcher around = AROUND.matcher(text);
        if (around.find()) {
            String before = text.substring(0, around.start()).strip();
            boolean hasScale = before.toLowerCase(Locale.ROOT).matches(".*[°cf)].*");
            return before.isEmpty() || hasScale || around.group().contains(",")
                    ? new String[] {before, "± " + text.substring(around.end()).strip()}
                    : new String[] {text.replace(around.group(1), "±"), ""};
        }
        String[] two = text.split("\\s*[,;]\\s*", 2);
        if (two.length == 2) {
            return new String[] {two[0], two[1].replaceFirst("^(?:within|from)\\s+", "")};
        }
        boolean range = text.matches("(?s)[^–-]*[0-9][^–-]*(?:–|-|\\bto\\b)\\s*[0-9].*");
        return range && !named ? new String[] {"", text} : new String[] {text, ""};
    }

    /**
     * Water and how warm it is.
     *
     * @param water how much
     * @param mixing how warm
     */
    public record Watered(String water, String mixing) {}

    /**
     * Parts {@code 700 ml of water at 38–42 °C}, {@code 28 fl oz, 110 °F}, {@code 700 ml, at least 20 °C, best 35 °C}.
     *
     * @param line the line
     */
    public static Watered watered(String line) {
        String text = line.strip();
        Matcher warmth = AFTER_WATER.matcher(text);
        boolean found = warmth.find();
        String water = found ? text.substring(0, warmth.start()) : text;
        String mixing = found ? text.substring(warmth.start()) : "";
        return new Watered(
                water.replaceFirst("(?i)[\\s,;]*(?:\\b(?:of )?(?:distilled |warm |hot |tap )?water)?[\\s,;]*$", ""),
                mixing.replaceFirst("(?i)^at\\s+(?=[0-9r])", "").strip());
    }

    /**
     * How much and how long a bath does.
     *
     * @param rolls how many rolls
     * @param life how long
     */
    public record Lasting(String rolls, String life) {}

    /**
     * Parts {@code 12 rolls, 4–6 weeks}, {@code 16 rolls; 3 months}, {@code takes 12 rolls and keeps 4–6 weeks}, {@code 2
     * months}.
     *
     * @param line the line
     */
    public static Lasting lasting(String line) {
        String text = line.strip();
        Matcher life = LIFE.matcher(text);
        if (!life.find()) {
            return new Lasting(plain(text), "");
        }
        return new Lasting(plain(text.substring(0, life.start()) + " " + text.substring(life.end())), life.group());
    }

    private static String plain(String text) {
        return text.replaceAll("(?i)\\b(?:and|keeps?|lasts?|takes?|good for|use within|within|capacity|life)\\b", " ")
                .replaceAll("[,;.:]", " ")
                .replaceAll("\\s+", " ")
                .strip();
    }

    /**
     * How long a part keeps.
     *
     * @param sealed closed as it came
     * @param opened once it is open
     * @param vials in small vials that are full
     */
    public record Keeping(String sealed, String opened, String vials) {}

    /**
     * Parts {@code sealed 24 months, open 6 months, in vials 12 months}; one length alone is that of sealed parts.
     *
     * @param line the line
     */
    public static Keeping keeping(String line) {
        String sealed = "";
        String opened = "";
        String vials = "";
        for (String each : line.strip().toLowerCase(Locale.ROOT).split("\\s*[,;]\\s*", -1)) {
            if (VIALS.matcher(each).find()) {
                vials = each.replaceFirst(VIALS.pattern(), "").strip();
            } else if (OPEN.matcher(each.replace("unopened", "")).find()) {
                opened = each.replaceFirst(OPEN.pattern(), "").strip();
            } else {
                sealed = each.replaceFirst(SEALED.pattern(), "").strip();
            }
        }
        return new Keeping(sealed, opened, vials);
    }
}
