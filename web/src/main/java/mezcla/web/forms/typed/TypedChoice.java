package mezcla.web.forms.typed;

import java.util.Arrays;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;

/** Something that a person chose from a list. */
public final class TypedChoice {
    private TypedChoice() {}

    /**
     * The number of a thing that was chosen.
     *
     * @param typed what the form sent
     * @param otherwise what to refuse when it is no number
     * @throws Refusal that objection
     */
    public static long number(String typed, Objection otherwise) {
        if (!typed.matches("[0-9]{1,9}")) {
            throw Refusal.of(otherwise);
        }
        return Long.parseLong(typed);
    }

    /**
     * The constant that was chosen, by its name.
     *
     * @param choices what there is to choose
     * @param typed what the form sent
     * @param otherwise what to refuse when it is none of them
     * @throws Refusal that objection
     */
    public static <T extends Enum<T>> T of(T[] choices, String typed, Objection otherwise) {
        return Arrays.stream(choices)
                .filter(choice -> choice.name().equals(typed))
                .findFirst()
                .orElseThrow(() -> Refusal.of(otherwise));
    }
}
