package mezcla.log;

import mezcla.measure.Objection;

/** What can be wrong with where something is kept or poured (rules, sections 5, 6 and 11). */
public sealed interface LogObjection extends Objection {
    /** Glass cannot be squeezed until it is full. */
    record GlassNotSqueezed(String bottle) implements LogObjection {
        @Override
        public String field() {
            return "air";
        }
    }
}
