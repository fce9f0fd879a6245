package mezcla.web.accounts;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.log.Charge;
import mezcla.log.Roll;
import mezcla.web.access.SignedIn;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Says what a run will be charged, before it starts. */
@Service
public class ChargeWords {
    private final HouseAccounts accounts;

    ChargeWords(HouseAccounts accounts) {
        this.accounts = accounts;
    }

    /**
     * What a run will be charged, and to whom: a sentence; empty where nothing is charged.
     *
     * @param who who would log it
     * @param batchId the batch
     * @param rolls the film
     * @param when when it is run
     */
    @Transactional(readOnly = true)
    public String of(SignedIn who, long batchId, List<Roll> rolls, Instant when) {
        List<Charge> charges = accounts.charges(who, batchId, rolls, when);
        if (charges.isEmpty()) {
            return "";
        }
        Map<String, Money> byAccount = new LinkedHashMap<>();
        charges.forEach(charge -> byAccount.merge(charge.account(), charge.amount(), Money::plus));
        String all =
                Figures.money(accounts.sum(charges.stream().map(Charge::amount).toList()));
        String whose = byAccount.size() == 1
                ? (byAccount.containsKey(who.name())
                        ? "to you"
                        : "to " + byAccount.keySet().iterator().next())
                : byAccount.entrySet().stream()
                        .map(entry -> entry.getKey() + " "
                                + entry.getValue().getAmount().toPlainString())
                        .collect(Collectors.joining(", "));
        return "Charged: %s, %s.%s"
                .formatted(all, whose, charges.get(0).atCost() ? " It is made even when the batch ends." : "");
    }
}
