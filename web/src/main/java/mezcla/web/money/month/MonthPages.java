package mezcla.web.money.month;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalTime;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.LogBook;
import mezcla.leaflet.WasteRoute;
import mezcla.log.DrumCollected;
import mezcla.log.EntryGroup;
import mezcla.log.FillsDiscarded;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.measure.Refusal;
import mezcla.money.AccountLine;
import mezcla.money.Accounts;
import mezcla.money.BatchSpending;
import mezcla.money.HouseSide;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.clock.LogClock;
import mezcla.web.cupboard.CupboardService;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.words.Figures;
import mezcla.web.words.Spreadsheet;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the end of a month together: accounts, the house's side, batches that ended, waste. */
@Service
@PreAuthorize("hasRole('STEWARD')")
class MonthPages {
    private static final int MONTHS = 24;

    private final HouseAccounts accounts;
    private final HouseService houses;
    private final DarkroomLog log;
    private final CupboardService cupboard;
    private final WasteService waste;
    private final LogClock clock;

    MonthPages(
            HouseAccounts accounts,
            HouseService houses,
            DarkroomLog log,
            CupboardService cupboard,
            WasteService waste,
            LogClock clock) {
        this.waste = waste;
        this.cupboard = cupboard;
        this.accounts = accounts;
        this.houses = houses;
        this.log = log;
        this.clock = clock;
    }

    /**
     * The end of a month.
     *
     * @param heading what it comes to
     * @param houseName the house
     * @param month the month, in words
     * @param key the month, as addresses name it
     * @param months the months that can be looked at, the latest first
     * @param rows the accounts
     * @param side the house's side, line by line
     * @param batches the batches that ended in it
     * @param kinds the same and what still stands, by process
     * @param kits what each kit that came in it cost
     * @param waste what was poured away, and what was collected
     * @param orders what has to be ordered now
     * @param printed when this page was put together
     */
    record Page(
            String heading,
            String houseName,
            String month,
            String key,
            List<Month> months,
            List<Row> rows,
            List<Figure> side,
            List<Figure> batches,
            List<Figure> kinds,
            List<Figure> kits,
            List<Figure> waste,
            List<String> orders,
            String printed) {}

    /** A month that can be looked at. */
    record Month(String key, String name, boolean chosen) {}

    /** An account: what it came to before, what was added and taken, what it comes to after. */
    record Row(
            String name,
            String before,
            String film,
            String charged,
            String paid,
            String kits,
            String other,
            String after) {}

    /** A figure with what it is. */
    record Figure(String what, String figure, String said) {}

    /**
     * The month of that key.
     *
     * @throws Refusal {@code not-a-month}
     */
    YearMonth month(String key) {
        YearMonth now = YearMonth.from(clock.instant().atZone(zone()));
        if (key.isBlank()) {
            return now;
        }
        try {
            YearMonth month = YearMonth.parse(key);
            if (month.isAfter(now) || month.isBefore(now.minusYears(100))) {
                throw Refusal.of(new FormObjection.NotAMonth(key));
            }
            return month;
        } catch (DateTimeException e) {
            throw Refusal.of(new FormObjection.NotAMonth(key));
        }
    }

    private ZoneId zone() {
        return houses.house().timeZone();
    }

    private Instant begin(YearMonth month) {
        return month.atDay(1).atTime(LocalTime.MIN).atZone(zone()).toInstant();
    }

    @Transactional(readOnly = true)
    Page page(YearMonth month) {
        House house = houses.house();
        Accounts all = accounts.accounts();
        Instant from = begin(month);
        Instant to = begin(month.plusMonths(1));
        List<BatchSpending> spending = accounts.spending();
        List<BatchSpending> ended = spending.stream()
                .filter(each -> within(each.endedAt(), from, to))
                .toList();
        HouseSide side = HouseSide.of(
                all,
                log.state().kits().values().stream().map(HouseSide.KitPaid::of).toList(),
                from,
                to);
        return new Page(
                heading(month, all, from, to),
                house.name(),
                Figures.month(month),
                month.toString(),
                months(month),
                rows(all, from, to),
                side(side),
                ended.stream().map(MonthPages::batch).toList(),
                kinds(spending),
                log.state().kits().values().stream()
                        .filter(kit -> within(kit.arrival().stamp().happenedAt(), from, to))
                        .map(kit -> new Figure(
                                "Kit %d, %s"
                                        .formatted(
                                                kit.id(),
                                                kit.arrival().leaflet().name()),
                                kit.landed().getAmount().toPlainString(),
                                (HouseSide.KitPaid.of(kit).byHouse() ? "paid by the house" : "paid by a member")
                                        + ofKit(kit.id(), spending)))
                        .toList(),
                waste(from, to),
                cupboard.orders(),
                Figures.dayAndYear(clock.instant(), zone()));
    }

    private static boolean within(@Nullable Instant at, Instant from, Instant to) {
        return at != null && !at.isBefore(from) && at.isBefore(to);
    }

    private List<Month> months(YearMonth chosen) {
        YearMonth now = YearMonth.from(clock.instant().atZone(zone()));
        return Stream.iterate(now, month -> month.minusMonths(1))
                .limit(MONTHS)
                .map(month -> new Month(month.toString(), Figures.month(month), month.equals(chosen)))
                .toList();
    }

    private static String heading(YearMonth month, Accounts all, Instant from, Instant to) {
        List<AccountLine> lines = all.between(from, to).stream()
                .filter(line -> !line.account().equals(Roll.HOUSE))
                .toList();
        Money charged = all.sum(of(lines, AccountLine.Kind.CHARGE, AccountLine.Kind.MADE_EVEN))
                .negated();
        Money paid = all.sum(of(lines, AccountLine.Kind.PAYMENT));
        return "%s: %s charged, %s paid".formatted(Figures.month(month), Figures.money(charged), Figures.money(paid));
    }

    private static List<AccountLine> of(List<AccountLine> lines, AccountLine.Kind... kinds) {
        List<AccountLine.Kind> wanted = List.of(kinds);
        return lines.stream().filter(line -> wanted.contains(line.kind())).toList();
    }

    private static List<Row> rows(Accounts all, Instant from, Instant to) {
        List<Row> rows = new ArrayList<>();
        all.byAccount().forEach((name, lines) -> {
            Money before = all.sum(
                    lines.stream().filter(line -> line.at().isBefore(from)).toList());
            List<AccountLine> month =
                    lines.stream().filter(line -> within(line.at(), from, to)).toList();
            int rolls = month.stream()
                    .map(AccountLine::film)
                    .filter(Objects::nonNull)
                    .mapToInt(AccountLine.Film::rolls)
                    .sum();
            rows.add(new Row(
                    name,
                    Figures.signed(before),
                    rolls == 0 ? "–" : Integer.toString(rolls),
                    plain(all.sum(of(month, AccountLine.Kind.CHARGE, AccountLine.Kind.MADE_EVEN))),
                    plain(all.sum(of(month, AccountLine.Kind.PAYMENT))),
                    plain(all.sum(of(month, AccountLine.Kind.KIT))),
                    plain(all.sum(of(month, AccountLine.Kind.CORRECTION, AccountLine.Kind.WRITTEN_OFF))),
                    Figures.signed(before.plus(all.sum(month)))));
        });
        return rows;
    }

    private static String plain(Money money) {
        return money.isZero() ? "–" : Figures.signed(money);
    }

    private static List<Figure> side(HouseSide side) {
        return List.of(
                figure("Members paid", side.cameIn(), ""),
                figure("Members were paid", side.wentOut(), ""),
                figure("Kits that the house paid for", side.kitsOfHouse(), ""),
                figure("More in the box than before", side.inTheBox(), "paid, less paid out, less kits"),
                figure("Kits that members paid for", side.kitsOfMembers(), "they stand to their credit"),
                figure("Film of members charged", side.charged(), "with what was made even"),
                figure("Film of the house", side.ownFilm(), "the house bears it"),
                figure("Corrections of accounts", side.corrected(), ""),
                figure("Written off", side.writtenOff(), "the house bears it"));
    }

    private static Figure figure(String what, Money money, String said) {
        return new Figure(what, Figures.signed(money).replace("+", ""), said);
    }

    private static Figure batch(BatchSpending spending) {
        return new Figure(
                "Batch %d, %s"
                        .formatted(
                                spending.batch().id(), spending.batch().mixed().name()),
                spending.cost().total().getAmount().toPlainString(),
                "%s%s%s"
                        .formatted(
                                Figures.countOfRolls(Math.round(spending.rolls() * 100) / 100.0),
                                spending.cost()
                                        .soFar()
                                        .map(money -> ", " + Figures.money(money) + " a roll")
                                        .orElse(""),
                                spending.unused().isZero()
                                        ? ""
                                        : ", %s poured away unused".formatted(Figures.money(spending.unused()))));
    }

    private static List<Figure> kinds(List<BatchSpending> spending) {
        Map<String, List<BatchSpending>> byProcess = spending.stream()
                .collect(Collectors.groupingBy(
                        each -> each.batch().process().name(), TreeMap::new, Collectors.toList()));
        List<Figure> figures = new ArrayList<>();
        byProcess.forEach((process, batches) -> BatchSpending.sum(batches)
                .ifPresent(sum -> figures.add(new Figure(
                        process,
                        sum.total().getAmount().toPlainString(),
                        "%s in all%s, %s taken by age and waste"
                                .formatted(
                                        Figures.countOfRolls(Math.round(sum.rolls() * 100) / 100.0),
                                        sum.aRoll()
                                                .map(money -> ", " + Figures.money(money) + " a roll")
                                                .orElse(""),
                                        Figures.money(sum.unused()))))));
        return figures;
    }

    /** What rolls cost that were run through what was mixed from a kit. */
    private static String ofKit(long kit, List<BatchSpending> spending) {
        return BatchSpending.sum(spending.stream()
                        .filter(each -> each.kits().contains(kit))
                        .toList())
                .flatMap(sum -> sum.aRoll().map(money -> "; its batches did %s so far, %s a roll"
                        .formatted(Figures.countOfRolls(Math.round(sum.rolls() * 100) / 100.0), Figures.money(money))))
                .orElse("");
    }

    private List<Figure> waste(Instant from, Instant to) {
        LogBook book = log.book();
        List<LogEntry> counting = book.entries().stream()
                .filter(row -> row.kind().group() == EntryGroup.DISCARDS)
                .filter(row -> book.voiding(row.stamp().sequence()).isEmpty())
                .filter(row -> within(row.stamp().happenedAt(), from, to))
                .toList();
        Map<WasteRoute, Double> poured = new EnumMap<>(WasteRoute.class);
        LogEntry.only(counting, FillsDiscarded.class)
                .flatMap(row -> row.fills().stream())
                .forEach(fill -> poured.merge(fill.route(), fill.volumeMl(), Double::sum));
        List<Figure> figures = new ArrayList<>();
        poured.forEach((route, ml) -> figures.add(new Figure(route.words(), Figures.inAll(ml), "poured away")));
        waste.levels()
                .forEach(level -> figures.add(new Figure(
                        level.drum().name(),
                        Figures.inAll(level.levelMl()),
                        "in it now, since it was last collected")));
        LogEntry.only(counting, DrumCollected.class)
                .forEach(drum -> figures.add(new Figure(
                        drum.drum(),
                        Figures.inAll(drum.volumeMl()),
                        "collected on %s%s%s"
                                .formatted(
                                        Figures.day(drum.stamp().happenedAt(), zone()),
                                        drum.firm() == null ? "" : " by " + drum.firm(),
                                        drum.receipt() == null ? "" : ", receipt " + drum.receipt()))));
        return figures;
    }

    /** The month as comma-separated values: a row a line of an account. */
    @Transactional(readOnly = true)
    String csv(YearMonth month) {
        Accounts all = accounts.accounts();
        Instant from = begin(month);
        Instant to = begin(month.plusMonths(1));
        Map<Long, String> processes = log.state().batches().values().stream()
                .collect(Collectors.toMap(
                        batch -> batch.id(), batch -> batch.process().name()));
        Function<AccountLine, Object> process =
                line -> Optional.ofNullable(line.batch()).map(processes::get).orElse("");
        List<List<Object>> rows = new ArrayList<>();
        all.byAccount().forEach((name, lines) -> {
            Money sum = Money.zero(all.currency());
            for (AccountLine line :
                    lines.stream().sorted(Comparator.comparing(AccountLine::at)).toList()) {
                sum = sum.plus(line.amount());
                if (!within(line.at(), from, to)) {
                    continue;
                }
                boolean charge = line.kind() == AccountLine.Kind.CHARGE || line.kind() == AccountLine.Kind.MADE_EVEN;
                AccountLine.Film film = line.film();
                rows.add(List.of(
                        name,
                        line.at().atZone(zone()).toLocalDate().toString(),
                        line.batch() == null ? "" : line.batch(),
                        process.apply(line),
                        film == null ? line.kind().words() : film.format().label(),
                        film == null ? "" : film.rolls(),
                        film == null
                                ? ""
                                : BigDecimal.valueOf(film.equivalents())
                                        .stripTrailingZeros()
                                        .toPlainString(),
                        charge ? line.amount().negated().getAmount() : "",
                        charge ? "" : line.amount().getAmount(),
                        sum.getAmount()));
            }
        });
        return Spreadsheet.of(
                List.of(
                        "member",
                        "date",
                        "batch",
                        "process",
                        "format",
                        "rolls",
                        "equivalents",
                        "charge",
                        "payment",
                        "balance"),
                rows);
    }
}
