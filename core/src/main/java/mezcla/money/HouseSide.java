package mezcla.money;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import mezcla.batch.KitState;
import mezcla.log.Roll;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/**
 * The house's side of a period (rules, section 8): what members' accounts say from the other end, and what kits cost.
 *
 * @param cameIn what members paid
 * @param wentOut what the house paid out to them
 * @param kitsOfHouse what kits cost that the house paid for, as it is known now
 * @param kitsOfMembers what stands to members for kits that they paid for
 * @param charged what members' film was charged, less what was taken back, with what was made even
 * @param ownFilm the same of film of the house's own, which the house bears
 * @param corrected what stewards added to accounts; below zero for what they took
 * @param writtenOff what the house bears because it will not be paid
 */
public record HouseSide(
        Money cameIn,
        Money wentOut,
        Money kitsOfHouse,
        Money kitsOfMembers,
        Money charged,
        Money ownFilm,
        Money corrected,
        Money writtenOff) {
    /**
     * Adds a period up.
     *
     * @param accounts the accounts
     * @param kits the kits that count, each with what it cost
     * @param from where it begins
     * @param to where it ends; that moment is not of it
     */
    public static HouseSide of(Accounts accounts, Collection<KitPaid> kits, Instant from, Instant to) {
        List<AccountLine> lines = accounts.between(from, to);
        CurrencyUnit currency = accounts.currency();
        return new HouseSide(
                Money.total(currency, payments(lines, true)),
                Money.total(currency, payments(lines, false)).negated(),
                Money.total(
                        currency,
                        kits.stream()
                                .filter(kit ->
                                        !kit.at().isBefore(from) && kit.at().isBefore(to))
                                .filter(kit -> kit.byHouse())
                                .map(KitPaid::landed)
                                .toList()),
                sum(accounts, lines, AccountLine.Kind.KIT, false),
                sum(accounts, lines, AccountLine.Kind.CHARGE, false)
                        .plus(sum(accounts, lines, AccountLine.Kind.MADE_EVEN, false))
                        .negated(),
                sum(accounts, lines, AccountLine.Kind.CHARGE, true)
                        .plus(sum(accounts, lines, AccountLine.Kind.MADE_EVEN, true))
                        .negated(),
                sum(accounts, lines, AccountLine.Kind.CORRECTION, false),
                sum(accounts, lines, AccountLine.Kind.WRITTEN_OFF, false));
    }

    private static List<Money> payments(List<AccountLine> lines, boolean in) {
        return lines.stream()
                .filter(line -> line.kind() == AccountLine.Kind.PAYMENT)
                .map(AccountLine::amount)
                .filter(amount -> amount.isPositive() == in)
                .toList();
    }

    private static Money sum(Accounts accounts, List<AccountLine> lines, AccountLine.Kind kind, boolean ofHouse) {
        return accounts.sum(lines.stream()
                .filter(line -> line.kind() == kind && line.account().equals(Roll.HOUSE) == ofHouse)
                .toList());
    }

    /**
     * A kit and what it cost.
     *
     * @param at when it came
     * @param landed what it cost, as it is known now
     * @param byHouse whether the house paid for it
     */
    public record KitPaid(Instant at, Money landed, boolean byHouse) {
        /** A kit as the log leaves it. */
        public static KitPaid of(KitState kit) {

            String by = kit.priced().isEmpty()
                    ? kit.arrival().bought().paidBy()
                    : kit.priced().get(kit.priced().size() - 1).paidBy();
            return new KitPaid(kit.arrival().stamp().happenedAt(), kit.landed(), by == null || by.equals(Roll.HOUSE));
        }
    }

    /** What the house has more in its box after the period; below zero for less. */
    public Money inTheBox() {
        return cameIn.minus(wentOut).minus(kitsOfHouse);
    }
}
