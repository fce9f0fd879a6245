package mezcla.web.ribbon.usual;

import java.time.Clock;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.HouseDecided;
import mezcla.log.RunLogged;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.verdict.RunQuestion;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.log.DarkroomLog;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** How runs are usually done: as a member did the last one, else as the house does them (rules, section 7). */
@Service
public class UsualWays implements BringsBack {
    private final UsualWayMapper mapper;
    private final DarkroomLog log;
    private final JsonMapper json;
    private final Decisions decisions;
    private final Clock clock;

    UsualWays(UsualWayMapper mapper, DarkroomLog log, JsonMapper json, Decisions decisions, Clock clock) {
        this.mapper = mapper;
        this.log = log;
        this.json = json;
        this.decisions = decisions;
        this.clock = clock;
    }

    /**
     * A way to do a run.
     *
     * @param choices what it is
     * @param tankId the tank; null where none is usual
     * @param whose in words; empty for as the leaflet says
     */
    public record Usual(RunSteps.Choices choices, @Nullable Long tankId, String whose) {
        /**
         * The same through a batch: moved as its last run was, by hand or on a rotary base, so that the plan opens with what
         * every page says of its next roll (rules, 4.12).
         */
        public Usual through(BatchState batch) {
            boolean turned = RunQuestion.isTurned(batch);
            return batch.runs().isEmpty() || turned == (choices.movement() == Movement.ROTARY)
                    ? this
                    : new Usual(
                            choices.moved(turned ? Movement.ROTARY : Movement.PRINTED),
                            tankId,
                            "As this batch was used last");
        }
    }

    /** How a member begins to plan a run of a process: as they did their last one, logged as done or played. */
    @Transactional(readOnly = true)
    public Usual of(SignedIn member, FilmProcess process) {
        return last(member, process).flatMap(this::chosen).orElseGet(() -> {
            String house = mapper.houseWay(process.key());
            return house == null
                    ? new Usual(RunSteps.Choices.USUAL, null, "")
                    : new Usual(read(house), null, "The way of the house");
        });
    }

    /** The same for a run through a batch, as {@link Usual#through} has it. */
    @Transactional(readOnly = true)
    public Usual of(SignedIn member, BatchState batch) {
        return of(member, batch.process()).through(batch);
    }

    private Optional<Usual> chosen(long run) {
        UsualWayMapper.ChosenRow row = mapper.chosen(run);
        if (row != null) {
            return Optional.of(new Usual(read(row.choices()), row.tankId(), "As in your last run"));
        }
        return Optional.ofNullable(mapper.ofRun(run))
                .map(choices -> new Usual(read(choices), null, "As in your last run"));
    }

    /** Whether a member's next plan begins with what they chose for their last run. */
    @Transactional(readOnly = true)
    public boolean remembers(SignedIn member) {
        return log.state().batches().values().stream()
                .map(BatchState::process)
                .distinct()
                .anyMatch(process -> last(member, process).flatMap(this::chosen).isPresent());
    }

    /** Keeps how a run was done, by the row with which it was started or logged as done. */
    @Transactional
    public void ran(long run, RunSteps.Choices choices, long tankId) {
        mapper.choose(run, json.writeValueAsString(choices), tankId);
    }

    /** Times of single steps are of one run alone. */
    private RunSteps.Choices read(String choices) {
        return json.readValue(choices, RunSteps.Choices.class).withoutTimes();
    }

    /** The row by which the member's last run is known: that with which it was started, or logged as done. */
    private Optional<Long> last(SignedIn member, FilmProcess process) {
        return log.state().batches().values().stream()
                .filter(batch -> batch.process().equals(process))
                .flatMap(batch -> Stream.concat(
                        batch.runs().stream()
                                .filter(run -> run.stamp().memberId() == member.id())
                                .map(UsualWays::known),
                        batch.inUse().stream()
                                .filter(start -> start.stamp().memberId() == member.id())
                                .map(start -> start.stamp().sequence())))
                .sorted(Comparator.reverseOrder())
                .filter(run -> mapper.chosen(run) != null || mapper.ofRun(run) != null)
                .findFirst();
    }

    private static Long known(RunLogged run) {
        Long started = run.started();
        return started == null ? Long.valueOf(run.stamp().sequence()) : started;
    }

    /** Keeps how the house does runs of a process from now on. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void keep(SignedIn steward, FilmProcess process, RunSteps.Choices choices) {
        keep(steward, process.key(), choices.withoutTimes());
    }

    private void keep(SignedIn steward, String process, RunSteps.Choices choices) {
        String house = mapper.houseWay(process);
        RunSteps.Choices before = house == null ? RunSteps.Choices.USUAL : read(house);
        mapper.addHouseWay(process, json.writeValueAsString(choices), steward.id(), clock.instant());
        decisions.decided(HouseDecided.Topic.WAY, process, ChoiceWords::of, before, choices);
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.WAY;
    }

    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        keep(who, subject, setting.isEmpty() ? RunSteps.Choices.USUAL : read(setting));
    }
}
