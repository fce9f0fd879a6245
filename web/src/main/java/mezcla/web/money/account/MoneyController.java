package mezcla.web.money.account;

import java.time.Instant;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
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

/** What a roll costs and who owes what: the place, and accounts. */
@Controller
class MoneyController {
    private final MoneyPages pages;
    private final AccountPages accountPages;
    private final MyFilm film;
    private final HouseAccounts accounts;
    private final MoneyService money;
    private final OneTimeForms forms;

    MoneyController(
            MoneyPages pages,
            AccountPages accountPages,
            MyFilm film,
            HouseAccounts accounts,
            MoneyService money,
            OneTimeForms forms) {
        this.pages = pages;
        this.accountPages = accountPages;
        this.film = film;
        this.accounts = accounts;
        this.money = money;
        this.forms = forms;
    }

    /** A payment. */
    @RefusedAt("amount")
    record PaymentForm(
            @Takes(or = FormObjection.UnknownAccount.class) String account,
            Money amount,
            boolean out,
            @Takes(field = "day") @Nullable Instant when,
            @Takes(most = 120) @Nullable String note,
            @Takes(asTyped = true) String back) {
        Money paid() {
            return out ? amount.negated() : amount;
        }

        boolean fromAccount() {
            return back.equals("account");
        }
    }

    /** Which way a balance is put right. */
    private enum How {
        ADD,
        TAKE,
        WRITE_OFF
    }

    /** A balance put right. */
    @RefusedAt("by")
    record CorrectionForm(
            @Takes(or = FormObjection.UnknownAccount.class) String account,
            @Takes(field = "by") Money amount,
            @Takes(most = 120, or = FormObjection.ReasonMissing.class) String reason,
            @Takes(or = FormObjection.UnknownCorrection.class) How how) {
        Money by() {
            return how == How.TAKE ? amount.negated() : amount;
        }
    }

    @GetMapping("/money")
    ModelAndView money(
            @RequestParam(required = false) @Nullable String batch, @AuthenticationPrincipal SignedIn member) {
        Long chosen = batch != null && batch.matches("[0-9]{1,9}") ? Long.valueOf(batch) : null;
        return PageView.of("money/money", pages.page(member, chosen), Sent.nothing());
    }

    @GetMapping("/money/account")
    ModelAndView account(@RequestParam(defaultValue = "") String of, @AuthenticationPrincipal SignedIn member) {
        return account(of, member, Sent.nothing());
    }

    private ModelAndView account(String of, SignedIn member, Sent<?> sent) {
        return PageView.of("money/account", accountPages.page(member, of), sent);
    }

    @GetMapping("/money/film")
    ModelAndView film(@AuthenticationPrincipal SignedIn member) {
        return PageView.of("money/film", film.page(member));
    }

    @GetMapping("/money/film.csv")
    ResponseEntity<byte[]> filmSaved(@AuthenticationPrincipal SignedIn member) {
        return Spreadsheet.saved("my-film.csv", film.csv(member));
    }

    @PostMapping("/money/payments")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView pay(Sent<PaymentForm> sent, @AuthenticationPrincipal SignedIn member) {
        sent.read("account", () -> known(sent));
        return forms.answer(
                sent,
                form -> {
                    money.pay(member, form.account(), form.paid(), form.when(), form.note());
                    return form.fromAccount() ? AccountPages.address(form.account()) + "&paid" : "/money?paid";
                },
                () -> again(member, sent, sent.typed("back").equals("account")));
    }

    @PostMapping("/money/corrections")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correct(Sent<CorrectionForm> sent, @AuthenticationPrincipal SignedIn member) {
        sent.read("account", () -> known(sent));
        return forms.answer(
                sent,
                form -> {
                    money.correct(member, form.account(), form.by(), form.how() == How.WRITE_OFF, form.reason());
                    return AccountPages.address(form.account()) + "&corrected";
                },
                () -> again(member, sent, true));
    }

    /** The page that a form came from, with what was typed; where nobody is of that name, the one with all accounts. */
    private ModelAndView again(SignedIn member, Sent<?> sent, boolean fromAccount) {
        return fromAccount && sent.errors().at("account") == null
                ? account(sent.typed("account"), member, sent)
                : PageView.of("money/money", pages.page(member, null), sent);
    }

    private String known(Sent<?> sent) {
        String account = sent.typed("account").strip();
        if (!accounts.names().contains(account)) {
            throw Refusal.of(new FormObjection.UnknownAccount());
        }
        return account;
    }
}
