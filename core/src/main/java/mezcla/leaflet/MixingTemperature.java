package mezcla.leaflet;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import org.jspecify.annotations.Nullable;

/**
 * How warm the water is that a bath is mixed with, as a sheet prints it: one temperature, from one to another, or three
 * (rules, 3.1).
 *
 * @param min too cold below, in °C; null where nothing is printed
 * @param target what to aim for, in °C
 * @param max too hot above, in °C; null where nothing is printed
 */
public record MixingTemperature(@Nullable Double min, double target, @Nullable Double max) {
    private static final Pattern BEST =
            Pattern.compile("(.*?)[,;(]?\\s*(?:best|ideally|aim for)(?: at)?:?\\s*([^)]+)\\)?");
    private static final Pattern AT_LEAST = Pattern.compile(
            "(?:(?:at least|from|not below|min(?:imum)?\\.?)\\s+(.+)|(.+?),?\\s+(?:at least|or more|min(?:imum)?\\.?))");
    private static final Pattern AT_MOST = Pattern.compile(
            "(?:(?:at most|up to|below|not above|max(?:imum)?\\.?)\\s+(.+)|(.+?),?\\s+(?:at most|or less|max(?:imum)?\\.?))");

    /** Refuses temperatures that are not in their order, as {@code mixing-temperatures-mixed-up}. */
    public MixingTemperature {
        if ((min != null && min > target) || (max != null && max < target)) {
            throw Refusal.of(new LeafletObjection.MixingTemperaturesMixedUp());
        }
    }

    /**
     * Reads what is printed: {@code 40 °C}, {@code 40 °C / 104 °F}, {@code 38–42 °C}, {@code 30–45 °C, best 40 °C},
     * {@code at least 35 °C}, {@code up to 45 °C}. Of a range without a best the middle is aimed for.
     *
     * @param typed the text
     * @param shown the scale of a bare number
     * @throws Refusal what {@link Temperature#parse} refuses, and {@code mixing-temperatures-mixed-up}
     */
    public static MixingTemperature parse(String typed, Temperature.Scale shown) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        text = text.replaceFirst("^(?:from|between)\\s+(.+?)\\s+(?:to|and)\\s+", "$1–");
        Matcher best = BEST.matcher(text);
        if (best.matches() && !best.group(1).isBlank()) {
            MixingTemperature around = parse(best.group(1), shown);
            double target = PrintedTemperature.parse(best.group(2), shown).celsius();
            boolean ranged = around.min != null || around.max != null;
            return new MixingTemperature(ranged ? around.min : Double.valueOf(around.target), target, around.max);
        }
        Matcher least = AT_LEAST.matcher(text);
        if (least.matches()) {
            double celsius = PrintedTemperature.parse(part(least), shown).celsius();
            return new MixingTemperature(celsius, celsius, null);
        }
        Matcher most = AT_MOST.matcher(text);
        if (most.matches()) {
            double celsius = PrintedTemperature.parse(part(most), shown).celsius();
            return new MixingTemperature(null, celsius, celsius);
        }
        PrintedTemperature printed = PrintedTemperature.parse(text, shown);
        return new MixingTemperature(printed.leastC(), printed.celsius(), printed.mostC());
    }

    /** What stands before or after the words that say on which side it is. */
    private static String part(Matcher words) {
        return words.group(1) == null ? words.group(2) : words.group(1);
    }

    /** As it would be printed; {@link #parse} reads it back. */
    @Override
    public String toString() {
        Double least = min;
        Double most = max;
        if (least == null && most == null) {
            return text(target);
        }
        String range = least != null && most != null
                ? plain(least) + "–" + text(most)
                : least != null ? "at least " + text(least) : "up to " + text(most == null ? target : most);
        double aimed = least != null && most != null
                ? (least + most) / 2
                : least != null ? least : most == null ? target : most;
        return Math.abs(aimed - target) < 1e-9 ? range : range + ", best " + text(target);
    }

    private static String text(double celsius) {
        return plain(celsius) + " °C";
    }

    private static String plain(double celsius) {
        return BigDecimal.valueOf(celsius)
                .setScale(2, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
