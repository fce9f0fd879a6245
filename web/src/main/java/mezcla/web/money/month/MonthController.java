package mezcla.web.money.month;

import java.time.YearMonth;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.money.MoneyService;
import mezcla.web.words.Spreadsheet;
import org.joda.money.Money;
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
    private static final int NAME_CHARACTERS = 60;

    private final MonthPages months;
    private final PricePages prices;
    private final MoneyService money;
    private final HouseService houses;
    private final OneTimeForms forms;

    MonthController(MonthPages months, PricePages prices, MoneyService money, HouseService houses, OneTimeForms forms) {
        this.months = months;
        this.prices = prices;
        this.money = money;
        this.houses = houses;
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

    @GetMapping("/money/prices")
    ModelAndView prices() {
        return PageView.of("money/prices", prices.page(Map.of()), new FieldErrors());
    }

    @PostMapping("/money/charging")
    ModelAndView charging(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String process = errors.read("process", () -> process(text(typed, "process")));
        boolean atCost = !text(typed, "how").equals("price");
        Money price = atCost ? null : errors.read("price", () -> amount(typed, "price"));
        return answered(typed, errors, () -> money.charge(member, FieldErrors.known(process), price));
    }

    @PostMapping("/money/laboratory")
    ModelAndView laboratory(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String process = errors.read("lab-process", () -> process(text(typed, "lab-process")));
        Money price = errors.read("laboratory", () -> amount(typed, "laboratory"));
        return answered(
                typed, errors, () -> money.laboratory(member, FieldErrors.known(process), FieldErrors.known(price)));
    }

    @PostMapping("/money/equipment")
    ModelAndView equipment(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String what = errors.read(
                "what", () -> TypedText.of(text(typed, "what"), NAME_CHARACTERS, new TypedObjection.Missing()));
        Money price = errors.read("cost", () -> amount(typed, "cost"));
        return answered(
                typed, errors, () -> money.equipment(member, FieldErrors.known(what), FieldErrors.known(price)));
    }

    private ModelAndView answered(Map<String, String> typed, FieldErrors errors, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/money/prices?saved";
                },
                objection -> "price",
                () -> PageView.of("money/prices", prices.page(typed), errors));
    }

    private String process(String key) {
        return prices.processes().stream()
                .filter(process -> process.key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess()))
                .key();
    }

    private Money amount(Map<String, String> typed, String field) {
        return TypedMoney.of(text(typed, field), houses.house().currency());
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }
}
