package mezcla.money;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.log.AccountMove;
import mezcla.log.Charge;
import mezcla.log.KitPayment;
import mezcla.log.LogEntry;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.log.Subject;
import mezcla.measure.FilmFormat;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * The accounts that a log adds up to (rules, section 8). Rows are gone through in the order in which they were recorded;
 * what a later one changes becomes a line of its own, so no line ever moves. A batch that ended is made even: its cost is
 * shared by roll equivalents, to the cent, over the film that was charged at cost, and made even again whenever a later
 * row changes what it cost or what ran through it.
 */
public final class Accounts {
    private final CurrencyUnit currency;
    private final UnaryOperator<String> present;
    private final List<AccountLine> lines;
    private final Map<String, List<AccountLine>> byAccount;
    private final Map<String, Money> balances = new TreeMap<>();
    private final Map<Long, MadeEven> even;

    private Accounts(
            CurrencyUnit currency, UnaryOperator<String> present, List<AccountLine> lines, Map<Long, MadeEven> even) {
        this.currency = currency;
        this.present = present;
        this.lines = lines.stream()
                .map(line -> line.on(present.apply(line.account())))
                .toList();
        this.even = Map.copyOf(even);
        this.byAccount = this.lines.stream()
                .collect(Collectors.groupingBy(AccountLine::account, TreeMap::new, Collectors.toUnmodifiableList()));
        byAccount.forEach((account, own) -> balances.put(account, sum(own)));
    }

    /** The lines that make a batch even, as far as its rows were known. */
    private record MadeEven(long lastRow, List<AccountLine> lines) {}

    /**
     * Adds the accounts up.
     *
     * @param book the log
     * @param currency the house's
     * @param present what whoever had a name is called now: accounts follow people, not names
     */
    public static Accounts of(LogBook book, CurrencyUnit currency, UnaryOperator<String> present) {
        return new Accounts(currency, present, List.of(), Map.of()).broughtUpTo(book);
    }

    /**
     * The accounts of the same log, with rows added since; batches about which nothing was written are not gone through
     * again.
     */
    public Accounts broughtUpTo(LogBook book) {
        List<AccountLine> all = new Rows(book).lines();
        Map<Long, MadeEven> now = new HashMap<>();
        for (BatchState batch : book.state().batches().values()) {
            long last = book.lastAbout(batch.id());
            MadeEven known = even.get(batch.id());
            MadeEven made = known != null && known.lastRow() == last
                    ? known
                    : new MadeEven(last, new EndedBatch(book, batch.id(), currency).lines());
            now.put(batch.id(), made);
            all.addAll(made.lines());
        }
        all.sort(Comparator.comparingLong(AccountLine::entry));
        return new Accounts(currency, present, all, now);
    }

    /** Every line, in the order of recording. */
    public List<AccountLine> lines() {
        return lines;
    }

    /** The lines of an account, in the order of recording. */
    public List<AccountLine> of(String account) {
        return byAccount.getOrDefault(account, List.of());
    }

    /** What an account comes to; below zero for what it owes. */
    public Money balance(String account) {
        return balances.getOrDefault(account, Money.zero(currency));
    }

    /** Every account that ever had a line, by name, with what it comes to. */
    public Map<String, Money> balances() {
        return Collections.unmodifiableMap(balances);
    }

    /** What lines come to. */
    public Money sum(Collection<AccountLine> some) {
        return Money.total(currency, some.stream().map(AccountLine::amount).toList());
    }

    /** Some money together. */
    public Money sumOf(Collection<Money> some) {
        return Money.total(currency, some);
    }

    /** The currency of the house. */
    public CurrencyUnit currency() {
        return currency;
    }

    /** What rows bring by themselves: charges, payments, kits, corrections, and voids that take them back. */
    private static final class Rows {
        private final LogBook book;
        private final List<AccountLine> lines = new ArrayList<>();
        private final Map<Long, List<AccountLine>> byEntry = new HashMap<>();
        private final Map<Long, List<Paid>> kits = new HashMap<>();
        private final Set<Long> gone = new HashSet<>();

        /** Who had paid how much for a kit, as a row says. */
        private record Paid(long entry, KitPayment payment) {}

        Rows(LogBook book) {
            this.book = book;
        }

        List<AccountLine> lines() {
            for (LogEntry entry : book.entries()) {
                charges(entry);
                entry.accountMove()
                        .ifPresent(move -> add(entry, entry, move.account(), kind(move), move.amount(), null));
                entry.kitPayment().ifPresent(payment -> paid(entry, payment));
                entry.voids().filter(gone::add).ifPresent(voided -> takeBack(entry, voided));
            }
            return lines;
        }

        private static AccountLine.Kind kind(AccountMove move) {
            return switch (move.what()) {
                case PAID -> AccountLine.Kind.PAYMENT;
                case CORRECTED -> AccountLine.Kind.CORRECTION;
                case WRITTEN_OFF -> AccountLine.Kind.WRITTEN_OFF;
            };
        }

        private void charges(LogEntry run) {
            record Group(String account, FilmFormat format) {}
            Map<Group, List<Integer>> groups = new LinkedHashMap<>();
            for (int i = 0; i < run.charges().size(); i++) {
                groups.computeIfAbsent(
                                new Group(
                                        run.charges().get(i).account(),
                                        run.rolls().get(i).format()),
                                group -> new ArrayList<>())
                        .add(i);
            }
            groups.forEach((group, rolls) -> {
                Money charged = Money.total(
                        rolls.stream().map(i -> run.charges().get(i).amount()).toList());
                double equivalents = rolls.stream()
                        .mapToDouble(i -> run.rolls().get(i).equivalents())
                        .sum();
                keep(new AccountLine(
                        run.stamp().sequence(),
                        run.stamp().sequence(),
                        run.stamp().happenedAt(),
                        group.account(),
                        AccountLine.Kind.CHARGE,
                        charged.negated(),
                        run.batchNamed().orElseThrow(),
                        null,
                        new AccountLine.Film(group.format(), rolls.size(), equivalents)));
            });
        }

        /** What a kit cost stands to whoever paid for it; when that is put right, the difference is a line. */
        private void paid(LogEntry entry, KitPayment payment) {
            List<Paid> known = kits.computeIfAbsent(payment.kitId(), id -> new ArrayList<>());
            change(entry, payment.kitId(), last(known, gone), Optional.of(payment));
            known.add(new Paid(entry.stamp().sequence(), payment));
        }

        private static Optional<KitPayment> last(List<Paid> known, Set<Long> gone) {
            return known.stream()
                    .filter(paid -> !gone.contains(paid.entry()))
                    .map(Paid::payment)
                    .reduce((earlier, later) -> later);
        }

        private void change(LogEntry entry, long kit, Optional<KitPayment> before, Optional<KitPayment> after) {
            Map<String, Money> change = new LinkedHashMap<>();
            after.ifPresent(payment -> change.merge(payment.account(), payment.landed(), Money::plus));
            before.ifPresent(
                    payment -> change.merge(payment.account(), payment.landed().negated(), Money::plus));
            change.forEach((account, amount) -> {
                if (!account.equals(Roll.HOUSE)) {
                    add(entry, entry, account, AccountLine.Kind.KIT, amount, kit);
                }
            });
        }

        private void takeBack(LogEntry voiding, long voided) {
            Optional<KitPayment> kit = book.find(voided).flatMap(LogEntry::kitPayment);
            if (kit.isPresent()) {
                List<Paid> known = kits.getOrDefault(kit.get().kitId(), List.of());
                Set<Long> others = new HashSet<>(gone);
                others.remove(voided);
                change(voiding, kit.get().kitId(), last(known, others), last(known, gone));
                return;
            }
            for (AccountLine line : List.copyOf(byEntry.getOrDefault(voided, List.of()))) {
                AccountLine.Film film = line.film();
                keep(new AccountLine(
                        voiding.stamp().sequence(),
                        line.entry(),
                        voiding.stamp().happenedAt(),
                        line.account(),
                        line.kind(),
                        line.amount().negated(),
                        line.batch(),
                        line.kit(),
                        film == null ? null : new AccountLine.Film(film.format(), -film.rolls(), -film.equivalents())));
            }
        }

        private void add(
                LogEntry entry, LogEntry of, String account, AccountLine.Kind kind, Money amount, @Nullable Long kit) {
            if (!amount.isZero()) {
                keep(new AccountLine(
                        entry.stamp().sequence(),
                        of.stamp().sequence(),
                        entry.stamp().happenedAt(),
                        account,
                        kind,
                        amount,
                        null,
                        kit,
                        null));
            }
        }

        private void keep(AccountLine line) {
            lines.add(line);
            byEntry.computeIfAbsent(line.entry(), id -> new ArrayList<>()).add(line);
        }
    }

    /** Makes a batch even when it has ended, and again with every later row that changes it. */
    private static final class EndedBatch {
        private final List<LogEntry> rows;
        private final long id;
        private final CurrencyUnit currency;
        private final Set<Subject> own = new HashSet<>();

        EndedBatch(LogBook book, long id, CurrencyUnit currency) {
            this.rows = book.about(id);
            this.id = id;
            this.currency = currency;
            own.add(Subject.batch(id));
            BatchState batch = book.state().batch(id);
            for (FillState fill : batch.own().toList()) {
                own.add(Subject.fill(fill.id()));
                fill.mixed().uses().forEach(use -> own.add(Subject.kit(use.kitId())));
            }
            rows.stream()
                    .filter(row -> row.fillsConcerned().stream().anyMatch(fill -> own.contains(Subject.fill(fill))))
                    .flatMap(row -> row.touches().stream())
                    .filter(each -> each.kind() == Subject.Kind.KIT)
                    .forEach(own::add);
        }

        List<AccountLine> lines() {
            List<AccountLine> lines = new ArrayList<>();
            Map<String, Money> posted = new HashMap<>();
            boolean gone = false;
            for (int i = 0; i < rows.size(); i++) {
                LogEntry row = rows.get(i);
                gone = gone || (row.freesPlaces() && concerns(row));
                if (gone && concerns(row)) {
                    makeEven(LogState.fold(rows.subList(0, i + 1)), row, posted, lines);
                }
            }
            return lines;
        }

        private boolean concerns(LogEntry row) {
            return row.voids().isPresent()
                    || row.touches().stream().anyMatch(own::contains)
                    || !row.fillsMade().isEmpty();
        }

        private void makeEven(LogState state, LogEntry row, Map<String, Money> posted, List<AccountLine> lines) {
            Map<String, Money> due = due(state);
            Set<String> accounts = new HashSet<>(due.keySet());
            accounts.addAll(posted.keySet());
            accounts.stream().sorted().forEach(account -> {
                Money nothing = Money.zero(currency);
                Money more = due.getOrDefault(account, nothing).minus(posted.getOrDefault(account, nothing));
                if (!more.isZero()) {
                    posted.merge(account, more, Money::plus);
                    lines.add(new AccountLine(
                            row.stamp().sequence(),
                            row.stamp().sequence(),
                            when(row),
                            account,
                            AccountLine.Kind.MADE_EVEN,
                            more.negated(),
                            id,
                            null,
                            null));
                }
            });
        }

        private static Instant when(LogEntry row) {
            return row.stamp().happenedAt();
        }

        /** What each account still has to bear beyond what it was charged; nothing while the batch stands. */
        private Map<String, Money> due(LogState state) {
            BatchState batch = state.batches().get(id);
            if (batch == null || !batch.ended()) {
                return Map.of();
            }
            FillCosts costs = FillCosts.of(state, batch);
            Optional<Money> total = batch.own()
                    .flatMap(fill -> costs.ofFill(fill.id()).stream())
                    .reduce(Money::plus);
            List<Charge> charges = new ArrayList<>();
            List<Double> weights = new ArrayList<>();
            for (RunLogged run : batch.runs()) {
                for (int i = 0; i < run.rolls().size(); i++) {
                    boolean charged = !run.charges().isEmpty();
                    charges.add(charged ? run.charges().get(i) : new Charge(Roll.HOUSE, Money.zero(currency), false));
                    weights.add(run.rolls().get(i).equivalents());
                }
            }
            if (total.isEmpty() || weights.stream().noneMatch(weight -> weight > 0)) {
                return Map.of();
            }
            List<Money> shares = new SharedCost(total.get(), batch.rollsBefore(), weights).each();
            Map<String, Money> due = new HashMap<>();
            for (int i = 0; i < shares.size(); i++) {
                Charge charge = charges.get(i);
                if (charge.atCost()) {
                    due.merge(charge.account(), shares.get(i).minus(charge.amount()), Money::plus);
                }
            }
            return due;
        }
    }

    /** The accounts with what happened before a moment left out. */
    public List<AccountLine> between(Instant from, Instant to) {
        return lines.stream()
                .filter(line -> !line.at().isBefore(from) && line.at().isBefore(to))
                .toList();
    }

    /** Every account by name with its lines, in the order of recording. */
    public Map<String, List<AccountLine>> byAccount() {
        return Collections.unmodifiableMap(byAccount);
    }
}
