package mezcla.log;

import org.joda.money.Money;

/**
 * Who paid how much for a kit (rules, section 8).
 *
 * @param kitId the kit
 * @param account who paid, by name; {@link Roll#HOUSE} for the house
 * @param landed what it took to get it here
 */
public record KitPayment(long kitId, String account, Money landed) {}
