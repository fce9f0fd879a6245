package mezcla.log;

import mezcla.measure.Objection;
import mezcla.measure.OfField;

/** What can be wrong with where something is kept or poured (rules, sections 5, 6 and 11). */
public sealed interface LogObjection extends Objection {
    @OfField("air")
    record GlassNotSqueezed(String bottle) implements LogObjection {}
}
