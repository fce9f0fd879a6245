package mezcla.money;

import mezcla.measure.Objection;

/** What money does not allow (rules, section 8). */
public sealed interface MoneyObjection extends Objection {
    record MoreThanTheKit(double share) implements MoneyObjection {}

    record NothingToShareBy() implements MoneyObjection {}
}
