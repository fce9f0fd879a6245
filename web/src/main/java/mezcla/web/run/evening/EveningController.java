package mezcla.web.run.evening;

import java.time.Duration;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.Map;
import java.util.Optional;
import mezcla.measure.Refusal;
import mezcla.verdict.Evening;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.house.HouseService;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The evening: several loads in a row. */
@Controller
class EveningController {

    private final EveningService evenings;
    private final HouseService houses;
    private final OneTimeForms forms;

    EveningController(EveningService evenings, HouseService houses, OneTimeForms forms) {
        this.evenings = evenings;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/evening")
    ModelAndView evening(@RequestParam Map<String, String> typed) {
        return page(typed, new FieldErrors());
    }

    @PostMapping("/evening/loads/{id}/drops")
    ModelAndView drop(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    evenings.drop(id);
                    return "/evening?dropped";
                },
                objection -> "evening",
                () -> page(typed, errors));
    }

    private ModelAndView page(Map<String, String> typed, FieldErrors errors) {
        ModelAndView page = new ModelAndView("run/evening");
        String pour = typed.getOrDefault("pour", "").strip();
        String minutes = typed.getOrDefault("between", Long.toString(Evening.BETWEEN.toMinutes()))
                .strip();
        LocalTime pourAt = pour.isEmpty() ? null : errors.read("pour", () -> hour(pour));
        Duration between = errors.read("between", () -> between(minutes));
        errors.read("evening", () -> {
            Optional<EveningView> shown = evenings.plan(
                            pourAt,
                            between == null ? Evening.BETWEEN : between,
                            typed.getOrDefault("warm", "").equals("yes"))
                    .map(plan ->
                            EveningView.of(plan, evenings.now(), houses.house().timeZone()));
            page.addObject("evening", shown.orElse(null));
            return shown;
        });
        page.addObject("stuck", evenings.loads());
        page.addObject("pour", pour);
        page.addObject("between", minutes);
        page.addObject("warm", typed.getOrDefault("warm", "").equals("yes"));
        page.addObject("errors", errors);
        page.setStatus(errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    private static LocalTime hour(String typed) {
        try {
            return LocalTime.parse(typed.matches("[0-9]:[0-9]{2}") ? "0" + typed : typed);
        } catch (DateTimeParseException e) {
            throw Refusal.of(new FormObjection.NotAnHour(typed));
        }
    }

    private static Duration between(String typed) {
        if (!typed.matches("[0-9]{1,3}")
                || Integer.parseInt(typed) < Evening.LEAST_BETWEEN_MINUTES
                || Integer.parseInt(typed) > Evening.MOST_BETWEEN_MINUTES) {
            throw Refusal.of(
                    new FormObjection.NotBetween(typed, Evening.LEAST_BETWEEN_MINUTES, Evening.MOST_BETWEEN_MINUTES));
        }
        return Duration.ofMinutes(Integer.parseInt(typed));
    }
}
