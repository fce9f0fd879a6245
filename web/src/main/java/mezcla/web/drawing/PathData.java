package mezcla.web.drawing;

/** The data of a drawing's paths: commands with numbers to one decimal at most. A page has hundreds of them. */
public final class PathData {
    private static final String NUMBER = "%s";

    private PathData() {}

    /**
     * Puts numbers in their places.
     *
     * @param pattern the commands, with {@code %s} for each number
     * @param numbers as many, in the units of the drawing
     */
    public static String of(String pattern, double... numbers) {
        StringBuilder path = new StringBuilder(pattern.length() + 4 * numbers.length);
        int from = 0;
        for (double number : numbers) {
            int at = pattern.indexOf(NUMBER, from);
            path.append(pattern, from, at);
            append(path, number);
            from = at + NUMBER.length();
        }
        return path.append(pattern, from, pattern.length()).toString();
    }

    private static void append(StringBuilder path, double number) {
        long tenths = Math.round(Math.abs(number) * 10);
        if (number < 0 && tenths > 0) {
            path.append('-');
        }
        path.append(tenths / 10);
        if (tenths % 10 > 0) {
            path.append('.').append(tenths % 10);
        }
    }
}
