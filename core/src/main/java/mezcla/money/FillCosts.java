package mezcla.money;

import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
import mezcla.log.Before;
import mezcla.log.KitPriced;
import org.joda.money.Money;

/** What each fill carries of the kits that it was mixed from (rules, section 8). */
public final class FillCosts {
    private final Map<Long, Money> byFill = new HashMap<>();
    private final Map<Long, Money> wholeByFill = new HashMap<>();
    private final Map<Long, Money> leftByKit = new HashMap<>();

    /** What one row took for one fill. */
    private record Taking(long entry, long fillId) {}

    private FillCosts() {}

    /** Goes through every kit's shares in the order in which they were recorded. */
    public static FillCosts of(LogState state) {
        FillCosts costs = new FillCosts();
        state.kits().values().forEach(costs::add);
        state.batches().values().forEach(costs::addBefore);
        return costs;
    }

    /** The same, of the kits that a batch's fills were mixed from or topped up with. */
    public static FillCosts of(LogState state, BatchState batch) {
        Set<Long> own = batch.own().map(FillState::id).collect(Collectors.toSet());
        FillCosts costs = new FillCosts();
        for (KitState kit : state.kits().values()) {
            if (feeds(kit, own)) {
                costs.add(kit);
            }
        }
        costs.addBefore(batch);
        return costs;
    }

    /** What was paid for a bath before it was taken over (rules, 3.6). */
    private void addBefore(BatchState batch) {
        batch.own().forEach(fill -> {
            Before before = fill.mixed().before();
            Money cost = before == null ? null : before.cost();
            if (cost != null) {
                byFill.merge(fill.id(), cost, Money::plus);
                wholeByFill.merge(fill.id(), cost, Money::plus);
            }
        });
    }

    private static boolean feeds(KitState kit, Set<Long> fills) {
        for (KitState.Share share : kit.shares()) {
            if (fills.contains(share.fillId())) {
                return true;
            }
        }
        return false;
    }

    private void add(KitState kit) {
        KitLedger ledger = KitLedger.of(kit.arrival().landed());
        Map<Taking, Money> fromThisKit = new LinkedHashMap<>();
        Deque<KitPriced> priced = new ArrayDeque<>(kit.priced());
        for (KitState.Share share : kit.shares()) {
            while (!priced.isEmpty() && priced.peek().stamp().sequence() < share.recorded()) {
                adjust(fromThisKit, ledger.reprice(priced.remove().landed()));
            }
            Taking taking = new Taking(share.entry(), share.fillId());
            Money given = fromThisKit.get(taking);
            if (share.givenBack() && given != null) {
                ledger.giveBack(share.fraction(), given);
                fromThisKit.remove(taking);
            } else {
                fromThisKit.put(taking, ledger.take(share.fraction()));
            }
        }
        priced.forEach(entry -> adjust(fromThisKit, ledger.reprice(entry.landed())));
        Map<Taking, Money> whole = new LinkedHashMap<>(fromThisKit);
        Money left = ledger.left();
        if (left.isPositive()) {
            adjust(whole, left);
        }
        boolean over = kit.isFinished() && !fromThisKit.isEmpty();
        (over ? whole : fromThisKit).forEach((taking, cost) -> byFill.merge(taking.fillId(), cost, Money::plus));
        whole.forEach((taking, cost) -> wholeByFill.merge(taking.fillId(), cost, Money::plus));
        leftByKit.put(kit.id(), over ? Money.zero(left.getCurrencyUnit()) : left);
    }

    /** An adjustment goes by what each was charged; by heads where that was nothing. */
    private static void adjust(Map<Taking, Money> charged, Money by) {
        if (charged.isEmpty() || by.isZero()) {
            return;
        }
        List<Taking> takings = List.copyOf(charged.keySet());
        List<Double> weights = takings.stream()
                .map(taking ->
                        (double) Objects.requireNonNull(charged.get(taking)).getAmountMinorLong())
                .toList();
        boolean nothing = weights.stream().allMatch(weight -> weight <= 0);
        List<Money> shared = Sharing.split(by.abs(), nothing ? Collections.nCopies(weights.size(), 1.0) : weights);
        for (int i = 0; i < takings.size(); i++) {
            charged.merge(takings.get(i), by.isNegative() ? shared.get(i).negated() : shared.get(i), Money::plus);
        }
    }

    /** What a fill would carry if the rest of the kits that it came from were not used, if it took anything of one. */
    public Optional<Money> ofFillWhenRestIsUnused(long fillId) {
        return Optional.ofNullable(wholeByFill.get(fillId));
    }

    /** What a fill carries, if it took anything of a kit. */
    public Optional<Money> ofFill(long fillId) {
        return Optional.ofNullable(byFill.get(fillId));
    }

    /** What no fill carries yet of a kit's landed cost, if there is such a kit. */
    public Optional<Money> leftInKit(long kitId) {
        return Optional.ofNullable(leftByKit.get(kitId));
    }
}
