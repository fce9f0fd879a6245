package mezcla.web.ribbon.usual;

import java.time.Clock;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.leaflet.FilmProcess;
import mezcla.log.HouseDecided;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.processing.RunSteps;
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
     * @param whose in words; empty for as the leaflet says
     */
    public record Usual(RunSteps.Choices choices, String whose) {}

    /** How a member begins to plan a run of a process. */
    @Transactional(readOnly = true)
    public Usual of(SignedIn member, FilmProcess process) {
        Optional<Usual> last = last(member, process)
                .map(mapper::ofRun)
                .map(choices -> new Usual(read(choices), "As in your last run"));
        String house = mapper.houseWay(process.key());
        return last.orElseGet(() ->
                house == null ? new Usual(RunSteps.Choices.USUAL, "") : new Usual(read(house), "The way of the house"));
    }

    /** Times of single steps are of one run alone. */
    private RunSteps.Choices read(String choices) {
        return json.readValue(choices, RunSteps.Choices.class).withoutTimes();
    }

    private Optional<Long> last(SignedIn member, FilmProcess process) {
        return log.state().batches().values().stream()
                .filter(batch -> batch.process().equals(process))
                .flatMap(batch -> Stream.concat(
                        batch.runs().stream()
                                .filter(run -> run.stamp().memberId() == member.id())
                                .map(RunLogged::started),
                        batch.inUse().stream()
                                .filter(start -> start.stamp().memberId() == member.id())
                                .map(UsualWays::sequence)))
                .filter(UsualWays::isKnown)
                .max(Comparator.naturalOrder());
    }

    private static Long sequence(RunStarted start) {
        return start.stamp().sequence();
    }

    private static boolean isKnown(@Nullable Long started) {
        return started != null;
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
    public String page() {
        return "/house/ways";
    }

    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        keep(who, subject, setting.isEmpty() ? RunSteps.Choices.USUAL : read(setting));
    }
}
