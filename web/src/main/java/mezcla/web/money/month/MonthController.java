package mezcla.web.money.month;

import java.time.YearMonth;
import java.util.function.Consumer;
import mezcla.leaflet.FilmProcess;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.money.MoneyService;
import mezcla.web.words.Spreadsheet;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What stewards look at and decide: the month's end, and prices. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class MonthController {
    private final MonthPages months;
    private final PricePages prices;
    private final MoneyService money;
    private final OneTimeForms forms;

    MonthController(MonthPages months, PricePages prices, MoneyService money, OneTimeForms forms) {
        this.months = months;
        this.prices = prices;
        this.money = money;
        this.forms = forms;
    }

    @GetMapping("/money/month")
    ModelAndView month(@RequestParam(defaultValue = "") String of) {
        FieldErrors errors = new FieldErrors();
        YearMonth month = errors.read("of", () -> months.month(of));
        return PageView.of("money/month", months.page(month == null ? months.month("") : month), errors);
    }

    @GetMapping("/money/month.csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = "") String of) {
        YearMonth month = months.month(of);
        return Spreadsheet.saved("money-" + month + ".csv", months.csv(month));
    }

    /** How film of a process is charged. */
    @RefusedAt("price")
    record ChargingForm(
            @Takes(asTyped = true) String process, @Takes(asTyped = true) String how, @Nullable Money price) {
        boolean atCost() {
            return !how.equals("price");
        }
    }

    /** What a laboratory takes for a roll. */
    @RefusedAt("price")
    record LaboratoryForm(
            @Takes(field = "lab-process", asTyped = true) String process, @Takes(field = "laboratory") Money price) {}

    /** Something that was bought for the house. */
    @RefusedAt("price")
    record EquipmentForm(String what, @Takes(field = "cost") Money price) {}

    @GetMapping("/money/prices")
    ModelAndView prices() {
        return prices(Sent.nothing());
    }

    private ModelAndView prices(Sent<?> sent) {
        return PageView.of("money/prices", prices.page(), sent);
    }

    @PostMapping("/money/charging")
    ModelAndView charging(Sent<ChargingForm> sent, @AuthenticationPrincipal SignedIn member) {
        String process = process(sent, "process");
        if (sent.typed("how").equals("price") && sent.typed("price").isBlank()) {
            sent.errors().add("price", new TypedObjection.Missing());
        }
        return saved(
                sent, form -> money.charge(member, FieldErrors.known(process), form.atCost() ? null : form.price()));
    }

    @PostMapping("/money/laboratory")
    ModelAndView laboratory(Sent<LaboratoryForm> sent, @AuthenticationPrincipal SignedIn member) {
        String process = process(sent, "lab-process");
        return saved(sent, form -> money.laboratory(member, FieldErrors.known(process), form.price()));
    }

    @PostMapping("/money/equipment")
    ModelAndView equipment(Sent<EquipmentForm> sent, @AuthenticationPrincipal SignedIn member) {
        return saved(sent, form -> money.equipment(member, form.what(), form.price()));
    }

    private <F extends Record> ModelAndView saved(Sent<F> sent, Consumer<F> act) {
        return forms.answer(sent, "/money/prices?saved", act, () -> prices(sent));
    }

    private @Nullable String process(Sent<?> sent, String field) {
        return sent.read(field, () -> prices.processes().stream()
                .map(FilmProcess::key)
                .filter(key -> key.equals(sent.typed(field)))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess())));
    }
}
