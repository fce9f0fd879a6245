package mezcla.web.archive;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.LogFile;
import mezcla.web.photo.Picture;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Spreadsheet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A house as a ZIP file of open formats ({@code mezcla-house-1}): the log as JSON Lines, leaflets as JSON, everything else
 * that it keeps as CSV with the columns of its tables, its runs as CSV for a spreadsheet, photos as files, and a
 * description. Read into an empty house it is the same house, figure for figure, but that nobody has a password.
 */
@Service
public class HouseArchive {
    private static final String FORMAT = "mezcla-house-1";
    private static final String LIST = "house.json";
    private static final String LOG = "log.jsonl";
    private static final String DOCUMENT = "document";
    private static final int MEGABYTE = 1024 * 1024;
    /** More than the log of a hundred years: a small file can hold very much of nothing. */
    private static final int MOST_BYTES = 64 * MEGABYTE;

    private static final JsonMapper JSON = JsonMapper.shared();
    /** Nobody's hash: nothing that can be typed leads to it. */
    private static final String NO_PASSWORD = "*";

    private final JdbcClient sql;
    private final LogFile logFile;
    private final DarkroomLog log;
    private final HouseService houses;
    private final Path photos;
    private final String version;
    private final Clock clock;

    HouseArchive(
            JdbcClient sql,
            LogFile logFile,
            DarkroomLog log,
            HouseService houses,
            @Value("${mezcla.data}") Path data,
            @Value("${mezcla.version}") String version,
            Clock clock) {
        this.sql = sql;
        this.logFile = logFile;
        this.log = log;
        this.houses = houses;
        this.photos = data.resolve("photos");
        this.version = version;
        this.clock = clock;
    }

    /** Writes the house as it stands at one moment. */
    @Transactional(readOnly = true)
    public void write(OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            put(zip, "README.txt", text("archive/README.txt"));
            put(
                    zip,
                    LIST,
                    JSON.createObjectNode()
                            .put("format", FORMAT)
                            .put("version", version)
                            .put("madeAt", clock.instant().toString())
                            .put("name", houses.house().name())
                            .put("rows", log.book().entries().size())
                            .toPrettyString());
            put(zip, LOG, String.join("\n", logFile.lines()) + "\n");
            put(zip, "runs.csv", RunsTable.of(log.state(), houses.house().timeZone()));
            for (HouseTable table : HouseTable.values()) {
                put(zip, address(table), csv(zip, table));
            }
            photos(zip);
        }
    }

    private static String address(HouseTable table) {
        return "lists/" + table.table() + ".csv";
    }

    private static String text(String resource) throws IOException {
        return new ClassPathResource(resource).getContentAsString(StandardCharsets.UTF_8);
    }

    private static void put(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    /** The rows of a table; the documents of leaflets become files of their own. */
    private String csv(ZipOutputStream zip, HouseTable table) throws IOException {
        List<Map<String, Object>> rows = sql.sql("SELECT * FROM %s ORDER BY rowid".formatted(table.table()))
                .query()
                .listOfRows();
        List<String> columns = columns(table);
        boolean documents = table == HouseTable.LEAFLET_VERSION;
        StringBuilder text = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(columns.stream()
                        .filter(column -> !documents || !column.equals(DOCUMENT))
                        .toArray(String[]::new))
                .get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            for (Map<String, Object> row : rows) {
                List<@Nullable Object> cells = new ArrayList<>();
                for (String column : columns) {
                    if (documents && column.equals(DOCUMENT)) {
                        put(zip, leaflet(row.get("id")), String.valueOf(row.get(column)));
                    } else {
                        cells.add(
                                row.get(column) instanceof String words
                                        ? Spreadsheet.harmless(words)
                                        : row.get(column));
                    }
                }
                printer.printRecord(cells);
            }
        }
        return text.toString();
    }

    private static String leaflet(@Nullable Object id) {
        return "leaflets/" + id + ".json";
    }

    private List<String> columns(HouseTable table) {
        return sql
                .sql("SELECT name FROM pragma_table_info(?) ORDER BY cid")
                .param(table.table())
                .query(String.class)
                .list()
                .stream()
                .filter(column -> !table.secrets().contains(column))
                .toList();
    }

    private void photos(ZipOutputStream zip) throws IOException {
        for (String name : sql.sql("SELECT file FROM look_photo ORDER BY file")
                .query(String.class)
                .list()) {
            Path photo = photos.resolve(name);
            if (Files.isRegularFile(photo)) {
                zip.putNextEntry(new ZipEntry("photos/" + name));
                Files.copy(photo, zip);
                zip.closeEntry();
            }
        }
    }

    /**
     * Reads an archive into a house to which nobody belongs yet.
     *
     * @param file the archive
     * @return how many rows its log has
     * @throws Refusal {@code house-begun} where somebody belongs to the house, {@code not-an-archive}, or what a log is
     *     refused for
     */
    @Transactional
    public int read(Path file) throws IOException {
        if (sql.sql("SELECT count(*) FROM member").query(Long.class).single() > 0) {
            throw Refusal.of(new FormObjection.HouseBegun());
        }
        try (ZipFile zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            JsonNode list = JSON.readTree(bytes(zip, LIST));
            String format = list.path("format").asString("");
            if (!format.equals(FORMAT)) {
                throw Refusal.of(
                        format.isEmpty()
                                ? new FormObjection.NotAnArchive()
                                : new FormObjection.ArchiveOfOtherFormat(format, FORMAT));
            }
            for (HouseTable table : HouseTable.ofTheLog(false)) {
                fill(zip, table);
            }
            int rows = logFile.read(
                    new String(bytes(zip, LOG), StandardCharsets.UTF_8).lines().toList());
            for (HouseTable table : HouseTable.ofTheLog(true)) {
                fill(zip, table);
            }
            unpackPhotos(zip);
            return rows;
        } catch (ZipException | JacksonException e) {
            throw Refusal.of(new FormObjection.NotAnArchive());
        }
    }

    private static byte[] bytes(ZipFile zip, String name) throws IOException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) {
            throw Refusal.of(new FormObjection.NotAnArchive());
        }
        try (InputStream bytes = zip.getInputStream(entry)) {
            byte[] all = bytes.readNBytes(MOST_BYTES + 1);
            if (all.length > MOST_BYTES) {
                throw Refusal.of(new FormObjection.ArchiveTooBig(name, MOST_BYTES / MEGABYTE));
            }
            return all;
        }
    }

    private void fill(ZipFile zip, HouseTable table) throws IOException {
        Set<String> mayBeEmpty = new HashSet<>(sql.sql("SELECT name FROM pragma_table_info(?) WHERE \"notnull\" = 1")
                .param(table.table())
                .query(String.class)
                .list());
        List<String> known = columns(table);
        String text = new String(bytes(zip, address(table)), StandardCharsets.UTF_8);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get();
        try (CSVParser records = format.parse(new StringReader(text))) {
            List<String> columns = records.getHeaderNames();
            if (!new HashSet<>(known).containsAll(columns)) {
                throw Refusal.of(new FormObjection.NotAnArchive());
            }
            for (CSVRecord record : records) {
                long line = record.getRecordNumber() + 1;
                if (!record.isConsistent()) {
                    throw Refusal.of(new FormObjection.NotAnArchiveLine(
                            address(table), line, "it has %d cells of %d".formatted(record.size(), columns.size())));
                }
                try {
                    insert(zip, table, columns, record, mayBeEmpty);
                } catch (DataAccessException refused) {
                    throw Refusal.of(new FormObjection.NotAnArchiveLine(
                            address(table),
                            line,
                            reason(refused.getMostSpecificCause().getMessage())));
                }
            }
        }
    }

    /** What the store says of a row that it does not take, without its codes. */
    private static String reason(@Nullable String said) {
        return String.valueOf(said).replaceFirst("^\\[[^\\]]*\\][^(]*\\((.*)\\)$", "$1");
    }

    private void insert(ZipFile zip, HouseTable table, List<String> columns, CSVRecord record, Set<String> mayBeEmpty)
            throws IOException {
        List<String> names = new ArrayList<>(columns);
        List<@Nullable Object> values = new ArrayList<>();
        for (String column : columns) {
            String cell = Spreadsheet.asItWas(record.get(column));
            values.add(cell.isEmpty() && !mayBeEmpty.contains(column) ? null : cell);
        }
        if (table == HouseTable.LEAFLET_VERSION) {
            names.add(DOCUMENT);
            values.add(new String(bytes(zip, leaflet(record.get("id"))), StandardCharsets.UTF_8));
        }
        if (table == HouseTable.MEMBER) {
            names.add("password_hash");
            values.add(NO_PASSWORD);
        }
        sql.sql("INSERT INTO %s (%s) VALUES (%s)"
                        .formatted(
                                table.table(),
                                names.stream().map(name -> '"' + name + '"').collect(Collectors.joining(", ")),
                                String.join(", ", Collections.nCopies(names.size(), "?"))))
                .params(values)
                .update();
    }

    private void unpackPhotos(ZipFile zip) throws IOException {
        Files.createDirectories(photos);
        try (Stream<? extends ZipEntry> entries = zip.stream()) {
            entries.filter(entry -> entry.getName().matches("photos/[A-Za-z0-9._-]+")
                            && !entry.getName().contains(".."))
                    .forEach(entry -> unpack(zip, entry));
        }
    }

    private void unpack(ZipFile zip, ZipEntry entry) {
        try (InputStream bytes = zip.getInputStream(entry)) {
            byte[] photo = bytes.readNBytes(Picture.MOST_BYTES + 1);
            if (photo.length > Picture.MOST_BYTES) {
                throw Refusal.of(new FormObjection.ArchiveTooBig(entry.getName(), Picture.MOST_BYTES / MEGABYTE));
            }
            Files.write(photos.resolve(entry.getName().substring("photos/".length())), photo);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
