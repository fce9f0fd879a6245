package mezcla.log;

import org.joda.money.Money;

/**
 * What a roll of a run was charged when it was logged (rules, section 8).
 *
 * @param account whose account bears it, by name: its owner's, or that of the member who brought a guest's
 * @param amount how much
 * @param atCost whether it is made even when the batch ends; otherwise it was charged at a price
 */
public record Charge(String account, Money amount, boolean atCost) {}
