package mezcla.web.run.course;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.MovedOn;
import mezcla.log.AirKept;
import mezcla.log.FillMoved;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.journal.EntryLine;
import mezcla.web.journal.EntryWords;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probe.ProbeService;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.warm.WarmService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans runs and logs them. */
@Service
public class RunService {
    private final DarkroomLog log;
    private final RibbonService ribbon;
    private final Planning planning;
    private final HouseService houses;
    private final WarmService warm;
    private final ProbeService probes;
    private final LogClock clock;

    RunService(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            LogClock clock,
            RibbonService ribbon,
            WarmService warm,
            ProbeService probes) {
        this.ribbon = ribbon;
        this.warm = warm;
        this.probes = probes;
        this.log = log;
        this.planning = planning;
        this.houses = houses;
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
     * What is to be run.
     *
     * @param rolls the film
     * @param tank the tank as it is used
     * @param celsius how warm the warmed baths are, in °C; null for as printed
     */
    public record Asked(List<Roll> rolls, Tank tank, @Nullable Double celsius) {}

    /**
     * What watches a run.
     *
     * @param probeId the probe; null for none of the house's
     * @param simulated what goes wrong with a stand-in; null for no stand-in
     */
    public record ProbeChoice(@Nullable Long probeId, SimulatedBath.@Nullable Fault simulated) {
        /** Nothing. */
        public static final ProbeChoice NONE = new ProbeChoice(null, null);
    }

    /**
     * The plan of a run.
     *
     * @param asked what is to be run
     * @param when when it was run, so that it is planned through what stood there then; null for now
     * @throws Refusal {@code unknown-batch}, {@code batch-ended}, {@code in-the-future} or {@code before-mixing}
     */
    @Transactional(readOnly = true)
    public RunPlan plan(long batchId, Asked asked, @Nullable Instant when) {
        LogBook book = log.book();
        BatchState batch = book.state().batch(batchId);
        if (when == null) {
            return RunPlan.of(batch, question(asked, clock.instant()));
        }
        batch.refuseRunAt(when, clock.instant());
        return RunPlan.of(LogState.foldUntil(book.about(batchId), when).batch(batchId), question(asked, when));
    }

    private RunQuestion question(Asked asked, Instant at) {
        return planning.question(asked.rolls(), asked.tank(), at).warmedTo(asked.celsius());
    }

    /** The last row of the log, so that a plan can tell whether anything was added since it was shown. */
    @Transactional(readOnly = true)
    public long lastRow() {
        return log.book().lastSequence();
    }

    /** The runs that have been started and are not over, the earliest first. */
    @Transactional(readOnly = true)
    public List<UnderWay> underWay() {
        return log.state().batches().values().stream()
                .flatMap(batch -> batch.inUse().stream().map(start -> new UnderWay(batch, start)))
                .sorted(Comparator.comparing(run -> run.start().stamp().happenedAt()))
                .toList();
    }

    /** The run that was started with a row; empty when it is over. */
    @Transactional(readOnly = true)
    public Optional<UnderWay> find(long started) {
        return underWay().stream()
                .filter(run -> run.start().stamp().sequence() == started)
                .findFirst();
    }

    /** A run that has been started, and its batch. */
    public record UnderWay(BatchState batch, RunStarted start) {}

    /**
     * What was logged about a batch since a plan of it was shown, in words.
     *
     * @param seen the last row of the log then
     */
    @Transactional(readOnly = true)
    public List<EntryLine> movedOn(long batchId, long seen) {
        LogBook book = log.book();
        EntryWords words = new EntryWords(book, houses.house());
        return MovedOn.since(book.about(batchId), book.state().batch(batchId), seen).stream()
                .map(words::line)
                .toList();
    }

    /**
     * Starts a run: from now on its rolls and its volume are taken.
     *
     * @param who who starts it
     * @param batchId the batch
     * @param asked what is run
     * @param seen the last row of the log when the plan was shown
     * @param choices how it is done
     * @param probe what watches it
     * @return its sequence in the log
     * @throws Refusal {@code moved-on} when something about the batch was logged since, or the first of what speaks
     *     against the plan
     */
    @Transactional
    public long start(SignedIn who, long batchId, Asked asked, long seen, RunSteps.Choices choices, ProbeChoice probe) {
        if (!movedOn(batchId, seen).isEmpty()) {
            throw Refusal.of(new FormObjection.MovedOn());
        }
        RunPlan plan = plan(batchId, asked, null);
        if (!plan.fits()) {
            throw Refusal.of(plan.objections().get(0));
        }
        plan.steps(choices);
        long started = log.add(
                        who,
                        stamp -> new RunStarted(
                                stamp,
                                batchId,
                                asked.rolls(),
                                plan.asRunBaths(),
                                asked.tank().volumeMl()))
                .stamp()
                .sequence();
        Long probeId = probe.simulated() == null
                ? probe.probeId()
                : Long.valueOf(warm.simulateWarm(who, batchId, probe.simulated()));
        ribbon.begin(
                started,
                choices,
                probeId == null ? null : Long.valueOf(probes.probe(probeId).id()));
        return started;
    }

    /**
     * Logs how a run that was started went: a fact, taken whatever speaks against it.
     *
     * @param who who says so
     * @param started the row with which it was started
     * @param rolls the film that really went in
     * @param really reads what each bath really had
     * @param when when it ended; null for now
     * @param about whether that is remembered rather than noted
     * @param air what keeps air from the bottles now; null for as before
     * @return the batch
     * @throws Refusal {@code run-is-over}, {@code in-the-future} or {@code before-start}
     */
    @Transactional
    public long finish(
            SignedIn who,
            long started,
            List<Roll> rolls,
            UnaryOperator<RunBath> really,
            @Nullable Instant when,
            boolean about,
            @Nullable AirKept air) {
        return end(who, started, rolls, really, bath -> true, when, about, air, null);
    }

    /**
     * Logs that a run was given up before its end: what its film had reached is worn by it, nothing else.
     *
     * @param who who says so
     * @param started the row with which it was started
     * @param reached the fills that the film had reached
     * @param really reads what each bath really had
     * @param reason why
     * @return the batch
     * @throws Refusal {@code run-is-over}, or {@code reached-missing} where it had reached nothing
     */
    @Transactional
    public long abandon(SignedIn who, long started, Set<Long> reached, UnaryOperator<RunBath> really, String reason) {
        RunStarted start = log.state().underWay(started);
        if (start.baths().stream().map(RunBath::fillId).noneMatch(reached::contains)) {
            throw Refusal.of(new FormObjection.ReachedMissing());
        }
        return end(
                who,
                started,
                start.rolls(),
                really,
                bath -> reached.contains(bath.fillId()),
                null,
                false,
                null,
                reason);
    }

    private long end(
            SignedIn who,
            long started,
            List<Roll> rolls,
            UnaryOperator<RunBath> really,
            Predicate<RunBath> reached,
            @Nullable Instant when,
            boolean about,
            @Nullable AirKept air,
            @Nullable String abandoned) {
        LogBook book = log.book();
        RunStarted start = book.state().underWay(started);
        Instant ended = when == null ? clock.instant() : when;
        if (ended.isAfter(clock.instant())) {
            throw Refusal.of(new BatchObjection.InTheFuture());
        }
        if (ended.isBefore(start.stamp().happenedAt())) {
            throw Refusal.of(new FormObjection.BeforeStart());
        }
        List<LogEntry> without = book.about(start.batchId()).stream()
                .filter(entry -> !entry.equals(start))
                .toList();
        List<String> against = RunPlan.of(
                        LogState.foldUntil(without, start.stamp().happenedAt()).batch(start.batchId()),
                        planning.question(rolls, start.tankMl(), start.stamp().happenedAt()))
                .against();
        List<RunBath> baths =
                start.bathsFor(rolls).stream().filter(reached).map(really).toList();
        log.add(
                who,
                ended,
                about,
                stamp -> new RunLogged(
                        stamp, start.batchId(), rolls, baths, start.tankMl(), against, started, abandoned));
        keepAirOut(who, book.state().batch(start.batchId()), baths, air);
        return start.batchId();
    }

    /** A bottle that does not allow it stays as it was. */
    private void keepAirOut(SignedIn who, BatchState batch, List<RunBath> baths, @Nullable AirKept air) {
        if (air == null) {
            return;
        }
        Set<Long> used = baths.stream().map(RunBath::fillId).collect(Collectors.toSet());
        batch.fills().stream()
                .filter(fill -> used.contains(fill.id()) && fill.discarded() == null)
                .filter(fill -> fill.bottle().allows(air) && fill.kept().air() != air)
                .forEach(fill -> log.add(
                        who,
                        stamp -> new FillMoved(
                                stamp, fill.id(), fill.bottle(), fill.kept().place(), air)));
    }

    /**
     * Logs that a run which was started did not take place.
     *
     * @return the batch
     * @throws Refusal {@code run-is-over}
     */
    @Transactional
    public long callOff(SignedIn who, long started, String reason) {
        RunStarted start = log.state().underWay(started);
        log.add(who, stamp -> new RunCalledOff(stamp, started, reason));
        return start.batchId();
    }

    /**
     * Passes the limits that hold a run back, on purpose.
     *
     * @throws Refusal {@code nothing-to-override} where no limit does, or something else speaks against it
     */
    @Transactional
    public void override(SignedIn who, long batchId, Asked asked, String reason) {
        Map<Long, List<String>> limits = plan(batchId, asked, null).overridable();
        if (limits.isEmpty()) {
            throw Refusal.of(new FormObjection.NothingToOverride());
        }
        limits.forEach((fill, codes) -> log.add(who, stamp -> new LimitOverridden(stamp, fill, codes, reason)));
    }

    /**
     * Logs a run.
     *
     * @param who who logs it
     * @param batchId the batch
     * @param asked what is run
     * @param done whether the film has been through already, so that it is logged whatever speaks against it
     * @param really reads what each bath really had
     * @return its sequence in the log
     * @throws Refusal the first of what speaks against a plan, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long log(SignedIn who, long batchId, Asked asked, boolean done, UnaryOperator<RunBath> really) {
        RunPlan plan = plan(batchId, asked, null);
        if (!plan.fits() && !done) {
            throw Refusal.of(plan.objections().get(0));
        }
        return add(who, clock.instant(), false, plan, really);
    }

    /**
     * Logs a run that was done earlier: a fact, taken whatever speaks against it. How long each bath took is what
     * somebody noted, and nothing where nobody did: what would be planned for it hangs on what was logged before.
     *
     * @param who who logs it
     * @param batchId the batch
     * @param asked what was run
     * @param when when it was run
     * @param about whether that is remembered rather than noted
     * @param really reads what each bath really had
     * @return its sequence in the log
     * @throws Refusal {@code in-the-future}, {@code before-mixing}, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long logEarlier(
            SignedIn who, long batchId, Asked asked, Instant when, boolean about, UnaryOperator<RunBath> really) {
        RunPlan plan = plan(batchId, asked, when);
        return add(who, when, about, plan, bath -> really.apply(bath.really(null, bath.celsius())));
    }

    private long add(SignedIn who, Instant when, boolean about, RunPlan plan, UnaryOperator<RunBath> really) {
        return log.add(
                        who,
                        when,
                        about,
                        stamp -> new RunLogged(
                                stamp,
                                plan.batch().id(),
                                plan.question().rolls(),
                                plan.asRunBaths().stream().map(really).toList(),
                                plan.question().tankMl(),
                                plan.against(),
                                null))
                .stamp()
                .sequence();
    }
}
