package mezcla.web.house.clock;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import mezcla.batch.LogBook;
import mezcla.log.ClockCorrected;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.access.Devices;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whether the clock is right, and entries that were made while it was not (rules, 12). */
@Service
@PreAuthorize("hasRole('STEWARD')")
public class ClockService {
    private static final int OFFERED = 60;
    private static final Duration SLACK = Duration.ofSeconds(30);
    private static final Duration A_MINUTE = Duration.ofMinutes(1);
    private static final Duration REST = Duration.ofDays(31);

    private final LogClock clock;
    private final DarkroomLog log;
    private final HouseService houses;
    private final Devices devices;

    ClockService(LogClock clock, DarkroomLog log, HouseService houses, Devices devices) {
        this.clock = clock;
        this.log = log;
        this.houses = houses;
        this.devices = devices;
    }

    /**
     * The page about the clock.
     *
     * @param heading the answer
     * @param odd in which way the clock is odd; null for not at all
     * @param shows what the clock shows
     * @param other the other time that it could be: by the running time, or that of the last entry
     * @param entries entries that may have been made under a wrong clock, the newest first
     * @param first the number of the entry that probably was the first of them
     */
    record Page(
            String heading,
            LogClock.@Nullable Oddity odd,
            String shows,
            String other,
            List<Line> entries,
            long first) {}

    /** An entry to choose. */
    record Line(long number, String words) {}

    @Transactional(readOnly = true)
    Page page() {
        LogBook book = log.book();
        ZoneId zone = houses.house().timeZone();
        LogClock.Odd odd = clock.odd();
        EntryWords words = new EntryWords(book, houses.house());
        List<LogEntry> entries = book.entries();
        List<Line> lines = entries.subList(Math.max(0, entries.size() - OFFERED), entries.size()).stream()
                .sorted((one, other) ->
                        Long.compare(other.stamp().sequence(), one.stamp().sequence()))
                .map(entry -> new Line(
                        entry.stamp().sequence(),
                        "%s, %s: %s"
                                .formatted(
                                        Figures.dayYearAndHour(entry.stamp().recordedAt(), zone),
                                        entry.stamp().who(),
                                        words.line(entry).what())))
                .toList();
        Instant shows = odd == null ? clock.present() : odd.shows();
        return new Page(
                odd == null ? "The clock is right, as far as Mezcla can tell" : "Is this machine’s clock right?",
                odd == null ? null : odd.oddity(),
                Figures.dayYearAndHour(shows, zone),
                odd == null ? "" : Figures.dayYearAndHour(odd.other(), zone),
                lines,
                firstOdd(entries).map(entry -> entry.stamp().sequence()).orElse(0L));
    }

    /** The first entry that lies in the future, else the first after the last long rest. */
    private Optional<LogEntry> firstOdd(List<LogEntry> entries) {
        Instant latest = clock.present().plus(SLACK);
        Optional<LogEntry> future = entries.stream()
                .filter(entry -> entry.stamp().recordedAt().isAfter(latest))
                .findFirst();
        if (future.isPresent()) {
            return future;
        }
        for (int i = entries.size() - 1; i > 0; i--) {
            Instant before = entries.get(i - 1).stamp().recordedAt();
            if (entries.get(i).stamp().recordedAt().isAfter(before.plus(REST))) {
                return Optional.of(entries.get(i));
            }
        }
        return Optional.empty();
    }

    /** Goes on with the machine's clock as it is. */
    @Transactional
    public void trust(SignedIn steward) {
        clock.trust();
        devices.record(steward, "said that the clock is right");
    }

    /**
     * Dates every entry from one on anew.
     *
     * @param steward who says so
     * @param from the number of the first entry that was made under a wrong clock
     * @param really when that entry was really made
     * @throws Refusal {@code unknown-entry}; {@code clock-was-right} where that is when it says it was made;
     *     {@code before-the-entry-before} where it would come before an earlier one; {@code still-ahead} where the last one would
     *     still lie in the future
     */
    @Transactional
    public void correct(SignedIn steward, long from, Instant really) {
        LogBook book = log.book();
        LogEntry first = book.entry(from);
        int position = book.position(from);
        Instant before = position == 0
                ? Instant.MIN
                : book.entries().get(position - 1).stamp().recordedAt();
        ZoneId zone = houses.house().timeZone();
        if (position > 0 && really.isBefore(before.minus(A_MINUTE))) {
            throw Refusal.of(new FormObjection.BeforeTheEntryBefore(Figures.dayYearAndHour(before, zone)));
        }
        // A minute is typed, without its seconds: no entry comes before the one that it followed.
        Instant then = LogClock.later(really, before);
        long ahead = Duration.between(then, first.stamp().recordedAt()).toSeconds();
        if (Math.abs(ahead) < A_MINUTE.toSeconds()) {
            throw Refusal.of(new FormObjection.ClockWasRight());
        }
        LogEntry last = book.entries().get(book.entries().size() - 1);
        Instant lastReally = last.stamp().recordedAt().minusSeconds(ahead);
        if (lastReally.isAfter(clock.present().plus(A_MINUTE))) {
            throw Refusal.of(new FormObjection.StillAhead(Figures.dayYearAndHour(lastReally, zone)));
        }
        log.correctClock(
                steward,
                lastReally,
                stamp -> new ClockCorrected(stamp, from, last.stamp().sequence(), ahead));
    }
}
