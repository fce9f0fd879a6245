package mezcla.web.shelf;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.Shortlist;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
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
        LogState state = log.state();
        RunQuestion question = planning.nextRoll();
        List<RunPlan> plans = state.standing().stream()
                .map(batch -> RunPlan.of(batch, question))
                .toList();
        return new ShelfView(
                title(plans),
                boards(plans),
                Shortlist.first(plans).map(CrateView::of).orElse(null),
                retired(state));
    }

    private static String title(List<RunPlan> plans) {
        if (plans.isEmpty()) {
            return "Nothing is mixed yet";
        }
        long able = plans.stream().filter(RunPlan::fits).count();
        return "%s %s can take a roll tonight"
                .formatted(Figures.sentence(Figures.number(able)), able == 1 ? "batch" : "batches");
    }

    private static List<ShelfView.Board> boards(List<RunPlan> plans) {
        Map<FilmProcess, List<CrateView>> byProcess = plans.stream()
                .collect(Collectors.groupingBy(
                        plan -> plan.batch().process(),
                        LinkedHashMap::new,
                        Collectors.mapping(CrateView::of, Collectors.toList())));
        return byProcess.entrySet().stream()
                .map(entry -> new ShelfView.Board(entry.getKey().name(), entry.getValue()))
                .sorted(Comparator.comparing(ShelfView.Board::process))
                .toList();
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
