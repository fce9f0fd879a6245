package mezcla.web.words;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.Mixture;

/** What a fill was mixed of, where that is other than its sheet says (rules, 3.4 and 3.7). */
public final class MixtureWords {
    private MixtureWords() {}

    /** In a few words, as {@code 5.4 % weaker than printed}; empty where it is as printed. */
    public static String of(Mixture mixture) {
        List<String> words = new ArrayList<>();
        if (mixture.weak()) {
            words.add(percent(1 - mixture.weakest()) + " weaker than printed");
        }
        if (mixture.strong()) {
            words.add(percent(mixture.strongest() - 1) + " stronger than printed");
        }
        if (mixture.oldParts()) {
            words.add("from parts past their printed life");
        }
        if (mixture.offTemperature()) {
            words.add("mixed in water colder than the leaflet allows");
        }
        return Figures.sentence(String.join(", ", words));
    }

    private static String percent(double share) {
        return Figures.plain(share * 100, 1) + "\u00a0%";
    }
}
