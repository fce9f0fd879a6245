package mezcla.web.bench.fresh;

import java.util.List;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.BatchPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixService;
import mezcla.web.bench.mix.MixView;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Fresh solution for batches that stand already. */
@Controller
class FreshController {
    private static final Beside FIELDS = Beside.field("volume").or("kit", "bottle", "route");

    private final FreshService fresh;
    private final MixService mixes;
    private final OneTimeForms forms;

    FreshController(FreshService fresh, MixService mixes, OneTimeForms forms) {
        this.fresh = fresh;
        this.mixes = mixes;
        this.forms = forms;
    }

    @GetMapping("/fills/{id}/top-up")
    ModelAndView planToppingUp(@PathVariable long id, @ModelAttribute("form") FreshForm form) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        return page("bench/top-up", fresh.ofFill(id), form, new FieldErrors());
    }

    @PostMapping("/fills/{id}/top-ups")
    ModelAndView topUp(
            @PathVariable long id, @ModelAttribute("form") FreshForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Volume volume = errors.read("volume", () -> volume(form));
        Long kit = errors.read("kit", () -> TypedChoice.number(form.getKit(), new FormObjection.KitMissing()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> {
                    fresh.topUp(member, id, FieldErrors.known(kit), FieldErrors.known(volume));
                    return "/fills/" + id + "?topped";
                },
                FIELDS,
                () -> page("bench/top-up", fresh.ofFill(id), form, errors));
    }

    @GetMapping("/batches/{id}/renew")
    ModelAndView planRenewal(@PathVariable long id, @ModelAttribute("form") FreshForm form) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        return page("bench/renew", fresh.ofBath(id, form.getBath()), form, new FieldErrors());
    }

    @PostMapping("/batches/{id}/renewals")
    ModelAndView renew(
            @PathVariable long id, @ModelAttribute("form") FreshForm form, @AuthenticationPrincipal SignedIn member) {
        FreshService.Subject subject = fresh.ofBath(id, form.getBath());
        FieldErrors errors = new FieldErrors();
        Volume volume = errors.read("volume", () -> volume(form));
        Long kit = errors.read("kit", () -> TypedChoice.number(form.getKit(), new FormObjection.KitMissing()));
        Long bottle =
                errors.read("bottle", () -> TypedChoice.number(form.getBottle(), new FormObjection.BottleMissing()));
        WasteRoute route = errors.read("route", () -> route(form, subject));
        if (form.isAtBench() && !form.isRead()) {
            errors.add("read", Refusal.of(new FormObjection.CautionsUnread()));
        }
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> {
                    FreshService.Renewal renewal = new FreshService.Renewal(
                            id,
                            form.getBath(),
                            FieldErrors.known(kit),
                            MixView.asTyped(form.getVolume()),
                            FieldErrors.known(volume),
                            FieldErrors.known(bottle),
                            FieldErrors.known(route));
                    if (form.isAtBench()) {
                        return "/mixes/" + fresh.begin(member, renewal);
                    }
                    fresh.renew(member, renewal);
                    return "/batches/" + id + "?renewed";
                },
                FIELDS,
                () -> page("bench/renew", subject, form, errors));
    }

    private static Volume volume(FreshForm form) {
        return Volume.parse(form.getVolume(), Units.shown().volume());
    }

    private static WasteRoute route(FreshForm form, FreshService.Subject subject) {
        if (form.getRoute().isEmpty()) {
            return WasteRoute.of(subject.leaflet().bath(subject.bathKey()).role());
        }
        return TypedChoice.of(WasteRoute.values(), form.getRoute(), new FormObjection.UnknownRoute());
    }

    /** Fresh solution: a bath topped up, or mixed afresh. */
    record Page(
            @Nullable MixView mix,
            @Nullable String already,
            FreshService.Subject subject,
            String bathName,
            String fillVolume,
            String bottle,
            List<FreshService.KitChoice> kits,
            List<WasteRoute> routes,
            WasteRoute usualRoute,
            FreshForm form) {}

    private ModelAndView page(String template, FreshService.Subject subject, FreshForm form, FieldErrors errors) {
        List<FreshService.KitChoice> kits = fresh.kitsFor(subject);
        if (form.getKit().isEmpty() && !kits.isEmpty()) {
            form.setKit(Long.toString(kits.get(0).id()));
        }
        FillState fill = subject.fill();
        if (form.getVolume().isEmpty() && errors.none()) {
            form.setVolume(
                    fill == null || template.endsWith("top-up")
                            ? ""
                            : fill.mixed().volumeTyped());
        }
        MixView mix = form.getVolume().isEmpty() ? null : mix(subject, form, errors);
        if (mix != null && form.getBottle().isEmpty()) {
            mix.baths().get(0).bottles().stream()
                    .filter(MixView.BottleChoice::suits)
                    .findFirst()
                    .ifPresent(bottle -> form.setBottle(Long.toString(bottle.id())));
        }
        return PageView.of(
                template,
                new Page(
                        mix,
                        forms.ledTo(form.getFormKey()).orElse(null),
                        subject,
                        subject.bathName(),
                        fill == null ? "" : Figures.ml(fill.volumeMl()),
                        fill == null ? "" : fill.bottle().label(),
                        kits,
                        List.of(WasteRoute.values()),
                        WasteRoute.of(subject.leaflet().bath(subject.bathKey()).role()),
                        form),
                errors);
    }

    private @Nullable MixView mix(FreshService.Subject subject, FreshForm form, FieldErrors errors) {
        Volume volume = errors.read("volume", () -> volume(form));
        Long kit = errors.read("kit", () -> TypedChoice.number(form.getKit(), new FormObjection.KitMissing()));
        if (volume == null || kit == null) {
            return null;
        }
        BatchPlan plan = errors.read("volume", () -> fresh.plan(subject, kit, volume));
        if (plan == null) {
            return null;
        }
        List<MixView.BottleChoice> bottles =
                fresh.bottlesFor(subject, plan.baths().get(0).mix().finalMl());
        return MixView.of(
                "Mix %s of %s".formatted(MixView.asTyped(form.getVolume().strip()), Figures.within(subject.bathName())),
                plan,
                mixes.equipment(),
                bath -> bottles);
    }
}
