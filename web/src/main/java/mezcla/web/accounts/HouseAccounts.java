package mezcla.web.accounts;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Charge;
import mezcla.log.Roll;
import mezcla.money.Accounts;
import mezcla.money.BatchCost;
import mezcla.money.BatchSpending;
import mezcla.money.Demand;
import mezcla.money.FillCosts;
import mezcla.money.HousePrices;
import mezcla.money.PrintedLimits;
import mezcla.money.RunCharges;
import mezcla.planning.Bearer;
import mezcla.planning.QueuedFilm;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.log.DarkroomLog;
import mezcla.web.log.Remembered;
import mezcla.web.settings.HouseService;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads the accounts of the house, and says what film is charged. */
@Service
public class HouseAccounts {
    private final DarkroomLog log;
    private final HouseService houses;
    private final Members members;
    private final Planning planning;
    private final LogClock clock;
    private final Remembered<Reckoned> accounts = new Remembered<>();
    private final Remembered<HousePrices> prices = new Remembered<>();
    private final Remembered<List<BatchSpending>> spending = new Remembered<>();
    private final Remembered<Map<FilmProcess, OptionalDouble>> demand = new Remembered<>();
    private final Remembered<List<QueuedFilm>> waiting = new Remembered<>();

    HouseAccounts(DarkroomLog log, HouseService houses, Members members, Planning planning, LogClock clock) {
        this.planning = planning;
        this.log = log;
        this.houses = houses;
        this.members = members;
        this.clock = clock;
    }

    /** What is reckoned holds until another row is written, for an hour at most. */
    private record Until(long lastRow, Instant hour, KnownNames names, Object decided) {}

    private Until until(Object decided) {
        return new Until(
                log.book().lastSequence(), clock.instant().truncatedTo(ChronoUnit.HOURS), log.names(), decided);
    }

    /** The accounts; what was reckoned before is kept, as rows never change. */
    @Transactional(readOnly = true)
    public Accounts accounts() {
        LogBook book = log.book();
        CurrencyUnit currency = currency();
        KnownNames names = log.names();
        int edition = log.edition();
        return accounts.of(new Reckoning(book.lastSequence(), currency, names), () -> {
                    Reckoned before = accounts.last();
                    return before != null
                                    && before.accounts().currency().equals(currency)
                                    && before.names().equals(names)
                                    && before.edition() == edition
                            ? new Reckoned(before.accounts().broughtUpTo(book), names, edition)
                            : new Reckoned(Accounts.of(book, currency, names::present), names, edition);
                })
                .accounts();
    }

    private record Reckoning(long lastRow, CurrencyUnit currency, KnownNames names) {}

    private record Reckoned(Accounts accounts, KnownNames names, int edition) {}

    /** What the house decided and looked up about prices. */
    @Transactional(readOnly = true)
    public HousePrices prices() {
        LogBook book = log.book();
        return prices.of(book.lastSequence(), () -> HousePrices.of(book.entries()));
    }

    /** What everything about money rests on: the last row, the hour, and what counts where a sheet prints nothing. */
    @Transactional(readOnly = true)
    public Object restsOn() {
        return until(houses.standIns());
    }

    /** What each batch cost, and what came of it. */
    @Transactional(readOnly = true)
    public List<BatchSpending> spending() {
        return spending.of(
                until(houses.standIns()),
                () -> BatchSpending.of(log.state(), printed(), this::demand, clock.instant()));
    }

    /** What one batch cost, and what came of it; empty where nobody knows what it cost. */
    @Transactional(readOnly = true)
    public Optional<BatchSpending> spending(long batchId) {
        LogState state = log.state();
        BatchState batch = state.batch(batchId);
        return BatchSpending.of(batch, FillCosts.of(state, batch), printed(), demand(batch.process()), clock.instant());
    }

    /** The currency of the house. */
    @Transactional(readOnly = true)
    public CurrencyUnit currency() {
        return houses.house().currency();
    }

    /** What is printed for batches, with what stands in for what their sheets leave out. */
    @Transactional(readOnly = true)
    public PrintedLimits printed() {
        return new PrintedLimits(
                houses.standIns()::over,
                planning.nextRoll().tankMl(),
                houses.house().timeZone());
    }

    /**
     * What a roll equivalent of film is charged that goes through a batch.
     *
     * @param batchId the batch
     * @param more how many equivalents go through
     * @param when when they do: the price of that day counts
     * @return empty where no price was chosen and nobody knows what the batch cost
     */
    @Transactional(readOnly = true)
    public Optional<RunCharges.Rate> rate(long batchId, double more, Instant when) {
        LogState state = log.state();
        BatchState batch = state.batch(batchId);
        FilmProcess process = batch.process();
        return RunCharges.rate(
                batch,
                more,
                prices().ofARoll(process.key(), when),
                BatchCost.of(batch, FillCosts.of(state, batch), printed()).map(BatchCost::total),
                printed(),
                demand(process),
                when);
    }

    /**
     * What each roll of a run is charged; empty where nothing is.
     *
     * @param who who logs it, and so bears the film of a guest whom nobody else brought
     * @param when when it was run
     */
    @Transactional(readOnly = true)
    public List<Charge> charges(SignedIn who, long batchId, List<Roll> rolls, Instant when) {
        double more = rolls.stream().mapToDouble(Roll::equivalents).sum();
        return rate(batchId, more, when)
                .map(rate -> RunCharges.of(rolls, rate, bearer(who)))
                .orElse(List.of());
    }

    /** Whoever is known by a name bears film under it, by what they are called now. */
    private Function<Roll, String> bearer(SignedIn who) {
        KnownNames names = log.names();
        Set<Long> here = members.all().stream().map(SignedIn::id).collect(Collectors.toSet());
        List<String> known = names.names().stream()
                .filter(name -> here.contains(name.memberId()))
                .map(KnownNames.Name::text)
                .toList();
        Bearer bearer = new Bearer(known, film(), log.state(), who.name());
        return roll -> names.present(bearer.of(roll));
    }

    /** λ of a process; empty where nobody knows. */
    @Transactional(readOnly = true)
    public OptionalDouble demand(FilmProcess process) {
        return demand.of(until(""), ConcurrentHashMap::new)
                .computeIfAbsent(process, each -> Demand.perWeek(log.state(), each, clock.instant()));
    }

    /** The film that was ever left in the queue. */
    @Transactional(readOnly = true)
    public List<QueuedFilm> film() {
        LogBook book = log.book();
        return waiting.of(until(""), () -> QueuedFilm.of(book.entries()));
    }

    /** Every name that can have an account: members, and whoever had one before. */
    @Transactional(readOnly = true)
    public List<String> names() {
        List<String> names =
                new ArrayList<>(members.all().stream().map(SignedIn::name).toList());
        accounts().balances().keySet().stream()
                .filter(name -> !names.contains(name) && !name.equals(Roll.HOUSE))
                .forEach(names::add);
        names.sort(null);
        return names;
    }

    /**
     * The names of those whose accounts come to something; members without a line are among them where there are few.
     *
     * @param few how many names are few
     */
    @Transactional(readOnly = true)
    public List<String> withLines(int few) {
        List<String> names = accounts().balances().keySet().stream()
                .filter(name -> !name.equals(Roll.HOUSE))
                .toList();
        return names.size() < few ? names() : names;
    }

    /** The sum of money, in the currency of the house. */
    @Transactional(readOnly = true)
    public Money sum(List<Money> some) {
        return Money.total(currency(), some);
    }
}
