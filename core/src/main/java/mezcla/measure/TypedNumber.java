package mezcla.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A number with a unit behind it, as a person types it: {@code 1,2 l}, {@code 946}, {@code 101F}. */
record TypedNumber(String text, String number, String unit) {
    private static final Pattern NUMBER_THEN_UNIT =
            Pattern.compile("([+-]?(?:[0-9]{1,12}(?:[.,][0-9]{1,20})?|[.,][0-9]{1,20}))\\s*([^0-9]*)");
    private static final Pattern COULD_BE_THOUSANDS = Pattern.compile("[+-]?[1-9][0-9]{0,2}[.,][0-9]{3}");

    private static final Pattern FRACTION =
            Pattern.compile("(?:([0-9]{1,4})\\s+)?([0-9]{1,3})/([1-9][0-9]{0,2})(\\s*[^0-9/]*)");
    private static final Map<String, String> SINGLE =
            Map.of("½", " 1/2", "¼", " 1/4", "¾", " 3/4", "⅛", " 1/8", "⅜", " 3/8", "⅝", " 5/8", "⅞", " 7/8");

    /** The same, where the number may be a fraction, as tools are marked: {@code 1/8 fl oz}, {@code 1 1/2 qt}, {@code ¼}. */
    static TypedNumber withFraction(String typed, Function<String, Objection> otherwise) {
        String text = typed.replace('\u00a0', ' ').replace('\u202f', ' ');
        for (Map.Entry<String, String> single : SINGLE.entrySet()) {
            text = text.replace(single.getKey(), single.getValue());
        }
        Matcher matcher = FRACTION.matcher(text.strip());
        if (!matcher.matches()) {
            return of(typed, otherwise);
        }
        double whole = matcher.group(1) == null ? 0 : Double.parseDouble(matcher.group(1));
        double value = whole + Double.parseDouble(matcher.group(2)) / Double.parseDouble(matcher.group(3));
        // More digits than three behind the point, so that it cannot be read as thousands.
        return of(String.format(Locale.ROOT, "%.9f", value) + matcher.group(4), otherwise);
    }

    /** Splits text into number and unit; refused as missing when blank, else as given. */
    static TypedNumber of(String typed, Function<String, Objection> otherwise) {
        String text = typed.replace('\u00a0', ' ').replace('\u202f', ' ').strip();
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        Matcher matcher = NUMBER_THEN_UNIT.matcher(text);
        if (!matcher.matches()) {
            throw Refusal.of(otherwise.apply(text));
        }
        String unit = matcher.group(2).strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        return new TypedNumber(text, matcher.group(1), unit);
    }

    /**
     * The one reading of the number that lies in range. A comma or point before exactly three digits may mark
     * thousands or decimals; when both readings are in range the number is refused as {@code ambiguous-number}, when
     * none is as {@code out-of-range}.
     */
    double readIn(Conversion toCanonical, double least, double most, String canonicalUnit) {
        List<Double> readings = new ArrayList<>();
        readings.add(toCanonical.of(Double.parseDouble(number.replace(',', '.'))));
        if (COULD_BE_THOUSANDS.matcher(number).matches()) {
            readings.add(toCanonical.of(Double.parseDouble(number.replaceAll("[.,]", ""))));
        }
        List<Double> inRange = readings.stream()
                .filter(value -> Slack.reaches(value, least) && !Slack.exceeds(value, most))
                .toList();
        if (inRange.size() == 2) {
            throw Refusal.of(new TypedObjection.AmbiguousNumber(text, inRange.get(0), inRange.get(1), canonicalUnit));
        }
        if (inRange.isEmpty()) {
            throw Refusal.of(new TypedObjection.OutOfRange(text, least, most, canonicalUnit));
        }
        return inRange.get(0);
    }

    /** From the unit typed to the canonical one. */
    interface Conversion {
        double of(double typed);
    }
}
