package mezcla.web.run.evening;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.log.Roll;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;
import mezcla.verdict.Evening;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.Whose;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.telling.EntryWords;
import mezcla.web.warm.WarmService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans several loads in a row, and remembers them for the evening. */
@Service
public class EveningService {
    private final EveningMapper mapper;
    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final WarmService warm;
    private final RibbonService ribbon;
    private final LogClock clock;

    EveningService(
            EveningMapper mapper,
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            WarmService warm,
            RibbonService ribbon,
            LogClock clock) {
        this.mapper = mapper;
        this.log = log;
        this.planning = planning;
        this.houses = houses;
        this.warm = warm;
        this.ribbon = ribbon;
        this.clock = clock;
    }

    /**
     * How a load is to be run.
     *
     * @param choices how it is done
     * @param celsius how warm its baths are to be, in °C; null for as printed
     * @param probe what watches it, as a form has it; empty for nothing
     */
    public record How(RunSteps.Choices choices, @Nullable Double celsius, String probe) {}

    /**
     * Plans a load after those that are planned already.
     *
     * @throws Refusal {@code unknown-batch}, {@code too-many-loads}, {@code tested-first} for film that cannot be made again
     *     in a batch that is to be tested, or that its film does not fit its tank
     */
    @Transactional
    public void add(SignedIn who, long batchId, List<Roll> rolls, Tank tank, How how) {
        if (rows().size() >= Evening.MOST_LOADS) {
            throw Refusal.of(new FormObjection.TooManyLoads(Evening.MOST_LOADS));
        }
        tank.fit(rolls).objection().ifPresent(objection -> {
            throw Refusal.of(objection);
        });
        BatchState batch = log.state().batch(batchId);
        if (rolls.stream().anyMatch(Roll::irreplaceable)
                && !batch.ended()
                && RunPlan.of(batch, planning.question(rolls, tank)).asksForTest()) {
            throw Refusal.of(new FormObjection.TestedFirst());
        }
        mapper.add(who.id(), batch.id(), PlannedLoad.of(rolls, tank.id(), how).write(), clock.instant());
    }

    private List<EveningMapper.LoadRow> rows() {
        return mapper.loads(clock.instant().minus(Evening.LASTS));
    }

    /** A load that is still to come, whether it can be planned or not, and whether whoever looks may drop it. */
    public record Load(long id, long batchId, boolean mine) {}

    /** What is still planned, by whomever, in order. */
    @Transactional(readOnly = true)
    public List<Load> loads() {
        return rows().stream()
                .map(row -> new Load(row.id(), row.batchId(), mayDrop(row)))
                .toList();
    }

    /** The numbers of the queue's film that is planned. */
    @Transactional(readOnly = true)
    public Set<Long> queued() {
        return rows().stream()
                .flatMap(row -> PlannedLoad.read(row.body()).rolls().stream())
                .map(Roll::queued)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }

    /** How many loads are still planned. */
    @Transactional(readOnly = true)
    public int planned() {
        return rows().size();
    }

    /**
     * Drops a load: whoever planned it may, whoever has film in it, and a steward. One that is over stays as it is.
     *
     * @throws Refusal {@code only-theirs}
     */
    @Transactional
    public void drop(SignedIn who, long load) {
        rows().stream().filter(row -> row.id() == load).forEach(row -> Whose.refuse(who, log.names(), row.whose()));
        over(load, null);
    }

    private boolean mayDrop(EveningMapper.LoadRow row) {
        return SignedIn.here().stream().anyMatch(who -> Whose.mayTakeBack(who, log.names(), row.whose()));
    }

    /**
     * Notes that a load was begun.
     *
     * @throws Refusal {@code load-begun} where somebody else began it
     */
    @Transactional
    public void begin(long load, long started) {
        if (mapper.begun(load)) {
            throw Refusal.of(new FormObjection.LoadBegun());
        }
        over(load, started);
    }

    /** Notes that a load is over: by the run that began with it, or because its film was run already. */
    @Transactional
    public void over(long load, @Nullable Long started) {
        rows().stream().filter(row -> row.id() == load).forEach(row -> mapper.over(load, started, clock.instant()));
    }

    /**
     * A planned load.
     *
     * @param id which one
     * @param kept what was planned
     * @param tank its tank
     * @param load where it stands in the evening
     * @param mine whether whoever looks may drop it
     */
    record Planned(long id, PlannedLoad kept, Tank tank, Evening.Load load, boolean mine) {}

    /**
     * The evening of the house.
     *
     * @param loads its loads
     * @param evening when what happens
     * @param warming how long the bath needs first; zero where it is warm already, null where it never gets warm
     * @param described whether somebody said what the house's bath is like
     * @param begun the run that is under way already; null for none
     */
    record Plan(
            List<Planned> loads,
            Evening evening,
            @Nullable Duration warming,
            boolean described,
            @Nullable RunStarted begun) {}

    /**
     * The evening of the house; empty where nothing is planned. Members share its bath, so their loads stand in one row.
     *
     * @param pour when the first load is to be poured; null for as soon as it can be
     * @param between how long there is between two loads
     * @param warmAlready whether the bottles are warm; those of a batch that was run within two hours are
     * @throws Refusal what {@link Evening#of} refuses
     */
    @Transactional(readOnly = true)
    Optional<Plan> plan(@Nullable LocalTime pour, Duration between, boolean warmAlready) {
        List<EveningMapper.LoadRow> rows = rows();
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        List<PlannedLoad> kept = new ArrayList<>();
        List<Tank> tanks = new ArrayList<>();
        List<Evening.Wanted> wanted = new ArrayList<>();
        for (EveningMapper.LoadRow row : rows) {
            PlannedLoad load = PlannedLoad.read(row.body());
            Tank tank = houses.tank(load.tankId()).moved(load.choices().movement());
            kept.add(load);
            tanks.add(tank);
            wanted.add(new Evening.Wanted(
                    row.batchId(),
                    planning.question(load.rolls(), tank, clock.instant()).warmedTo(load.celsius()),
                    load.choices()));
        }
        RunStarted begun = begun();
        Duration warming = begun != null || warmAlready ? Duration.ZERO : warming(wanted.get(0));
        Instant soonest = begun == null
                ? clock.instant().plus(warming == null ? Duration.ZERO : warming)
                : over(begun).plus(between);
        Evening evening = Evening.of(
                log.book(),
                wanted,
                pour == null
                        ? soonest
                        : Evening.next(pour, clock.instant(), houses.house().timeZone()),
                warming == null ? Duration.ZERO : warming,
                between);
        List<Planned> loads = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            loads.add(new Planned(
                    rows.get(i).id(), kept.get(i), tanks.get(i), evening.loads().get(i), mayDrop(rows.get(i))));
        }
        return Optional.of(new Plan(loads, evening, warming, warm.isDescribed(), begun));
    }

    /** How long the first load has to be warmed; null where it never gets warm, or where nobody said what the bath is like. */
    private @Nullable Duration warming(Evening.Wanted first) {
        RunPlan plan = RunPlan.of(log.state().batch(first.batchId()), first.question());
        return warm.warming(plan, plan.steps(first.choices())).orElse(null);
    }

    private @Nullable RunStarted begun() {
        return log.state().batches().values().stream()
                .flatMap(batch -> batch.inUse().stream())
                .findFirst()
                .orElse(null);
    }

    /** When a run under way can be over; never before now. */
    private Instant over(RunStarted begun) {
        double seconds =
                ribbon.running(begun.stamp().sequence()).steps().schedule().totalSeconds();
        Instant over = begun.stamp().happenedAt().plusSeconds((long) Math.ceil(seconds));
        return over.isBefore(clock.instant()) ? clock.instant() : over;
    }

    /**
     * A load in its time.
     *
     * @param id which one
     * @param batchId the batch
     * @param film what film, in words
     * @param pourAt when its first step is poured
     * @param hangAt when its film can hang
     */
    public record Pour(long id, long batchId, String film, Instant pourAt, Instant hangAt) {}

    /** When the loads of the evening are poured, as they stand; none where they cannot be planned any more. */
    @Transactional(readOnly = true)
    public List<Pour> pours() {
        try {
            return plan(null, Evening.BETWEEN, false).map(Plan::loads).orElse(List.of()).stream()
                    .map(each -> new Pour(
                            each.id(),
                            each.load().plan().batch().id(),
                            EntryWords.film(each.kept().rolls()),
                            each.load().pourAt(),
                            each.load().hangAt()))
                    .toList();
        } catch (Refusal cannotBePlanned) {
            return List.of();
        }
    }

    /** When a run that was started is over. */
    @Transactional(readOnly = true)
    public Instant until(RunStarted begun) {
        return over(begun);
    }

    /** The time of this machine. */
    Instant now() {
        return clock.instant();
    }
}
