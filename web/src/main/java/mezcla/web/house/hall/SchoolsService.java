package mezcla.web.house.hall;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.HouseDecided;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.verdict.State;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The schools of the house, side by side with what they come to. */
@Service
public class SchoolsService implements BringsBack {
    private final DarkroomLog log;
    private final HouseService houses;
    private final Leaflets leaflets;
    private final Planning planning;
    private final Decisions decisions;
    private final Clock clock;

    SchoolsService(
            DarkroomLog log,
            HouseService houses,
            Leaflets leaflets,
            Planning planning,
            Decisions decisions,
            Clock clock) {
        this.log = log;
        this.houses = houses;
        this.leaflets = leaflets;
        this.planning = planning;
        this.decisions = decisions;
        this.clock = clock;
    }

    /**
     * The schools for film of a process.
     *
     * @param process its key
     * @param name what it is called
     * @param choices the schools
     */
    public record ForProcess(String process, String name, List<Choice> choices) {}

    /**
     * A school to choose.
     *
     * @param school its name
     * @param words in words
     * @param why why one would
     * @param consequence what it would mean today
     * @param chosen whether the house judges so
     */
    public record Choice(String school, String words, String why, String consequence, boolean chosen) {}

    /** Every process that the house has film or chemistry for, with its schools. */
    @Transactional(readOnly = true)
    public List<ForProcess> all() {
        List<BatchState> standing = log.state().standing();
        Judging now = houses.judging();
        return Stream.concat(
                        FilmProcess.KNOWN.stream(),
                        leaflets.byId().values().stream().map(leaflet -> leaflet.process()))
                .distinct()
                .map(process -> new ForProcess(
                        process.key(),
                        process.name(),
                        Arrays.stream(School.values())
                                .map(school -> choice(school, process, now, standing))
                                .toList()))
                .toList();
    }

    private Choice choice(School school, FilmProcess process, Judging now, List<BatchState> standing) {
        List<BatchState> concerned = standing.stream()
                .filter(batch -> batch.process().equals(process))
                .toList();
        return new Choice(
                school.name(),
                school.words(),
                why(school),
                consequence(school, concerned, now),
                now.school(process, false) == school);
    }

    private String consequence(School school, List<BatchState> batches, Judging now) {
        if (batches.isEmpty()) {
            return "No batch of it stands today.";
        }
        RunQuestion question = planning.nextRoll().judgedBy(now.wholly(school));
        List<State> states = new ArrayList<>();
        batches.forEach(batch -> states.add(
                RunPlan.of(batch, planning.asUsed(question, batch)).verdict().state()));
        long go = states.stream().filter(State.DISCARD::equals).count();
        long test = states.stream().filter(State.CHECK::equals).count();
        return "Of today’s %s, %s would go and %s be tested first."
                .formatted(
                        batches.size() == 1 ? "one batch" : Figures.number(batches.size()) + " batches",
                        go == 0 ? "none" : Figures.number(go),
                        test == 0 ? "none" : Figures.number(test));
    }

    private static String why(School school) {
        return switch (school) {
            case LEAFLET -> "Printed limits are law; between the first and the last one, test. Nobody has to argue.";
            case CAREFUL ->
                "Rolls and age wear together, against the first printed limit, by how it was really stored. For film that cannot be made again.";
            case STRETCH ->
                "On beyond the print, up to 2.5 times the rolls and three times the life, testing all the way. Saves chemistry; costs a film now and then.";
        };
    }

    /** Decides how film of a process is judged from now on. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void choose(SignedIn who, String process, School school) {
        Judging judged = houses.judging();
        School before = judged.schools().getOrDefault(process, judged.usual());
        houses.choose(process, school, who.id(), clock.instant());
        decisions.decided(HouseDecided.Topic.LIMITS, process, School::words, before, school);
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.LIMITS;
    }

    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        choose(who, subject, Objects.requireNonNull(decisions.read(setting, School.class)));
    }
}
