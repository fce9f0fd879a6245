package mezcla.web.forms.declared;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import mezcla.measure.Objection;
import mezcla.measure.TypedObjection;

/**
 * What a component of a form takes, as far as its type does not say it. A component that may be null may stay empty; what
 * each type takes, and what it refuses, is said in {@link FieldKind}.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.RECORD_COMPONENT)
public @interface Takes {
    /** The name of its field, where that is not the component’s; {@code {id}} stands for what the address says there. */
    String field() default "";

    /** The least figure. */
    double least() default 0;

    /** The most: characters of words, or the highest figure. */
    double most() default 60;

    /** What is objected to: words that are missing, a choice that is none, a figure that is none. */
    Class<? extends Objection> or() default TypedObjection.Missing.class;

    /** Whether a text is taken as it was typed, whatever it is: a password, or what a later question reads. */
    boolean asTyped() default false;

    /** Reads what no type of ours says. */
    Class<? extends FieldReader<?>> by() default FieldReader.None.class;
}
