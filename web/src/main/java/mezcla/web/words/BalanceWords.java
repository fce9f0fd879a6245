package mezcla.web.words;

import org.joda.money.Money;

/** What an account comes to, in a sentence without its full stop. */
public final class BalanceWords {
    private BalanceWords() {}

    /** Said to whoever it is of: {@code you owe NZ$12.40}. */
    public static String yours(Money balance) {
        return "you " + said(balance, "owe", "have", "your");
    }

    /** Said of somebody: {@code Devi owes NZ$6.20}. */
    public static String of(String name, Money balance) {
        return name + " " + said(balance, "owes", "has", "their");
    }

    private static String said(Money balance, String owe, String have, String whose) {
        if (balance.isZero()) {
            return owe + " nothing";
        }
        String amount = Figures.money(balance.abs());
        return balance.isNegative()
                ? "%s %s".formatted(owe, amount)
                : "%s %s to %s credit".formatted(have, amount, whose);
    }
}
