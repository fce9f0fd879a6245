package mezcla.web.cupboard;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchObjection;
import mezcla.batch.KitState;
import mezcla.leaflet.PrintedAmount;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** One kit: what is left of its parts, and what becomes of them. */
@Controller
class KitController {
    private static final int REASON_CHARACTERS = 200;

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

    @GetMapping("/kits/{id}")
    ModelAndView kit(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return page(id, typed, new FieldErrors());
    }

    @PostMapping("/kits/{id}/openings")
    ModelAndView open(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String part = part(id, typed, "opened", errors);
        Instant when = errors.read("openedOn", () -> kits.on(id, text(typed, "openedOn")));
        return logged(
                id,
                typed,
                errors,
                "opened",
                () -> kits.open(member, id, FieldErrors.known(part), FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/decantings")
    ModelAndView decant(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String part = part(id, typed, "decanted", errors);
        Integer vials = errors.read("vials", () -> vials(text(typed, "vials")));
        Instant when = errors.read("decantedOn", () -> kits.on(id, text(typed, "decantedOn")));
        return logged(
                id,
                typed,
                errors,
                "decanted",
                () -> kits.decant(
                        member, id, FieldErrors.known(part), FieldErrors.known(vials), FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/corrections")
    ModelAndView correct(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String part = part(id, typed, "corrected", errors);
        Double left = part == null
                ? null
                : errors.read(
                        "left",
                        () -> text(typed, "left").strip().matches("0+([.,]0+)?")
                                ? Double.valueOf(0)
                                : Double.valueOf(amount(id, part, text(typed, "left"))));
        String why = errors.read("correctedWhy", () -> reason(text(typed, "correctedWhy")));
        return logged(
                id,
                typed,
                errors,
                "left",
                () -> kits.correct(
                        member, id, FieldErrors.known(part), FieldErrors.known(left), FieldErrors.known(why)));
    }

    @PostMapping("/kits/{id}/losses")
    ModelAndView throwAway(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String part = part(id, typed, "gone", errors);
        Double amount =
                part == null ? null : errors.read("goneAmount", () -> amount(id, part, text(typed, "goneAmount")));
        WasteRoute route = errors.read(
                "route",
                () -> TypedChoice.of(WasteRoute.values(), text(typed, "route"), new FormObjection.UnknownRoute()));
        String why = errors.read("goneWhy", () -> reason(text(typed, "goneWhy")));
        Instant when = errors.read("goneOn", () -> kits.on(id, text(typed, "goneOn")));
        return logged(
                id,
                typed,
                errors,
                "goneAmount",
                () -> kits.throwAway(
                        member,
                        id,
                        FieldErrors.known(part),
                        FieldErrors.known(amount),
                        FieldErrors.known(route),
                        FieldErrors.known(why),
                        FieldErrors.known(when)));
    }

    @PostMapping("/kits/{id}/prices")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView price(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        CurrencyUnit currency = houses.house().currency();
        Money price = errors.read("price", () -> TypedMoney.of(text(typed, "price"), currency));
        Money delivery = errors.read("delivery", () -> TypedMoney.orNone(text(typed, "delivery"), currency));
        Money other = errors.read("other", () -> TypedMoney.orNone(text(typed, "other"), currency));
        String why = errors.read("pricedWhy", () -> reason(text(typed, "pricedWhy")));
        return logged(
                id,
                typed,
                errors,
                "price",
                () -> kits.price(
                        member,
                        id,
                        new KitService.Paid(
                                FieldErrors.known(price),
                                FieldErrors.known(delivery),
                                FieldErrors.known(other),
                                kits.paid(id).paidBy()),
                        FieldErrors.known(why)));
    }

    @PostMapping("/kits/{id}/moves")
    ModelAndView move(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String part = part(id, typed, "moved", errors);
        Long to = errors.read("to", () -> TypedChoice.number(text(typed, "to"), new BatchObjection.KitsDiffer()));
        return logged(
                id, typed, errors, "to", () -> kits.move(member, id, FieldErrors.known(part), FieldErrors.known(to)));
    }

    @PostMapping("/kits/{id}/leaflet")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView holds(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Long print = errors.read(
                "print",
                () -> TypedChoice.number(text(typed, "print"), new FormObjection.UnknownLeaflet(text(typed, "print"))));
        String why = errors.read("printWhy", () -> reason(text(typed, "printWhy")));
        return logged(
                id,
                typed,
                errors,
                "print",
                () -> kits.holds(member, id, FieldErrors.known(print), FieldErrors.known(why)));
    }

    @PostMapping("/kits/{id}/finish")
    ModelAndView finish(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        return logged(id, typed, new FieldErrors(), "finish", () -> kits.finish(member, id));
    }

    private @org.jspecify.annotations.Nullable String part(
            long id, Map<String, String> typed, String field, FieldErrors errors) {
        KitState kit = kits.kit(id);
        return errors.read(field, () -> kit.parts().stream()
                .map(state -> state.part().key())
                .filter(key -> key.equals(text(typed, field)))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.PartMissing())));
    }

    private double amount(long id, String part, String typed) {
        return PrintedAmount.in(
                typed, kits.kit(id).part(part).part().unit(), Units.shown().volume());
    }

    private static int vials(String typed) {
        String text = typed.strip();
        if (!text.matches("[1-9][0-9]?")) {
            throw Refusal.of(text.isEmpty() ? new TypedObjection.Missing() : new FormObjection.NotVials(text));
        }
        return Integer.parseInt(text);
    }

    private static String reason(String typed) {
        return TypedText.of(typed, REASON_CHARACTERS, new FormObjection.ReasonMissing());
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    private ModelAndView logged(long id, Map<String, String> typed, FieldErrors errors, String field, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/kits/" + id + "?logged";
                },
                objection -> field,
                () -> page(id, typed, errors));
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
            List<WasteRoute> routes,
            Map<String, String> typed) {}

    private ModelAndView page(long id, Map<String, String> typed, FieldErrors errors) {
        String volume = text(typed, "volume").isEmpty() ? kits.usualVolume(id) : text(typed, "volume");
        return PageView.of(
                "cupboard/kit",
                new Page(
                        cupboard.kit(id),
                        kits.more(id),
                        volume,
                        errors.read(
                                "volume",
                                () -> kits.batches(
                                        id, Volume.parse(volume, Units.shown().volume()))),
                        paid(id, typed),
                        houses.house().currency().getCode(),
                        List.of(WasteRoute.values()),
                        typed),
                errors);
    }
}
