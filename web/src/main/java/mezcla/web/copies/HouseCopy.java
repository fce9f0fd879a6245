package mezcla.web.copies;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Enumeration;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A copy of a house in one file ({@code mezcla-copy-1}): the database as it stood at one moment, the photos that it
 * names, and a list of both with their checksums. It is made beside a house that runs, and read back once it is written.
 * It needs no application around it, so that a copy can be made and brought back where Mezcla does not start.
 */
public final class HouseCopy {
    static final String DATABASE = "mezcla.db";
    private static final String PHOTOS = "photos";
    private static final String LIST = "copy.json";
    private static final String FORMAT = "mezcla-copy-1";
    private static final String LOST_AND_FOUND = "lost+found";
    private static final int WAIT_MS = 30_000;
    private static final JsonMapper JSON = JsonMapper.shared();

    private HouseCopy() {}

    /**
     * What a copy holds.
     *
     * @param madeAt when it was made
     * @param version the version of Mezcla that made it
     * @param rows how many rows its log has
     * @param photos how many photos it holds
     * @param bytes how large its file is
     */
    public record Contents(Instant madeAt, String version, long rows, int photos, long bytes) {}

    /** A copy that could not be made, is damaged, or cannot be brought back. */
    public static final class CannotCopy extends IOException {
        private static final long serialVersionUID = 1;

        CannotCopy(String message) {
            super(message);
        }

        CannotCopy(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /**
     * Copies a house and checks the copy. A copy that is not whole is not kept.
     *
     * @param folder the folder of its data
     * @param target the file to write; one that is there already is replaced once the new one is whole
     * @param version the version of Mezcla
     * @param now the present
     * @throws CannotCopy where there is no house, no room, or what was written is not what was read
     */
    public static Contents write(Path folder, Path target, String version, Instant now) throws IOException {
        Path database = folder.resolve(DATABASE);
        if (!Files.isRegularFile(database)) {
            throw new CannotCopy("There is no house in " + folder + ".");
        }
        Path whole = behindLinks(target);
        if (Files.isDirectory(whole)) {
            throw new CannotCopy(target + " is a folder. Name a file in it.");
        }
        folderThere(whole.getParent());
        Path room = Files.createTempDirectory(whole.getParent(), ".copy-");
        try {
            Path still = room.resolve(DATABASE);
            long rows = copyDatabase(database, still);
            Path part = room.resolve("part.zip");
            zip(folder, still, part, rows, version, now);
            Contents contents = check(part, room);
            Files.move(part, whole, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            return contents;
        } catch (AtomicMoveNotSupportedException e) {
            throw new CannotCopy("The copy cannot be put to " + target + ".", e);
        } finally {
            remove(room);
        }
    }

    /** Where a path leads, through symbolic links too; the path itself where nothing is there yet. */
    private static Path behindLinks(Path path) throws IOException {
        Path whole = path.toAbsolutePath();
        return Files.exists(whole) ? whole.toRealPath() : whole.normalize();
    }

    /** Makes a folder where there is none; a link to one is one. */
    private static void folderThere(@Nullable Path folder) throws IOException {
        if (folder != null && !Files.isDirectory(folder)) {
            Files.createDirectories(folder);
        }
    }

    private static long copyDatabase(Path database, Path still) throws CannotCopy {
        try (Connection from = open(database);
                PreparedStatement into = from.prepareStatement("VACUUM INTO ?")) {
            into.setString(1, still.toString());
            into.execute();
            return rowsOf(still);
        } catch (SQLException e) {
            throw new CannotCopy("The database cannot be copied: " + e.getMessage(), e);
        }
    }

    private static Connection open(Path database) throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:%s?busy_timeout=%d".formatted(database, WAIT_MS));
    }

    private static long rowsOf(Path database) throws SQLException {
        try (Connection copy = open(database);
                Statement ask = copy.createStatement();
                ResultSet count = ask.executeQuery("SELECT count(*) FROM log_entry")) {
            return count.next() ? count.getLong(1) : 0;
        }
    }

    private static List<String> photosOf(Path database) throws SQLException {
        List<String> names = new ArrayList<>();
        try (Connection copy = open(database);
                Statement ask = copy.createStatement();
                ResultSet photos = ask.executeQuery("SELECT file FROM look_photo ORDER BY file")) {
            while (photos.next()) {
                names.add(photos.getString(1));
            }
        }
        return names;
    }

    private static void zip(Path folder, Path still, Path part, long rows, String version, Instant now)
            throws IOException {
        Map<String, String> sums = new TreeMap<>();
        onlyItsOwner(Files.createFile(part));
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(part), StandardCharsets.UTF_8)) {
            put(zip, DATABASE, still, now, sums);
            for (String name : photosOf(still)) {
                Path photo = folder.resolve(PHOTOS).resolve(name);
                if (Files.isRegularFile(photo)) {
                    put(zip, PHOTOS + "/" + name, photo, now, sums);
                }
            }
            ObjectNode list = JSON.createObjectNode()
                    .put("format", FORMAT)
                    .put("version", version)
                    .put("madeAt", now.toString())
                    .put("rows", rows);
            ObjectNode files = list.putObject("sha256");
            sums.forEach(files::put);
            zip.putNextEntry(entry(LIST, now));
            zip.write(list.toPrettyString().getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        } catch (SQLException e) {
            throw new CannotCopy("The copied database cannot be read: " + e.getMessage(), e);
        }
    }

    /** A copy holds what the house holds, passwords too, whatever the machine gives new files and folders. */
    private static void onlyItsOwner(Path file) throws IOException {
        if (Files.getFileAttributeView(file, PosixFileAttributeView.class) != null) {
            String rights = Files.isDirectory(file) ? "rwx------" : "rw-------";
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString(rights));
        }
    }

    private static ZipEntry entry(String name, Instant now) {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(now.toEpochMilli());
        return entry;
    }

    private static void put(ZipOutputStream zip, String name, Path file, Instant now, Map<String, String> sums)
            throws IOException {
        zip.putNextEntry(entry(name, now));
        MessageDigest sum = sha256();
        try (InputStream bytes = Files.newInputStream(file)) {
            sums.put(name, passOn(bytes, zip, sum));
        }
        zip.closeEntry();
    }

    private static String passOn(InputStream from, OutputStream to, MessageDigest sum) throws IOException {
        byte[] some = new byte[1 << 16];
        for (int read = from.read(some); read >= 0; read = from.read(some)) {
            sum.update(some, 0, read);
            to.write(some, 0, read);
        }
        return HexFormat.of().formatHex(sum.digest());
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Reads a copy from its first byte to its last: every file against its checksum, the database against its own
     * structure and the number of its rows.
     *
     * @throws CannotCopy where it is no copy, or is damaged
     */
    public static Contents check(Path copy) throws IOException {
        Path room = Files.createTempDirectory("mezcla-check-");
        try {
            return check(copy, room);
        } finally {
            remove(room);
        }
    }

    private static Contents check(Path copy, Path room) throws IOException {
        Path folder = Files.createDirectories(room.resolve("unpacked"));
        return unpack(copy, folder);
    }

    private static Contents unpack(Path copy, Path folder) throws IOException {
        try (ZipFile zip = new ZipFile(copy.toFile(), StandardCharsets.UTF_8)) {
            JsonNode list = list(zip, copy);
            int photos = 0;
            Enumeration<? extends ZipEntry> entries = zip.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                if (entry.getName().equals(LIST)) {
                    continue;
                }
                unpack(
                        zip,
                        entry,
                        folder,
                        list.path("sha256").path(entry.getName()).asString(""));
                photos += entry.getName().startsWith(PHOTOS) ? 1 : 0;
            }
            if (list.path("sha256").size() != photos + 1) {
                throw new CannotCopy(copy + " is not whole: something that it lists is not in it.");
            }
            long rows = list.path("rows").asLong(-1);
            Instant madeAt = madeAt(list, copy);
            checkDatabase(folder.resolve(DATABASE), rows);
            return new Contents(madeAt, list.path("version").asString(""), rows, photos, Files.size(copy));
        } catch (ZipException | SQLException | JacksonException damaged) {
            throw new CannotCopy(copy + " is damaged: " + damaged.getMessage(), damaged);
        }
    }

    private static Instant madeAt(JsonNode list, Path copy) throws CannotCopy {
        String said = list.path("madeAt").asString("");
        try {
            return Instant.parse(said);
        } catch (DateTimeParseException e) {
            throw new CannotCopy("%s is damaged: it was made at “%s”, which is no moment.".formatted(copy, said), e);
        }
    }

    private static JsonNode list(ZipFile zip, Path copy) throws IOException {
        ZipEntry entry = zip.getEntry(LIST);
        if (entry == null) {
            throw new CannotCopy(copy + " is no copy of a house.");
        }
        try (InputStream bytes = zip.getInputStream(entry)) {
            JsonNode list = JSON.readTree(bytes);
            if (!list.path("format").asString("").equals(FORMAT)) {
                throw new CannotCopy(copy + " is no copy of a house.");
            }
            return list;
        }
    }

    private static void unpack(ZipFile zip, ZipEntry entry, Path folder, String wanted) throws IOException {
        Path within = folder.toAbsolutePath().normalize();
        Path file = within.resolve(entry.getName()).normalize();
        if (!file.startsWith(within)) {
            throw new CannotCopy("The copy holds a file that lies outside of it: " + entry.getName());
        }
        Files.createDirectories(file.getParent());
        onlyItsOwner(Files.createFile(file));
        String sum;
        try (InputStream bytes = zip.getInputStream(entry);
                OutputStream out = Files.newOutputStream(file)) {
            sum = passOn(bytes, out, sha256());
        }
        if (!sum.equals(wanted)) {
            throw new CannotCopy("The copy is damaged: " + entry.getName() + " is not what was copied.");
        }
    }

    private static void checkDatabase(Path database, long rows) throws SQLException, CannotCopy {
        try (Connection copy = open(database);
                Statement ask = copy.createStatement();
                ResultSet sound = ask.executeQuery("PRAGMA integrity_check")) {
            String answer = sound.next() ? sound.getString(1) : "";
            if (!answer.equals("ok")) {
                throw new CannotCopy("The copied database is damaged: " + answer);
            }
        }
        if (rowsOf(database) != rows) {
            throw new CannotCopy("The copied database has not the rows that it should have.");
        }
    }

    /**
     * Brings a copy back.
     *
     * @param copy the copy
     * @param folder where the house shall be: a folder that is empty, or not there yet
     * @throws CannotCopy where something is in the folder, or the copy is not whole; then nothing is left behind in it
     */
    public static Contents restore(Path copy, Path folder) throws IOException {
        if (!Files.isRegularFile(copy)) {
            throw new CannotCopy("There is no such file: " + copy);
        }
        Path whole = behindLinks(folder);
        boolean there = Files.exists(whole);
        if (there && !Files.isDirectory(whole)) {
            throw new CannotCopy(folder + " is a file. Name an empty folder.");
        }
        if (there && !isEmpty(whole)) {
            throw new CannotCopy("Something is in " + folder + " already. Name an empty folder.");
        }
        folderThere(whole);
        if (!there) {
            onlyItsOwner(whole);
        }
        Path room = Files.createTempDirectory(whole, ".restore-");
        boolean done = false;
        try {
            Contents contents = unpack(copy, room);
            try (Stream<Path> files = Files.list(room)) {
                for (Path file : files.toList()) {
                    onlyItsOwner(file);
                    Files.move(file, whole.resolve(file.getFileName()));
                }
            }
            done = true;
            return contents;
        } finally {
            remove(done || there ? room : whole);
        }
    }

    /** Whether nothing is in a folder but what a disk that is mounted there has of its own. */
    private static boolean isEmpty(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.allMatch(file -> file.getFileName().toString().equals(LOST_AND_FOUND));
        }
    }

    private static void remove(Path folder) {
        if (Files.notExists(folder)) {
            return;
        }
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
