package mezcla.web.journal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import mezcla.batch.LogEntry;
import mezcla.batch.Voiding;
import mezcla.measure.Refusal;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.SignedIn;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows the log, and voids entries of it. */
@Service
public class JournalService {
    private final DarkroomLog log;
    private final HouseService houses;

    JournalService(DarkroomLog log, HouseService houses) {
        this.log = log;
        this.houses = houses;
    }

    /** The entries that a filter wants, the newest first; what of it cannot be read stands in the errors. */
    @Transactional(readOnly = true)
    public List<EntryLine> lines(JournalFilter filter, FieldErrors errors) {
        List<LogEntry> entries = log.entries();
        House house = houses.house();
        EntryWords words = new EntryWords(entries, house);
        JournalFilter.Match match = filter.read(house, errors);
        return entries.stream()
                .filter(entry -> match.wants(entry, words.line(entry)))
                .sorted(Comparator.comparing((LogEntry entry) -> entry.stamp().happenedAt())
                        .thenComparing(entry -> entry.stamp().sequence())
                        .reversed())
                .map(words::line)
                .toList();
    }

    /** Everybody who ever wrote something, by name. */
    @Transactional(readOnly = true)
    public List<String> writers() {
        return log.entries().stream()
                .map(entry -> entry.stamp().who())
                .distinct()
                .sorted()
                .toList();
    }

    /** Lines as comma-separated values with a heading. */
    public String csv(List<EntryLine> lines) {
        StringBuilder text = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader("entry", "happened", "who", "what", "against", "void", "batches")
                .get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            for (EntryLine line : lines) {
                printer.printRecord(
                        line.sequence(),
                        line.when(),
                        harmless(line.who()),
                        harmless(line.what()),
                        line.against(),
                        harmless(line.gone()),
                        line.batches().stream().map(String::valueOf).collect(Collectors.joining(" ")));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** A spreadsheet takes a text that begins with one of these for a formula. */
    private static String harmless(String text) {
        return text.matches("^[=+@\\-].*") ? "'" + text : text;
    }

    /**
     * The line of an entry.
     *
     * @throws Refusal {@code unknown-entry}
     */
    @Transactional(readOnly = true)
    public EntryLine line(long sequence) {
        List<LogEntry> entries = log.entries();
        return new EntryWords(entries, houses.house()).line(entry(entries, sequence));
    }

    private static LogEntry entry(List<LogEntry> entries, long sequence) {
        return entries.stream()
                .filter(each -> each.stamp().sequence() == sequence)
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-entry"));
    }

    /**
     * Voids an entry. Its author may, and a steward.
     *
     * @param who who voids it
     * @param sequence the entry
     * @param reason why
     * @throws Refusal {@code unknown-entry}, {@code already-void}, {@code void-is-final}, or
     *     {@code later-entries-depend} with the lines of those entries
     */
    @Transactional
    public void voidEntry(SignedIn who, long sequence, String reason) {
        List<LogEntry> entries = log.entries();
        if (!who.isSteward() && !entry(entries, sequence).stamp().who().equals(who.name())) {
            throw new AccessDeniedException("only the author or a steward voids an entry");
        }
        try {
            Voiding.check(entries, sequence);
        } catch (Refusal refusal) {
            throw refusal.values().get("entries") instanceof List<?> later ? naming(entries, later) : refusal;
        }
        log.add(who, stamp -> new LogEntry.EntryVoided(stamp, sequence, reason));
    }

    private Refusal naming(List<LogEntry> entries, List<?> later) {
        EntryWords words = new EntryWords(entries, houses.house());
        return Refusal.of(
                "later-entries-depend",
                "text",
                later.stream()
                        .map(entry -> words.line((LogEntry) entry))
                        .map(line -> "entry " + line.sequence() + " (" + line.when() + ", " + line.who() + ")")
                        .collect(Collectors.joining(", ")));
    }
}
