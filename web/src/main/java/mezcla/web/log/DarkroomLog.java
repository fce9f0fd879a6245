package mezcla.web.log;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.batch.ClockCorrections;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Leaflet;
import mezcla.log.ClockCorrected;
import mezcla.log.EntryKind;
import mezcla.log.LogEntry;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.web.access.Device;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.clock.LogClock;
import mezcla.web.sheets.Leaflets;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.core.JacksonException;

/** The log of the house: rows are added and read, never changed. What they add up to is folded by the core. */
@Service
public class DarkroomLog {
    private static final Logger LOG = LoggerFactory.getLogger(DarkroomLog.class);

    private final LogMapper mapper;
    private final Leaflets leaflets;
    private final Members members;
    private final LogClock clock;

    /** What was read in transactions that only read: what another one added may still be rolled back. */
    private final Set<Long> unreadableRows = ConcurrentHashMap.newKeySet();

    private final AtomicReference<Known> read = new AtomicReference<>(Known.NOTHING);

    /**
     * The log, the names with which it was read, and what dates its rows anew.
     *
     * @param edition grows whenever rows that were read before read otherwise
     * @param written the stamps with which rows were written that count with others
     */
    private record Known(
            LogBook book, KnownNames names, ClockCorrections corrections, int edition, Map<Long, Stamp> written) {
        private static final Known NOTHING =
                new Known(LogBook.EMPTY, KnownNames.NONE, ClockCorrections.NONE, 0, Map.of());

        /** Of two readings the one with the later names, the later edition, or the longer. */
        Known or(Known other) {
            if (!names.keeps(other.names()) || !other.names().keeps(names)) {
                return other;
            }
            if (edition != other.edition()) {
                return edition > other.edition() ? this : other;
            }
            return book.lastSequence() >= other.book().lastSequence() ? this : other;
        }
    }

    DarkroomLog(LogMapper mapper, Leaflets leaflets, Members members, LogClock clock) {
        this.mapper = mapper;
        this.leaflets = leaflets;
        this.members = members;
        this.clock = clock;
    }

    /**
     * The log as it stands. Rows never change, so those that were read once are not read again; each request asks
     * which came since. Only when the name of somebody has become a number is everything read anew.
     */
    @Transactional(readOnly = true)
    public LogBook book() {
        return known().book();
    }

    private Known known() {
        Known before = Objects.requireNonNull(read.get());
        KnownNames names = names();
        boolean kept = names.keeps(before.names());
        LogMapper.Last last = mapper.last();
        if (last == null || (kept && last.sequence() == before.book().lastSequence())) {
            return before;
        }
        List<LogEntry> rows = rowsAfter(kept ? before.book().lastSequence() : 0, names, ClockCorrections.NONE);
        boolean clock = rows.stream().anyMatch(row -> bearsOnAClock(row, before.book()));
        Known now = kept && !clock
                ? new Known(before.book().with(rows), names, before.corrections(), before.edition(), before.written())
                : anew(before, names);
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            read.accumulateAndGet(now, Known::or);
            hear(now, before);
        }
        return now;
    }

    private void hear(Known now, Known before) {
        if (now.book().entries().isEmpty()) {
            return;
        }
        Instant latest = lastRecorded(now.book());
        if (now.edition() != before.edition()) {
            clock.datedAnew(latest);
        }
        clock.heard(latest);
    }

    private static boolean bearsOnAClock(LogEntry row, LogBook before) {
        return row.kind() == EntryKind.CLOCK_CORRECTED
                || row.voids()
                        .flatMap(before::find)
                        .filter(voided -> voided.kind() == EntryKind.CLOCK_CORRECTED)
                        .isPresent();
    }

    /** Everything read once more: with other names, or dated anew. */
    private Known anew(Known before, KnownNames names) {
        List<LogEntry> asWritten = rowsAfter(0, names, ClockCorrections.NONE);
        ClockCorrections corrections = ClockCorrections.of(asWritten);
        Map<Long, Stamp> written = new HashMap<>();
        List<LogEntry> counting = corrections.isEmpty() ? asWritten : rowsAfter(0, names, corrections);
        if (!corrections.isEmpty()) {
            asWritten.stream()
                    .map(LogEntry::stamp)
                    .filter(stamp -> !corrections.counting(stamp).equals(stamp))
                    .forEach(stamp -> written.put(stamp.sequence(), stamp));
        }
        return new Known(LogBook.EMPTY.with(counting), names, corrections, before.edition() + 1, Map.copyOf(written));
    }

    /** A number that is another one as soon as rows that were read before read otherwise: with other names, or dated anew. */
    @Transactional(readOnly = true)
    public int edition() {
        return known().edition();
    }

    /** The stamp that a row was written with, which is another one than it counts with where its clock was wrong. */
    @Transactional(readOnly = true)
    public Stamp written(LogEntry entry) {
        return known().written().getOrDefault(entry.stamp().sequence(), entry.stamp());
    }

    /** What members are and were called. */
    @Transactional(readOnly = true)
    public KnownNames names() {
        return members.names();
    }

    /** A row that cannot be read is said once in the log of the machine and left out, so that every page still answers. */
    private List<LogEntry> rowsAfter(long sequence, KnownNames names, ClockCorrections corrections) {
        Map<LogCodec.LeafletName, Leaflet> sheets = sheets();
        List<LogEntry> rows = new ArrayList<>();
        for (LogMapper.Row row : mapper.after(sequence)) {
            try {
                rows.add(read(row, sheets, names, corrections));
            } catch (JacksonException | IllegalArgumentException | Refusal unreadable) {
                if (unreadableRows.add(row.sequence())) {
                    LOG.error(
                            "Row {} of the log, {}, cannot be read, because {}: {}",
                            row.sequence(),
                            row.kind(),
                            String.valueOf(unreadable.getMessage())
                                    .lines()
                                    .findFirst()
                                    .orElse("nobody knows"),
                            row.body());
                }
            }
        }
        return rows;
    }

    private static LogEntry read(
            LogMapper.Row row,
            Map<LogCodec.LeafletName, Leaflet> sheets,
            KnownNames names,
            ClockCorrections corrections) {
        Stamp stamp = new Stamp(
                row.sequence(),
                row.happenedAt(),
                row.recordedAt(),
                names.text(row.nameId()).orElseThrow(() -> new IllegalArgumentException("written by nobody")),
                row.about(),
                row.memberId(),
                row.device());
        return LogCodec.read(row.kind(), corrections.counting(stamp), LogCodec.told(row.body(), names), sheets);
    }

    private Map<LogCodec.LeafletName, Leaflet> sheets() {
        return leaflets.byId().values().stream()
                .collect(Collectors.toMap(LogCodec.LeafletName::of, Function.identity()));
    }

    /** The first to ask waits for the whole log to be read and folded; that is done before anybody does. */
    @Async
    @EventListener(ApplicationReadyEvent.class)
    @Transactional(readOnly = true)
    public void readAhead() {
        book().state();
    }

    /** What the rows add up to. */
    @Transactional(readOnly = true)
    public LogState state() {
        return book().state();
    }

    /** A number for a kit that is about to arrive. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long newKit() {
        return mapper.newKit();
    }

    /** A number for a batch that is about to be mixed. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long newBatch() {
        return mapper.newBatch();
    }

    /** A number for a fill that is about to be mixed. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long newFill() {
        return mapper.newFill();
    }

    /** A number for film that is about to be left. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long newFilm() {
        return mapper.newFilm();
    }

    /**
     * Adds a row about something that happens now.
     *
     * @param who who says so
     * @param entry makes the row, given its stamp
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <E extends LogEntry> E add(SignedIn who, Function<Stamp, E> entry) {
        return add(who, Instant.MAX, false, entry);
    }

    /**
     * Adds a row about something that happened at another time. It is recorded no earlier than the row before it,
     * whatever the machine's clock says (rules, 12).
     *
     * @param who who says so
     * @param happenedAt when it happened; what is later than the present counts as the present
     * @param about whether that is remembered rather than noted
     * @param entry makes the row, given its stamp
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <E extends LogEntry> E add(SignedIn who, Instant happenedAt, boolean about, Function<Stamp, E> entry) {
        return add(who, LogClock.later(clock.instant(), latest()), happenedAt, about, entry);
    }

    /**
     * When the last row was written, as it counts. Where this transaction wrote it, nobody reads it again, so that a long list
     * takes as long as its lines.
     */
    private Instant latest() {
        LogMapper.Last last = mapper.last();
        if (last == null) {
            return Instant.MIN;
        }
        return TransactionSynchronizationManager.getResource(this) instanceof LogMapper.Last added
                        && added.sequence() == last.sequence()
                ? added.recordedAt()
                : lastRecorded(book());
    }

    /** Remembers the row that this transaction wrote last; one that may date others anew is read again with them. */
    private void wrote(LogEntry row) {
        boolean first = TransactionSynchronizationManager.unbindResourceIfPossible(this) == null;
        if (row.kind() != EntryKind.CLOCK_CORRECTED && row.voids().isEmpty()) {
            TransactionSynchronizationManager.bindResource(
                    this, new LogMapper.Last(row.stamp().sequence(), row.stamp().recordedAt()));
        }
        if (first) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    TransactionSynchronizationManager.unbindResourceIfPossible(DarkroomLog.this);
                }
            });
        }
    }

    /** When the last row that can be read was written; long ago where there is none. */
    private static Instant lastRecorded(LogBook book) {
        List<LogEntry> entries = book.entries();
        return entries.isEmpty()
                ? Instant.MIN
                : entries.get(entries.size() - 1).stamp().recordedAt();
    }

    /**
     * Dates rows anew that were written under a wrong clock. It is recorded by the clock that is right now, so that later
     * rows follow that.
     *
     * @param who the steward who says so
     * @param last when the last of those rows was really written
     * @param entry makes the row, given its stamp
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public ClockCorrected correctClock(SignedIn who, Instant last, Function<Stamp, ClockCorrected> entry) {
        ClockCorrected row = add(who, LogClock.later(clock.present(), last.plusMillis(1)), Instant.MAX, false, entry);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                clock.datedAnew(row.stamp().recordedAt());
            }
        });
        return row;
    }

    private <E extends LogEntry> E add(
            SignedIn who, Instant present, Instant happenedAt, boolean about, Function<Stamp, E> entry) {
        LogMapper.Last last = mapper.last();
        Instant now = present.truncatedTo(ChronoUnit.MILLIS);
        long sequence = last == null ? 1 : last.sequence() + 1;
        Instant then = happenedAt.isAfter(now) ? now : happenedAt;
        String device = Device.here().filter(Device::shared).map(Device::name).orElse(null);
        E row = entry.apply(
                new Stamp(sequence, then.truncatedTo(ChronoUnit.MILLIS), now, who.name(), about, who.id(), device));
        KnownNames names = names();
        String body = LogCodec.kept(LogCodec.write(row), names);
        LogEntry back = LogCodec.read(row.kind().key(), row.stamp(), LogCodec.told(body, names), sheets());
        if (!back.equals(row)) {
            throw new IllegalStateException("What is written of " + row + " would be read as " + back);
        }
        mapper.add(new LogMapper.NewRow(
                sequence,
                row.kind().key(),
                then,
                now,
                about,
                who.id(),
                Objects.requireNonNull(names.id(who.name())),
                device,
                body));
        wrote(row);
        return row;
    }
}
