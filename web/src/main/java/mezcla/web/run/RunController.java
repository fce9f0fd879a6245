package mezcla.web.run;

import java.time.Instant;
import java.util.List;
import mezcla.batch.LogEntry;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.verdict.RunPlan;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.shelf.CrateView;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.SignedIn;
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
    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;

    RunController(RunService runs, HouseService houses, OneTimeForms forms) {
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/run")
    String possible(Model model) {
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
        FieldErrors errors = new FieldErrors();
        List<LogEntry.Roll> rolls = form.rolls(errors);
        Tank tank = errors.read("tank", () -> houses.tank(form.tankId()));
        if (errors.none() && tank != null) {
            try {
                String page = forms.once(
                        form.getFormKey(), () -> "/batches/" + id + "?logged=" + log(member, id, rolls, tank, form));
                return new ModelAndView("redirect:" + page);
            } catch (Refusal refusal) {
                errors.add(fieldOf(refusal), refusal);
            }
        }
        return page(id, form, member, errors, model);
    }

    private long log(SignedIn member, long id, List<LogEntry.Roll> rolls, Tank tank, RunForm form) {
        Instant when = form.moment(houses.house());
        return when == null
                ? runs.log(member, id, rolls, tank, form.isDone())
                : runs.logEarlier(member, id, rolls, tank, when, form.isAbout());
    }

    private static String fieldOf(Refusal refusal) {
        return switch (refusal.code()) {
            case "push-outside-leaflet" -> "push";
            case "too-little-for-tank" -> "tank";
            case "run-too-big" -> "count0";
            case "not-a-moment", "in-the-future", "before-mixing" -> "when";
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
                model.addAttribute(
                        "answer", RunView.of(plan, member.name(), houses.house().timeZone()));
            }
        }
        model.addAttribute("already", forms.ledTo(form.getFormKey()).orElse(null));
        model.addAttribute("batch", runs.batch(id));
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("formats", FilmFormat.values());
        model.addAttribute("pushes", RunForm.PUSHES);
        model.addAttribute("tanks", houses.tanks());
        return new ModelAndView(
                "run/run", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private String smallestTank() {
        return houses.tanks().stream()
                .findFirst()
                .map(tank -> Long.toString(tank.id()))
                .orElse("");
    }
}
