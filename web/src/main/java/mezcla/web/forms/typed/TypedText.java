package mezcla.web.forms.typed;

import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;

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
        String text = visible(typed).strip();
        if (text.isEmpty()) {
            throw Refusal.of(otherwise);
        }
        if (text.length() > most) {
            throw Refusal.of(new FormObjection.TextTooLong(most));
        }
        return text;
    }

    /** Without what cannot be seen: a line break, or what ends a text elsewhere, is a space; the rest is nothing. */
    public static String visible(String typed) {
        return typed.replaceAll("[\\p{Cntrl}\\u2028\\u2029]+", " ").replaceAll("[\\p{Cf}\\p{Cs}\\p{Co}\\p{Cn}]+", "");
    }
}
