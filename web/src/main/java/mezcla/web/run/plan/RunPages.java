package mezcla.web.run.plan;

import java.util.List;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.RunPlan;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.AlikeWords;
import mezcla.web.accounts.ChargeWords;
import mezcla.web.clock.LogClock;
import mezcla.web.film.FilmTyped;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.declared.Sent;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.ribbon.shown.StepsView;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.ribbon.usual.WaysView;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import mezcla.web.run.underway.UnderWayView;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.shelf.CrateView;
import mezcla.web.shelf.ShelfView;
import mezcla.web.telling.EntryLine;
import mezcla.web.warm.WarmService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Puts the pages of the Run together; each within the one read transaction of its page. */
@Service
class RunPages {

    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final EveningService evenings;
    private final WarmService warm;
    private final ProbeService probes;
    private final LogClock clock;
    private final Members members;
    private final UsualWays usual;
    private final ChargeWords charging;
    private final AlikeWords alike;

    RunPages(
            RunService runs,
            HouseService houses,
            OneTimeForms forms,
            EveningService evenings,
            WarmService warm,
            ProbeService probes,
            LogClock clock,
            UsualWays usual,
            ChargeWords charging,
            AlikeWords alike,
            Members members) {
        this.alike = alike;
        this.members = members;
        this.charging = charging;
        this.usual = usual;
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
        this.evenings = evenings;
        this.warm = warm;
        this.probes = probes;
        this.clock = clock;
    }

    /** The Run without a batch: what is under way, what is planned, and what could be started. */
    record Possible(String heading, List<UnderWayView> underWay, int loads, List<CrateView> crates) {}

    private static String heading(List<CrateView> crates) {
        long able = crates.stream().filter(CrateView::fits).count();
        return crates.isEmpty()
                ? "Nothing is mixed yet"
                : able == 0
                        ? "No batch can take a roll now"
                        : "%s can take a roll".formatted(Figures.sentence(Figures.count((int) able, "batch")));
    }

    Possible possible(SignedIn member) {
        List<CrateView> crates = runs.possible().stream().map(CrateView::of).toList();
        return new Possible(heading(crates), underWay(), evenings.planned(), crates);
    }

    /**
     * The plan of a run through a batch.
     *
     * @param steps what the film goes through; null where nothing can be planned yet
     * @param ways how the house does it; null likewise
     * @param answer the plan; null likewise
     * @param cost what it is charged, in words; empty where nothing is
     * @param seen the last row of the log that the plan knows
     * @param movedOn what was logged about the batch since the form was shown, where that holds it back; null else
     * @param underWay the runs that the batch is in
     * @param already what the form led to, where it was sent before
     * @param simulated the stand-ins for a probe that warm this batch up
     * @param loads how many loads the member has planned for the evening
     * @param test what a batch that is to be tested wants first; null for one that is not
     * @param testKey the key of the form that logs a clip
     * @param severalProcesses whether film of more than one process could be run now
     */
    record Plan(
            @Nullable StepsView steps,
            @Nullable WaysView ways,
            @Nullable RunView answer,
            String cost,
            long seen,
            @Nullable List<EntryLine> movedOn,
            List<UnderWayView> underWay,
            @Nullable String already,
            BatchState batch,
            RunTyped form,
            List<FilmFormat> formats,
            List<String> pushes,
            List<Movement> movements,
            List<SimulatedBath.Fault> faults,
            List<Probe> probes,
            List<Probe> simulated,
            int loads,
            List<Tank> tanks,
            String whose,
            List<ShelfView.WayOutView> waysOut,
            List<WaysView.SingleStep> single,
            String singleErrors,
            @Nullable TestFirst test,
            String testKey,
            boolean severalProcesses) {}

    Plan plan(long id, Sent<?> sent, SignedIn member, boolean movedOn) {
        RunTyped typed = new RunTyped(sent);
        List<Roll> rolls = typed.rolls(runs.batch(id).process());
        Tank tank = sent.read("tank", () -> houses.tank(typed.tankId()));
        Double celsius = typed.readCelsius();
        typed.readSteps();
        RunPlan plan = tank == null || sent.errors().unread(RunPages::isOfThePlan)
                ? null
                : sent.read(
                        "when",
                        () -> runs.plan(
                                id,
                                new RunService.Asked(
                                        rolls, tank.moved(typed.choices().movement()), celsius, typed.passedRow()),
                                typed.moment(houses.house().timeZone())));
        if (plan != null) {
            plan.objections().stream()
                    .filter(objection -> !sent.fieldOf(objection).equals("run"))
                    .forEach(objection -> sent.errors().add(sent.fieldOf(objection), objection));
        }
        return new Plan(
                plan == null || plan.baths().stream().anyMatch(bath -> bath.time() == null)
                        ? null
                        : sent.read("steps", () -> steps(plan, typed)),
                plan == null || tank == null ? null : WaysView.of(plan.batch().leaflet(), rolls, tank, typed.choices()),
                plan == null
                        ? null
                        : RunView.of(
                                plan,
                                alike.of(plan),
                                name -> members.names().present(name).equals(member.name()),
                                houses.house().timeZone()),
                plan == null || !plan.fits()
                        ? ""
                        : charging.of(member, id, rolls, plan.question().at()),
                runs.lastRow(),
                movedOn ? runs.movedOn(id, typed.seenSequence()) : null,
                underWay().stream().filter(run -> run.batchId() == id).toList(),
                forms.ledTo(sent.key()).orElse(null),
                runs.batch(id),
                typed,
                List.of(FilmFormat.values()),
                FilmTyped.PUSHES,
                List.of(Movement.values()),
                List.of(SimulatedBath.Fault.values()),
                probes.probes(),
                probes.simulatedFor(id),
                evenings.planned(),
                houses.tanks(),
                whose(member, runs.batch(id), typed),
                plan == null || plan.fits() || !typed.at("when").isEmpty() ? List.of() : runs.waysOut(plan),
                WaysView.steps(runs.batch(id).leaflet()),
                WaysView.steps(runs.batch(id).leaflet()).stream()
                        .map(step -> ",#step-" + step.key() + "-error")
                        .collect(Collectors.joining()),
                plan == null || !typed.at("when").isEmpty() ? null : TestFirst.of(plan),
                forms.newKey(),
                runs.hasSeveralProcesses());
    }

    /** Whose way the form shows, in words; empty where it is nobody's. */
    private String whose(SignedIn member, BatchState batch, RunTyped typed) {
        UsualWays.Usual way = usual.of(member, batch);
        return way.choices().equals(typed.choices()) ? way.whose() : "";
    }

    /** Whether a plan cannot be made while something stands beside that field. */
    private static boolean isOfThePlan(String field) {
        return !field.startsWith("took")
                && !field.startsWith("step-")
                && !List.of("run", "why", "when", "steps", "probe").contains(field);
    }

    private StepsView steps(RunPlan plan, RunTyped typed) {
        RunSteps steps = plan.steps(typed.choices());
        return StepsView.of(
                steps,
                plan.question().tankMl(),
                clock.instant(),
                warm.warming(plan, steps).orElse(null),
                houses.house().timeZone());
    }

    private List<UnderWayView> underWay() {
        return runs.underWay().stream()
                .map(run -> UnderWayView.of(run, houses.house(), clock.instant()))
                .toList();
    }
}
