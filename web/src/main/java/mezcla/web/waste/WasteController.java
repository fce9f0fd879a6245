package mezcla.web.waste;

import java.util.List;
import java.util.function.Consumer;
import mezcla.batch.DrumLevel;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.drawing.DrumDrawing;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The waste drums of the house. */
@Controller
class WasteController {
    private final WasteService waste;
    private final OneTimeForms forms;

    WasteController(WasteService waste, OneTimeForms forms) {
        this.waste = waste;
        this.forms = forms;
    }

    /**
     * A drum as it is shown.
     *
     * @param id which
     * @param name what it is called
     * @param kind what may go in
     * @param level how full it is, in words
     * @param due whether it is to be collected
     * @param empty whether nothing is in it
     * @param drawing the drum
     */
    public record View(
            long id, String name, String kind, String level, boolean due, boolean empty, DrumDrawing drawing) {
        private static View of(DrumLevel level) {
            return new View(
                    level.drum().id(),
                    level.drum().name(),
                    level.drum().kind().words(),
                    "%s of %s"
                            .formatted(
                                    Figures.inAll(level.levelMl()),
                                    Figures.inAll(level.drum().capacityMl())),
                    level.due(),
                    level.levelMl() <= 0,
                    DrumDrawing.of(level));
        }
    }

    /** Another drum. */
    record DrumForm(
            @Takes(field = "drum", most = 40) String name,
            @Takes(or = FormObjection.UnknownRoute.class) WasteRoute kind,
            Volume capacity) {}

    /** A drum that was collected. */
    @RefusedAt("drum-{id}")
    record CollectedForm(
            @Takes(field = "firm-{id}", most = 40) @Nullable String firm,
            @Takes(field = "receipt-{id}", most = 40) @Nullable String receipt) {}

    /** A drum that is there no more. */
    @RefusedAt("drum-{id}")
    record RemovalForm() {}

    @GetMapping("/waste")
    ModelAndView drums() {
        return page(Sent.nothing());
    }

    @PostMapping("/waste")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(Sent<DrumForm> sent) {
        return saved(
                sent,
                form -> waste.add(form.name(), form.kind(), form.capacity().ml()));
    }

    @PostMapping("/waste/{id}/collections")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView collected(@PathVariable long id, Sent<CollectedForm> sent, @AuthenticationPrincipal SignedIn member) {
        return saved(sent, form -> waste.collected(member, id, form.firm(), form.receipt()));
    }

    @PostMapping("/waste/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable long id, Sent<RemovalForm> sent) {
        return saved(sent, form -> waste.remove(id));
    }

    private <F extends Record> ModelAndView saved(Sent<F> sent, Consumer<F> act) {
        return forms.answer(sent, "/waste?saved", act, () -> page(sent));
    }

    private ModelAndView page(Sent<?> sent) {
        List<View> drums = waste.levels().stream().map(View::of).toList();
        return PageView.of(
                "waste/waste",
                new Page(title(drums), drums, Figures.percent(DrumLevel.DUE_FROM * 100), List.of(WasteRoute.values())),
                sent);
    }

    /**
     * The drums of the house.
     *
     * @param heading how many have to be collected
     * @param waste the drums
     * @param due from which share on a drum is to be collected, in words
     * @param kinds what a drum can be for
     */
    record Page(String heading, List<View> waste, String due, List<WasteRoute> kinds) {}

    private static String title(List<View> drums) {
        if (drums.isEmpty()) {
            return "No waste drums yet";
        }
        long due = drums.stream().filter(View::due).count();
        return due == 0
                ? "No drum has to be collected yet"
                : "%s %s to be collected"
                        .formatted(Figures.sentence(Figures.number(due)), due == 1 ? "drum is" : "drums are");
    }
}
