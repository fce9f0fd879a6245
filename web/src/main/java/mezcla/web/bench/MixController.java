package mezcla.web.bench;

import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.cupboard.CupboardService;
import mezcla.web.house.Units;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.SignedIn;
import mezcla.web.shell.TypedText;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The Bench: from a kit to a batch. */
@Controller
class MixController {
    private static final int NAME_CHARACTERS = 40;

    private final MixService mixes;
    private final CupboardService cupboard;
    private final OneTimeForms forms;

    MixController(MixService mixes, CupboardService cupboard, OneTimeForms forms) {
        this.mixes = mixes;
        this.cupboard = cupboard;
        this.forms = forms;
    }

    @GetMapping("/bench")
    String bench(Model model) {
        model.addAttribute("kits", cupboard.kits());
        return "bench/bench";
    }

    @GetMapping("/kits/{id}/mix")
    ModelAndView plan(
            @PathVariable long id,
            @ModelAttribute("form") MixForm form,
            @RequestParam(name = "volume", required = false) @Nullable String typedVolume,
            Model model) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        if (typedVolume == null) {
            form.setVolume(mixes.usualVolume(id));
        }
        return page(id, form, new FieldErrors(), model);
    }

    @PostMapping("/kits/{id}/batches")
    ModelAndView mix(
            @PathVariable long id,
            @ModelAttribute("form") MixForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        Volume volume = volume(form, errors);
        String name = errors.read("name", () -> TypedText.of(form.getName(), NAME_CHARACTERS, "missing"));
        if (volume != null && name != null) {
            MixService.TypedVolume typed =
                    new MixService.TypedVolume(form.getVolume().strip(), volume);
            try {
                String page = forms.once(form.getFormKey(), () -> {
                    long batch = mixes.mix(member, id, typed, name, form.getBottles(), errors);
                    if (batch == 0) {
                        throw Refusal.of("bottle-missing");
                    }
                    return "/batches/" + batch + "?mixed";
                });
                return new ModelAndView("redirect:" + page);
            } catch (Refusal refusal) {
                if (errors.none()) {
                    errors.add("volume", refusal);
                }
            }
        }
        return page(id, form, errors, model);
    }

    private static @Nullable Volume volume(MixForm form, FieldErrors errors) {
        return errors.read(
                "volume", () -> Volume.parse(form.getVolume(), Units.shown().volume()));
    }

    private ModelAndView page(long id, MixForm form, FieldErrors errors, Model model) {
        Leaflet leaflet = mixes.leaflet(id);
        Volume volume = volume(form, errors);
        MixService.Proposal proposal = volume == null
                ? null
                : errors.read(
                        "volume",
                        () -> mixes.propose(
                                id, new MixService.TypedVolume(form.getVolume().strip(), volume)));
        if (proposal != null) {
            proposal.bottles().forEach(form.getBottles()::putIfAbsent);
            model.addAttribute("mix", proposal.view());
        }
        if (form.getName().isEmpty() && errors.none()) {
            form.setName(leaflet.name());
        }
        model.addAttribute("already", forms.ledTo(form.getFormKey()).orElse(null));
        model.addAttribute("notes", mixes.notes(id));
        model.addAttribute("kitId", id);
        model.addAttribute("kitName", leaflet.name());
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        return new ModelAndView(
                "bench/mix", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }
}
