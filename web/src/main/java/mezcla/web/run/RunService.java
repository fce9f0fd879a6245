package mezcla.web.run;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.measure.Refusal;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.SignedIn;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans runs and logs them. */
@Service
public class RunService {
    private final DarkroomLog log;
    private final Planning planning;
    private final Clock clock;

    RunService(DarkroomLog log, Planning planning, Clock clock) {
        this.log = log;
        this.planning = planning;
        this.clock = clock;
    }

    /** The next roll through every batch that stands on the shelf; those that can take it first. */
    @Transactional(readOnly = true)
    public List<RunPlan> possible() {
        RunQuestion question = planning.nextRoll();
        return log.state().standing().stream()
                .map(batch -> RunPlan.of(batch, question))
                .sorted(Comparator.comparing(RunPlan::fits).reversed())
                .toList();
    }

    /**
     * The batch of that number.
     *
     * @throws Refusal {@code unknown-batch}
     */
    @Transactional(readOnly = true)
    public BatchState batch(long id) {
        return log.state().batch(id);
    }

    /**
     * The plan of a run.
     *
     * @param when when it was run, so that it is planned through what stood there then; null for now
     * @throws Refusal {@code unknown-batch}, {@code batch-ended}, {@code in-the-future} or {@code before-mixing}
     */
    @Transactional(readOnly = true)
    public RunPlan plan(long batchId, List<LogEntry.Roll> rolls, Tank tank, @Nullable Instant when) {
        List<LogEntry> entries = log.entries();
        if (when == null) {
            return RunPlan.of(LogState.fold(entries).batch(batchId), planning.question(rolls, tank.volumeMl()));
        }
        LogState.fold(entries).batch(batchId).refuseRunAt(when, clock.instant());
        List<LogEntry> until = entries.stream()
                .filter(entry -> entry instanceof LogEntry.EntryVoided
                        || !entry.stamp().happenedAt().isAfter(when))
                .toList();
        return RunPlan.of(LogState.fold(until).batch(batchId), planning.question(rolls, tank.volumeMl(), when));
    }

    /**
     * Logs a run.
     *
     * @param who who logs it
     * @param batchId the batch
     * @param rolls the film
     * @param tank the tank
     * @param done whether the film has been through already, so that it is logged whatever speaks against it
     * @return its sequence in the log
     * @throws Refusal the first of what speaks against a plan, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long log(SignedIn who, long batchId, List<LogEntry.Roll> rolls, Tank tank, boolean done) {
        RunPlan plan = plan(batchId, rolls, tank, null);
        if (!plan.fits() && !done) {
            throw plan.refusals().get(0);
        }
        return add(who, clock.instant(), false, plan);
    }

    /**
     * Logs a run that was done earlier: a fact, taken whatever speaks against it.
     *
     * @param who who logs it
     * @param batchId the batch
     * @param rolls the film
     * @param tank the tank
     * @param when when it was run
     * @param about whether that is remembered rather than noted
     * @return its sequence in the log
     * @throws Refusal {@code in-the-future}, {@code before-mixing}, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long logEarlier(
            SignedIn who, long batchId, List<LogEntry.Roll> rolls, Tank tank, Instant when, boolean about) {
        return add(who, when, about, plan(batchId, rolls, tank, when));
    }

    private long add(SignedIn who, Instant when, boolean about, RunPlan plan) {
        return log.add(
                        who,
                        when,
                        about,
                        stamp -> new LogEntry.RunLogged(
                                stamp,
                                plan.batch().id(),
                                plan.question().rolls(),
                                plan.asRunBaths(),
                                plan.question().tankMl(),
                                plan.against()))
                .stamp()
                .sequence();
    }
}
