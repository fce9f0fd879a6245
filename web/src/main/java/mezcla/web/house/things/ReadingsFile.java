package mezcla.web.house.things;

import java.io.IOException;
import java.io.StringReader;
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
    private static final double COLDEST_C = -40;
    private static final double HOTTEST_C = 60;

    private ReadingsFile() {}

    /**
     * Reads the file.
     *
     * @param text two columns: a time ({@code 2026-11-25T19:30}, with or without its zone), and °C
     * @param zone where times without a zone are
     * @throws Refusal {@code readings-missing}, or {@code not-a-reading} with the line
     */
    public static List<Climate.Reading> read(String text, ZoneId zone) {
        List<Climate.Reading> readings = new ArrayList<>();
        try {
            for (CSVRecord row :
                    CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get().parse(new StringReader(text))) {
                if (row.getRecordNumber() == 1
                        && row.size() >= 2
                        && !row.get(1).strip().matches("-?[0-9.]+")) {
                    continue;
                }
                readings.add(reading(row, zone));
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

    private static Climate.Reading reading(CSVRecord row, ZoneId zone) {
        try {
            String degrees = row.get(1).strip();
            double celsius = Double.parseDouble(degrees);
            if (!degrees.matches("-?[0-9.]+") || celsius < COLDEST_C || celsius > HOTTEST_C) {
                throw Refusal.of(new FormObjection.NotAReading(row.getRecordNumber()));
            }
            return new Climate.Reading(time(row.get(0).strip().replace(' ', 'T'), zone), celsius);
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
