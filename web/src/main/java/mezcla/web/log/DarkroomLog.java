package mezcla.web.log;

import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Function;
import mezcla.batch.LogBook;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Stamp;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.shell.SignedIn;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** The log of the house: rows are added and read, never changed. What they add up to is folded by the core. */
@Service
public class DarkroomLog {
    private final LogMapper mapper;
    private final LogReader reader;
    private final LogWriter writer;
    private final Clock clock;

    /** What was read in transactions that only read: what another one added may still be rolled back. */
    private final AtomicReference<LogBook> read = new AtomicReference<>(LogBook.EMPTY);

    DarkroomLog(LogMapper mapper, Leaflets leaflets, Clock clock) {
        this.mapper = mapper;
        this.reader = new LogReader(mapper, leaflets);
        this.writer = new LogWriter(mapper, leaflets);
        this.clock = clock;
    }

    /**
     * The log as it stands. Rows never change, so those that were read once are not read again; each request asks
     * which came since.
     */
    @Transactional(readOnly = true)
    public LogBook book() {
        LogBook known = read.get();
        if (mapper.lastSequence() == known.lastSequence()) {
            return known;
        }
        LogBook book = known.with(reader.entries(known.lastSequence()));
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            read.accumulateAndGet(book, DarkroomLog::theLonger);
        }
        return book;
    }

    /** The first to ask waits for the whole log to be read and folded; that is done before anybody does. */
    @Async
    @EventListener(ApplicationReadyEvent.class)
    @Transactional(readOnly = true)
    public void readAhead() {
        book().state();
    }

    private static LogBook theLonger(LogBook one, LogBook other) {
        return one.lastSequence() >= other.lastSequence() ? one : other;
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

    /**
     * Adds a row about something that happens now.
     *
     * @param who who says so
     * @param entry makes the row, given its stamp
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <E extends LogEntry> E add(SignedIn who, Function<Stamp, E> entry) {
        return add(who, clock.instant(), false, entry);
    }

    /**
     * Adds a row about something that happened at another time.
     *
     * @param who who says so
     * @param happenedAt when it happened
     * @param about whether that is remembered rather than noted
     * @param entry makes the row, given its stamp
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public <E extends LogEntry> E add(SignedIn who, Instant happenedAt, boolean about, Function<Stamp, E> entry) {
        Instant now = clock.instant();
        long sequence = mapper.lastSequence() + 1;
        E row = entry.apply(new Stamp(sequence, happenedAt, now, who.name(), about));
        mapper.addEntry(sequence, row.getClass().getSimpleName(), who.id(), happenedAt, now, about);
        writer.addDetails(row);
        return row;
    }
}
