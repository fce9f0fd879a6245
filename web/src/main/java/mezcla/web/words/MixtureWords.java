package mezcla.web.words;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.Mixture;

/** What a fill was mixed of, where that is other than its sheet says (rules, 3.4 and 3.7). */
public final class MixtureWords {
    /** From here on the strength is said, within what the parts tolerate too: half a percent. */
    private static final double WORTH_SAYING = 0.005;

    private MixtureWords() {}

    /** In a few words, as {@code 5.4 % weaker than printed}; empty where it is as printed, give or take half a percent. */
    public static String of(Mixture mixture) {
        List<String> words = new ArrayList<>();
        if (mixture.weak() || 1 - mixture.weakest() >= WORTH_SAYING) {
            words.add(percent(1 - mixture.weakest()) + " weaker than printed");
        }
        if (mixture.strong() || mixture.strongest() - 1 >= WORTH_SAYING) {
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

    public static String percent(double share) {
        return Figures.plain(share * 100, 1) + "\u00a0%";
    }
}
