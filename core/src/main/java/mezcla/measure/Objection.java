package mezcla.measure;

import java.util.Locale;

/**
 * What a rule objects to, as a value: a plan can carry it, and a {@link Refusal} throws it where a method must refuse.
 * Each subject has a sealed family of records. What one of them means is its sentence, which stands once, in the message file,
 * under {@link #wording}.
 */
public interface Objection {
    /** The name of what is objected to: that of its record, in lower case with hyphens. */
    default String key() {
        return getClass().getSimpleName().replaceAll("(?<!^)(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }

    /** The name of the sentence that says it: mostly {@link #key}. */
    default String wording() {
        return key();
    }

    /** What the log keeps of it for film that was processed all the same: mostly {@link #key}. */
    default String against() {
        return key();
    }

    /** Whether somebody may pass it on purpose, with a reason (rules, section 6). */
    default boolean canBePassed() {
        return false;
    }

    /** The field of a form that it belongs to; empty where that is for the form to say. */
    default String field() {
        OfField of = getClass().getAnnotation(OfField.class);
        return of == null ? "" : of.value();
    }

    /** Something that was asked for and is not there. */
    interface OfNothing extends Objection {
        /** What was asked for. */
        String asked();
    }
}
