package mezcla.web.money.account;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import mezcla.batch.LogBook;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.money.AccountLine;
import mezcla.money.Accounts;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.BalanceWords;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts an account together, line by line, each with where it comes from. */
@Service
class AccountPages {
    private final HouseAccounts accounts;
    private final DarkroomLog log;
    private final HouseService houses;

    AccountPages(HouseAccounts accounts, DarkroomLog log, HouseService houses) {
        this.accounts = accounts;
        this.log = log;
        this.houses = houses;
    }

    /**
     * An account.
     *
     * @param heading what it comes to
     * @param houseName the house
     * @param name whose it is
     * @param lines its lines, the newest first
     * @param owes what it owes, plainly, for the field of a payment; empty for nothing
     */
    record Page(String heading, String houseName, String name, List<Line> lines, String owes) {}

    /** A line: when, what, how much, what it came to then, and the entry that it comes from. */
    record Line(String day, String what, String amount, boolean good, String balance, String page) {}

    /** The address of an account. */
    static String address(String name) {
        return "/money/account?of=" + URLEncoder.encode(name, StandardCharsets.UTF_8);
    }

    /**
     * An account; members see their own.
     *
     * @param of whose; empty for the member's own
     * @throws Refusal {@code unknown-account}
     */
    @Transactional(readOnly = true)
    Page page(SignedIn member, String of) {
        String name = of.isBlank() ? member.name() : of;
        if (!member.isSteward() && !name.equals(member.name())) {
            throw new AccessDeniedException("the account of somebody else");
        }
        if (!accounts.names().contains(name)) {
            throw Refusal.of(new FormObjection.UnknownAccount());
        }
        Accounts all = accounts.accounts();
        Money balance = all.balance(name);
        return new Page(
                Figures.sentence(
                        name.equals(member.name()) ? BalanceWords.yours(balance) : BalanceWords.of(name, balance)),
                houses.house().name(),
                name,
                lines(all, name),
                balance.isNegative() ? balance.abs().getAmount().toPlainString() : "");
    }

    private List<Line> lines(Accounts all, String name) {
        ZoneId zone = houses.house().timeZone();
        LogBook book = log.book();
        List<Line> lines = new ArrayList<>();
        Money sum = Money.zero(all.currency());
        for (AccountLine line : all.of(name).stream()
                .sorted(Comparator.comparing(AccountLine::at))
                .toList()) {
            sum = sum.plus(line.amount());
            lines.add(new Line(
                    Figures.dayAndYear(line.at(), zone),
                    what(line, book),
                    Figures.signed(line.amount()),
                    !line.amount().isNegative(),
                    Figures.signed(sum),
                    page(line)));
        }
        Collections.reverse(lines);
        return lines;
    }

    /** What a line is, in words. */
    String what(AccountLine line, LogBook book) {
        String said =
                switch (line.kind()) {
                    case CHARGE ->
                        book.find(line.of()).map(entry -> film(entry, line)).orElse("Film");
                    case MADE_EVEN -> "Batch %d made even: what it really cost".formatted(line.batch());
                    case KIT -> "Paid for kit %d".formatted(line.kit());
                    case PAYMENT, CORRECTION, WRITTEN_OFF ->
                        book.find(line.of())
                                .map(entry -> entry.accept(new EntryWords(book, houses.house())))
                                .orElse(line.kind().words());
                };
        return line.takesBack() ? "Taken back: " + Figures.within(said) : said;
    }

    private static String film(LogEntry run, AccountLine line) {
        AccountLine.Film film = line.film();
        List<String> names = run.rolls().stream()
                .filter(roll -> film != null && roll.format() == film.format())
                .filter(roll ->
                        run.charges().get(run.rolls().indexOf(roll)).account().equals(line.account()))
                .flatMap(roll -> Stream.ofNullable(roll.film()))
                .flatMap(what -> Stream.ofNullable(what.name()))
                .distinct()
                .toList();
        return "%d × %s through batch %d%s"
                .formatted(
                        film == null ? 0 : Math.abs(film.rolls()),
                        film == null ? "" : film.format().label(),
                        line.batch(),
                        names.isEmpty() ? "" : ": " + String.join(", ", names));
    }

    private static String page(AccountLine line) {
        return switch (line.kind()) {
            case CHARGE, MADE_EVEN -> "/batches/" + line.batch();
            case KIT -> "/kits/" + line.kit();
            case PAYMENT, CORRECTION, WRITTEN_OFF -> line.takesBack() ? "" : "/journal/" + line.of() + "/void";
        };
    }
}
