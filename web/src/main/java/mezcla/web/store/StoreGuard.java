package mezcla.web.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
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
 * written. What was saved into a file that is no longer there would be lost, so nothing is confirmed any more then.
 */
@Component
public class StoreGuard {
    private static final Logger LOG = LoggerFactory.getLogger(StoreGuard.class);
    private static final byte[] FIRST_BYTES = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final long LEAST_ROOM_BYTES = 4L * 1024 * 1024;

    private final Path file;
    private final JdbcClient sql;
    private final TransactionTemplate reading;
    private final AtomicReference<@Nullable Object> opened = new AtomicReference<>();
    private final AtomicReference<@Nullable StoreTrouble> trouble = new AtomicReference<>();

    StoreGuard(
            @Value("${mezcla.data}") Path folder,
            @Lazy JdbcClient sql,
            @Lazy org.springframework.transaction.PlatformTransactionManager transactions) {
        this.file = folder.resolve("mezcla.db");
        this.sql = sql;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** Whether a file can be one of ours: empty, or beginning as they do. */
    static boolean isSound(Path file) throws IOException {
        try (InputStream bytes = Files.newInputStream(file)) {
            byte[] first = bytes.readNBytes(FIRST_BYTES.length);
            return first.length == 0 || Arrays.equals(first, FIRST_BYTES);
        }
    }

    /** What is wrong with the file just now; empty for nothing. */
    public Optional<StoreTrouble> trouble() {
        return Optional.ofNullable(trouble.get());
    }

    /** Remembers which file was opened, the first time that something is written to it. */
    private void remember() {
        if (opened.get() == null) {
            opened.compareAndSet(null, identity());
        }
    }

    private @Nullable Object identity() {
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
        Object now = identity();
        if (now == null && Files.notExists(file)) {
            return StoreTrouble.GONE;
        }
        return Objects.equals(now, opened.get()) ? null : StoreTrouble.REPLACED;
    }

    private void set(StoreTrouble found) {
        StoreTrouble before = trouble.get();
        if (before == null || !before.lasts()) {
            trouble.set(found);
            if (before != found) {
                LOG.error("{} {}", found.what(), found.then());
            }
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
