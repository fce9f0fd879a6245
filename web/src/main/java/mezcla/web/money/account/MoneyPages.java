package mezcla.web.money.account;

import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.LaboratoryPriced;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.money.AccountLine;
import mezcla.money.Accounts;
import mezcla.money.BatchCost;
import mezcla.money.BatchSpending;
import mezcla.money.BreakEven;
import mezcla.money.ExpectedCost;
import mezcla.money.HousePrices;
import mezcla.planning.BatchSize;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.accounts.KitOffers;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.cost.CostCurveDrawing;
import mezcla.web.log.Remembered;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.words.BalanceWords;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the page about money together. */
@Service
class MoneyPages {
    private static final int CARDS = 3;
    private static final int SHOWN = 8;
    private static final int CHOICES = 30;

    private final HouseAccounts accounts;
    private final Remembered<Standing> remembered = new Remembered<>();
    private final HouseService houses;
    private final KitOffers offers;
    private final LogClock clock;

    MoneyPages(HouseAccounts accounts, HouseService houses, KitOffers offers, LogClock clock) {
        this.accounts = accounts;
        this.houses = houses;
        this.offers = offers;
        this.clock = clock;
    }

    /**
     * The page.
     *
     * @param heading what it comes to
     * @param houseName the house
     * @param month this month, in words
     * @param monthKey this month, as addresses name it
     * @param curve the batch that is drawn; null where nobody knows what any cost
     * @param batches the batches that can be drawn, the newest first
     * @param rows whose accounts stand on it
     * @param others how many accounts do not stand on it, because they owe less
     * @param owing what they all owe, in words
     * @param even how they are charged, in words
     * @param covers whether prices cover what film cost, a sentence each
     * @param which what the cards rest on
     * @param cards the kits side by side
     * @param paidOff when equipment has paid for itself; empty where nobody can say
     */
    record Page(
            String heading,
            String houseName,
            String month,
            String monthKey,
            @Nullable Curve curve,
            List<Choice> batches,
            List<Row> rows,
            int others,
            String owing,
            String even,
            List<String> covers,
            String which,
            List<Card> cards,
            String paidOff) {}

    /** A batch as it is drawn. */
    record Curve(long batch, String title, CostCurveDrawing drawing, String below) {}

    /** A batch that can be drawn. */
    record Choice(long id, String name, boolean chosen) {}

    /** An account in this month, with what it comes to. */
    record Row(String name, String film, String charged, String paid, String balance, String owes, boolean good) {}

    /** A kit used in its best way. */
    record Card(String name, String aRoll, String rolls, String lasts, boolean best) {}

    /** What is the same for everybody, until another row is written. */
    private record Standing(List<BatchSpending> lately, List<String> covers, List<Money> owed, String owing) {}

    private Standing standing(Accounts all, List<BatchSpending> spending) {
        return new Standing(lately(spending), covers(spending, accounts.prices()), owed(all), owing(all));
    }

    @Transactional(readOnly = true)
    Page page(SignedIn member, @Nullable Long batch) {
        House house = houses.house();
        Accounts all = accounts.accounts();
        YearMonth month = YearMonth.from(clock.instant().atZone(house.timeZone()));
        List<String> names = member.isSteward() ? accounts.withLines(SHOWN) : List.of(member.name());
        List<Row> rows = names.stream()
                .sorted(Comparator.comparing(all::balance))
                .limit(SHOWN)
                .map(name -> row(all, name, month, house.timeZone()))
                .toList();
        List<BatchSpending> spending = accounts.spending();
        Standing standing = remembered.of(accounts.restsOn(), () -> standing(all, spending));
        List<BatchSpending> lately = standing.lately();
        Optional<BatchSpending> drawn = batch == null
                ? lately.stream().findFirst()
                : spending.stream().filter(each -> each.batch().id() == batch).findFirst();
        HousePrices prices = accounts.prices();
        FilmProcess process = drawn.map(each -> each.batch().process()).orElse(FilmProcess.COLOUR_NEGATIVE);
        OptionalDouble demand = accounts.demand(process);
        double perWeek = demand.orElse(1);
        List<BatchSize> best = offers.best(process, perWeek);
        return new Page(
                heading(member, all, standing.owed(), drawn.orElse(null)),
                house.name(),
                Figures.month(month),
                month.toString(),
                drawn.map(each -> curve(each, prices)).orElse(null),
                lately.stream()
                        .map(each -> new Choice(
                                each.batch().id(),
                                "Batch %d, %s"
                                        .formatted(
                                                each.batch().id(),
                                                each.batch().mixed().name()),
                                drawn.filter(chosen -> chosen.equals(each)).isPresent()))
                        .toList(),
                rows,
                member.isSteward() ? names.size() - rows.size() : 0,
                standing.owing(),
                even(prices, process),
                member.isSteward() ? standing.covers() : List.of(),
                "At %s a week of %s%s"
                        .formatted(
                                Figures.countOfRolls(rounded(perWeek)),
                                Figures.within(process.name()),
                                demand.isPresent() ? "" : ", as nobody has run any in the last eight weeks"),
                best.stream()
                        .limit(CARDS)
                        .map(size -> card(size, size.equals(best.get(0))))
                        .toList(),
                paidOff(prices, process, drawn.orElse(null)));
    }

    private static double rounded(double rolls) {
        return Math.round(rolls * 10) / 10.0;
    }

    /** The batches that can be drawn: what stands first, then by how much film of their process comes, then the last used. */
    private List<BatchSpending> lately(List<BatchSpending> spending) {
        Map<FilmProcess, Double> demand = new HashMap<>();
        record Placed(BatchSpending spending, boolean ended, double demand, long lastUse) {}
        return spending.stream()
                .map(each -> new Placed(
                        each,
                        each.endedAt() != null,
                        demand.computeIfAbsent(each.batch().process(), process -> accounts.demand(process)
                                .orElse(0)),
                        lastUse(each.batch())))
                .sorted(Comparator.comparing(Placed::ended)
                        .thenComparing(
                                Comparator.comparingDouble(Placed::demand).reversed())
                        .thenComparing(Comparator.comparingLong(Placed::lastUse).reversed()))
                .limit(CHOICES)
                .map(Placed::spending)
                .toList();
    }

    /** When it took its last run, in seconds; its runs are in the order in which they happened. */
    private static long lastUse(BatchState batch) {
        List<RunLogged> runs = batch.runs();
        return runs.isEmpty()
                ? 0
                : runs.get(runs.size() - 1).stamp().happenedAt().getEpochSecond();
    }

    private static String heading(SignedIn member, Accounts all, List<Money> owed, @Nullable BatchSpending drawn) {
        String cost = drawn == null
                ? ""
                : drawn.expected()
                        .map(ExpectedCost::aRoll)
                        .or(() -> drawn.cost().soFar())
                        .map(money -> "A roll of %s costs about %s; "
                                .formatted(
                                        Figures.within(drawn.batch().process().name()), Figures.money(money)))
                        .orElse("");
        if (!member.isSteward()) {
            Money own = all.balance(member.name());
            return Figures.sentence(cost + BalanceWords.yours(own));
        }
        long owing = owed.size();
        return Figures.sentence(cost
                + (owing == 0
                        ? "nobody owes anything"
                        : "%s %s %s"
                                .formatted(
                                        Figures.number(owing),
                                        owing == 1 ? "member owes" : "members owe",
                                        Figures.money(all.sumOf(owed).abs()))));
    }

    private static List<Money> owed(Accounts all) {
        return all.balances().entrySet().stream()
                .filter(entry ->
                        !entry.getKey().equals(Roll.HOUSE) && entry.getValue().isNegative())
                .map(Map.Entry::getValue)
                .toList();
    }

    private static String owing(Accounts all) {
        List<Money> credit = all.balances().entrySet().stream()
                .filter(entry ->
                        !entry.getKey().equals(Roll.HOUSE) && entry.getValue().isPositive())
                .map(Map.Entry::getValue)
                .toList();
        return "Owed to the house: %s. Owed by it: %s."
                .formatted(Figures.money(all.sumOf(owed(all)).abs()), Figures.money(all.sumOf(credit)));
    }

    private String even(HousePrices prices, FilmProcess process) {
        return prices.ofARoll(process.key(), clock.instant())
                .map(price -> "%s is charged %s a roll.".formatted(process.name(), Figures.money(price)))
                .orElse(
                        "%s is charged what it is expected to cost; when a batch ends, what it really cost is made even."
                                .formatted(process.name()));
    }

    private Curve curve(BatchSpending spending, HousePrices prices) {
        BatchState batch = spending.batch();
        Optional<Money> laboratory =
                prices.laboratory(batch.process().key(), clock.instant()).map(LaboratoryPriced::price);
        return new Curve(
                batch.id(),
                "Batch %d, %s, as it is used up"
                        .formatted(batch.id(), batch.mixed().name()),
                CostCurveDrawing.of(spending, accounts.printed().rolls(batch), laboratory),
                "%s in all: chemistry with its delivery.%s"
                        .formatted(
                                Figures.money(spending.cost().total()),
                                spending.cost()
                                        .whenRestIsUnused()
                                        .flatMap(BatchCost::soFar)
                                        .map(money -> " With what the kit leaves over (dotted), %s so far."
                                                .formatted(Figures.money(money)))
                                        .orElse("")));
    }

    /** Whether prices cover what ended batches of their process cost. */
    private List<String> covers(List<BatchSpending> spending, HousePrices prices) {
        List<String> said = new ArrayList<>();
        Instant now = clock.instant();
        for (FilmProcess process : offers.processes()) {
            Optional<Money> price = prices.ofARoll(process.key(), now);
            Optional<BatchSpending.Sum> ended = BatchSpending.sum(spending.stream()
                    .filter(each ->
                            each.endedAt() != null && each.batch().process().equals(process))
                    .filter(each -> each.rolls() > 0)
                    .toList());
            if (price.isEmpty() || ended.isEmpty()) {
                continue;
            }
            Money covering = ended.get().coveringPrice().orElseThrow();
            boolean covers = !price.get().isLessThan(covering);
            said.add("%s: %s a roll %s what the batches that ended cost; %s covers it."
                    .formatted(
                            process.name(),
                            Figures.money(price.get()),
                            covers ? "covers" : "does not cover",
                            Figures.money(covering)));
        }
        return said;
    }

    private static Card card(BatchSize size, boolean best) {
        return new Card(
                size.batches() == 1
                        ? size.offer().name()
                        : "%s, in batches of %s".formatted(size.offer().name(), Figures.inAll(size.volumeMl())),
                size.aRoll().getAmount().toPlainString(),
                "%s of %s".formatted(Figures.plain(size.expectedRolls(), 1), Figures.countOfRolls(size.capacity())),
                size.wasted() < 0.05
                        ? "lasts %s each, hardly any is wasted".formatted(Figures.weeks(size.lastsWeeks()))
                        : "lasts %s each, %s %% wasted by age"
                                .formatted(Figures.weeks(size.lastsWeeks()), Figures.plain(size.wasted() * 100, 0)),
                best);
    }

    private String paidOff(HousePrices prices, FilmProcess process, @Nullable BatchSpending drawn) {
        Optional<Money> laboratory =
                prices.laboratory(process.key(), clock.instant()).map(LaboratoryPriced::price);
        Optional<Money> own =
                drawn == null ? Optional.empty() : drawn.expected().map(ExpectedCost::aRoll);
        if (laboratory.isEmpty() || own.isEmpty()) {
            return "";
        }
        Money saved = laboratory.get().minus(own.get());
        String against = saved.isPositive()
                ? "A laboratory takes %s, %s more.".formatted(Figures.money(laboratory.get()), Figures.money(saved))
                : "A laboratory takes %s, no more than it costs here.".formatted(Figures.money(laboratory.get()));
        return prices.equipmentCost()
                .map(equipment -> {
                    var rolls = BreakEven.rolls(equipment, laboratory.get(), own.get());
                    return against
                            + (rolls.isPresent()
                                    ? " Equipment of %s has paid for itself after %d rolls."
                                            .formatted(Figures.money(equipment), rolls.getAsLong())
                                    : " Equipment of %s never pays for itself so.".formatted(Figures.money(equipment)));
                })
                .orElse(against);
    }

    private static Row row(Accounts all, String name, YearMonth month, ZoneId zone) {
        List<AccountLine> lines = all.of(name).stream()
                .filter(line -> YearMonth.from(line.at().atZone(zone)).equals(month))
                .toList();
        int rolls = lines.stream()
                .map(AccountLine::film)
                .filter(Objects::nonNull)
                .mapToInt(AccountLine.Film::rolls)
                .sum();
        Money charged = all.sum(lines.stream()
                .filter(line -> line.kind() == AccountLine.Kind.CHARGE || line.kind() == AccountLine.Kind.MADE_EVEN)
                .toList());
        Money other = all.sum(lines.stream()
                .filter(line -> line.kind() == AccountLine.Kind.PAYMENT || line.kind() == AccountLine.Kind.KIT)
                .toList());
        Money balance = all.balance(name);
        return new Row(
                name,
                rolls == 0 ? "–" : Figures.count(rolls, "roll"),
                charged.isZero() ? "–" : charged.negated().getAmount().toPlainString(),
                other.isZero() ? "–" : other.getAmount().toPlainString(),
                Figures.signed(balance),
                balance.isNegative() ? balance.abs().getAmount().toPlainString() : "",
                !balance.isNegative());
    }
}
