package mezcla.web.money;

import java.time.Instant;
import mezcla.log.AccountCorrected;
import mezcla.log.ChargingChosen;
import mezcla.log.EquipmentBought;
import mezcla.log.LaboratoryPriced;
import mezcla.log.PaymentRecorded;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What stewards do about money. */
@Service
@PreAuthorize("hasRole('STEWARD')")
public class MoneyService {
    private final DarkroomLog log;
    private final HouseAccounts accounts;

    MoneyService(DarkroomLog log, HouseAccounts accounts) {
        this.log = log;
        this.accounts = accounts;
    }

    private void refuseUnknown(String account) {
        if (!accounts.names().contains(account)) {
            throw Refusal.of(new FormObjection.UnknownAccount());
        }
    }

    /**
     * Records that money changed hands.
     *
     * @param amount what the member paid; below zero for what they were paid
     * @param when when it was; now for null
     * @throws Refusal {@code unknown-account} or {@code nothing-paid}
     */
    @Transactional
    public void pay(SignedIn who, String account, Money amount, @Nullable Instant when, @Nullable String note) {
        refuseUnknown(account);
        if (amount.isZero()) {
            throw Refusal.of(new FormObjection.NothingPaid());
        }
        log.add(
                who,
                when == null ? Instant.MAX : when,
                false,
                stamp -> new PaymentRecorded(stamp, account, amount, note));
    }

    /**
     * Puts an account right, or writes off what it owes.
     *
     * @param amount what is added to it; below zero for what is taken from it
     * @throws Refusal {@code unknown-account}, {@code nothing-paid}, or {@code more-than-is-owed} for writing off more
     */
    @Transactional
    public void correct(SignedIn who, String account, Money amount, boolean writtenOff, String reason) {
        refuseUnknown(account);
        if (amount.isZero()) {
            throw Refusal.of(new FormObjection.NothingPaid());
        }
        if (writtenOff
                && amount.isGreaterThan(accounts.accounts().balance(account).negated())) {
            throw Refusal.of(new FormObjection.MoreThanIsOwed());
        }
        log.add(who, stamp -> new AccountCorrected(stamp, account, amount, writtenOff, reason));
    }

    /** Chooses how film of a process is charged; null for what it cost. */
    @Transactional
    public void charge(SignedIn who, String process, @Nullable Money price) {
        log.add(who, stamp -> new ChargingChosen(stamp, process, price));
    }

    /** Notes what a laboratory takes. */
    @Transactional
    public void laboratory(SignedIn who, String process, Money price) {
        log.add(who, stamp -> new LaboratoryPriced(stamp, process, price));
    }

    /** Notes equipment. */
    @Transactional
    public void equipment(SignedIn who, String what, Money price) {
        log.add(who, stamp -> new EquipmentBought(stamp, what, price));
    }
}
