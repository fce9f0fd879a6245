package mezcla.web.words;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Rows as comma-separated values that spreadsheets open. */
public final class Spreadsheet {
    /** A formula, also behind what keeps one harmless. */
    private static final Pattern TAKEN_FOR_A_FORMULA = Pattern.compile("'*[=+@\\-\t\r]");

    private Spreadsheet() {}

    /**
     * Rows with a heading; a text that a spreadsheet would take for a formula is made harmless, a number stays one.
     *
     * @param heading the names of the columns
     * @param rows the rows, with as many values each
     */
    public static String of(List<String> heading, List<List<Object>> rows) {
        StringBuilder text = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(heading.toArray(String[]::new))
                .get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            for (List<Object> row : rows) {
                printer.printRecord(row.stream()
                        .map(value -> value instanceof String words ? harmless(words) : value)
                        .toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** A text that a spreadsheet would take for a formula, made harmless by an apostrophe before it. */
    public static String harmless(String text) {
        return TAKEN_FOR_A_FORMULA.matcher(text).lookingAt() ? "'" + text : text;
    }

    /** The same text as it was before. */
    public static String asItWas(String text) {
        return text.startsWith("'") && TAKEN_FOR_A_FORMULA.matcher(text).lookingAt() ? text.substring(1) : text;
    }

    /** The answer to somebody who wants to save them under that name. */
    public static ResponseEntity<byte[]> saved(String name, String text) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(text.getBytes(StandardCharsets.UTF_8));
    }
}
