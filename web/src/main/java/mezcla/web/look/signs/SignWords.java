package mezcla.web.look.signs;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Words as people type them, brought to one spelling, so that what is meant is found. */
final class SignWords {
    private static final Set<String> LITTLE = Set.of(
            "a", "an", "and", "are", "as", "at", "be", "came", "come", "do", "for", "from", "got", "had", "has", "have",
            "i", "in", "is", "it", "its", "like", "look", "looks", "my", "of", "on", "or", "our", "out", "so", "that",
            "the", "them", "there", "they", "this", "to", "too", "turned", "turn", "up", "very", "was", "went", "were",
            "what", "when", "why", "with");
    private static final int LONG_ENOUGH = 5;
    private static final int VERY_LONG = 8;

    private SignWords() {}

    /** The words of a text that mean something; all of them where none does. */
    static List<String> of(String text) {
        List<String> all = Arrays.stream(text.toLowerCase(Locale.ROOT)
                        .replace('’', '\'')
                        .replace("'s", "")
                        .split("[^\\p{L}\\p{N}]+"))
                .filter(word -> !word.isEmpty())
                .toList();
        List<String> telling = all.stream()
                .filter(word -> !LITTLE.contains(word))
                .map(SignWords::stem)
                .toList();
        return telling.isEmpty() ? all.stream().map(SignWords::stem).toList() : telling;
    }

    /** One spelling on both sides of the sea, and without its ending. */
    private static String stem(String word) {
        String plain = word.replaceAll("iz(e|er|ed|ing|es|ers)$", "is$1")
                .replace("color", "colour")
                .replace("gray", "grey")
                .replace("sulfur", "sulphur")
                .replace("odor", "odour");
        if (plain.length() <= LONG_ENOUGH - 1) {
            return plain.replaceFirst("(?<=[^s])s$", "");
        }
        return plain.replaceFirst("(?:ing|ed|ish|ness|es|s|y|en)$", "");
    }

    /**
     * How well a word that was typed fits one that stands there.
     *
     * @return 1 for the same, less for its beginning or a slip of the finger, 0 for neither
     */
    static double fit(String typed, String there) {
        if (typed.equals(there)) {
            return 1;
        }
        if (typed.length() > 2 && there.startsWith(typed)) {
            return 0.85;
        }
        if (there.length() > LONG_ENOUGH - 1 && typed.startsWith(there)) {
            return 0.7;
        }
        // Of a short word a letter may be missing or too many; another letter makes another word of it.
        boolean missing = typed.length() == LONG_ENOUGH - 1 && typed.length() != there.length();
        int slips = typed.length() >= VERY_LONG ? 2 : typed.length() >= LONG_ENOUGH || missing ? 1 : 0;
        return slips > 0 && Math.abs(typed.length() - there.length()) <= slips && slips(typed, there) <= slips
                ? 0.6
                : 0;
    }

    /** How many letters have to be changed, added, left out or swapped with their neighbour. */
    private static int slips(String a, String b) {
        int[][] table = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            for (int j = 0; j <= b.length(); j++) {
                if (i == 0 || j == 0) {
                    table[i][j] = i + j;
                    continue;
                }
                int same = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                table[i][j] = Math.min(Math.min(table[i - 1][j] + 1, table[i][j - 1] + 1), table[i - 1][j - 1] + same);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    table[i][j] = Math.min(table[i][j], table[i - 2][j - 2] + 1);
                }
            }
        }
        return table[a.length()][b.length()];
    }
}
