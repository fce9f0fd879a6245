package mezcla.money;

import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.joda.money.Money;

/**
 * Gives a kit's landed cost to the fills made from it, in the order in which they were recorded (rules, section 8).
 * Nothing is lost to rounding: what was given, less what came back, and {@link #left()} always add up to the landed
 * cost.
 */
public final class KitLedger {
    private Money landed;
    private double share;
    private Money given;

    private KitLedger(Money landed) {
        this.landed = landed;
        this.given = Money.zero(landed.getCurrencyUnit());
    }

    /** A ledger for a kit of that landed cost: price, delivery and what else it took to get it here. */
    public static KitLedger of(Money landed) {
        return new KitLedger(landed);
    }

    /**
     * Gives a share of the kit's value to a fill.
     *
     * @param taken the share, 0 to 1
     * @return what it costs: the cost of all shares so far, rounded half up, less what was given before
     * @throws Refusal {@code more-than-the-kit} when the shares exceed the whole
     */
    public Money take(double taken) {
        if (Slack.exceeds(share + taken, 1)) {
            throw Refusal.of(new MoneyObjection.MoreThanTheKit(share + taken));
        }
        share += taken;
        long due = (long) Slack.floor(landed.getAmountMinorLong() * share + 0.5);
        Money cost = Money.ofMinor(landed.getCurrencyUnit(), due).minus(given);
        given = given.plus(cost);
        return cost;
    }

    /**
     * Takes a voided share back. What other fills were charged stays as it is.
     *
     * @param taken the share that was taken
     * @param cost what it was charged
     */
    public void giveBack(double taken, Money cost) {
        share -= taken;
        given = given.minus(cost);
    }

    /**
     * Puts the landed cost right.
     *
     * @param now what it really was
     * @return what those who were charged before have to be charged on top; below zero for what they get back
     */
    public Money reprice(Money now) {
        landed = now;
        return take(0);
    }

    /** What no fill carries yet; written off when the kit is finished. */
    public Money left() {
        return landed.minus(given);
    }
}
