package mezcla.web.bench.fresh;

import java.util.List;
import java.util.Objects;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Volume;
import mezcla.mixing.BatchPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.mix.MixService;
import mezcla.web.bench.mix.MixView;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Fresh solution for batches that stand already. */
@Controller
class FreshController {
    private final FreshService fresh;
    private final MixService mixes;
    private final OneTimeForms forms;

    FreshController(FreshService fresh, MixService mixes, OneTimeForms forms) {
        this.fresh = fresh;
        this.mixes = mixes;
        this.forms = forms;
    }

    /** Fresh solution for a bath that stands already. */
    @RefusedAt("volume")
    record TopUpForm(@Takes(or = FormObjection.KitMissing.class) long kit, Volume volume) {}

    /** A bath that is mixed afresh; its old one goes somewhere. */
    @RefusedAt("volume")
    record RenewalForm(
            @Takes(asTyped = true) String bath,
            @Takes(or = FormObjection.KitMissing.class) long kit,
            Volume volume,
            @Takes(or = FormObjection.BottleMissing.class) long bottle,
            @Takes(or = FormObjection.UnknownRoute.class) @Nullable WasteRoute route,
            boolean atBench,
            boolean read) {}

    @GetMapping("/fills/{id}/top-up")
    ModelAndView planToppingUp(@PathVariable long id, Sent<Asked> sent) {
        return forms.isKey(sent.key()) ? page("bench/top-up", fresh.ofFill(id), sent) : forms.askAgainWithNewKey();
    }

    @PostMapping("/fills/{id}/top-ups")
    ModelAndView topUp(@PathVariable long id, Sent<TopUpForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/fills/" + id + "?topped",
                form -> fresh.topUp(member, id, form.kit(), form.volume()),
                () -> page("bench/top-up", fresh.ofFill(id), sent));
    }

    @GetMapping("/batches/{id}/renew")
    ModelAndView planRenewal(@PathVariable long id, Sent<Asked> sent) {
        return forms.isKey(sent.key())
                ? page("bench/renew", fresh.ofBath(id, sent.typed("bath")), sent)
                : forms.askAgainWithNewKey();
    }

    @PostMapping("/batches/{id}/renewals")
    ModelAndView renew(@PathVariable long id, Sent<RenewalForm> sent, @AuthenticationPrincipal SignedIn member) {
        FreshService.Subject subject = fresh.ofBath(id, sent.typed("bath"));
        if (sent.typed().containsKey("atBench") && !sent.typed().containsKey("read")) {
            sent.errors().add("read", new FormObjection.CautionsUnread());
        }
        return forms.answer(
                sent,
                form -> {
                    FreshService.Renewal renewal = new FreshService.Renewal(
                            id,
                            form.bath(),
                            form.kit(),
                            MixView.asTyped(sent.typed("volume")),
                            form.volume(),
                            form.bottle(),
                            Objects.requireNonNullElse(form.route(), usualRoute(subject)));
                    if (form.atBench()) {
                        return "/mixes/" + fresh.begin(member, renewal);
                    }
                    fresh.renew(member, renewal);
                    return "/batches/" + id + "?renewed";
                },
                () -> page("bench/renew", subject, sent));
    }

    private static WasteRoute usualRoute(FreshService.Subject subject) {
        return WasteRoute.of(subject.leaflet().bath(subject.bathKey()).role());
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
            WasteRoute usualRoute) {}

    private ModelAndView page(String template, FreshService.Subject subject, Sent<?> sent) {
        List<FreshService.KitChoice> kits = fresh.kitsFor(subject);
        if (!kits.isEmpty()) {
            sent.beginBlank("kit", Long.toString(kits.get(0).id()));
        }
        FillState fill = subject.fill();
        if (sent.errors().none() && fill != null && !template.endsWith("top-up")) {
            sent.beginBlank("volume", fill.mixed().volumeTyped());
        }
        MixView mix = sent.typed("volume").isEmpty() ? null : mix(subject, sent);
        if (mix != null) {
            mix.baths().get(0).bottles().stream()
                    .filter(MixView.BottleChoice::suits)
                    .findFirst()
                    .ifPresent(bottle -> sent.beginBlank("bottle", Long.toString(bottle.id())));
        }
        return PageView.of(
                template,
                new Page(
                        mix,
                        forms.ledTo(sent.key()).orElse(null),
                        subject,
                        subject.bathName(),
                        fill == null ? "" : Figures.ml(fill.volumeMl()),
                        fill == null ? "" : fill.bottle().label(),
                        kits,
                        List.of(WasteRoute.values()),
                        usualRoute(subject)),
                sent);
    }

    private @Nullable MixView mix(FreshService.Subject subject, Sent<?> sent) {
        Volume volume = sent.read(
                "volume", () -> Volume.parse(sent.typed("volume"), Units.shown().volume()));
        Long kit = sent.read("kit", () -> TypedChoice.number(sent.typed("kit"), new FormObjection.KitMissing()));
        BatchPlan plan =
                volume == null || kit == null ? null : sent.read("volume", () -> fresh.plan(subject, kit, volume));
        if (plan == null) {
            return null;
        }
        List<MixView.BottleChoice> bottles =
                fresh.bottlesFor(subject, plan.baths().get(0).mix().finalMl());
        return MixView.of(
                "Mix %s of %s"
                        .formatted(MixView.asTyped(sent.typed("volume").strip()), Figures.within(subject.bathName())),
                plan,
                mixes.equipment(),
                bath -> bottles);
    }
}
