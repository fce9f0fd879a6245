package mezcla.web.log;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import mezcla.leaflet.Leaflet;
import mezcla.log.EntryKind;
import mezcla.log.LogEntry;
import mezcla.log.Stamp;
import mezcla.log.Subject;
import mezcla.measure.Refusal;
import mezcla.web.access.Members;
import mezcla.web.access.Unguessable;
import mezcla.web.access.names.KnownNames;
import mezcla.web.forms.FormObjection;
import mezcla.web.sheets.LeafletDocument;
import mezcla.web.sheets.Leaflets;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The log as a file of JSON Lines ({@code mezcla-log-1}): first the leaflets that it names, then every row in the order
 * of recording. What was written out in one house can be read in where nothing has been logged yet.
 */
@Service
public class LogFile {
    private static final String LEAFLET = "leaflet";
    private static final int PASSWORD_CHARACTERS = 40;
    private static final int TOLD_EVERY = 5000;
    private static final JsonMapper JSON = JsonMapper.shared();

    private final DarkroomLog log;
    private final LogMapper mapper;
    private final Leaflets leaflets;
    private final Members members;

    LogFile(DarkroomLog log, LogMapper mapper, Leaflets leaflets, Members members) {
        this.log = log;
        this.mapper = mapper;
        this.leaflets = leaflets;
        this.members = members;
    }

    /** Every line, without its end. */
    @Transactional(readOnly = true)
    public List<String> lines() {
        return Stream.concat(
                        leaflets.byId().entrySet().stream()
                                .sorted(Map.Entry.comparingByKey())
                                .map(entry -> sheet(entry.getValue())),
                        log.book().entries().stream().map(row -> LogCodec.line(row, log.written(row))))
                .toList();
    }

    private static String sheet(Leaflet leaflet) {
        return JSON.createObjectNode()
                .put("kind", LEAFLET)
                .set("body", JSON.readTree(LeafletDocument.write(leaflet)))
                .toString();
    }

    /**
     * Reads a log into a house in which nothing has been logged. Leaflets that are not there are added; so are members
     * who wrote rows, without a password that anybody knows.
     *
     * @param lines the lines of the file
     * @return how many rows there were
     * @throws Refusal {@code log-not-empty}; {@code not-a-log-line} with the line's number and what is wrong with it
     */
    @Transactional
    public int read(List<String> lines) {
        if (mapper.last() != null) {
            throw Refusal.of(new FormObjection.LogNotEmpty());
        }
        Reading reading = new Reading();
        for (int i = 0; i < lines.size(); i++) {
            if (i > 0 && i % TOLD_EVERY == 0) {
                System.out.printf("%d of %d lines%n", i, lines.size());
            }
            try {
                reading.add(JSON.readTree(lines.get(i)));
            } catch (JacksonException | IllegalArgumentException | DateTimeParseException | Refusal wrong) {
                throw Refusal.of(new FormObjection.NotALogLine(i + 1, Objects.toString(wrong.getMessage(), "")));
            }
        }
        return reading.rows;
    }

    private final class Reading {
        private final Map<LogCodec.LeafletName, Leaflet> sheets = new HashMap<>();
        private KnownNames names = members.names();
        private long last;
        private Instant lastRecorded = Instant.MIN;
        private int rows;

        Reading() {
            leaflets.byId().values().forEach(leaflet -> sheets.put(LogCodec.LeafletName.of(leaflet), leaflet));
        }

        void add(JsonNode line) {
            String kind = line.path("kind").asString("");
            if (kind.equals(LEAFLET)) {
                Leaflet leaflet = LeafletDocument.read(line.path("body"));
                if (sheets.putIfAbsent(LogCodec.LeafletName.of(leaflet), leaflet) == null) {
                    leaflets.add(leaflet, null);
                }
                return;
            }
            Stamp stamp = new Stamp(
                    line.path("sequence").asLong(),
                    Instant.parse(line.path("happenedAt").asString("")),
                    Instant.parse(line.path("recordedAt").asString("")),
                    line.path("who").asString(""),
                    line.path("about").asBoolean(),
                    0,
                    line.path("device").asString(null));
            if (stamp.sequence() <= last
                    || (stamp.recordedAt().isBefore(lastRecorded) && !kind.equals(EntryKind.CLOCK_CORRECTED.key()))
                    || stamp.who().isBlank()) {
                throw new IllegalArgumentException("a row without a writer, or not in the order of recording");
            }
            LogEntry row = LogCodec.read(kind, stamp, line.path("body").toString(), sheets);
            mapper.add(new LogMapper.NewRow(
                    stamp.sequence(),
                    kind,
                    stamp.happenedAt(),
                    stamp.recordedAt(),
                    stamp.about(),
                    writer(stamp.who()),
                    Objects.requireNonNull(names.id(stamp.who())),
                    stamp.device(),
                    LogCodec.kept(LogCodec.write(row), names)));
            row.touches().forEach(this::giveOut);
            last = stamp.sequence();
            lastRecorded = stamp.recordedAt();
            rows++;
        }

        /** A number that the log uses is not given out again. */
        private void giveOut(Subject subject) {
            switch (subject.kind()) {
                case KIT -> mapper.knowKit(subject.id());
                case BATCH -> mapper.knowBatch(subject.id());
                case FILM -> mapper.knowFilm(subject.id());
                case FILL -> mapper.knowFill(subject.id());
                case DRUM, ENTRY -> {}
            }
        }

        private long writer(String name) {
            if (names.id(name) == null) {
                members.add(
                        "from-the-log-" + (names.names().size() + 1),
                        name,
                        Unguessable.letters(PASSWORD_CHARACTERS),
                        "MEMBER");
                names = members.names();
            }
            return names.names().stream()
                    .filter(each -> each.text().equals(name))
                    .findFirst()
                    .orElseThrow()
                    .memberId();
        }
    }
}
