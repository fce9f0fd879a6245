package mezcla.web.shelf;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The Shelf, with the sentence about tonight. */
@Controller
class ShelfController {
    private static final List<FilmProcess> PROCESSES =
            List.of(FilmProcess.COLOUR_NEGATIVE, FilmProcess.COLOUR_SLIDE, FilmProcess.CINE_NEGATIVE);

    private final ShelfService shelves;
    private final HouseService houses;

    ShelfController(ShelfService shelves, HouseService houses) {
        this.shelves = shelves;
        this.houses = houses;
    }

    @GetMapping("/shelf")
    ModelAndView shelf(
            @ModelAttribute("form") TonightForm form, @AuthenticationPrincipal SignedIn member, Model model) {
        FieldErrors errors = new FieldErrors();
        boolean asked = !form.getFilm().isEmpty();
        model.addAttribute("shelf", asked ? tonight(form, member, errors) : shelves.shelf());
        if (!asked) {
            form.beginWith(
                    member.name(),
                    houses.tanks().stream()
                            .findFirst()
                            .map(tank -> Long.toString(tank.id()))
                            .orElse(""));
        }
        model.addAttribute("asked", asked ? "?" + query() : "");
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("processes", PROCESSES);
        model.addAttribute("formats", FilmFormat.values());
        model.addAttribute("pushes", FilmForm.PUSHES);
        model.addAttribute("tanks", houses.tanks());
        return new ModelAndView(
                "shelf/shelf", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private ShelfView tonight(TonightForm form, SignedIn member, FieldErrors errors) {
        form.ownedBy(member.name());
        List<Roll> rolls = form.rolls(errors);
        Tank tank = errors.read("tank", () -> houses.tank(form.tankId()));
        errors.read("process", () -> known(form.getProcess()));
        return errors.none() && tank != null ? shelves.tonight(rolls, tank, form.getProcess()) : shelves.shelf();
    }

    private static String known(String process) {
        if (!process.isEmpty()
                && PROCESSES.stream().noneMatch(each -> each.key().equals(process))) {
            throw Refusal.of(new FormObjection.UnknownProcess());
        }
        return process;
    }

    /** The sentence, so that the Run begins with it. */
    private static String query() {
        return String.valueOf(
                ServletUriComponentsBuilder.fromCurrentRequest().build().getQuery());
    }
}
