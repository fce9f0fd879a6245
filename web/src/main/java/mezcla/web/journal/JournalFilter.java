package mezcla.web.journal;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import mezcla.batch.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.house.House;
import mezcla.web.shell.FieldErrors;
import org.jspecify.annotations.Nullable;

/** What somebody looks for in the journal, as it was typed. */
public class JournalFilter {
    private String batch = "";
    private String member = "";
    private String kind = "";
    private String from = "";
    private String to = "";
    private String words = "";

    /** What can be looked for, once it is read. */
    interface Match {
        boolean wants(LogEntry entry, EntryLine line);
    }

    /** Reads the filter; what is refused stands beside its field and is not looked for. */
    Match read(House house, FieldErrors errors) {
        Long number = errors.read("batch", () -> number(batch));
        LocalDate first = errors.read("from", () -> day(from));
        LocalDate last = errors.read("to", () -> day(to));
        String wanted = words.strip().toLowerCase(Locale.ROOT);
        return (entry, line) -> {
            LocalDate day = entry.stamp().happenedAt().atZone(house.timeZone()).toLocalDate();
            return (number == null || line.batches().contains(number))
                    && (member.isBlank() || line.who().equals(member))
                    && (kind.isBlank() || EntryKind.of(entry).name().equals(kind))
                    && (first == null || !day.isBefore(first))
                    && (last == null || !day.isAfter(last))
                    && (wanted.isEmpty()
                            || (line.what() + " " + line.who() + " " + line.gone())
                                    .toLowerCase(Locale.ROOT)
                                    .contains(wanted));
        };
    }

    private static @Nullable Long number(String typed) {
        if (typed.isBlank()) {
            return null;
        }
        if (!typed.strip().matches("[0-9]{1,9}")) {
            throw Refusal.of("not-a-batch", "text", typed.strip());
        }
        return Long.valueOf(typed.strip());
    }

    private static @Nullable LocalDate day(String typed) {
        if (typed.isBlank()) {
            return null;
        }
        try {
            return LocalDate.parse(typed.strip());
        } catch (DateTimeParseException e) {
            throw Refusal.of("not-a-day", "text", typed.strip());
        }
    }

    public String getBatch() {
        return batch;
    }

    public void setBatch(String batch) {
        this.batch = batch;
    }

    public String getMember() {
        return member;
    }

    public void setMember(String member) {
        this.member = member;
    }

    public String getKind() {
        return kind;
    }

    public void setKind(String kind) {
        this.kind = kind;
    }

    public String getFrom() {
        return from;
    }

    public void setFrom(String from) {
        this.from = from;
    }

    public String getTo() {
        return to;
    }

    public void setTo(String to) {
        this.to = to;
    }

    /** Words that the entry contains. */
    public String getWords() {
        return words;
    }

    public void setWords(String words) {
        this.words = words;
    }
}
