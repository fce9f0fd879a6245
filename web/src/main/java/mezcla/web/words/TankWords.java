package mezcla.web.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.measure.FilmFormat;

/** What goes into a tank, in words. */
public final class TankWords {
    private TankWords() {}

    /** What fills it: {@code 2 × 135 or 1 × 120}; empty where nobody has said. */
    public static String holds(Map<FilmFormat.Reel, Integer> holds) {
        List<String> words = new ArrayList<>();
        for (FilmFormat.Reel reel : FilmFormat.Reel.values()) {
            if (holds.containsKey(reel)) {
                words.add(holds.get(reel) + " × " + reel.words());
            }
        }
        return String.join(" or ", words);
    }
}
