package mezcla.web.ribbon.usual;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import mezcla.batch.BatchState;
import mezcla.batch.LogBook;
import mezcla.leaflet.FilmProcess;
import mezcla.log.HouseDecided;
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
        List<Long> runs = log.book().runsOf(member.id()).stream()
                .filter(run -> run.batch().process().equals(process))
                .map(LogBook.OwnRun::number)
                .toList();
        return Optional.ofNullable(mapper.lastKnown(json.writeValueAsString(runs)));
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
