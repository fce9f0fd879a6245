package mezcla.web.cupboard;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import mezcla.batch.BatchObjection;
import mezcla.batch.KitState;
import mezcla.leaflet.PrintedAmount;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Units;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** One kit: what is left of its parts, and what becomes of them. */
@Controller
class KitController {
    private final CupboardService cupboard;
    private final KitService kits;
    private final HouseService houses;
    private final OneTimeForms forms;

    KitController(CupboardService cupboard, KitService kits, HouseService houses, OneTimeForms forms) {
        this.houses = houses;
        this.cupboard = cupboard;
        this.kits = kits;
        this.forms = forms;
    }

    /** A part that was opened. */
    record OpeningForm(@Takes(asTyped = true) String opened, @Takes(asTyped = true) String openedOn) {}

    /** A part that was decanted into vials. */
    @RefusedAt("vialHolds")
    record DecantingForm(
            @Takes(asTyped = true) String decanted,
            @Takes(least = 1, most = 99, or = FormObjection.NotVials.class) int vials,
            @Takes(asTyped = true) String vialHolds,
            @Takes(asTyped = true) String decantedOn) {}

    /** How much of a part is left. */
    @RefusedAt("left")
    record LevelForm(
            @Takes(asTyped = true) String corrected,
            @Takes(asTyped = true) String left,
            @Takes(field = "correctedWhy", most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    /** What was thrown away of a part. */
    @RefusedAt("goneAmount")
    record LossForm(
            @Takes(asTyped = true) String gone,
            @Takes(asTyped = true) String goneAmount,
            @Takes(or = FormObjection.UnknownRoute.class) WasteRoute route,
            @Takes(field = "goneWhy", most = 200, or = FormObjection.ReasonMissing.class) String why,
            @Takes(asTyped = true) String goneOn) {}

    /** What a kit cost, put right. */
    record PriceForm(
            Money price,
            @Nullable Money delivery,
            @Nullable Money other,
            @Takes(field = "pricedWhy", most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    /** What is left of a part, put to another kit. */
    @RefusedAt("to")
    record MoveForm(@Takes(asTyped = true) String moved, @Takes(or = BatchObjection.KitsDiffer.class) long to) {}

    /** Which print of its leaflet its box holds. */
    record PrintForm(
            @Takes(or = FormObjection.UnknownLeaflet.class) long print,
            @Takes(field = "printWhy", most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    /** Nothing more is made of it. */
    @RefusedAt("finish")
    record FinishForm() {}

    @GetMapping("/kits/{id}")
    ModelAndView kit(@PathVariable long id, Sent<VolumeForm> sent) {
        return page(id, sent);
    }

    /** For which volume a kit is looked at. */
    record VolumeForm(@Takes(asTyped = true) String volume) {}

    @PostMapping("/kits/{id}/openings")
    ModelAndView open(@PathVariable long id, Sent<OpeningForm> sent, @AuthenticationPrincipal SignedIn member) {
        part(id, sent, "opened");
        Instant when = on(id, sent, "openedOn");
        return logged(id, sent, form -> kits.open(member, id, form.opened(), FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/decantings")
    ModelAndView decant(@PathVariable long id, Sent<DecantingForm> sent, @AuthenticationPrincipal SignedIn member) {
        String part = part(id, sent, "decanted");
        Double each = sent.typed("vialHolds").isBlank() ? null : amount(id, part, sent, "vialHolds");
        Instant when = on(id, sent, "decantedOn");
        return logged(
                id,
                sent,
                form -> kits.decant(member, id, form.decanted(), form.vials(), each, FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/corrections")
    ModelAndView correct(@PathVariable long id, Sent<LevelForm> sent, @AuthenticationPrincipal SignedIn member) {
        String part = part(id, sent, "corrected");
        boolean none = sent.typed("left").strip().matches("0+([.,]0+)?");
        Double left = none ? Double.valueOf(0) : amount(id, part, sent, "left");
        return logged(
                id, sent, form -> kits.correct(member, id, form.corrected(), FieldErrors.known(left), form.why()));
    }

    @PostMapping("/kits/{id}/losses")
    ModelAndView throwAway(@PathVariable long id, Sent<LossForm> sent, @AuthenticationPrincipal SignedIn member) {
        Double amount = amount(id, part(id, sent, "gone"), sent, "goneAmount");
        Instant when = on(id, sent, "goneOn");
        return logged(
                id,
                sent,
                form -> kits.throwAway(
                        member,
                        id,
                        form.gone(),
                        FieldErrors.known(amount),
                        form.route(),
                        form.why(),
                        FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/prices")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView price(@PathVariable long id, Sent<PriceForm> sent, @AuthenticationPrincipal SignedIn member) {
        return logged(
                id,
                sent,
                form -> kits.price(
                        member,
                        id,
                        new KitService.Paid(
                                form.price(),
                                TypedMoney.orNone(form.delivery(), form.price()),
                                TypedMoney.orNone(form.other(), form.price()),
                                kits.paid(id).paidBy()),
                        form.why()));
    }

    @PostMapping("/kits/{id}/moves")
    ModelAndView move(@PathVariable long id, Sent<MoveForm> sent, @AuthenticationPrincipal SignedIn member) {
        part(id, sent, "moved");
        return logged(id, sent, form -> kits.move(member, id, form.moved(), form.to()));
    }

    @PostMapping("/kits/{id}/leaflet")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView holds(@PathVariable long id, Sent<PrintForm> sent, @AuthenticationPrincipal SignedIn member) {
        return logged(id, sent, form -> kits.holds(member, id, form.print(), form.why()));
    }

    @PostMapping("/kits/{id}/finish")
    ModelAndView finish(@PathVariable long id, Sent<FinishForm> sent, @AuthenticationPrincipal SignedIn member) {
        return logged(id, sent, form -> kits.finish(member, id));
    }

    private @Nullable String part(long id, Sent<?> sent, String field) {
        KitState kit = kits.kit(id);
        return sent.read(field, () -> kit.parts().stream()
                .map(state -> state.part().key())
                .filter(key -> key.equals(sent.typed(field)))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.PartMissing())));
    }

    private @Nullable Double amount(long id, @Nullable String part, Sent<?> sent, String field) {
        return part == null
                ? null
                : sent.read(
                        field,
                        () -> PrintedAmount.in(
                                sent.typed(field),
                                kits.kit(id).part(part).part().unit(),
                                Units.shown().volume()));
    }

    private @Nullable Instant on(long id, Sent<?> sent, String field) {
        return sent.read(field, () -> kits.on(id, sent.typed(field)));
    }

    private <F extends Record> ModelAndView logged(long id, Sent<F> sent, Consumer<F> act) {
        return forms.answer(sent, "/kits/" + id + "?logged", act, () -> page(id, sent));
    }

    /** What it cost, to be put right: what was typed, else what is known. */
    private Map<String, String> paid(long id, Map<String, String> typed) {
        KitService.Paid paid = kits.paid(id);
        return Map.of(
                "price", typed.getOrDefault("price", paid.price().getAmount().toPlainString()),
                "delivery",
                        typed.getOrDefault(
                                "delivery", paid.delivery().getAmount().toPlainString()),
                "other", typed.getOrDefault("other", paid.other().getAmount().toPlainString()));
    }

    /** A kit. */
    record Page(
            KitView kit,
            KitService.More more,
            String volume,
            KitService.@Nullable Batches batches,
            Map<String, String> paid,
            String currency,
            List<WasteRoute> routes) {}

    private ModelAndView page(long id, Sent<?> sent) {
        String volume = sent.typed("volume").isEmpty() ? kits.usualVolume(id) : sent.typed("volume");
        return PageView.of(
                "cupboard/kit",
                new Page(
                        cupboard.kit(id),
                        kits.more(id),
                        volume,
                        sent.read(
                                "volume",
                                () -> kits.batches(
                                        id, Volume.parse(volume, Units.shown().volume()))),
                        paid(id, sent.typed()),
                        houses.house().currency().getCode(),
                        List.of(WasteRoute.values())),
                sent);
    }
}
