package mezcla.web.journal;

import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.access.names.KnownNames;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.things.House;
import mezcla.web.telling.EntryLine;
import mezcla.web.telling.EntryWords;
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
    record Match(
            @Nullable Long batch,
            String member,
            String kind,
            @Nullable Instant from,
            @Nullable Instant until,
            String text) {
        boolean everything() {
            return batch == null
                    && member.isBlank()
                    && kind.isBlank()
                    && from == null
                    && until == null
                    && text.isEmpty();
        }

        boolean wants(LogEntry entry, EntryWords words, KnownNames names) {
            Instant at = entry.stamp().happenedAt();
            return (from == null || !at.isBefore(from))
                    && (until == null || at.isBefore(until))
                    && (member.isBlank() || wrote(entry.stamp().who(), names))
                    && (kind.isBlank() || entry.kind().group().name().equals(kind))
                    && (batch == null || words.batches(entry).contains(batch))
                    && (text.isEmpty() || contains(words.line(entry)));
        }

        /** Whether a name is the one that is looked for, or what the same member is called now. */
        private boolean wrote(String who, KnownNames names) {
            String sought = member.strip();
            return who.equalsIgnoreCase(sought) || names.present(who).equalsIgnoreCase(sought);
        }

        private boolean contains(EntryLine line) {
            return WordIndex.searchable(line).contains(text);
        }
    }

    /** Reads the filter; what is refused stands beside its field and is not looked for. */
    Match read(House house, FieldErrors errors) {
        LocalDate first = errors.read("from", () -> day(from));
        LocalDate last = errors.read("to", () -> day(to));
        return new Match(
                errors.read("batch", () -> number(batch)),
                member,
                kind,
                first == null ? null : first.atStartOfDay(house.timeZone()).toInstant(),
                last == null
                        ? null
                        : last.plusDays(1).atStartOfDay(house.timeZone()).toInstant(),
                WordIndex.plain(words));
    }

    private static @Nullable Long number(String typed) {
        if (typed.isBlank()) {
            return null;
        }
        if (!typed.strip().matches("[0-9]{1,9}")) {
            throw Refusal.of(new FormObjection.NotABatch(typed.strip()));
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
            throw Refusal.of(new FormObjection.NotADay(typed.strip()));
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
