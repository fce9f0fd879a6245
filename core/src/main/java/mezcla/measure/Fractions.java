package mezcla.measure;

import java.math.BigDecimal;
import java.util.Map;
import java.util.regex.Pattern;

/** Halves, quarters and eighths, as they are printed and typed: {@code 3 1/2}, {@code ½}, {@code 1/8}. */
public final class Fractions {
    private static final Map<String, String> SINGLE =
            Map.of("½", " 1/2", "¼", " 1/4", "¾", " 3/4", "⅛", " 1/8", "⅜", " 3/8", "⅝", " 5/8", "⅞", " 7/8");
    private static final Pattern FRACTION =
            Pattern.compile("(?<![0-9.,/])(?:([0-9]{1,4})[ -]+)?([0-9]{1,2})/([248])(?![0-9/])");

    private Fractions() {}

    /** The text with its halves, quarters and eighths in decimals; everything else stays. */
    public static String inDecimals(String typed) {
        String text = typed;
        for (Map.Entry<String, String> single : SINGLE.entrySet()) {
            text = text.replace(single.getKey(), single.getValue());
        }
        return FRACTION.matcher(text)
                .replaceAll(found -> {
                    double whole = found.group(1) == null ? 0 : Double.parseDouble(found.group(1));
                    double value = whole + Double.parseDouble(found.group(2)) / Double.parseDouble(found.group(3));
                    return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
                })
                .strip();
    }
}
