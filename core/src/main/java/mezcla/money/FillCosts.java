package mezcla.money;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
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
        return costs;
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
        for (KitState.Share share : kit.shares()) {
            Taking taking = new Taking(share.entry(), share.fillId());
            Money given = fromThisKit.get(taking);
            if (share.givenBack() && given != null) {
                ledger.giveBack(share.fraction(), given);
                fromThisKit.remove(taking);
            } else {
                fromThisKit.put(taking, ledger.take(share.fraction()));
            }
        }
        List<Taking> takings = List.copyOf(fromThisKit.keySet());
        Map<Taking, Money> whole = new HashMap<>(fromThisKit);
        Money left = ledger.left();
        if (!takings.isEmpty() && left.isPositive()) {
            List<Money> shared = shared(left, List.copyOf(fromThisKit.values()));
            for (int i = 0; i < takings.size(); i++) {
                whole.merge(takings.get(i), shared.get(i), Money::plus);
            }
        }
        boolean over = kit.isFinished() && !takings.isEmpty();
        (over ? whole : fromThisKit).forEach((taking, cost) -> byFill.merge(taking.fillId(), cost, Money::plus));
        whole.forEach((taking, cost) -> wholeByFill.merge(taking.fillId(), cost, Money::plus));
        leftByKit.put(kit.id(), over ? Money.zero(left.getCurrencyUnit()) : left);
    }

    /** What a kit leaves over goes by what its fills were charged; by heads where that was nothing. */
    private static List<Money> shared(Money left, List<Money> charged) {
        List<Double> weights =
                charged.stream().map(cost -> (double) cost.getAmountMinorLong()).toList();
        boolean nothing = weights.stream().allMatch(weight -> weight <= 0);
        return Sharing.split(left, nothing ? Collections.nCopies(weights.size(), 1.0) : weights);
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
