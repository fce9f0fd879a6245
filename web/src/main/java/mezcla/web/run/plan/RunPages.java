package mezcla.web.run.plan;

import java.util.List;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.RunPlan;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.journal.telling.EntryLine;
import mezcla.web.money.ChargeWords;
import mezcla.web.probe.Probe;
import mezcla.web.probe.ProbeService;
import mezcla.web.ribbon.StepsView;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import mezcla.web.run.underway.UnderWayView;
import mezcla.web.run.ways.WaysView;
import mezcla.web.shelf.CrateView;
import mezcla.web.shelf.ShelfView;
import mezcla.web.warm.WarmService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Puts the pages of the Run together; each within the one read transaction of its page. */
@Service
class RunPages {
    private static final Beside FIELDS =
            Beside.field("run").or("push", "tank", "steps", "probe", "when", "why", "madeFor");

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
            Members members) {
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
            RunForm form,
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

    /** The field of the form that an objection stands beside. */
    static String fieldOf(Objection objection) {
        return switch (objection.field()) {
            case "film" -> "count0";
            case "temperature" -> "celsius";
            default -> FIELDS.apply(objection);
        };
    }

    Plan plan(long id, RunForm form, SignedIn member, FieldErrors errors, boolean movedOn) {
        form.padded();
        FieldErrors reading = new FieldErrors();
        List<Roll> rolls = form.rolls(reading, runs.batch(id).process());
        Tank tank = reading.read("tank", () -> houses.tank(form.tankId()));
        Double celsius = reading.read("celsius", form::readCelsius);
        reading.all().forEach((field, sentence) -> errors.all().putIfAbsent(field, sentence));
        form.readSteps(errors);
        RunPlan plan = !reading.none() || tank == null
                ? null
                : errors.read(
                        "when",
                        () -> runs.plan(
                                id,
                                new RunService.Asked(
                                        rolls, tank.moved(form.choices().movement()), celsius, form.passedRow()),
                                form.moment(houses.house())));
        if (plan != null) {
            plan.objections().stream()
                    .filter(objection -> !fieldOf(objection).equals("run"))
                    .forEach(objection -> errors.add(fieldOf(objection), objection));
        }
        return new Plan(
                plan == null || plan.baths().stream().anyMatch(bath -> bath.time() == null)
                        ? null
                        : errors.read("steps", () -> steps(plan, form)),
                plan == null || tank == null
                        ? null
                        : WaysView.of(
                                plan.batch().leaflet(),
                                rolls,
                                tank,
                                form.choices().movement()),
                plan == null
                        ? null
                        : RunView.of(
                                plan,
                                name -> members.names().present(name).equals(member.name()),
                                houses.house().timeZone()),
                plan == null || !plan.fits()
                        ? ""
                        : charging.of(member, id, rolls, plan.question().at()),
                runs.lastRow(),
                movedOn ? runs.movedOn(id, form.seenSequence()) : null,
                underWay().stream().filter(run -> run.batchId() == id).toList(),
                forms.ledTo(form.getFormKey()).orElse(null),
                runs.batch(id),
                form,
                List.of(FilmFormat.values()),
                RunForm.PUSHES,
                List.of(Movement.values()),
                List.of(SimulatedBath.Fault.values()),
                probes.probes(),
                probes.simulatedFor(id),
                evenings.planned(),
                houses.tanks(),
                whose(member, runs.batch(id), form),
                plan == null || plan.fits() || !form.getWhen().isEmpty() ? List.of() : runs.waysOut(plan),
                WaysView.steps(runs.batch(id).leaflet()),
                WaysView.steps(runs.batch(id).leaflet()).stream()
                        .map(step -> ",#step-" + step.key() + "-error")
                        .collect(Collectors.joining()),
                plan == null || !form.getWhen().isEmpty() ? null : TestFirst.of(plan),
                forms.newKey(),
                runs.hasSeveralProcesses());
    }

    /** Whose way the form shows, in words; empty where it is nobody's. */
    private String whose(SignedIn member, BatchState batch, RunForm form) {
        UsualWays.Usual way = usual.of(member, batch);
        return way.choices().equals(form.choices()) ? way.whose() : "";
    }

    /** Reads how long film was in the baths, so that what cannot be read stands beside its field. */
    void readTimes(RunForm form, FieldErrors errors) {
        form.getTook().keySet().stream()
                .filter(fill -> fill.matches("[0-9]{1,9}"))
                .forEach(fill -> errors.read("took" + fill, () -> form.readTook(Long.parseLong(fill))));
    }

    private StepsView steps(RunPlan plan, RunForm form) {
        RunSteps steps = plan.steps(form.choices());
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
