package mezcla.web.fill;

import java.util.function.Function;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Stamp;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.Figures;
import mezcla.web.shell.SignedIn;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks after single bottles: what is really in them, and whether they may be used. */
@Service
public class FillService {
    private final DarkroomLog log;

    FillService(DarkroomLog log) {
        this.log = log;
    }

    /**
     * The bottle of a fill.
     *
     * @throws Refusal {@code unknown-fill}
     */
    @Transactional(readOnly = true)
    public FillView fill(long id) {
        LogState state = log.state();
        BatchState batch = state.batchOf(id);
        FillState fill = state.fill(id);
        return new FillView(
                id,
                batch.id(),
                batch.mixed().name(),
                fill.bath().role().name(),
                fill.mixed().bottle().label(),
                Figures.ml(fill.volumeMl()),
                fill.bar() == null
                        ? ""
                        : "Barred by %s: %s"
                                .formatted(fill.bar().who(), fill.bar().reason()),
                fill.discarded() != null);
    }

    /**
     * Logs that some of a fill was lost.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded}, {@code more-than-there-is}
     */
    @Transactional
    public void spill(SignedIn who, long id, Volume lost) {
        standing(id).refuseSpillOf(lost.ml());
        add(who, stamp -> new LogEntry.FillSpilled(stamp, id, lost.ml()));
    }

    /**
     * Logs what is really in a bottle.
     *
     * @return whether that is less than the log explains, so that a run or a spill may be missing
     * @throws Refusal {@code unknown-fill}, {@code already-discarded}, {@code bottle-too-small}
     */
    @Transactional
    public boolean measure(SignedIn who, long id, Volume there) {
        boolean explained = standing(id).explains(there.ml());
        add(who, stamp -> new LogEntry.FillMeasured(stamp, id, there.ml()));
        return !explained;
    }

    /**
     * Bars a fill at once; any member may.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code already-barred}
     */
    @Transactional
    public void bar(SignedIn who, long id, String reason) {
        if (standing(id).bar() != null) {
            throw Refusal.of("already-barred");
        }
        add(who, stamp -> new LogEntry.FillBarred(stamp, id, reason));
    }

    /**
     * Lifts the bar of a fill; a steward may.
     *
     * @throws Refusal {@code unknown-fill}, {@code already-discarded} or {@code not-barred}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void lift(SignedIn who, long id, String reason) {
        if (standing(id).bar() == null) {
            throw Refusal.of("not-barred");
        }
        add(who, stamp -> new LogEntry.BarLifted(stamp, id, reason));
    }

    private FillState standing(long id) {
        FillState fill = log.state().fill(id);
        fill.refuseDiscarded();
        return fill;
    }

    private void add(SignedIn who, Function<Stamp, LogEntry> entry) {
        log.add(who, entry);
    }
}
