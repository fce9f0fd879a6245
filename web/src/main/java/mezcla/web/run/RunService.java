package mezcla.web.run;

import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.LogEntry;
import mezcla.measure.Refusal;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.SignedIn;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans runs and logs them. */
@Service
public class RunService {
    private final DarkroomLog log;
    private final Planning planning;

    RunService(DarkroomLog log, Planning planning) {
        this.log = log;
        this.planning = planning;
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
     * @throws Refusal {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional(readOnly = true)
    public RunPlan plan(long batchId, List<LogEntry.Roll> rolls, Tank tank) {
        return RunPlan.of(log.state().batch(batchId), planning.question(rolls, tank.volumeMl()));
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
        RunPlan plan = plan(batchId, rolls, tank);
        if (!plan.fits() && !done) {
            throw plan.refusals().get(0);
        }
        return log.add(
                        who,
                        stamp -> new LogEntry.RunLogged(
                                stamp, batchId, rolls, plan.asRunBaths(), tank.volumeMl(), plan.against()))
                .stamp()
                .sequence();
    }
}
