package mezcla.web.shelf;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.web.access.SignedIn;
import mezcla.web.beginning.Beginnings;
import mezcla.web.film.FilmForm;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.PageView;
import mezcla.web.house.Tank;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The Shelf, with the sentence about tonight. */
@Controller
class ShelfController {
    private final ShelfService shelves;
    private final Beginnings beginnings;

    ShelfController(ShelfService shelves, Beginnings beginnings) {
        this.shelves = shelves;
        this.beginnings = beginnings;
    }

    /**
     * The page of the Shelf.
     *
     * @param beginning the steps of a house that begins; null where nobody is led through them
     * @param firstEvening whether the member is here for the first time
     * @param undescribed the tanks that take nothing yet, for a steward, because nobody has said which reels they take
     * @param asked the sentence as an address carries it, so that the Run begins with it; empty where nobody asked
     */
    record Page(
            ShelfView shelf,
            String asked,
            TonightForm form,
            List<FilmProcess> processes,
            List<FilmFormat> formats,
            List<String> pushes,
            List<Tank> tanks,
            Beginnings.@Nullable Steps beginning,
            boolean firstEvening,
            List<Tank> undescribed) {}

    @GetMapping("/shelf")
    ModelAndView shelf(@ModelAttribute("form") TonightForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        boolean asked = !form.getFilm().isEmpty();
        String query = asked ? "?" + query() : "";
        List<Tank> tanks = shelves.tanks();
        ShelfView shelf = asked ? tonight(form, member, tanks, errors) : shelves.shelf();
        if (!asked) {
            form.beginWith(member.name(), "");
            form.setTank(shelves.smallestFor(form.rolls(new FieldErrors()))
                    .or(() -> tanks.stream().findFirst())
                    .map(tank -> Long.toString(tank.id()))
                    .orElse(""));
        }
        return PageView.of(
                "shelf/shelf",
                new Page(
                        shelf,
                        query,
                        form,
                        FilmProcess.KNOWN,
                        List.of(FilmFormat.values()),
                        FilmForm.PUSHES,
                        tanks,
                        beginnings.leads(member) ? beginnings.steps() : null,
                        beginnings.isFirstEvening(member),
                        member.isSteward()
                                ? tanks.stream()
                                        .filter(tank -> tank.holds().isEmpty())
                                        .toList()
                                : List.of()),
                errors);
    }

    private ShelfView tonight(TonightForm form, SignedIn member, List<Tank> tanks, FieldErrors errors) {
        form.ownedBy(member.name());
        List<Roll> rolls = form.rolls(errors);
        Tank tank = errors.read(
                "tank", () -> chosen(form.tankId(), tanks).moved(form.isTurned() ? Movement.ROTARY : Movement.PRINTED));
        errors.read("process", () -> known(form.getProcess()));
        return errors.none() && tank != null ? shelves.tonight(rolls, tank, form.getProcess()) : shelves.shelf();
    }

    private static Tank chosen(long id, List<Tank> tanks) {
        return tanks.stream()
                .filter(tank -> tank.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownTank()));
    }

    private static String known(String process) {
        if (!process.isEmpty()
                && FilmProcess.KNOWN.stream().noneMatch(each -> each.key().equals(process))) {
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
