package mezcla.web.ribbon;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogEntry;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.verdict.RunPlan;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.log.DarkroomLog;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Plays runs: which steps they have, and what was confirmed of them so far. */
@Service
public class RibbonService {
    private static final int MOST_EVENTS = 2000;

    private final RibbonMapper mapper;
    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final Clock clock;

    RibbonService(RibbonMapper mapper, DarkroomLog log, Leaflets leaflets, Clock clock) {
        this.mapper = mapper;
        this.log = log;
        this.leaflets = leaflets;
        this.clock = clock;
    }

    /**
     * The steps of a plan.
     *
     * @throws Refusal what {@link RunSteps#of} refuses
     */
    public RunSteps steps(RunPlan plan, RunSteps.Choices choices) {
        Map<String, Integer> seconds = new HashMap<>();
        plan.baths().forEach(bath -> bath.shown()
                .ifPresent(time -> seconds.put(plan.batch().placeOf(bath.fill()), time.seconds())));
        return RunSteps.of(plan.batch().leaflet(), seconds, choices);
    }

    /** Keeps how a run that was just started is done. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void begin(long started, RunSteps.Choices choices) {
        mapper.addWay(new RibbonMapper.WayRow(
                started, choices.preSoak(), choices.rinse(), choices.finalRinse(), choices.movement()));
    }

    /**
     * A run under way.
     *
     * @param start the row with which it was started
     * @param batch its batch
     * @param steps its steps
     * @param choices how it is done
     */
    public record Running(LogEntry.RunStarted start, BatchState batch, RunSteps steps, RunSteps.Choices choices) {}

    /**
     * A run under way.
     *
     * @throws Refusal {@code run-is-over}
     */
    @Transactional(readOnly = true)
    public Running running(long started) {
        LogEntry.RunStarted start = log.state().underWay(started);
        BatchState batch = log.state().batch(start.batchId());
        RibbonMapper.WayRow way = mapper.way(started);
        RunSteps.Choices choices = way == null
                ? RunSteps.Choices.USUAL
                : new RunSteps.Choices(way.preSoak(), way.rinse(), way.finalRinse(), way.movement());
        Map<String, Integer> seconds = new HashMap<>();
        for (LogEntry.RunBath bath : start.baths()) {
            if (bath.seconds() != null) {
                seconds.put(batch.placeOf(fill(batch, bath.fillId())), bath.seconds());
            }
        }
        return new Running(start, batch, RunSteps.of(batch.leaflet(), seconds, choices), choices);
    }

    private static FillState fill(BatchState batch, long id) {
        return batch.fills().stream()
                .filter(fill -> fill.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-fill", "fill", id));
    }

    /**
     * The steps of a fresh kit, to practise with.
     *
     * @param leafletId the version of the leaflet
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public RunSteps practice(long leafletId, RunSteps.Choices choices) {
        Leaflet leaflet = leaflets.version(leafletId);
        Map<String, Integer> seconds = new HashMap<>();
        leaflet.baths()
                .forEach(bath ->
                        seconds.put(bath.key(), (int) Math.round(bath.timing().baseSeconds())));
        return RunSteps.of(leaflet, seconds, choices);
    }

    /**
     * Something that was confirmed, as a browser sends it.
     *
     * @param n its number, from 1
     * @param at when, in milliseconds since 1970 by the clock of this machine
     * @param kind what, in the words of {@link RunProgress.Kind}
     * @param step the number of the step, from 0
     * @param value what goes with it
     */
    public record Sent(int n, long at, String kind, int step, double value) {
        RunProgress.Event event() {
            for (RunProgress.Kind known : RunProgress.Kind.values()) {
                if (known.name().equals(kind) && Double.isFinite(value)) {
                    return new RunProgress.Event(Instant.ofEpochMilli(at), known, step, value);
                }
            }
            throw Refusal.of("unknown-event");
        }
    }

    /**
     * Keeps what was confirmed; what somebody else was quicker with stays theirs.
     *
     * @throws Refusal {@code run-is-over} or {@code unknown-event}
     */
    @Transactional
    public List<Sent> add(long started, List<Sent> sent) {
        log.state().underWay(started);
        int last = mapper.events(started).size();
        for (Sent each : sent) {
            RunProgress.Event event = each.event();
            if (each.n() == last + 1 && last < MOST_EVENTS) {
                last += mapper.add(new RibbonMapper.EventRow(
                        started, each.n(), event.at(), event.kind(), event.step(), event.value()));
            }
        }
        return events(started);
    }

    /** What was confirmed of a run, in order. */
    @Transactional(readOnly = true)
    public List<Sent> events(long started) {
        return mapper.events(started).stream()
                .map(row -> new Sent(
                        row.number(), row.at().toEpochMilli(), row.kind().name(), row.step(), row.value()))
                .toList();
    }

    /** How far a run has come. */
    @Transactional(readOnly = true)
    public RunProgress progress(Running running) {
        return RunProgress.of(
                running.steps(),
                events(running.start().stamp().sequence()).stream()
                        .map(Sent::event)
                        .toList());
    }

    /** The time of this machine, which all browsers go by. */
    public long now() {
        return clock.instant().toEpochMilli();
    }
}
