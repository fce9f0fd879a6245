package mezcla.web.copies;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import mezcla.web.settings.HouseService;
import mezcla.web.store.StoreGuard;
import mezcla.web.store.StoreTrouble;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A copy a day, kept beside the data: the last seven, and the last one of each of the last six months. What lies on the
 * same disk does not outlive it, so that stewards are told to carry one away.
 */
@Service
public class DailyCopies {
    private static final Logger LOG = LoggerFactory.getLogger(DailyCopies.class);
    private static final String BEGINS = "mezcla-";
    private static final String ENDS = ".zip";
    private static final int DAYS = 7;
    private static final int MONTHS = 6;

    private final Path data;
    private final Path folder;
    private final String version;
    private final HouseService houses;
    private final StoreGuard store;
    private final JdbcClient sql;
    private final TransactionTemplate reading;
    private final Clock clock;
    private final AtomicReference<@Nullable String> trouble = new AtomicReference<>();

    DailyCopies(
            @Value("${mezcla.data}") Path data,
            @Value("${mezcla.version}") String version,
            HouseService houses,
            StoreGuard store,
            JdbcClient sql,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.data = data;
        this.folder = data.resolve("copies");
        this.version = version;
        this.houses = houses;
        this.store = store;
        this.sql = sql;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.clock = clock;
    }

    /**
     * A copy that is kept.
     *
     * @param name its file
     * @param day the day of which it is
     * @param madeAt when it was finished
     * @param bytes how large it is
     */
    public record Kept(String name, LocalDate day, Instant madeAt, long bytes) {}

    /** Makes the copy of the day, where there is none yet. Looked at every half an hour, because machines sleep. */
    @Scheduled(initialDelay = 120_000, fixedDelay = 1_800_000)
    public void keep() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), houses.house().timeZone());
        try {
            if (kept().stream().noneMatch(copy -> copy.day().equals(today))) {
                write(BEGINS + today + ENDS);
            }
            for (Kept old : tooOld(kept(), today)) {
                Files.deleteIfExists(folder.resolve(old.name()));
            }
            trouble.set(null);
        } catch (IOException | UncheckedIOException failed) {
            trouble.set(Objects.toString(failed.getMessage(), ""));
            LOG.error("The copy of {} could not be made: {}", today, failed.getMessage());
        }
    }

    /** A copy counts where it holds at least what had been confirmed when it was begun. */
    private void write(String name) throws IOException {
        Optional<StoreTrouble> wrong = store.trouble();
        if (wrong.isPresent()) {
            throw new HouseCopy.CannotCopy(wrong.get().what());
        }
        long confirmed = Objects.requireNonNull(reading.execute(transaction ->
                sql.sql("SELECT count(*) FROM log_entry").query(Long.class).single()));
        HouseCopy.Contents contents = HouseCopy.write(data, folder.resolve(name), version, clock.instant());
        if (contents.rows() < confirmed) {
            Files.deleteIfExists(folder.resolve(name));
            throw new HouseCopy.CannotCopy("The copy holds %d entries, but %d were confirmed before it was made."
                    .formatted(contents.rows(), confirmed));
        }
    }

    /** Of copies, those that nobody keeps any longer. */
    static List<Kept> tooOld(List<Kept> copies, LocalDate today) {
        Set<YearMonth> months = new HashSet<>();
        YearMonth first = YearMonth.from(today).minusMonths(MONTHS - 1L);
        return copies.stream()
                .sorted(Comparator.comparing(Kept::day).reversed())
                .filter(copy -> {
                    YearMonth month = YearMonth.from(copy.day());
                    boolean lastOfMonth = !month.isBefore(first) && months.add(month);
                    return !lastOfMonth && !copy.day().isAfter(today.minusDays(DAYS));
                })
                .toList();
    }

    /** The copies that there are, the latest first. */
    public List<Kept> kept() {
        if (Files.notExists(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(DailyCopies::read)
                    .flatMap(Optional::stream)
                    .sorted(Comparator.comparing(Kept::day).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Optional<Kept> read(Path file) {
        String name = Objects.requireNonNull(file.getFileName()).toString();
        if (!name.startsWith(BEGINS) || !name.endsWith(ENDS)) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Kept(
                    name,
                    LocalDate.parse(name.substring(BEGINS.length(), name.length() - ENDS.length())),
                    Files.getLastModifiedTime(file).toInstant(),
                    Files.size(file)));
        } catch (DateTimeParseException | IOException notOurs) {
            return Optional.empty();
        }
    }

    /** Why the last one could not be made; empty where it was. */
    public Optional<String> trouble() {
        return Optional.ofNullable(trouble.get());
    }

    /**
     * The file of a copy that is kept.
     *
     * @throws Refusal {@code unknown-thing}
     */
    @PreAuthorize("hasRole('STEWARD')")
    public Path file(String name) {
        return kept().stream()
                .filter(copy -> copy.name().equals(name))
                .findFirst()
                .map(copy -> folder.resolve(copy.name()))
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(name)));
    }

    /**
     * Makes a copy now, in place of the one of today.
     *
     * @return its name
     */
    @PreAuthorize("hasRole('STEWARD')")
    public String now() throws IOException {
        LocalDate today = LocalDate.ofInstant(clock.instant(), houses.house().timeZone());
        String name = BEGINS + today + ENDS;
        write(name);
        trouble.set(null);
        return name;
    }
}
