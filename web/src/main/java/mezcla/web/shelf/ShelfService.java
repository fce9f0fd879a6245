package mezcla.web.shelf;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.DrumLevel;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.Shortlist;
import mezcla.web.answers.Planning;
import mezcla.web.drums.WasteService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.Figures;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Answers what can be used tonight. */
@Service
public class ShelfService {
    private static final int RETIRED_SHOWN = 4;
    private static final int CRATES_DRAWN = 5;

    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final WasteService waste;

    ShelfService(DarkroomLog log, Planning planning, HouseService houses, WasteService waste) {
        this.waste = waste;
        this.log = log;
        this.planning = planning;
        this.houses = houses;
    }

    /** The tanks to choose from. */
    @Transactional(readOnly = true)
    public List<Tank> tanks() {
        return houses.tanks();
    }

    /** The smallest tank that film goes into; empty where it goes into none that anybody described. */
    @Transactional(readOnly = true)
    public Optional<Tank> smallestFor(List<Roll> rolls) {
        return planning.smallestFor(rolls);
    }

    /** The shelf, for the next roll. */
    @Transactional(readOnly = true)
    public ShelfView shelf() {
        return shelf(planning.nextRoll(), true, "", "a roll");
    }

    /**
     * The shelf, for tonight's film.
     *
     * @param rolls the film
     * @param tank the tank
     * @param process the key of the process that the film wants; empty for any
     */
    @Transactional(readOnly = true)
    public ShelfView tonight(List<Roll> rolls, Tank tank, String process) {
        return shelf(planning.question(rolls, tank), false, process, "your film");
    }

    private ShelfView shelf(RunQuestion question, boolean asUsed, String process, String film) {
        LogBook book = log.book();
        LogState state = book.state();
        List<BatchState> standing = state.standing();
        List<RunPlan> plans = standing.stream()
                .map(batch -> RunPlan.of(batch, asUsed ? planning.asUsed(question, batch) : question))
                .toList();
        List<RunPlan> asked =
                plans.stream().filter(plan -> wanted(plan, process)).toList();
        Optional<RunPlan> first = Shortlist.first(asked);
        return new ShelfView(
                title(asked, standing.isEmpty(), film),
                boards(plans, process),
                first.map(CrateView::of).orElse(null),
                process.isEmpty() ? firsts(asked) : List.of(),
                first.isPresent() || plans.isEmpty()
                        ? List.of()
                        : new WaysOut(book, question, houses.tanks(), process, null).views(),
                retired(book),
                waste.levels().stream()
                        .filter(DrumLevel::due)
                        .map(level -> level.drum().name())
                        .toList());
    }

    /** Of each process the batch to use first, where film of any could go in: a run asks which it is (rules, 14). */
    private static List<ShelfView.FirstOf> firsts(List<RunPlan> asked) {
        Map<FilmProcess, List<RunPlan>> byProcess = asked.stream()
                .collect(Collectors.groupingBy(plan -> plan.batch().process()));
        List<ShelfView.FirstOf> firsts = byProcess.entrySet().stream()
                .sorted(Comparator.comparing(entry -> entry.getKey().name()))
                .flatMap(entry -> Shortlist.first(entry.getValue()).stream()
                        .map(plan -> new ShelfView.FirstOf(
                                entry.getKey().key(),
                                entry.getKey().name(),
                                plan.batch().id())))
                .toList();
        return firsts.size() > 1 ? firsts : List.of();
    }

    private static boolean wanted(RunPlan plan, String process) {
        return process.isEmpty() || plan.batch().process().key().equals(process);
    }

    private static String title(List<RunPlan> asked, boolean empty, String film) {
        if (empty) {
            return "Nothing is mixed yet";
        }
        long able = asked.stream().filter(RunPlan::fits).count();
        return able == 0
                ? "No batch can take %s tonight".formatted(film)
                : "%s %s can take %s tonight"
                        .formatted(Figures.sentence(Figures.number(able)), able == 1 ? "batch" : "batches", film);
    }

    private static List<ShelfView.Board> boards(List<RunPlan> plans, String process) {
        Map<FilmProcess, List<RunPlan>> byProcess = plans.stream()
                .collect(Collectors.groupingBy(plan -> plan.batch().process()));
        return byProcess.entrySet().stream()
                .map(entry -> board(entry.getKey(), entry.getValue(), process))
                .sorted(Comparator.comparing(ShelfView.Board::process))
                .toList();
    }

    private static ShelfView.Board board(FilmProcess process, List<RunPlan> plans, String wanted) {
        Set<Long> drawn = plans.stream()
                .sorted(Comparator.comparing((RunPlan plan) -> !plan.fits()))
                .limit(CRATES_DRAWN)
                .map(plan -> plan.batch().id())
                .collect(Collectors.toSet());
        Map<Boolean, List<RunPlan>> parts = plans.stream()
                .collect(Collectors.partitioningBy(
                        plan -> drawn.contains(plan.batch().id())));
        return new ShelfView.Board(
                process.name(),
                Objects.requireNonNull(parts.get(true)).stream()
                        .map(plan -> crate(plan, wanted))
                        .toList(),
                Objects.requireNonNull(parts.get(false)).stream()
                        .map(CrateView::line)
                        .toList());
    }

    private static CrateView crate(RunPlan plan, String process) {
        CrateView crate = CrateView.of(plan);
        return wanted(plan, process) ? crate : crate.ofAnotherProcess();
    }

    /** The batches that ended last, by the last of their fills to go. */
    private List<ShelfView.Retired> retired(LogBook book) {
        ZoneId zone = houses.house().timeZone();
        return book.newestFirst().stream()
                .filter(LogEntry::freesPlaces)
                .filter(entry -> book.voiding(entry.stamp().sequence()).isEmpty())
                .flatMap(entry -> entry.batchNamed().stream())
                .distinct()
                .map(book.state()::batch)
                .filter(BatchState::ended)
                .limit(RETIRED_SHOWN)
                .map(batch -> new ShelfView.Retired(batch.id(), batch.mixed().name(), end(batch, zone)))
                .toList();
    }

    private static String end(BatchState batch, ZoneId zone) {
        FillState.Discarded last = batch.fills().stream()
                .map(FillState::discarded)
                .filter(Objects::nonNull)
                .max(Comparator.comparing(FillState.Discarded::at))
                .orElseThrow();
        return "%s, %s: %s".formatted(Figures.day(last.at(), zone), last.who(), last.reason());
    }
}
