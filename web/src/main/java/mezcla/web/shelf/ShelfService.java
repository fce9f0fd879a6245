package mezcla.web.shelf;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.Shortlist;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.Figures;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Answers what can be used tonight. */
@Service
public class ShelfService {
    private static final int RETIRED_SHOWN = 4;

    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;

    ShelfService(DarkroomLog log, Planning planning, HouseService houses) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
    }

    /** The shelf, for the next roll. */
    @Transactional(readOnly = true)
    public ShelfView shelf() {
        return shelf(planning.nextRoll(), "", "a roll");
    }

    /**
     * The shelf, for tonight's film.
     *
     * @param rolls the film
     * @param tank the tank
     * @param process the key of the process that the film wants; empty for any
     */
    @Transactional(readOnly = true)
    public ShelfView tonight(List<LogEntry.Roll> rolls, Tank tank, String process) {
        return shelf(planning.question(rolls, tank.volumeMl()), process, "your film");
    }

    private ShelfView shelf(RunQuestion question, String process, String film) {
        List<LogEntry> entries = log.entries();
        LogState state = LogState.fold(entries);
        List<RunPlan> plans = state.standing().stream()
                .map(batch -> RunPlan.of(batch, question))
                .toList();
        List<RunPlan> asked =
                plans.stream().filter(plan -> wanted(plan, process)).toList();
        Optional<RunPlan> first = Shortlist.first(asked);
        return new ShelfView(
                title(asked, state, film),
                boards(plans, process),
                first.map(CrateView::of).orElse(null),
                first.isPresent() || plans.isEmpty()
                        ? List.of()
                        : new WaysOut(entries, state, question, houses.tanks(), process).views(),
                retired(state));
    }

    private static boolean wanted(RunPlan plan, String process) {
        return process.isEmpty() || plan.batch().process().key().equals(process);
    }

    private static String title(List<RunPlan> asked, LogState state, String film) {
        if (state.standing().isEmpty()) {
            return "Nothing is mixed yet";
        }
        long able = asked.stream().filter(RunPlan::fits).count();
        return able == 0
                ? "No batch can take %s tonight".formatted(film)
                : "%s %s can take %s tonight"
                        .formatted(Figures.sentence(Figures.number(able)), able == 1 ? "batch" : "batches", film);
    }

    private static List<ShelfView.Board> boards(List<RunPlan> plans, String process) {
        Map<FilmProcess, List<CrateView>> byProcess = plans.stream()
                .collect(Collectors.groupingBy(
                        plan -> plan.batch().process(),
                        LinkedHashMap::new,
                        Collectors.mapping(plan -> crate(plan, process), Collectors.toList())));
        return byProcess.entrySet().stream()
                .map(entry -> new ShelfView.Board(entry.getKey().name(), entry.getValue()))
                .sorted(Comparator.comparing(ShelfView.Board::process))
                .toList();
    }

    private static CrateView crate(RunPlan plan, String process) {
        CrateView crate = CrateView.of(plan);
        return wanted(plan, process) ? crate : crate.ofAnotherProcess();
    }

    private List<ShelfView.Retired> retired(LogState state) {
        return state.batches().values().stream()
                .filter(BatchState::ended)
                .sorted(Comparator.comparing((BatchState batch) -> end(batch).at())
                        .reversed())
                .limit(RETIRED_SHOWN)
                .map(batch -> new ShelfView.Retired(
                        batch.id(),
                        batch.mixed().name(),
                        "%s, %s: %s"
                                .formatted(
                                        Figures.day(
                                                end(batch).at(), houses.house().timeZone()),
                                        end(batch).who(),
                                        end(batch).reason())))
                .toList();
    }

    private static FillState.Discarded end(BatchState batch) {
        return batch.fills().stream()
                .map(FillState::discarded)
                .max(Comparator.comparing(FillState.Discarded::at))
                .orElseThrow();
    }
}
