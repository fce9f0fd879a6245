package mezcla.web.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Lazy;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Watches the file in which everything is kept: whether it is still the one that was opened, still sound, and can be
 * written; and the file beside it, into which what was saved last is written first. What was saved into a file that is no
 * longer there would be lost, so nothing is confirmed any more then.
 *
 * <p>Nothing here, or elsewhere in this process, opens these files but SQLite. To close a descriptor of a file gives up
 * every lock that the process has on it (POSIX), SQLite's own too; the next program that merely looks into the file would
 * then clear away the file beside it, which is still being written to.
 */
@Component
public class StoreGuard {
    private static final Logger LOG = LoggerFactory.getLogger(StoreGuard.class);
    private static final Path DESCRIPTORS = Path.of("/proc/self/fd");
    private static final String DELETED = " (deleted)";
    private static final long LEAST_ROOM_BYTES = 4L * 1024 * 1024;

    private final Path folder;
    private final Path file;
    private final Path beside;
    private final DataSource store;
    private final JdbcClient sql;
    private final TransactionTemplate reading;
    private final AtomicReference<@Nullable Object> opened = new AtomicReference<>();
    private final AtomicReference<@Nullable Object> openedBeside = new AtomicReference<>();
    private final AtomicReference<@Nullable StoreTrouble> trouble = new AtomicReference<>();

    StoreGuard(
            @Value("${mezcla.data}") Path folder,
            @Lazy DataSource store,
            @Lazy JdbcClient sql,
            @Lazy org.springframework.transaction.PlatformTransactionManager transactions) {
        this.folder = folder.toAbsolutePath().normalize();
        this.file = folder.resolve("mezcla.db");
        this.beside = folder.resolve("mezcla.db-wal");
        this.store = store;
        this.sql = sql;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Whether SQLite can read a file as one of its own; an empty one becomes that. It is asked by a connection of its own,
     * because those that are open remember the first page.
     */
    static boolean isSound(Path file) {
        try (Connection fresh = DriverManager.getConnection("jdbc:sqlite:" + file + "?busy_timeout=1000");
                Statement ask = fresh.createStatement();
                ResultSet read = ask.executeQuery("PRAGMA schema_version")) {
            return read.next();
        } catch (SQLException failure) {
            return StoreTrouble.in(failure).filter(StoreTrouble.DAMAGED::equals).isEmpty();
        }
    }

    /** What is wrong with the file just now; empty for nothing. */
    public Optional<StoreTrouble> trouble() {
        return Optional.ofNullable(trouble.get());
    }

    /** Remembers which file was opened, the first time that something is written to it. */
    private void remember() {
        if (opened.get() == null) {
            opened.compareAndSet(null, identity(file));
        }
        if (openedBeside.get() == null) {
            openedBeside.compareAndSet(null, identity(beside));
        }
    }

    /** Device and number of a file, by {@code stat} alone; null where it is not there. */
    private static @Nullable Object identity(Path file) {
        try {
            return Files.readAttributes(file, BasicFileAttributes.class).fileKey();
        } catch (IOException gone) {
            return null;
        }
    }

    /**
     * Looks whether what is written now is kept.
     *
     * @throws StoreTrouble.NotSaved where it would not be
     */
    void check() {
        remember();
        StoreTrouble known = trouble.get();
        if (known == null || !known.lasts()) {
            known = identityTrouble();
        }
        if (known != null) {
            set(known);
            throw new StoreTrouble.NotSaved(known);
        }
    }

    private @Nullable StoreTrouble identityTrouble() {
        Object now = identity(file);
        if (now == null && Files.notExists(file)) {
            return StoreTrouble.GONE;
        }
        if (!Objects.equals(now, opened.get())) {
            return StoreTrouble.REPLACED;
        }
        return besideTrouble();
    }

    /**
     * Whether what is saved is still written into the file beside. It may be another one than before where every
     * connection was closed in between; then nothing that was taken away is held open.
     */
    private @Nullable StoreTrouble besideTrouble() {
        Object known = openedBeside.get();
        Object now = identity(beside);
        if (known == null || known.equals(now)) {
            return null;
        }
        if (holdsWhatWasTakenAway()) {
            return StoreTrouble.CUT_OFF;
        }
        openedBeside.set(now);
        return null;
    }

    /** Whether this process still has a file of the folder open that is no longer in it, as far as the system tells. */
    private boolean holdsWhatWasTakenAway() {
        if (Files.notExists(DESCRIPTORS)) {
            return true;
        }
        try (Stream<Path> descriptors = Files.list(DESCRIPTORS)) {
            return descriptors.anyMatch(this::wasTakenAway);
        } catch (IOException | UncheckedIOException unreadable) {
            return true;
        }
    }

    private boolean wasTakenAway(Path descriptor) {
        try {
            String target = Files.readSymbolicLink(descriptor).toString();
            String name = file.getFileName() == null ? "" : file.getFileName().toString();
            return target.endsWith(DELETED)
                    && target.startsWith(real().resolve(name).toString());
        } catch (IOException closedMeanwhile) {
            return false;
        }
    }

    private Path real() {
        try {
            return folder.toRealPath();
        } catch (IOException gone) {
            return folder;
        }
    }

    private void set(StoreTrouble found) {
        StoreTrouble before = trouble.get();
        if (before == null || !before.lasts()) {
            trouble.set(found);
            if (before != found) {
                LOG.error("{} {}", found.what(), found.then());
            }
            if (found == StoreTrouble.CUT_OFF) {
                // Elsewhere, because whoever notices may hold the one connection that writes.
                Thread elsewhere = new Thread(this::rescue, "rescue");
                elsewhere.start();
            }
        }
    }

    /**
     * What was confirmed into a file that was taken away can still be read through the connection that wrote it, and by
     * nobody else: it is written into a file of its own, which a steward puts in the place of the other.
     */
    private void rescue() {
        Path rescued = folder.resolve("rescued-%d.db".formatted(System.currentTimeMillis()));
        try (Connection writer = store.getConnection();
                PreparedStatement into = writer.prepareStatement("VACUUM INTO ?")) {
            into.setString(1, rescued.toString());
            into.execute();
            LOG.error("Everything that was confirmed stands in {}.", rescued);
        } catch (SQLException failed) {
            LOG.error("What was confirmed last could not be written to {}: {}", rescued, failed.getMessage());
        }
    }

    /** Hears of a failure; returns what it says about the file. */
    public Optional<StoreTrouble> heard(Throwable failure) {
        Optional<StoreTrouble> found = StoreTrouble.in(failure);
        found.filter(each -> each != StoreTrouble.BUSY).ifPresent(this::set);
        return found;
    }

    /** Looks at the file every few seconds; what has passed is forgotten. */
    @Scheduled(fixedDelay = 5_000)
    void look() {
        remember();
        StoreTrouble known = trouble.get();
        if (known != null && known.lasts()) {
            return;
        }
        StoreTrouble found = found();
        if (found == null) {
            trouble.set(null);
        } else {
            set(found);
        }
    }

    private @Nullable StoreTrouble found() {
        StoreTrouble other = identityTrouble();
        if (other == null && openedBeside.get() != null && Files.exists(DESCRIPTORS) && holdsWhatWasTakenAway()) {
            other = StoreTrouble.CUT_OFF;
        }
        if (other != null) {
            return other;
        }
        try {
            if (!isSound(file)) {
                return StoreTrouble.DAMAGED;
            }
            if (!Files.isWritable(file) || Files.getFileStore(file).isReadOnly()) {
                return StoreTrouble.READ_ONLY;
            }
            return Files.getFileStore(file).getUsableSpace() < LEAST_ROOM_BYTES ? StoreTrouble.FULL : null;
        } catch (IOException unreadable) {
            return StoreTrouble.READ_ONLY;
        }
    }

    /** Reads the whole file through now and then, to find what is damaged before somebody needs it. */
    @Scheduled(initialDelay = 60_000, fixedDelay = 900_000)
    void readThrough() {
        try {
            String found = reading.execute(transaction ->
                    sql.sql("PRAGMA quick_check(1)").query(String.class).single());
            if (!"ok".equals(found)) {
                set(StoreTrouble.DAMAGED);
            }
        } catch (DataAccessException | TransactionException failure) {
            heard(failure);
        }
    }
}
