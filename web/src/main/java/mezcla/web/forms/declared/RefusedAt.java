package mezcla.web.forms.declared;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The field of a form beside which an objection stands that names none of its fields; its first one where it says nothing. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface RefusedAt {
    /** The field; {@code {id}} stands for what the address says there. */
    String value();

    /** Fields that have other names on this page, as {@code film=count0}. */
    String[] of() default {};
}
