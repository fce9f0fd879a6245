package mezcla.web.practice;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.log.RunLogged;
import mezcla.measure.Refusal;
import mezcla.processing.Exercise;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.drawing.plot.RunDrawing;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probes.Probe;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.ribbon.Watched;
import mezcla.web.ribbon.shown.PracticeReport;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Runs without film or chemistry. Nothing of them touches the log of the darkroom. */
@Service
public class PracticeService {
    private static final Probe STAND_IN = new Probe(0, "Simulated probe", true);

    private final PracticeMapper mapper;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final Members members;
    private final DarkroomLog log;
    private final RibbonService ribbon;
    private final Clock clock;

    PracticeService(
            PracticeMapper mapper,
            Leaflets leaflets,
            HouseService houses,
            Members members,
            DarkroomLog log,
            RibbonService ribbon,
            Clock clock) {
        this.mapper = mapper;
        this.leaflets = leaflets;
        this.houses = houses;
        this.members = members;
        this.log = log;
        this.ribbon = ribbon;
        this.clock = clock;
    }

    /**
     * An exercise.
     *
     * @param leafletId the version of the leaflet
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public Exercise exercise(long leafletId, RunSteps.Choices choices, SimulatedBath.Fault fault) {
        return new Exercise(leaflets.version(leafletId), choices, fault);
    }

    /**
     * Reads what a browser confirmed.
     *
     * @throws Refusal {@code unknown-event}
     */
    public List<RunProgress.Event> read(String events) {
        return RunProgress.standing(
                ribbon.read(events).stream().map(RibbonService.Sent::event).toList());
    }

    /** What the simulated probe shows in an exercise, whose clock may be faster than that of the house. */
    @Transactional(readOnly = true)
    public Watched watched(Exercise exercise, List<RunProgress.Event> happened, Instant now) {
        return Watched.of(
                exercise.steps(), exercise::timing, happened, STAND_IN, readings(exercise, happened, now), now, true);
    }

    private List<Probe.Reading> readings(Exercise exercise, List<RunProgress.Event> happened, Instant until) {
        Instant began = Exercise.began(happened);
        return began == null
                ? List.of()
                : exercise.readings(happened, until, houses.surroundings().roomC()).stream()
                        .map(shown -> new Probe.Reading(began.plusSeconds((long) shown.seconds()), shown.celsius()))
                        .toList();
    }

    /** Keeps a practice; returns its id. */
    @Transactional
    public long keep(SignedIn who, long leafletId, Exercise exercise, int speed, String events) {
        ribbon.refuseOtherTimes(read(events));
        PracticeMapper.Row row = new PracticeMapper.Row(
                who.id(), leafletId, exercise.choices().movement(), speed, exercise.fault(), events, clock.instant());
        mapper.add(row);
        return row.id;
    }

    /**
     * A practice that was kept.
     *
     * @param id which one
     * @param who whose
     * @param at when
     * @param speed how many times as fast as life
     * @param leaflet whose times it went by
     * @param report what was late, early or missed
     * @param drawing the same as two strips; null where nothing was begun
     * @param signed who signed it off, and when; null for nobody yet
     */
    public record Practised(
            long id,
            String who,
            Instant at,
            int speed,
            String leaflet,
            PracticeReport report,
            @Nullable RunDrawing drawing,
            @Nullable Signed signed) {}

    /** Who signed something off, and when. */
    public record Signed(String steward, Instant at) {}

    /**
     * A practice.
     *
     * @throws Refusal {@code unknown-practice}, also for somebody else's unless a steward asks
     */
    @Transactional(readOnly = true)
    public Practised practised(SignedIn asks, long id) {
        PracticeMapper.Kept kept = mapper.practice(id);
        if (kept == null || (kept.memberId() != asks.id() && !asks.isSteward())) {
            throw Refusal.of(new FormObjection.UnknownPractice(Long.toString(id)));
        }
        return practised(kept);
    }

    private Practised practised(PracticeMapper.Kept kept) {
        Exercise exercise = exercise(kept.leafletId(), RunSteps.Choices.USUAL.moved(kept.movement()), kept.fault());
        List<RunProgress.Event> happened = read(kept.events());
        Instant over = happened.stream()
                .map(RunProgress.Event::at)
                .max(Comparator.naturalOrder())
                .orElse(Instant.EPOCH);
        List<RunProgress.Event> all = Watched.with(happened, readings(exercise, happened, over));
        RunSteps steps = exercise.steps();
        RunProgress progress = RunProgress.of(steps, all);
        return new Practised(
                kept.id(),
                nameOf(kept.memberId()),
                kept.at(),
                kept.speed(),
                exercise.leaflet().name(),
                PracticeReport.of(steps, progress, all, exercise::timing),
                progress.passed().isEmpty() ? null : RunDrawing.of(steps, progress),
                mapper.signedOff().stream()
                        .filter(row -> row.practiceId() != null && row.practiceId() == kept.id())
                        .findFirst()
                        .map(this::signed)
                        .orElse(null));
    }

    private Signed signed(PracticeMapper.SignedOff row) {
        return new Signed(nameOf(row.stewardId()), row.at());
    }

    private String nameOf(long memberId) {
        return members.all().stream()
                .filter(member -> member.id() == memberId)
                .map(SignedIn::name)
                .findFirst()
                .orElse("somebody");
    }

    /** What a member practised, the last first. */
    @Transactional(readOnly = true)
    public List<Practised> practisedBy(SignedIn member) {
        return mapper.practices().stream()
                .filter(kept -> kept.memberId() == member.id())
                .limit(5)
                .map(this::practised)
                .toList();
    }

    /**
     * How far somebody has come.
     *
     * @param memberId who
     * @param name what they are called
     * @param practised what they practised last; null for nothing
     * @param practice who signed a practice off; null for nobody
     * @param firstRun who signed a run off; null for nobody
     * @param runs their runs, the last first, by the row that logged them
     */
    public record Progress(
            long memberId,
            String name,
            @Nullable Practised practised,
            @Nullable Signed practice,
            @Nullable Signed firstRun,
            List<RunLogged> runs) {}

    /** How far everybody has come who is no steward, by name. */
    @Transactional(readOnly = true)
    public List<Progress> everybody() {
        List<PracticeMapper.Kept> kept = mapper.practices();
        List<PracticeMapper.SignedOff> signed = mapper.signedOff();
        List<Progress> all = new ArrayList<>();
        for (SignedIn member : members.all()) {
            if (member.isSteward()) {
                continue;
            }
            all.add(new Progress(
                    member.id(),
                    member.name(),
                    kept.stream()
                            .filter(row -> row.memberId() == member.id())
                            .findFirst()
                            .map(this::practised)
                            .orElse(null),
                    signed(signed, member, PracticeMapper.Kind.PRACTICE),
                    signed(signed, member, PracticeMapper.Kind.FIRST_RUN),
                    runsOf(member)));
        }
        return all;
    }

    private @Nullable Signed signed(List<PracticeMapper.SignedOff> all, SignedIn member, PracticeMapper.Kind kind) {
        return all.stream()
                .filter(row -> row.memberId() == member.id() && row.kind() == kind)
                .findFirst()
                .map(this::signed)
                .orElse(null);
    }

    private List<RunLogged> runsOf(SignedIn member) {
        return log.state().batches().values().stream()
                .flatMap(batch -> batch.runs().stream())
                .filter(run -> run.abandoned() == null && run.stamp().memberId() == member.id())
                .sorted(Comparator.comparing((RunLogged run) -> run.stamp().happenedAt())
                        .reversed())
                .limit(5)
                .toList();
    }

    /**
     * Signs a practice off.
     *
     * @throws Refusal {@code unknown-practice}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void signPractice(SignedIn steward, long id) {
        PracticeMapper.Kept kept = mapper.practice(id);
        if (kept == null) {
            throw Refusal.of(new FormObjection.UnknownPractice(Long.toString(id)));
        }
        mapper.sign(new PracticeMapper.SignedOff(
                kept.memberId(), PracticeMapper.Kind.PRACTICE, id, null, steward.id(), clock.instant()));
    }

    /**
     * Signs a member's run off as done under a steward's eyes.
     *
     * @throws Refusal {@code run-not-theirs}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void signRun(SignedIn steward, long memberId, long run) {
        boolean theirs = everybody().stream()
                .filter(each -> each.memberId() == memberId)
                .flatMap(each -> each.runs().stream())
                .anyMatch(each -> each.stamp().sequence() == run);
        if (!theirs) {
            throw Refusal.of(new FormObjection.RunNotTheirs());
        }
        mapper.sign(new PracticeMapper.SignedOff(
                memberId, PracticeMapper.Kind.FIRST_RUN, null, run, steward.id(), clock.instant()));
    }
}
