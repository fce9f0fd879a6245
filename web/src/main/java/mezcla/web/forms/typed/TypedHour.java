package mezcla.web.forms.typed;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.declared.FieldReader;

/** A time of day as a person types it: 19:30, 9:05. */
public final class TypedHour implements FieldReader<LocalTime> {
    @Override
    public LocalTime read(String typed) {
        return of(typed);
    }

    /**
     * Reads it.
     *
     * @throws Refusal {@code not-an-hour}
     */
    public static LocalTime of(String typed) {
        try {
            return LocalTime.parse(typed.matches("[0-9]:[0-9]{2}") ? "0" + typed : typed);
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotAnHour(typed));
        }
    }
}
