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
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.MovedOn;
import mezcla.batch.SameRolls;
import mezcla.log.AirKept;
import mezcla.log.FillBarred;
import mezcla.log.FillMoved;
import mezcla.log.LimitOverridden;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunCalledOff;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.OneLoad;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.Whose;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probes.ProbeService;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.shelf.ShelfView;
import mezcla.web.shelf.WaysOut;
import mezcla.web.telling.EntryLine;
import mezcla.web.telling.EntryWords;
import mezcla.web.warm.WarmService;
import mezcla.web.words.Figures;
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
    private final HouseAccounts accounts;
    private final UsualWays usual;
    private final LogClock clock;

    RunService(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            LogClock clock,
            RibbonService ribbon,
            WarmService warm,
            ProbeService probes,
            HouseAccounts accounts,
            UsualWays usual) {
        this.usual = usual;
        this.accounts = accounts;
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
                .map(batch -> RunPlan.of(batch, planning.asUsed(question, batch)))
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
     * @param passed the row with which what belongs to one load was passed on purpose; 0 for none
     */
    public record Asked(List<Roll> rolls, Tank tank, @Nullable Double celsius, long passed) {
        /** A load of which nothing was passed. */
        public Asked(List<Roll> rolls, Tank tank, @Nullable Double celsius) {
            this(rolls, tank, celsius, 0);
        }
    }

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
            return RunPlan.of(
                    batch,
                    question(asked, clock.instant())
                            .passingOneLoad(OneLoad.isPassed(book.about(batchId), asked.passed())));
        }
        Instant at = batch.runAt(when, clock.instant());
        return RunPlan.of(LogState.foldUntil(book.about(batchId), at).batch(batchId), question(asked, at));
    }

    private RunQuestion question(Asked asked, Instant at) {
        return planning.question(asked.rolls(), asked.tank(), at).warmedTo(asked.celsius());
    }

    /** What else can be done with film that a batch does not take, each with time and cost. */
    @Transactional(readOnly = true)
    public List<ShelfView.WayOutView> waysOut(RunPlan plan) {
        return new WaysOut(
                        log.book(),
                        plan.question(),
                        houses.tanks(),
                        plan.batch().process().key(),
                        plan.batch().id())
                .views();
    }

    /** Whether film of more than one process could be run now, so that a run asks which this is (rules, section 14). */
    @Transactional(readOnly = true)
    public boolean hasSeveralProcesses() {
        return log.state().standing().stream()
                        .map(BatchState::process)
                        .distinct()
                        .count()
                > 1;
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
        long started = log.add(
                        who,
                        stamp -> new RunStarted(
                                stamp,
                                batchId,
                                asked.rolls(),
                                plan.asRunBaths(choices),
                                asked.tank().volumeMl()))
                .stamp()
                .sequence();
        Long probeId = probe.simulated() == null
                ? probe.probeId()
                : Long.valueOf(warm.simulateWarm(who, batchId, probe.simulated()));
        usual.ran(started, choices, asked.tank().id());
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
     * @param hangs where the film hangs; null where nobody said
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
            @Nullable AirKept air,
            @Nullable String hangs) {
        return end(who, started, rolls, really, bath -> true, when, about, air, null, hangs);
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
                reason,
                null);
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
            @Nullable String abandoned,
            @Nullable String hangs) {
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
        RibbonService.Running running = ribbon.running(started);
        List<RunAccident> accidents = ribbon.accidents(running);
        Map<Long, String> spoiled = ribbon.spoiled(running);
        log.add(
                who,
                ended,
                about,
                stamp -> new RunLogged(
                        stamp,
                        start.batchId(),
                        rolls,
                        baths,
                        start.tankMl(),
                        against,
                        started,
                        abandoned,
                        accidents,
                        hangs,
                        running.choices().movement() == Movement.ROTARY,
                        accounts.charges(who, start.batchId(), rolls, ended)));
        bar(who, spoiled);
        keepAirOut(who, book.state().batch(start.batchId()), baths, air);
        return start.batchId();
    }

    /**
     * Bars the bottles that must not be used after what went wrong in a run under way; those that are barred already stay
     * so.
     *
     * @return how many were barred
     * @throws Refusal {@code run-is-over}
     */
    @Transactional
    public int barSpoiled(SignedIn who, long started) {
        return bar(who, ribbon.spoiled(ribbon.running(started)));
    }

    private int bar(SignedIn who, Map<Long, String> spoiled) {
        Set<Long> free = log.state().standing().stream()
                .flatMap(batch -> batch.fills().stream())
                .filter(fill -> fill.discarded() == null && fill.bar() == null)
                .map(FillState::id)
                .collect(Collectors.toSet());
        List<Map.Entry<Long, String>> barred = spoiled.entrySet().stream()
                .filter(entry -> free.contains(entry.getKey()))
                .toList();
        barred.forEach(entry -> log.add(who, stamp -> new FillBarred(stamp, entry.getKey(), entry.getValue())));
        return barred.size();
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
        Whose.refuse(who, log.names(), Whose.of(start.stamp().who(), start.rolls()));
        log.add(who, stamp -> new RunCalledOff(stamp, started, reason));
        return start.batchId();
    }

    /** Whether somebody may call a run off. */
    public boolean mayCallOff(SignedIn who, RunStarted start) {
        return Whose.mayTakeBack(who, log.names(), Whose.of(start.stamp().who(), start.rolls()));
    }

    /**
     * Passes the limits that hold a run back, on purpose. What belongs to the bath stays passed; what belongs to one load is
     * passed for the next run alone.
     *
     * @return the row that passes what belongs to this load; 0 where nothing does
     * @throws Refusal {@code nothing-to-override} where no limit does, or something else speaks against it
     */
    @Transactional
    public long override(SignedIn who, long batchId, Asked asked, String reason) {
        Map<Long, List<String>> limits = plan(batchId, asked, null).overridable();
        if (limits.isEmpty()) {
            throw Refusal.of(new FormObjection.NothingToOverride());
        }
        long passed = 0;
        for (Map.Entry<Long, List<String>> each : limits.entrySet()) {
            LimitOverridden row =
                    log.add(who, stamp -> new LimitOverridden(stamp, each.getKey(), each.getValue(), reason));
            passed = OneLoad.isPassedBy(row) ? row.stamp().sequence() : passed;
        }
        return passed;
    }

    /**
     * Points out that the same film was logged within the hour, before it is saved once more.
     *
     * @param at when it was run; null for now
     * @param others whether somebody said that these are other rolls
     * @throws Refusal {@code same-rolls}
     */
    @Transactional(readOnly = true)
    public void refuseTwice(long batchId, List<Roll> rolls, @Nullable Instant at, boolean others) {
        SameRolls.of(log.state().batch(batchId), rolls, at == null ? clock.instant() : at)
                .filter(same -> !others)
                .ifPresent(same -> {
                    throw Refusal.of(new FormObjection.SameRolls(
                            same.stamp().who(),
                            Figures.dayAndHour(
                                    same.stamp().happenedAt(), houses.house().timeZone())));
                });
    }

    /**
     * Logs a run.
     *
     * @param who who logs it
     * @param batchId the batch
     * @param asked what is run
     * @param choices how it was done
     * @param done whether the film has been through already, so that it is logged whatever speaks against it
     * @param really reads what each bath really had
     * @return its sequence in the log
     * @throws Refusal the first of what speaks against a plan, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long log(
            SignedIn who,
            long batchId,
            Asked asked,
            RunSteps.Choices choices,
            boolean done,
            UnaryOperator<RunBath> really) {
        RunPlan plan = plan(batchId, asked, null);
        if (!plan.fits() && !done) {
            throw Refusal.of(plan.objections().get(0));
        }
        List<RunBath> baths = done ? plan.asDone(choices) : plan.asRunBaths(choices);
        long logged = add(who, clock.instant(), false, plan, baths, asked.tank().turning(), really);
        usual.ran(logged, choices, asked.tank().id());
        return logged;
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
     * @param choices how it was done
     * @param really reads what each bath really had
     * @return its sequence in the log
     * @throws Refusal {@code in-the-future}, {@code before-mixing}, {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional
    public long logEarlier(
            SignedIn who,
            long batchId,
            Asked asked,
            Instant when,
            boolean about,
            RunSteps.Choices choices,
            UnaryOperator<RunBath> really) {
        RunPlan plan = plan(batchId, asked, when);
        long logged = add(
                who,
                log.state().batch(batchId).runAt(when, clock.instant()),
                about,
                plan,
                plan.asRunBaths(),
                asked.tank().turning(),
                bath -> really.apply(bath.really(null, bath.celsius())));
        usual.ran(logged, choices, asked.tank().id());
        return logged;
    }

    private long add(
            SignedIn who,
            Instant when,
            boolean about,
            RunPlan plan,
            List<RunBath> baths,
            boolean turned,
            UnaryOperator<RunBath> really) {
        return log.add(who, when, about, stamp -> new RunLogged(
                                stamp,
                                plan.batch().id(),
                                plan.question().rolls(),
                                baths.stream().map(really).toList(),
                                plan.question().tankMl(),
                                plan.against(),
                                null)
                        .turned(turned)
                        .charged(accounts.charges(
                                who, plan.batch().id(), plan.question().rolls(), when)))
                .stamp()
                .sequence();
    }
}
