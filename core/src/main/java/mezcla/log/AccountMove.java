package mezcla.log;

import org.joda.money.Money;

/**
 * What a row does to an account by itself (rules, section 8).
 *
 * @param account whose, by name
 * @param what why
 * @param amount what is added to its balance; below zero for what is taken from it
 */
public record AccountMove(String account, What what, Money amount) {
    /** Why an account moves. */
    public enum What {
        /** Money changed hands. */
        PAID,
        /** It was wrong. */
        CORRECTED,
        /** It will not be paid. */
        WRITTEN_OFF
    }
}
