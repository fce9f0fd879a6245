package mezcla.web.cupboard;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Leaflet;
import mezcla.log.Purchase;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.TypedDay;
import mezcla.web.forms.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.words.Figures;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Cupboard. */
@Controller
class CupboardController {
    private static final int LOT_CHARACTERS = 40;
    private static final int NOTE_CHARACTERS = 160;
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

    private final CupboardService cupboard;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final LogClock clock;

    CupboardController(
            CupboardService cupboard, Leaflets leaflets, HouseService houses, OneTimeForms forms, LogClock clock) {
        this.cupboard = cupboard;
        this.leaflets = leaflets;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/cupboard")
    String cupboard(Model model) {
        List<KitView> kits = cupboard.kits();
        long mixable = kits.stream().filter(KitView::mixable).count();
        model.addAttribute("kits", kits);
        model.addAttribute("orders", cupboard.orders());
        model.addAttribute("longSealed", cupboard.longSealed());
        model.addAttribute(
                "title",
                kits.isEmpty()
                        ? "The cupboard is empty"
                        : "%s %s can be mixed from"
                                .formatted(Figures.sentence(Figures.number(mixable)), mixable == 1 ? "kit" : "kits"));
        return "cupboard/cupboard";
    }

    @GetMapping("/kits/new")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView arrival(@ModelAttribute("form") ArrivalForm form, Model model) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        return page(form, new FieldErrors(), model);
    }

    @PostMapping("/kits")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView arrive(
            @ModelAttribute("form") ArrivalForm form, @AuthenticationPrincipal SignedIn member, Model model) {
        FieldErrors errors = new FieldErrors();
        CurrencyUnit currency = houses.house().currency();
        Leaflet leaflet = errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        Money price = errors.read("price", () -> money(form.getPrice(), currency));
        Money delivery = errors.read(
                "delivery",
                () -> form.getDelivery().isBlank() ? Money.zero(currency) : money(form.getDelivery(), currency));
        Money other = errors.read(
                "other", () -> form.getOther().isBlank() ? Money.zero(currency) : money(form.getOther(), currency));
        String note = words(form.getNote(), "note", errors);
        String paidBy = words(form.getPaidBy(), "paidBy", errors);
        String lot = form.getLot().isBlank()
                ? null
                : errors.read("lot", () -> TypedText.of(form.getLot(), LOT_CHARACTERS, new TypedObjection.Missing()));
        Instant came = form.getCame().isBlank()
                ? null
                : errors.read(
                        "came",
                        () -> TypedDay.noonOf(form.getCame(), houses.house().timeZone(), clock.instant()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> "/cupboard?came="
                        + cupboard.arrive(
                                member,
                                FieldErrors.known(leaflet),
                                form.getParts(),
                                FieldErrors.known(price),
                                FieldErrors.known(delivery),
                                lot,
                                new Purchase(FieldErrors.known(other), note, paidBy),
                                came),
                objection -> "parts",
                () -> page(form, errors, model));
    }

    private static @Nullable String words(String typed, String field, FieldErrors errors) {
        return typed.isBlank()
                ? null
                : errors.read(field, () -> TypedText.of(typed, NOTE_CHARACTERS, new TypedObjection.Missing()));
    }

    private static Money money(String typed, CurrencyUnit currency) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        int decimals = currency.getDecimalPlaces();
        String pattern = decimals == 0 ? "[0-9]{1,7}" : "[0-9]{1,7}([.,][0-9]{1," + decimals + "})?";
        if (!text.matches(pattern)) {
            throw Refusal.of(new FormObjection.NotMoney(text));
        }
        BigDecimal amount = new BigDecimal(text.replace(',', '.'));
        if (amount.compareTo(MOST) > 0) {
            throw Refusal.of(new FormObjection.NotMoney(text));
        }
        return Money.of(currency, amount);
    }

    private ModelAndView page(ArrivalForm form, FieldErrors errors, Model model) {
        Leaflet leaflet =
                form.getLeaflet().isEmpty() ? null : errors.read("leaflet", () -> leaflets.chosen(form.getLeaflet()));
        model.addAllAttributes(Map.of(
                "sheets",
                leaflets.offered(),
                "currency",
                houses.house().currency().getCode(),
                "form",
                form,
                "errors",
                errors));
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("already", forms.ledTo(form.getFormKey()).orElse(null));
        return new ModelAndView(
                "cupboard/arrival", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }
}
