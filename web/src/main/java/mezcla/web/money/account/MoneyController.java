package mezcla.web.money.account;

import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.money.HouseAccounts;
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

/** What a roll costs and who owes what: the place, and accounts. */
@Controller
class MoneyController {
    private static final int NAME_CHARACTERS = 60;
    private static final int NOTE_CHARACTERS = 120;

    private final MoneyPages pages;
    private final AccountPages accountPages;
    private final MyFilm film;
    private final HouseAccounts accounts;
    private final MoneyService money;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final LogClock clock;

    MoneyController(
            MoneyPages pages,
            AccountPages accountPages,
            MyFilm film,
            HouseAccounts accounts,
            MoneyService money,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock) {
        this.pages = pages;
        this.accountPages = accountPages;
        this.film = film;
        this.accounts = accounts;
        this.money = money;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/money")
    ModelAndView money(
            @RequestParam(required = false) @Nullable String batch, @AuthenticationPrincipal SignedIn member) {
        Long chosen = batch != null && batch.matches("[0-9]{1,9}") ? Long.valueOf(batch) : null;
        return PageView.of("money/money", pages.page(member, chosen, Map.of()), new FieldErrors());
    }

    @GetMapping("/money/account")
    ModelAndView account(@RequestParam(defaultValue = "") String of, @AuthenticationPrincipal SignedIn member) {
        return account(of, member, Map.of(), new FieldErrors());
    }

    private ModelAndView account(String of, SignedIn member, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("money/account", accountPages.page(member, of, typed), errors);
    }

    @GetMapping("/money/film")
    ModelAndView film(@AuthenticationPrincipal SignedIn member) {
        return PageView.of("money/film", film.page(member), new FieldErrors());
    }

    @GetMapping("/money/film.csv")
    ResponseEntity<byte[]> filmSaved(@AuthenticationPrincipal SignedIn member) {
        return Spreadsheet.saved("my-film.csv", film.csv(member));
    }

    @PostMapping("/money/payments")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView pay(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String account = errors.read("account", () -> known(account(typed)));
        Money amount = errors.read("amount", () -> amount(typed, "amount"));
        Instant when = text(typed, "day").isBlank()
                ? null
                : errors.read(
                        "day",
                        () -> TypedDay.noonOf(text(typed, "day"), houses.house().timeZone(), clock.instant()));
        String note = text(typed, "note").isBlank()
                ? null
                : errors.read(
                        "note", () -> TypedText.of(text(typed, "note"), NOTE_CHARACTERS, new TypedObjection.Missing()));
        boolean out = text(typed, "out").equals("yes");
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    Money paid = FieldErrors.known(amount);
                    money.pay(member, FieldErrors.known(account), out ? paid.negated() : paid, when, note);
                    return text(typed, "back").equals("account")
                            ? AccountPages.address(FieldErrors.known(account)) + "&paid"
                            : "/money?paid";
                },
                MoneyController::fieldOf,
                () -> again(member, typed, errors, text(typed, "back").equals("account")));
    }

    @PostMapping("/money/corrections")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correct(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String account = errors.read("account", () -> known(account(typed)));
        Money amount = errors.read("by", () -> amount(typed, "by"));
        String reason = errors.read(
                "reason",
                () -> TypedText.of(text(typed, "reason"), NOTE_CHARACTERS, new FormObjection.ReasonMissing()));
        How how = errors.read("how", () -> how(text(typed, "how")));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    Money by = FieldErrors.known(amount);
                    money.correct(
                            member,
                            FieldErrors.known(account),
                            how == How.TAKE ? by.negated() : by,
                            how == How.WRITE_OFF,
                            FieldErrors.known(reason));
                    return AccountPages.address(FieldErrors.known(account)) + "&corrected";
                },
                objection -> fieldOf(objection).equals("amount") ? "by" : fieldOf(objection),
                () -> again(member, typed, errors, true));
    }

    private enum How {
        ADD,
        TAKE,
        WRITE_OFF
    }

    private static How how(String typed) {
        return TypedChoice.of(
                How.values(), typed.toUpperCase(Locale.ROOT).replace('-', '_'), new FormObjection.UnknownCorrection());
    }

    /** The page that a form came from, with what was typed; where nobody is of that name, the one with all accounts. */
    private ModelAndView again(SignedIn member, Map<String, String> typed, FieldErrors errors, boolean fromAccount) {
        return fromAccount && errors.at("account") == null
                ? account(text(typed, "account"), member, typed, errors)
                : PageView.of("money/money", pages.page(member, null, typed), errors);
    }

    private static String account(Map<String, String> typed) {
        return TypedText.of(text(typed, "account"), NAME_CHARACTERS, new FormObjection.UnknownAccount());
    }

    private String known(String account) {
        if (!accounts.names().contains(account)) {
            throw Refusal.of(new FormObjection.UnknownAccount());
        }
        return account;
    }

    private Money amount(Map<String, String> typed, String field) {
        return TypedMoney.of(text(typed, field), houses.house().currency());
    }

    private static String fieldOf(Objection objection) {
        return objection instanceof FormObjection.UnknownAccount ? "account" : "amount";
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }
}
