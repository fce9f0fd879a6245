package mezcla.web.forms.typed;

import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.forms.FormObjection;

/** A plain figure without a unit. */
public final class TypedFigure {
    private TypedFigure() {}

    /**
     * Reads a figure.
     *
     * @param typed with a point or a comma, and two digits after it at most
     * @param least the least that is taken
     * @param most the most that is taken
     * @throws Refusal {@code missing} or {@code not-between}
     */
    public static double of(String typed, double least, double most) {
        String text = typed.strip().replace(',', '.');
        if (!text.matches("[0-9]{1,5}(\\.[0-9]{1,2})?")
                || Double.parseDouble(text) < least
                || Double.parseDouble(text) > most) {
            throw text.isEmpty()
                    ? Refusal.of(new TypedObjection.Missing())
                    : Refusal.of(new FormObjection.NotBetween(typed.strip(), least, most));
        }
        return Double.parseDouble(text);
    }
}
