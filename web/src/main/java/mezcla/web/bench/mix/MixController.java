package mezcla.web.bench.mix;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.MixRequest;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.leaflet.Leaflets;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
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
    private final Leaflets leaflets;
    private final OneTimeForms forms;

    MixController(MixService mixes, Leaflets leaflets, OneTimeForms forms) {
        this.leaflets = leaflets;
        this.mixes = mixes;
        this.forms = forms;
    }

    @GetMapping("/kits/{id}/mix")
    ModelAndView plan(
            @PathVariable long id,
            @ModelAttribute("form") MixForm form,
            @RequestParam(name = "volume", required = false) @Nullable String typedVolume) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        if (typedVolume == null) {
            form.setVolume(mixes.usualVolume(id));
        }
        return page("bench/mix", id, form, new FieldErrors());
    }

    /** What it takes to mix a kit. */
    record Gear(long leafletId, Leaflet leaflet, MixView mix) {}

    /** What it takes to mix a kit, before one is bought. */
    @GetMapping("/leaflets/{id}/gear")
    ModelAndView gear(@PathVariable long id) {
        Leaflet leaflet = leaflets.version(id);
        return PageView.of("bench/gear", new Gear(id, leaflet, mixes.gear(leaflet)), new FieldErrors());
    }

    /** The plan on one page, to print. */
    @GetMapping("/kits/{id}/mix/card")
    ModelAndView card(@PathVariable long id, @ModelAttribute("form") MixForm form) {
        return page("bench/card", id, form, new FieldErrors());
    }

    @PostMapping("/kits/{id}/batches")
    ModelAndView mix(
            @PathVariable long id, @ModelAttribute("form") MixForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Instant when =
                form.getMixedOn().isBlank() ? null : errors.read("mixedOn", () -> mixes.mixedOn(id, form.getMixedOn()));
        return answer(id, form, errors, (request, name) -> {
            long batch = mixes.mix(member, request, name, when, form.getBottles(), errors);
            return batch == 0 ? "" : "/batches/" + batch + "?mixed";
        });
    }

    @PostMapping("/kits/{id}/mixes")
    ModelAndView begin(
            @PathVariable long id, @ModelAttribute("form") MixForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        if (!form.isRead()) {
            errors.add("read", Refusal.of(new FormObjection.CautionsUnread()));
        }
        return answer(id, form, errors, (request, name) -> {
            long mix = mixes.begin(member, request, name, form.getBottles(), errors);
            return mix == 0 ? "" : "/mixes/" + mix;
        });
    }

    /** Does something with a mix that could be read; leads nowhere where a bottle was refused. */
    private interface Act {
        String on(MixRequest request, String name);
    }

    private ModelAndView answer(long id, MixForm form, FieldErrors errors, Act act) {
        MixRequest request = form.request(id, mixes.baths(id), mixes.allMl(id), errors);
        String name =
                errors.read("name", () -> TypedText.of(form.getName(), NAME_CHARACTERS, new TypedObjection.Missing()));
        if (request != null && name != null && errors.none()) {
            try {
                return new ModelAndView("redirect:"
                        + forms.once(form.getFormKey(), () -> {
                            String page = act.on(request, name);
                            if (page.isEmpty()) {
                                throw Refusal.of(new FormObjection.BottleMissing());
                            }
                            return page;
                        }));
            } catch (Refusal refusal) {
                if (errors.none()) {
                    errors.add(fieldOf(refusal), refusal);
                }
            }
        }
        return page("bench/mix", id, form, errors);
    }

    private static String fieldOf(Refusal refusal) {
        return refusal.objection().field().equals("kit")
                ? "second"
                : Beside.field("volume").or("second").apply(refusal.objection());
    }

    /** A mix being planned. */
    record Page(
            @Nullable MixView mix,
            @Nullable String already,
            List<String> notes,
            List<MixService.Quick> quick,
            List<MixService.OtherKit> others,
            List<Bath> choice,
            long kitId,
            String kitName,
            MixForm form) {}

    private ModelAndView page(String template, long id, MixForm form, FieldErrors errors) {
        Leaflet leaflet = mixes.leaflet(id);
        List<Bath> baths = mixes.baths(id);
        FieldErrors reading = new FieldErrors();
        MixRequest request = form.request(id, baths, mixes.allMl(id), reading);
        reading.all().forEach(errors::say);
        MixService.Proposal proposal = null;
        if (request != null) {
            try {
                proposal = mixes.propose(request);
            } catch (Refusal refusal) {
                errors.add(fieldOf(refusal), refusal);
            }
        }
        if (proposal != null) {
            proposal.bottles().forEach(form.getBottles()::putIfAbsent);
        }
        if (form.getName().isEmpty() && errors.none()) {
            form.setName(leaflet.name());
        }
        return PageView.of(
                template,
                new Page(
                        proposal == null ? null : proposal.view(),
                        forms.ledTo(form.getFormKey()).orElse(null),
                        mixes.notes(id),
                        mixes.quick(id),
                        mixes.others(id),
                        baths,
                        id,
                        leaflet.name(),
                        form),
                errors);
    }
}
