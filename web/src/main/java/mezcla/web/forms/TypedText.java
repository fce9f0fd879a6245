package mezcla.web.forms;

import mezcla.measure.Objection;
import mezcla.measure.Refusal;

/** Words that a person typed: a name, a reason. */
public final class TypedText {
    private TypedText() {}

    /**
     * The words without space around them.
     *
     * @param typed the text
     * @param most how many characters are allowed
     * @param otherwise what to refuse when it is blank
     * @throws Refusal that objection, or {@code text-too-long}
     */
    public static String of(String typed, int most, Objection otherwise) {
        String text = typed.strip().replaceAll("\\p{Cntrl}+", " ");
        if (text.isEmpty()) {
            throw Refusal.of(otherwise);
        }
        if (text.length() > most) {
            throw Refusal.of(new FormObjection.TextTooLong(most));
        }
        return text;
    }
}
