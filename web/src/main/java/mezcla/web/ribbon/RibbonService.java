package mezcla.web.ribbon;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Timing;
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.AccidentAnswer;
import mezcla.processing.BathTemperature;
import mezcla.processing.Movement;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.processing.Trouble;
import mezcla.verdict.RunQuestion;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.ribbon.shown.PracticeReport;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Plays runs: which steps they have, and what was confirmed of them so far. */
@Service
public class RibbonService {
    private static final int MOST_EVENTS = 2000;
    private static final double MOST_VALUE_S = 6 * 3600;

    /** The end of the year 9999, in milliseconds since 1970. */
    private static final long LAST_MOMENT = 253_402_300_799_999L;

    private static final Duration KEPT_BY_BROWSERS = Duration.ofDays(2);
    private static final Duration LONGEST_RUN = Duration.ofDays(1);
    private static final int MOST_CHARACTERS = 200_000;
    private static final Duration WATCHED_FOR = Duration.ofMinutes(30);

    private final RibbonMapper mapper;
    private final DarkroomLog log;
    private final ProbeService probes;
    private final HouseService houses;
    private final JsonMapper json;
    private final Clock clock;

    RibbonService(
            RibbonMapper mapper,
            DarkroomLog log,
            ProbeService probes,
            HouseService houses,
            JsonMapper json,
            Clock clock) {
        this.json = json;
        this.mapper = mapper;
        this.log = log;
        this.probes = probes;
        this.houses = houses;
        this.clock = clock;
    }

    /** Keeps how a run that was just started is done, and the probe that watches it; null for none. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void begin(long started, RunSteps.Choices choices, @Nullable Long probeId) {
        mapper.addWay(new RibbonMapper.WayRow(started, json.writeValueAsString(choices), probeId));
    }

    /**
     * A run under way.
     *
     * @param start the row with which it was started
     * @param batch its batch
     * @param steps its steps
     * @param choices how it is done
     * @param probe what watches its temperature; null for nothing
     */
    public record Running(
            RunStarted start, BatchState batch, RunSteps steps, RunSteps.Choices choices, @Nullable Probe probe) {
        /** What the leaflet says of a bath's time. */
        Timing timing(String bath) {
            return choices.movement() == Movement.ROTARY
                    ? batch.leaflet().bath(bath).turning()
                    : batch.leaflet().bath(bath).timing();
        }
    }

    /**
     * A run under way.
     *
     * @throws Refusal {@code run-is-over}
     */
    @Transactional(readOnly = true)
    public Running running(long started) {
        RunStarted start = log.state().underWay(started);
        BatchState batch = log.state().batch(start.batchId());
        RibbonMapper.WayRow way = mapper.way(started);
        RunSteps.Choices choices =
                way == null ? RunSteps.Choices.USUAL : json.readValue(way.choices(), RunSteps.Choices.class);
        Probe probe = way == null || way.probeId() == null ? null : probes.probe(way.probeId());
        Map<String, Integer> seconds = new HashMap<>();
        for (RunBath bath : start.baths()) {
            if (bath.seconds() != null) {
                seconds.put(batch.placeOf(fill(batch, bath.fillId())), bath.seconds());
            }
        }
        return new Running(
                start,
                batch,
                warmed(
                        RunSteps.of(
                                batch.leaflet(), seconds, choices, RunQuestion.carbon(start.rolls(), batch.process())),
                        start,
                        batch),
                choices,
                probe);
    }

    /** A run that was planned at another temperature is played at it (rules, 4.4 and 4.13). */
    private static RunSteps warmed(RunSteps steps, RunStarted start, BatchState batch) {
        FillState developer = batch.imageDeveloper().orElse(null);
        if (developer == null) {
            return steps;
        }
        Double celsius = start.baths().stream()
                .filter(bath -> bath.fillId() == developer.id())
                .map(RunBath::celsius)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
        return steps.warmedTo(batch.placeOf(developer), celsius);
    }

    private static FillState fill(BatchState batch, long id) {
        return batch.fills().stream()
                .filter(fill -> fill.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new BatchObjection.UnknownFill(id)));
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
        public RunProgress.Event event() {
            for (RunProgress.Kind known : RunProgress.Kind.values()) {
                if (known.name().equals(kind) && Math.abs(value) <= MOST_VALUE_S) {
                    if (known == RunProgress.Kind.TEMPERATURE) {
                        BathTemperature.refuseImpossible(value);
                    }
                    return new RunProgress.Event(moment(at), known, step, value);
                }
            }
            throw Refusal.of(new FormObjection.UnknownEvent());
        }
    }

    /**
     * A moment as a browser says it, in milliseconds since 1970.
     *
     * @throws Refusal {@code unknown-event} for what no clock shows
     */
    public static Instant moment(long at) {
        if (at < 0 || at > LAST_MOMENT) {
            throw Refusal.of(new FormObjection.UnknownEvent());
        }
        return Instant.ofEpochMilli(at);
    }

    /**
     * Reads what a browser confirmed.
     *
     * @throws Refusal {@code unknown-event}
     */
    public List<Sent> read(String events) {
        try {
            Sent[] sent = events.length() > MOST_CHARACTERS ? null : json.readValue(events, Sent[].class);
            if (sent == null || Arrays.stream(sent).anyMatch(Objects::isNull)) {
                throw Refusal.of(new FormObjection.UnknownEvent());
            }
            List<Sent> all = List.of(sent);
            refuseEndless(all);
            return all;
        } catch (JacksonException e) {
            throw Refusal.of(new FormObjection.UnknownEvent());
        }
    }

    /** A run lasts for hours, not for days: what is reckoned of it grows with its length. */
    private static void refuseEndless(List<Sent> all) {
        long first = all.stream().mapToLong(Sent::at).min().orElse(0);
        long last = all.stream().mapToLong(Sent::at).max().orElse(0);
        double changedS = all.stream()
                .filter(each -> RunProgress.Kind.CHANGE.name().equals(each.kind()))
                .mapToDouble(each -> Math.abs(each.value()))
                .sum();
        if (last < first || last - first < 0 || last - first > LONGEST_RUN.toMillis() || changedS > MOST_VALUE_S) {
            throw Refusal.of(new FormObjection.UnknownEvent());
        }
    }

    /**
     * Refuses what is said to have happened at another time than about now.
     *
     * @throws Refusal {@code unknown-event}
     */
    public void refuseOtherTimes(List<RunProgress.Event> events) {
        Instant now = clock.instant();
        if (events.stream()
                .anyMatch(event -> event.at().isBefore(now.minus(KEPT_BY_BROWSERS))
                        || event.at().isAfter(now.plus(KEPT_BY_BROWSERS)))) {
            throw Refusal.of(new FormObjection.UnknownEvent());
        }
    }

    /**
     * Keeps what was confirmed; what somebody else was quicker with stays theirs.
     *
     * @throws Refusal {@code run-is-over}, or {@code unknown-event} also for a step that the run does not have
     */
    @Transactional
    public List<Sent> add(long started, List<Sent> sent) {
        int steps = running(started).steps().steps().size();
        List<Sent> kept = events(started);
        int last = kept.size();
        List<Sent> fresh = sent.stream().filter(each -> each.n() > kept.size()).toList();
        refuseOtherTimes(fresh.stream().map(Sent::event).toList());
        refuseEndless(Stream.concat(kept.stream(), fresh.stream()).toList());
        for (Sent each : sent) {
            RunProgress.Event event = each.event();
            boolean trouble = event.kind() == RunProgress.Kind.TROUBLE;
            if (event.step() < 0 || event.step() >= steps || (trouble && !Trouble.isKnown(event, steps))) {
                throw Refusal.of(new FormObjection.UnknownEvent());
            }
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

    private List<RunProgress.Event> happened(Running running) {
        return RunProgress.standing(events(running.start().stamp().sequence()).stream()
                .map(Sent::event)
                .toList());
    }

    /** What went wrong in a run so far, as its log keeps it. */
    @Transactional(readOnly = true)
    public List<RunAccident> accidents(Running running) {
        return Trouble.all(happened(running)).stream()
                .map(trouble -> new RunAccident(
                        trouble.what(),
                        fillOf(running, trouble),
                        fillAt(running, trouble.otherStep()),
                        trouble.seconds()))
                .toList();
    }

    private static @Nullable Long fillOf(Running running, Trouble trouble) {
        return fillAt(running, AccidentAnswer.bathAt(running.steps(), trouble.step()));
    }

    private static @Nullable Long fillAt(Running running, int step) {
        String bath = step < 0 ? null : running.steps().steps().get(step).bath();
        return bath == null
                ? null
                : running.batch().fills().stream()
                        .filter(fill -> fill.discarded() == null
                                && running.batch().placeOf(fill).equals(bath))
                        .map(FillState::id)
                        .findFirst()
                        .orElse(null);
    }

    /** The bottles of a run that must not be used after what went wrong in it, each with the reason. */
    @Transactional(readOnly = true)
    public Map<Long, String> spoiled(Running running) {
        Map<Long, String> spoiled = new LinkedHashMap<>();
        for (Trouble trouble : Trouble.all(happened(running))) {
            String reason = "In a run of %s: %s."
                    .formatted(
                            running.start().stamp().who(),
                            Figures.within(trouble.what().words()));
            AccidentAnswer.of(trouble.what(), running.steps(), trouble.step(), trouble.otherStep())
                    .needs()
                    .bars(fillOf(running, trouble), fillAt(running, trouble.otherStep()))
                    .forEach(fill -> spoiled.putIfAbsent(fill, reason));
        }
        return spoiled;
    }

    /** How far a run has come. */
    @Transactional(readOnly = true)
    public RunProgress progress(Running running) {
        return RunProgress.of(running.steps(), measured(running));
    }

    /** What was late, early or missed in a run. */
    @Transactional(readOnly = true)
    public PracticeReport report(Running running) {
        List<RunProgress.Event> measured = measured(running);
        return PracticeReport.of(running.steps(), RunProgress.of(running.steps(), measured), measured, running::timing);
    }

    /** What was confirmed and measured. What a stand-in for a probe showed is no temperature of any bath. */
    private List<RunProgress.Event> measured(Running running) {
        List<RunProgress.Event> happened = happened(running);
        Probe probe = running.probe();
        return probe == null || probe.simulated() ? happened : Watched.with(happened, shown(probe, happened));
    }

    private List<Probe.Reading> shown(Probe probe, List<RunProgress.Event> happened) {
        return happened.isEmpty()
                ? List.of()
                : probes.readings(probe, happened.get(0).at());
    }

    /** What the probe of a run says just now, and what a drift advises; null for a run that nothing watches. */
    @Transactional(readOnly = true)
    public @Nullable Watched watched(Running running) {
        List<RunProgress.Event> happened = happened(running);
        Probe probe = running.probe();
        boolean advises = houses.habits().advisesDrift();
        if (probe == null && !advises) {
            return null;
        }
        Instant now = clock.instant();
        return Watched.of(
                running.steps(),
                running::timing,
                happened,
                probe,
                probe == null ? List.of() : probes.readings(probe, now.minus(WATCHED_FOR)),
                now,
                advises);
    }

    /** Where the house's clock stands. */
    public ZoneId zone() {
        return houses.house().timeZone();
    }

    /** The time of this machine, which all browsers go by. */
    public long now() {
        return clock.instant().toEpochMilli();
    }
}
