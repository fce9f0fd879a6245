package mezcla.web.forms;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import mezcla.batch.BatchObjection;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;

/** A day as a person types it. */
public final class TypedDay {
    private TypedDay() {}

    /**
     * Noon of a day that was typed, or now where noon is still to come.
     *
     * @param typed the day, as 2026-11-25
     * @param zone where the day begins
     * @param now the present
     * @throws Refusal {@code missing}, {@code not-a-day} or {@code in-the-future}
     */
    public static Instant noonOf(String typed, ZoneId zone, Instant now) {
        if (typed.isBlank()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        LocalDate day = read(typed.strip());
        if (day.isAfter(now.atZone(zone).toLocalDate())) {
            throw Refusal.of(new BatchObjection.InTheFuture());
        }
        Instant noon = day.atTime(LocalTime.NOON).atZone(zone).toInstant();
        return noon.isAfter(now) ? now : noon;
    }

    private static LocalDate read(String typed) {
        try {
            LocalDate day = LocalDate.parse(typed);
            if (day.getYear() < 1900) {
                throw Refusal.of(new FormObjection.NotADay(typed));
            }
            return day;
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotADay(typed));
        }
    }
}
