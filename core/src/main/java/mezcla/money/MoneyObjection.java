package mezcla.money;

import mezcla.measure.Objection;

/** What money does not allow (rules, section 8). */
public sealed interface MoneyObjection extends Objection {
    /** More than a kit's whole value; the share, 1 for the whole. */
    record MoreThanTheKit(double share) implements MoneyObjection {}

    /** Shares of nothing. */
    record NothingToShareBy() implements MoneyObjection {}
}
