package mezcla.web.run.plan;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;
import mezcla.processing.Movement;
import mezcla.processing.SimulatedBath;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.probe.ProbeService;
import mezcla.web.ribbon.StepsView;
import mezcla.web.run.evening.EveningService;
import mezcla.web.run.underway.UnderWayView;
import mezcla.web.shelf.CrateView;
import mezcla.web.warm.WarmService;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Run: which batch, and these rolls through that batch. */
@Controller
class RunController {
    private static final Beside FIELDS = Beside.field("run").or("push", "tank", "steps", "probe", "when", "why");

    private static final int REASON_CHARACTERS = 200;

    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final EveningService evenings;
    private final WarmService warm;
    private final ProbeService probes;
    private final LogClock clock;

    RunController(
            RunService runs,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock,
            EveningService evenings,
            WarmService warm,
            ProbeService probes) {
        this.evenings = evenings;
        this.warm = warm;
        this.probes = probes;
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/run")
    String possible(@AuthenticationPrincipal SignedIn member, Model model) {
        model.addAttribute("underWay", underWay());
        model.addAttribute("loads", evenings.planned(member));
        model.addAttribute("crates", runs.possible().stream().map(CrateView::of).toList());
        return "run/possible";
    }

    @GetMapping("/batches/{id}/run")
    ModelAndView plan(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        if (form.getFilm().isEmpty()) {
            form.beginWith(member.name(), form.getTank().isEmpty() ? smallestTank() : form.getTank());
        } else if (form.getTank().isEmpty()) {
            form.setTank(smallestTank());
        }
        form.ownedBy(member.name());
        return page(id, form, member, new FieldErrors(), model);
    }

    /** The plan again, for browsers without scripts. */
    @PostMapping("/batches/{id}/run")
    ModelAndView planAgain(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return page(id, form, member, new FieldErrors(), model);
    }

    @PostMapping("/batches/{id}/runs")
    ModelAndView log(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return sent(id, form, member, model, (rolls, tank) -> {
            long logged = log(member, id, rolls, tank, form);
            evenings.drop(member, form.loadId());
            return "/batches/" + id + "?logged=" + logged;
        });
    }

    private long log(SignedIn member, long id, List<Roll> rolls, Tank tank, RunForm form) {
        Instant when = form.moment(houses.house());
        if (when == null && !form.isAbout()) {
            return runs.log(member, id, rolls, tank, form.isDone());
        }
        return runs.logEarlier(member, id, rolls, tank, when == null ? clock.instant() : when, form.isAbout());
    }

    @PostMapping("/batches/{id}/starts")
    ModelAndView start(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return sent(
                id, form, member, model, (rolls, tank) -> "/runs/" + start(member, id, rolls, tank, form) + "/ribbon");
    }

    private long start(SignedIn member, long id, List<Roll> rolls, Tank tank, RunForm form) {
        long started = runs.start(member, id, rolls, tank, form.seenSequence(), form.choices(), form.probeChoice());
        evenings.begin(member, form.loadId(), started);
        return started;
    }

    @PostMapping("/batches/{id}/loads")
    ModelAndView load(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return sent(id, form, member, model, (rolls, tank) -> {
            evenings.add(member, id, rolls, tank, form);
            return "/evening?planned";
        });
    }

    @PostMapping("/batches/{id}/overrides")
    ModelAndView override(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return sent(id, form, member, model, (rolls, tank) -> {
            runs.override(
                    member,
                    id,
                    rolls,
                    tank,
                    TypedText.of(form.getWhy(), REASON_CHARACTERS, new FormObjection.OverrideReasonMissing()));
            return "/batches/" + id + "/run?" + form.query() + "&formKey=" + forms.newKey();
        });
    }

    /** What a form asks for, once its film and its tank are read. */
    private interface Act {
        String on(List<Roll> rolls, Tank tank);
    }

    private ModelAndView sent(long id, RunForm form, SignedIn member, Model model, Act act) {
        FieldErrors errors = new FieldErrors();
        List<Roll> rolls = form.rolls(errors);
        Tank tank = errors.read(
                "tank", () -> houses.tank(form.tankId()).moved(form.choices().movement()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> act.on(rolls, Objects.requireNonNull(tank)),
                objection -> {
                    if (objection instanceof FormObjection.MovedOn) {
                        model.addAttribute("movedOn", runs.movedOn(id, form.seenSequence()));
                    }
                    return fieldOf(objection);
                },
                () -> page(id, form, member, errors, model));
    }

    private static String fieldOf(Objection objection) {
        return objection.field().equals("film") ? "count0" : FIELDS.apply(objection);
    }

    private ModelAndView page(long id, RunForm form, SignedIn member, FieldErrors errors, Model model) {
        form.padded();
        FieldErrors reading = new FieldErrors();
        List<Roll> rolls = form.rolls(reading);
        Tank whole = reading.read("tank", () -> houses.tank(form.tankId()));
        Tank tank = whole == null ? null : whole.moved(form.choices().movement());
        reading.all().forEach((field, sentence) -> errors.all().putIfAbsent(field, sentence));
        if (reading.none() && tank != null) {
            RunPlan plan = errors.read("when", () -> runs.plan(id, rolls, tank, form.moment(houses.house())));
            if (plan != null) {
                plan.objections().stream()
                        .filter(objection -> !fieldOf(objection).equals("run"))
                        .forEach(objection -> errors.add(fieldOf(objection), objection));
                errors.read("steps", () -> {
                    model.addAttribute(
                            "steps",
                            StepsView.of(
                                    plan.steps(form.choices()),
                                    clock.instant(),
                                    plan.imageDeveloper().isPresent()
                                            ? warm.warming(id).orElse(null)
                                            : null,
                                    houses.house().timeZone()));
                    return plan;
                });
                model.addAttribute(
                        "ways",
                        WaysView.of(
                                plan.batch().leaflet(),
                                rolls,
                                whole,
                                form.choices().movement()));
                model.addAttribute(
                        "answer", RunView.of(plan, member.name(), houses.house().timeZone()));
            }
        }
        model.addAttribute("seen", runs.lastRow());
        model.addAttribute(
                "underWay",
                underWay().stream().filter(run -> run.batchId() == id).toList());
        model.addAttribute("already", forms.ledTo(form.getFormKey()).orElse(null));
        model.addAttribute("batch", runs.batch(id));
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("formats", FilmFormat.values());
        model.addAttribute("pushes", RunForm.PUSHES);
        model.addAttribute("movements", Movement.values());
        model.addAttribute("faults", SimulatedBath.Fault.values());
        model.addAttribute("probes", probes.probes());
        model.addAttribute("simulated", probes.simulatedFor(id));
        model.addAttribute("loads", evenings.planned(member));
        model.addAttribute("tanks", houses.tanks());
        return new ModelAndView(
                "run/run", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private List<UnderWayView> underWay() {
        return runs.underWay().stream()
                .map(run -> UnderWayView.of(run, houses.house(), clock.instant()))
                .toList();
    }

    private String smallestTank() {
        return houses.tanks().stream()
                .findFirst()
                .map(tank -> Long.toString(tank.id()))
                .orElse("");
    }
}
