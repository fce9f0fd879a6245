package mezcla.web.waste;

import java.util.List;
import java.util.Map;
import mezcla.batch.DrumLevel;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.drawing.DrumDrawing;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The waste drums of the house. */
@Controller
class WasteController {
    private static final int NAME_CHARACTERS = 40;

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

    @GetMapping("/waste")
    ModelAndView drums() {
        return page(Map.of(), new FieldErrors());
    }

    @PostMapping("/waste")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read(
                "drum", () -> TypedText.of(text(typed, "drum"), NAME_CHARACTERS, new TypedObjection.Missing()));
        WasteRoute kind = errors.read(
                "kind",
                () -> TypedChoice.of(WasteRoute.values(), text(typed, "kind"), new FormObjection.UnknownRoute()));
        Volume capacity = errors.read(
                "capacity",
                () -> Volume.parse(text(typed, "capacity"), Units.shown().volume()));
        return answered(
                typed,
                errors,
                "drum",
                () -> waste.add(
                        FieldErrors.known(name),
                        FieldErrors.known(kind),
                        FieldErrors.known(capacity).ml()));
    }

    @PostMapping("/waste/{id}/collections")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView collected(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String firm = noted(typed, "firm-" + id, errors);
        String receipt = noted(typed, "receipt-" + id, errors);
        return answered(typed, errors, "drum-" + id, () -> waste.collected(member, id, firm, receipt));
    }

    @PostMapping("/waste/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return answered(typed, new FieldErrors(), "drum-" + id, () -> waste.remove(id));
    }

    private ModelAndView answered(Map<String, String> typed, FieldErrors errors, String field, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/waste?saved";
                },
                objection -> field,
                () -> page(typed, errors));
    }

    private static @Nullable String noted(Map<String, String> typed, String field, FieldErrors errors) {
        return text(typed, field).isBlank()
                ? null
                : errors.read(
                        field, () -> TypedText.of(text(typed, field), NAME_CHARACTERS, new TypedObjection.Missing()));
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    private ModelAndView page(Map<String, String> typed, FieldErrors errors) {
        List<View> drums = waste.levels().stream().map(View::of).toList();
        return PageView.of(
                "waste/waste",
                new Page(
                        title(drums),
                        drums,
                        Figures.percent(DrumLevel.DUE_FROM * 100),
                        List.of(WasteRoute.values()),
                        typed),
                errors);
    }

    /**
     * The drums of the house.
     *
     * @param heading how many have to be collected
     * @param waste the drums
     * @param due from which share on a drum is to be collected, in words
     * @param kinds what a drum can be for
     * @param typed what was typed, where it was refused
     */
    record Page(String heading, List<View> waste, String due, List<WasteRoute> kinds, Map<String, String> typed) {}

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
