package mezcla.web.house.things;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;

/** Labels of things that are all alike. */
final class Series {
    private static final int MOST = 24;
    private static final Pattern FROM_TO = Pattern.compile("(.*?)([0-9]{1,3})\\s*(?:to|–|-)\\s*(.*?)([0-9]{1,3})");

    private Series() {}

    /**
     * The labels: {@code D1 to D6} are six, anything that is no series is one.
     *
     * @throws Refusal {@code not-a-series} where it runs backwards, changes its letters or is too long
     */
    static List<String> of(String typed) {
        Matcher matcher = FROM_TO.matcher(typed.strip());
        if (!matcher.matches() || (matcher.group(1).isEmpty() && !typed.contains("to"))) {
            return List.of(typed.strip());
        }
        int first = Integer.parseInt(matcher.group(2));
        int last = Integer.parseInt(matcher.group(4));
        String letters = matcher.group(3);
        boolean same = letters.isEmpty() || letters.equals(matcher.group(1));
        if (!same && !typed.matches(".*\\s(to|–|-)\\s.*")) {
            return List.of(typed.strip());
        }
        if (!same || last <= first || last - first >= MOST) {
            throw Refusal.of(new FormObjection.NotASeries(typed.strip(), MOST));
        }
        String digits = "%0" + matcher.group(2).length() + "d";
        return IntStream.rangeClosed(first, last)
                .mapToObj(number -> matcher.group(1) + digits.formatted(number))
                .toList();
    }
}
