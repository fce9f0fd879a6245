package mezcla.money;

import java.util.OptionalLong;
import org.joda.money.Money;

/** After how many rolls equipment has paid for itself (rules, section 8). */
public final class BreakEven {
    private BreakEven() {}

    /**
     * The number of rolls.
     *
     * @param equipment what the equipment cost
     * @param lab what a laboratory takes for a roll
     * @param own what a roll costs here
     * @return the first whole roll at which it has paid; empty when it never does
     */
    public static OptionalLong rolls(Money equipment, Money lab, Money own) {
        long saved = lab.minus(own).getAmountMinorLong();
        return saved <= 0
                ? OptionalLong.empty()
                : OptionalLong.of(-Math.floorDiv(-equipment.getAmountMinorLong(), saved));
    }
}
