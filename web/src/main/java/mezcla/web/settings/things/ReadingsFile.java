package mezcla.web.settings.things;

import java.io.IOException;
import java.io.StringReader;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import mezcla.batch.Climate;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** What a temperature logger wrote: a time and degrees Celsius in each line, after a line that says so. */
public final class ReadingsFile {
    private static final int MOST_LINES = 100_000;
    private static final Duration OLDEST = Duration.ofDays(5 * 366);
    private static final Duration CLOCKS_DIFFER = Duration.ofDays(1);
    private static final double COLDEST_C = -40;
    private static final double HOTTEST_C = 60;

    private ReadingsFile() {}

    /**
     * Reads the file.
     *
     * @param text two columns: a time ({@code 2026-11-25T19:30}, with or without its zone), and °C
     * @param zone where times without a zone are
     * @param now the present
     * @throws Refusal {@code readings-missing}, {@code not-a-reading} with the line, or {@code reading-of-another-time}
     *     for one that is to come or older than five years
     */
    public static List<Climate.Reading> read(String text, ZoneId zone, Instant now) {
        List<Climate.Reading> readings = new ArrayList<>();
        try {
            for (CSVRecord row :
                    CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get().parse(new StringReader(text))) {
                if (row.getRecordNumber() == 1
                        && row.size() >= 2
                        && !row.get(1).strip().matches("-?[0-9.]+")) {
                    continue;
                }
                readings.add(reading(row, zone, now));
                if (readings.size() > MOST_LINES) {
                    throw Refusal.of(new FormObjection.FileTooBig());
                }
            }
        } catch (IOException | java.io.UncheckedIOException | IllegalArgumentException e) {
            throw Refusal.of(new FormObjection.NotAReading(readings.size() + 1));
        }
        if (readings.isEmpty()) {
            throw Refusal.of(new FormObjection.ReadingsMissing());
        }
        return readings;
    }

    private static Climate.Reading reading(CSVRecord row, ZoneId zone, Instant now) {
        try {
            String degrees = row.get(1).strip();
            double celsius = Double.parseDouble(degrees);
            if (!degrees.matches("-?[0-9.]+") || celsius < COLDEST_C || celsius > HOTTEST_C) {
                throw Refusal.of(new FormObjection.NotAReading(row.getRecordNumber()));
            }
            Instant at = time(row.get(0).strip().replace(' ', 'T'), zone);
            if (at.isBefore(now.minus(OLDEST)) || at.isAfter(now.plus(CLOCKS_DIFFER))) {
                throw Refusal.of(new FormObjection.ReadingOfAnotherTime(row.getRecordNumber()));
            }
            return new Climate.Reading(at, celsius);
        } catch (ArrayIndexOutOfBoundsException | NumberFormatException | DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotAReading(row.getRecordNumber()));
        }
    }

    private static Instant time(String text, ZoneId zone) {
        return text.endsWith("Z")
                ? Instant.parse(text)
                : LocalDateTime.parse(text).atZone(zone).toInstant();
    }
}
