package mezcla.web.shelf;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.web.access.SignedIn;
import mezcla.web.beginning.Beginnings;
import mezcla.web.film.FilmTyped;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.settings.things.Tank;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
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
            FilmTyped form,
            List<FilmProcess> processes,
            List<FilmFormat> formats,
            List<String> pushes,
            List<Tank> tanks,
            Beginnings.@Nullable Steps beginning,
            boolean firstEvening,
            List<Tank> undescribed) {}

    /** The sentence about tonight. */
    record TonightForm(@Takes(asTyped = true) String process) {}

    @GetMapping("/shelf")
    ModelAndView shelf(Sent<TonightForm> sent, @AuthenticationPrincipal SignedIn member) {
        FilmTyped film = new FilmTyped(sent);
        sent.begin("process", "");
        boolean asked = !film.isUntyped();
        String query = asked ? "?" + query() : "";
        List<Tank> tanks = shelves.tanks();
        ShelfView shelf = asked ? tonight(film, sent, member, tanks) : shelves.shelf();
        if (!asked) {
            film.beginWith(member.name());
            sent.put(
                    "tank",
                    shelves.smallestFor(film.rolls())
                            .or(() -> tanks.stream().findFirst())
                            .map(tank -> Long.toString(tank.id()))
                            .orElse(""));
        }
        return PageView.of(
                "shelf/shelf",
                new Page(
                        shelf,
                        query,
                        film,
                        FilmProcess.KNOWN,
                        List.of(FilmFormat.values()),
                        FilmTyped.PUSHES,
                        tanks,
                        beginnings.leads(member) ? beginnings.steps() : null,
                        beginnings.isFirstEvening(member),
                        member.isSteward()
                                ? tanks.stream()
                                        .filter(tank -> tank.holds().isEmpty())
                                        .toList()
                                : List.of()),
                sent);
    }

    private ShelfView tonight(FilmTyped film, Sent<?> sent, SignedIn member, List<Tank> tanks) {
        film.ownedBy(member.name());
        List<Roll> rolls = film.rolls();
        boolean turned = sent.typed("movement").equals(Movement.ROTARY.name());
        Tank tank = sent.read(
                "tank", () -> chosen(film.tankId(), tanks).moved(turned ? Movement.ROTARY : Movement.PRINTED));
        String process = sent.read("process", () -> known(sent.typed("process")));
        return sent.errors().none() && tank != null && process != null
                ? shelves.tonight(rolls, tank, process)
                : shelves.shelf();
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
