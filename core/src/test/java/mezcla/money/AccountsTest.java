package mezcla.money;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.batch.BatchState;
import mezcla.batch.LogBook;
import mezcla.log.AccountCorrected;
import mezcla.log.Charge;
import mezcla.log.ChargingChosen;
import mezcla.log.EntryVoided;
import mezcla.log.EquipmentBought;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.KitPriced;
import mezcla.log.LaboratoryPriced;
import mezcla.log.LogEntry;
import mezcla.log.PaymentRecorded;
import mezcla.log.Purchase;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.testng.annotations.Test;

/** Accounts add up to the cent, whatever happens in whatever order. */
public class AccountsTest {
    private static final PrintedLimits PRINTED = new PrintedLimits(bath -> bath, 300, ZoneOffset.UTC);

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");
    private static final List<String> MEMBERS = List.of("Devi", "Ines", "Saoirse", "Tomasz");

    private static Money minor(long minor) {
        return Money.ofMinor(NZD, minor);
    }

    private static Roll roll(String owner, FilmFormat format) {
        return new Roll(owner, format, format.equivalents(), 0, false);
    }

    private static RunLogged run(TestLog log, double day, long batch, List<Roll> film, RunCharges.Rate rate) {
        BatchState state = log.state().batch(batch);
        return log.add(day, stamp -> new RunLogged(
                        stamp,
                        batch,
                        film,
                        state.fills().stream()
                                .map(fill -> new RunBath(fill.id(), 200, 1, 5, 0, null))
                                .toList(),
                        300,
                        List.of(),
                        null)
                .charged(RunCharges.of(film, rate, each -> each.owner().equals("A guest") ? "Ines" : each.owner())));
    }

    private static void kit(TestLog log, double day, long id, long landed, String paidBy) {
        log.add(
                day,
                stamp -> new KitArrived(
                        stamp,
                        id,
                        Leaflets.negative(),
                        minor(landed),
                        Money.zero(NZD),
                        null,
                        List.of(),
                        new Purchase(Money.zero(NZD), null, paidBy)));
    }

    private static RunCharges.Rate atCost(TestLog log, long batch, double more) {
        BatchState state = log.state().batch(batch);
        return RunCharges.rate(
                        state,
                        more,
                        Optional.empty(),
                        BatchCost.of(state, FillCosts.of(log.state()), PRINTED).map(BatchCost::total),
                        PRINTED,
                        OptionalDouble.empty(),
                        TestLog.day(1))
                .orElseThrow();
    }

    private static Accounts accounts(TestLog log) {
        return Accounts.of(log.book(), NZD, UnaryOperator.identity());
    }

    @Test
    public void aRollIsChargedWhatTheBatchIsExpectedToCostAndMadeEvenWhenItEnds() {
        TestLog log = new TestLog();
        kit(log, 0, 1, 4000, null);
        log.mix(0, 1, 1, 1000);
        RunCharges.Rate rate = atCost(log, 1, 1);
        assertThat(rate.aRoll()).as("ten rolls of developer").isEqualTo(minor(400));
        run(log, 1, 1, List.of(roll("Ines", FilmFormat.F120), roll("Devi", FilmFormat.F135_24)), rate);
        run(log, 2, 1, List.of(roll("A guest", FilmFormat.F120)), rate);
        assertThat(accounts(log).balances()).isEqualTo(Map.of("Ines", minor(-800), "Devi", minor(-300)));
        log.discard(3, 1, 1);
        assertThat(accounts(log).balances())
                .as("the bleach-fix still stands")
                .hasSize(2)
                .containsEntry("Devi", minor(-300));
        log.discard(3, 1, 2);
        assertThat(accounts(log).balances()).isEqualTo(Map.of("Ines", minor(-2909), "Devi", minor(-1091)));
        AccountLine line = accounts(log).of("Devi").get(1);
        assertThat(line.kind()).isEqualTo(AccountLine.Kind.MADE_EVEN);
        assertThat(line.batch()).isEqualTo(1);
        assertThat(line.at()).isEqualTo(TestLog.day(3));
    }

    @Test
    public void anAccountFollowsWhoeverIsCalledOtherwise() {
        TestLog log = new TestLog();
        kit(log, 0, 1, 4000, "Ines");
        log.mix(0, 1, 1, 1000);
        run(log, 1, 1, List.of(roll("Ines", FilmFormat.F120)), new RunCharges.Rate(minor(500), false));
        run(log, 2, 1, List.of(roll("Ines of the weir", FilmFormat.F120)), new RunCharges.Rate(minor(300), false));
        Accounts now = Accounts.of(log.book(), NZD, name -> name.equals("Ines") ? "Ines of the weir" : name);
        assertThat(now.balances()).isEqualTo(Map.of("Ines of the weir", minor(3200)));
        assertThat(now.of("Ines of the weir")).hasSize(3);
        assertThat(accounts(log).balances()).isEqualTo(Map.of("Ines", minor(3500), "Ines of the weir", minor(-300)));
    }

    @Test
    public void aPriceIsFinalAndTheHouseBearsTheRest() {
        TestLog log = new TestLog();
        kit(log, 0, 1, 4000, null);
        log.mix(0, 1, 1, 1000);
        run(log, 1, 1, List.of(roll("Ines", FilmFormat.F120)), new RunCharges.Rate(minor(500), false));
        run(log, 1, 1, List.of(roll("Devi", FilmFormat.F120)), new RunCharges.Rate(minor(400), true));
        log.discard(3, 1, 1);
        log.discard(3, 1, 2);
        assertThat(accounts(log).balance("Ines")).isEqualTo(minor(-500));
        assertThat(accounts(log).balance("Devi")).as("half of what it cost").isEqualTo(minor(-2000));
    }

    @Test
    public void aVoidTakesTheChargeBackAndEveryLineStays() {
        TestLog log = new TestLog();
        kit(log, 0, 1, 4000, null);
        log.mix(0, 1, 1, 1000);
        RunLogged first = run(log, 1, 1, List.of(roll("Ines", FilmFormat.F120)), atCost(log, 1, 1));
        run(log, 1, 1, List.of(roll("Devi", FilmFormat.F120)), atCost(log, 1, 1));
        log.discard(3, 1, 1);
        log.discard(3, 1, 2);
        List<AccountLine> before = accounts(log).lines();
        log.voidEntry(first.stamp().sequence());
        Accounts after = accounts(log);
        assertThat(after.lines()).startsWith(before.toArray(AccountLine[]::new));
        assertThat(after.balance("Ines")).isEqualTo(minor(0));
        assertThat(after.balance("Devi")).isEqualTo(minor(-4000));
        AccountLine back = after.of("Ines").stream()
                .filter(AccountLine::takesBack)
                .findFirst()
                .orElseThrow();
        assertThat(back.of()).isEqualTo(first.stamp().sequence());
        assertThat(back.film()).isEqualTo(new AccountLine.Film(FilmFormat.F120, -1, -1));
    }

    @Test
    public void aKitStandsToWhoeverPaidForItAtWhatItCost() {
        TestLog log = new TestLog();
        kit(log, 0, 1, 4000, "Ines");
        assertThat(accounts(log).balance("Ines")).isEqualTo(minor(4000));
        KitPriced priced = log.add(
                1,
                stamp -> new KitPriced(
                        stamp, 1, minor(3000), Money.zero(NZD), Money.zero(NZD), "Devi", "two names were swapped"));
        assertThat(accounts(log).balances()).isEqualTo(Map.of("Ines", minor(0), "Devi", minor(3000)));
        log.voidEntry(priced.stamp().sequence());
        assertThat(accounts(log).balances()).isEqualTo(Map.of("Ines", minor(4000), "Devi", minor(0)));
        log.voidEntry(1);
        assertThat(accounts(log).balance("Ines")).isEqualTo(minor(0));
    }

    @Test
    public void whatPricesHoldDependsOnTheDay() {
        TestLog log = new TestLog();
        log.add(2, stamp -> new ChargingChosen(stamp, "colour-negative", minor(450)));
        log.add(5, stamp -> new ChargingChosen(stamp, "colour-negative", null));
        log.add(3, stamp -> new LaboratoryPriced(stamp, "colour-negative", minor(1150)));
        log.add(3, stamp -> new EquipmentBought(stamp, "a bath", minor(9000)));
        log.add(4, stamp -> new EquipmentBought(stamp, "tanks", minor(6000)));
        HousePrices prices = HousePrices.of(log.entries());
        assertThat(prices.ofARoll("colour-negative", TestLog.day(1))).isEmpty();
        assertThat(prices.ofARoll("colour-negative", TestLog.day(2))).contains(minor(450));
        assertThat(prices.ofARoll("colour-negative", TestLog.day(6))).isEmpty();
        assertThat(prices.ofARoll("colour-slide", TestLog.day(3))).isEmpty();
        assertThat(prices.laboratory("colour-negative", TestLog.day(9))
                        .orElseThrow()
                        .price())
                .isEqualTo(minor(1150));
        assertThat(prices.equipmentCost()).contains(minor(15_000));
        log.voidEntry(5);
        assertThat(HousePrices.of(log.entries()).equipmentCost()).contains(minor(9000));
    }

    /** Plays histories and adds them up by hand, in another way than the accounts do. */
    @Test
    public void theyAddUpToTheCentInAnyHistory() {
        Random random = new Random(18);
        int made = 0;
        for (int history = 0; history < 40; history++) {
            TestLog log = new TestLog();
            kit(log, 0, 1, 1000 + random.nextInt(9000), random.nextBoolean() ? "Ines" : null);
            log.mix(0, 1, 1, 300);
            log.mix(0.1, 2, 1, 250);
            List<Long> voidable = new ArrayList<>();
            Set<Long> poured = new HashSet<>();
            for (int step = 0; step < 25; step++) {
                double day = 1 + step;
                long batch = 1 + random.nextInt(2);
                String member = MEMBERS.get(random.nextInt(4));
                switch (random.nextInt(8)) {
                    case 0, 1, 2 ->
                        voidable.add(run(
                                        log,
                                        day,
                                        batch,
                                        List.of(
                                                roll(member, FilmFormat.F135_24),
                                                roll(MEMBERS.get(random.nextInt(4)), FilmFormat.F120)),
                                        random.nextInt(4) == 0
                                                ? new RunCharges.Rate(minor(437), false)
                                                : new RunCharges.Rate(minor(random.nextInt(900)), true))
                                .stamp()
                                .sequence());
                    case 3 ->
                        voidable.add(log.add(
                                        day,
                                        stamp -> new PaymentRecorded(
                                                stamp, member, minor(random.nextInt(3000) - 500), null))
                                .stamp()
                                .sequence());
                    case 4 ->
                        voidable.add(log.add(
                                        day,
                                        stamp -> new AccountCorrected(
                                                stamp,
                                                member,
                                                minor(random.nextInt(600) - 300),
                                                random.nextBoolean(),
                                                "so"))
                                .stamp()
                                .sequence());
                    case 5 -> {
                        if (!voidable.isEmpty()) {
                            log.voidEntry(voidable.remove(random.nextInt(voidable.size())));
                        }
                    }
                    case 6 ->
                        log.state().batch(batch).fills().stream()
                                .filter(fill -> poured.add(fill.id()))
                                .findFirst()
                                .ifPresent(fill -> log.discard(day, batch, fill.id()));
                    default ->
                        log.add(
                                day,
                                stamp -> new KitPriced(
                                        stamp,
                                        1,
                                        minor(1000 + random.nextInt(9000)),
                                        Money.zero(NZD),
                                        Money.zero(NZD),
                                        random.nextBoolean() ? "Ines" : "Devi",
                                        "again"));
                }
                if (step == 20) {
                    log.add(day, stamp -> new KitFinished(stamp, 1));
                }
            }
            assertThat(accounts(log).balances().entrySet().stream()
                            .filter(entry -> !entry.getValue().isZero())
                            .toList())
                    .as("history %d", history)
                    .isEqualTo(plainly(log).entrySet().stream()
                            .filter(entry -> entry.getValue() != 0)
                            .map(entry -> Map.entry(entry.getKey(), minor(entry.getValue())))
                            .sorted(Map.Entry.comparingByKey())
                            .toList());
            Accounts grown = Accounts.of(LogBook.EMPTY, NZD, UnaryOperator.identity());
            for (int rows = 7; rows < log.entries().size(); rows += 7) {
                grown = grown.broughtUpTo(LogBook.EMPTY.with(log.entries().subList(0, rows)));
            }
            assertThat(grown.broughtUpTo(log.book()).lines())
                    .as("read bit by bit")
                    .isEqualTo(accounts(log).lines());
            made += (int) accounts(log).lines().stream()
                    .filter(line -> line.kind() == AccountLine.Kind.MADE_EVEN)
                    .count();
            for (BatchState batch : log.state().batches().values()) {
                sharedExactly(log, batch);
            }
        }
        assertThat(made).as("lines that make even").isGreaterThan(100);
    }

    /** Of an ended batch whose film was all charged at cost, accounts bear what it cost, to the cent. */
    private static void sharedExactly(TestLog log, BatchState batch) {
        boolean all =
                batch.runs().stream().flatMap(run -> run.charges().stream()).allMatch(Charge::atCost);
        if (batch.ended() && all && !batch.runs().isEmpty()) {
            Money borne = accounts(log)
                    .sum(accounts(log).lines().stream()
                            .filter(line -> line.batch() != null && line.batch() == batch.id())
                            .toList());
            assertThat(borne.negated())
                    .isEqualTo(BatchCost.of(batch, FillCosts.of(log.state()), PRINTED)
                            .orElseThrow()
                            .total());
        }
    }

    /** What each account comes to, from the rows that count and the state that they add up to, in cents. */
    private static Map<String, Long> plainly(TestLog log) {
        Set<Long> gone = new HashSet<>();
        log.entries().forEach(entry -> {
            if (entry instanceof EntryVoided voiding) {
                gone.add(voiding.voided());
            }
        });
        Map<String, Long> sums = new HashMap<>();
        String payer = null;
        long landed = 0;
        for (LogEntry entry : log.entries()) {
            if (gone.contains(entry.stamp().sequence())) {
                continue;
            }
            if (entry instanceof PaymentRecorded paid) {
                sums.merge(paid.account(), paid.amount().getAmountMinorLong(), Long::sum);
            } else if (entry instanceof AccountCorrected corrected) {
                sums.merge(corrected.account(), corrected.amount().getAmountMinorLong(), Long::sum);
            } else if (entry instanceof KitArrived kit) {
                payer = kit.bought().paidBy();
                landed = kit.landed().getAmountMinorLong();
            } else if (entry instanceof KitPriced priced) {
                payer = priced.paidBy();
                landed = priced.landed().getAmountMinorLong();
            }
        }
        if (payer != null) {
            sums.merge(payer, landed, Long::sum);
        }
        for (BatchState batch : log.state().batches().values()) {
            List<Charge> charges = new ArrayList<>();
            List<Double> weights = new ArrayList<>();
            batch.runs().forEach(run -> {
                charges.addAll(run.charges());
                run.rolls().forEach(roll -> weights.add(roll.equivalents()));
            });
            List<Money> shares = batch.ended() && !weights.isEmpty()
                    ? Sharing.split(
                            BatchCost.of(batch, FillCosts.of(log.state()), PRINTED)
                                    .orElseThrow()
                                    .total(),
                            weights)
                    : List.of();
            for (int i = 0; i < charges.size(); i++) {
                Charge charge = charges.get(i);
                Money due = charge.atCost() && !shares.isEmpty() ? shares.get(i) : charge.amount();
                sums.merge(charge.account(), -due.getAmountMinorLong(), Long::sum);
            }
        }
        return sums;
    }
}
