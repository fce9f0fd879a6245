package mezcla.money;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
import org.joda.money.Money;

/** What each fill carries of the kits that it was mixed from (rules, section 8). */
public final class FillCosts {
    private final Map<Long, Money> byFill = new HashMap<>();
    private final Map<Long, Money> leftByKit = new HashMap<>();

    private FillCosts() {}

    /** Goes through every kit's shares in the order in which they were recorded. */
    public static FillCosts of(LogState state) {
        FillCosts costs = new FillCosts();
        state.kits().values().forEach(costs::add);
        return costs;
    }

    private void add(KitState kit) {
        KitLedger ledger = KitLedger.of(kit.arrival().landed());
        Map<Long, Money> fromThisKit = new HashMap<>();
        for (KitState.Share share : kit.shares()) {
            Money given = fromThisKit.get(share.fillId());
            if (share.givenBack() && given != null) {
                ledger.giveBack(share.fraction(), given);
                fromThisKit.remove(share.fillId());
            } else {
                fromThisKit.put(share.fillId(), ledger.take(share.fraction()));
            }
        }
        fromThisKit.forEach((fill, cost) -> byFill.merge(fill, cost, Money::plus));
        leftByKit.put(kit.id(), ledger.left());
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
