package mezcla.web.run;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import mezcla.batch.LogEntry;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.verdict.RunPlan;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.ribbon.StepsView;
import mezcla.web.shelf.CrateView;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.SignedIn;
import mezcla.web.shell.TypedText;
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
    private static final int REASON_CHARACTERS = 200;

    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final RibbonService ribbon;
    private final Clock clock;

    RunController(RunService runs, HouseService houses, OneTimeForms forms, Clock clock, RibbonService ribbon) {
        this.ribbon = ribbon;
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/run")
    String possible(Model model) {
        model.addAttribute("underWay", underWay());
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
            form.beginWith(member.name(), smallestTank());
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
        return sent(
                id,
                form,
                member,
                model,
                (rolls, tank) -> "/batches/" + id + "?logged=" + log(member, id, rolls, tank, form));
    }

    private long log(SignedIn member, long id, List<LogEntry.Roll> rolls, Tank tank, RunForm form) {
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
                id,
                form,
                member,
                model,
                (rolls, tank) -> "/runs/"
                        + runs.start(member, id, rolls, tank, form.seenSequence(), form.choices())
                        + "/ribbon");
    }

    @PostMapping("/batches/{id}/overrides")
    ModelAndView override(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return sent(id, form, member, model, (rolls, tank) -> {
            runs.override(
                    member, id, rolls, tank, TypedText.of(form.getWhy(), REASON_CHARACTERS, "override-reason-missing"));
            return "/batches/" + id + "/run?" + form.query() + "&formKey=" + forms.newKey();
        });
    }

    /** What a form asks for, once its film and its tank are read. */
    private interface Act {
        String on(List<LogEntry.Roll> rolls, Tank tank);
    }

    private ModelAndView sent(long id, RunForm form, SignedIn member, Model model, Act act) {
        FieldErrors errors = new FieldErrors();
        List<LogEntry.Roll> rolls = form.rolls(errors);
        Tank tank = errors.read("tank", () -> houses.tank(form.tankId()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> act.on(rolls, Objects.requireNonNull(tank)),
                refusal -> {
                    if (refusal.code().equals("moved-on")) {
                        model.addAttribute("movedOn", runs.movedOn(id, form.seenSequence()));
                    }
                    return fieldOf(refusal);
                },
                () -> page(id, form, member, errors, model));
    }

    private static String fieldOf(Refusal refusal) {
        return switch (refusal.code()) {
            case "push-outside-leaflet" -> "push";
            case "too-little-for-tank", "in-use" -> "tank";
            case "run-too-big" -> "count0";
            case "not-a-moment", "in-the-future", "before-mixing" -> "when";
            case "override-reason-missing", "text-too-long", "nothing-to-override" -> "why";
            default -> "run";
        };
    }

    private ModelAndView page(long id, RunForm form, SignedIn member, FieldErrors errors, Model model) {
        form.padded();
        FieldErrors reading = new FieldErrors();
        List<LogEntry.Roll> rolls = form.rolls(reading);
        Tank tank = reading.read("tank", () -> houses.tank(form.tankId()));
        reading.all().forEach((field, sentence) -> errors.all().putIfAbsent(field, sentence));
        if (reading.none() && tank != null) {
            RunPlan plan = errors.read("when", () -> runs.plan(id, rolls, tank, form.moment(houses.house())));
            if (plan != null) {
                plan.refusals().stream()
                        .filter(refusal -> !fieldOf(refusal).equals("run"))
                        .forEach(refusal -> errors.add(fieldOf(refusal), refusal));
                errors.read("steps", () -> {
                    model.addAttribute(
                            "steps",
                            StepsView.of(
                                    ribbon.steps(plan, form.choices()),
                                    clock.instant(),
                                    houses.house().timeZone()));
                    return plan;
                });
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
