package mezcla.leaflet;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.measure.Fractions;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import org.jspecify.annotations.Nullable;

/**
 * A temperature as a sheet prints it: alone, with its conversion ({@code 24 °C / 80 °F}), from one to another ({@code
 * 37–39 °C}), give or take ({@code 38 ± 0.3 °C}), or the room's. A pair that disagrees is pointed out, not averaged: the
 * first one counts (rules, section 2).
 *
 * @param celsius what counts, in °C: the middle of a range
 * @param disagrees the other one, in °C, where the two say different things; null where they agree or one stands alone
 * @param leastC the lowest that is printed, in °C; null where there is only one
 * @param mostC the highest that is printed, in °C; null where there is only one
 */
public record PrintedTemperature(
        double celsius, @Nullable Double disagrees, @Nullable Double leastC, @Nullable Double mostC) {
    /** Whole degrees of either scale are rounded by up to half of a degree Celsius. */
    private static final double ROUNDED_BY_C = 0.5;

    /** What a sheet means by the room (<em>house</em>), in °C. */
    public static final PrintedTemperature ROOM = new PrintedTemperature(20, null, 15.0, 30.0);

    private static final Pattern ROOM_WORDS =
            Pattern.compile("(?:at )?(?:the )?(?:room|ambient)(?: temp(?:erature|\\.)?)?");
    private static final Pattern PAIR = Pattern.compile("([^/(]+)[/(]([^)]+)\\)?");
    private static final Pattern RANGE = Pattern.compile("([^–-]+?)\\s*(?:–|-|\\bto\\b)\\s*([^–-]+)");
    private static final Pattern AROUND = Pattern.compile("([^±+]+?)\\s*(?:±|\\+/-|\\+-|give or take)\\s*([^±+]+)");
    private static final Pattern OFF = Pattern.compile("([0-9]{1,2}(?:[.,][0-9]{1,2})?)\\s*(?:°?\\s*([cfk]))?");
    private static final Pattern SCALE = Pattern.compile(".*?(°?\\s*[cf])\\s*");

    /**
     * Reads a temperature.
     *
     * @param typed the text
     * @param shown the scale of a bare number
     * @throws Refusal what {@link Temperature#parse} refuses
     */
    public static PrintedTemperature parse(String typed, Temperature.Scale shown) {
        String text = Fractions.inDecimals(typed.strip().toLowerCase(Locale.ROOT))
                .replace("celsius", "c")
                .replace("fahrenheit", "f");
        if (ROOM_WORDS.matcher(text).matches()) {
            return ROOM;
        }
        Matcher pair = PAIR.matcher(text);
        if (pair.matches()) {
            PrintedTemperature first = parse(pair.group(1), shown);
            PrintedTemperature second = parse(pair.group(2), shown);
            boolean differs = Slack.exceeds(Math.abs(first.celsius - second.celsius), ROUNDED_BY_C);
            return new PrintedTemperature(first.celsius, differs ? second.celsius : null, first.leastC, first.mostC);
        }
        Matcher around = AROUND.matcher(text);
        if (around.matches()) {
            Matcher off = OFF.matcher(around.group(2).strip());
            if (!off.matches()) {
                throw Refusal.of(new TypedObjection.NotATemperature(typed.strip()));
            }
            String scale = scaleOf(around.group(1) + (off.group(2) == null ? "" : off.group(2)));
            double celsius =
                    Temperature.parse(scaled(around.group(1), scale), shown).celsius();
            boolean fahrenheit = scale.isEmpty() ? shown == Temperature.Scale.FAHRENHEIT : scale.equals("f");
            double by = Double.parseDouble(off.group(1).replace(',', '.')) / (fahrenheit ? 1.8 : 1);
            return new PrintedTemperature(celsius, null, celsius - by, celsius + by);
        }
        Matcher range = RANGE.matcher(text);
        if (range.matches()) {
            String scale = scaleOf(range.group(2));
            double least =
                    Temperature.parse(scaled(range.group(1), scale), shown).celsius();
            double most = Temperature.parse(range.group(2), shown).celsius();
            if (least > most) {
                throw Refusal.of(new LeafletObjection.RangeReversed(least, most));
            }
            return new PrintedTemperature((least + most) / 2, null, least, most);
        }
        return new PrintedTemperature(Temperature.parse(text, shown).celsius(), null, null, null);
    }

    private static String scaled(String text, String scale) {
        return scaleOf(text).isEmpty() ? text.strip() + scale : text;
    }

    private static String scaleOf(String text) {
        Matcher scale = SCALE.matcher(text.strip());
        return scale.matches() ? scale.group(1).replaceAll("[°\\s]", "") : "";
    }
}
