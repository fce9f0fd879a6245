package mezcla.web.forms.typed;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import mezcla.batch.BatchObjection;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.forms.FormObjection;

/** A day as a person types it. */
public final class TypedDay {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

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

    /**
     * The same for something that cannot have happened before another thing: the moment of that, where both are of one
     * day.
     *
     * @param since when the other thing happened
     * @throws Refusal the same, and {@code before-it-came}
     */
    public static Instant noonSince(String typed, Instant since, ZoneId zone, Instant now) {
        Instant noon = noonOf(typed, zone, now);
        LocalDate first = since.atZone(zone).toLocalDate();
        if (noon.atZone(zone).toLocalDate().isBefore(first)) {
            throw Refusal.of(new FormObjection.BeforeItCame(first.format(DAY)));
        }
        return noon.isBefore(since) ? since : noon;
    }

    /**
     * A day and a time of day that were typed.
     *
     * @param typed as 2026-11-25T18:30
     * @param zone where they are
     * @throws Refusal {@code missing} or {@code not-a-day}
     */
    public static Instant moment(String typed, ZoneId zone) {
        if (typed.isBlank()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        try {
            return LocalDateTime.parse(typed.strip()).atZone(zone).toInstant();
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotADay(typed));
        }
    }

    /**
     * A day of the next two years.
     *
     * @throws Refusal {@code not-a-day}, or {@code day-gone} for one before today, or long after
     */
    public static LocalDate toCome(String typed, LocalDate today) {
        LocalDate day = read(typed.strip());
        if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
            throw Refusal.of(new FormObjection.DayGone());
        }
        return day;
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
