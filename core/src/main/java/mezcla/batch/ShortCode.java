package mezcla.batch;

import java.util.Locale;
import mezcla.measure.Refusal;

/**
 * A fill's number as it stands on its label: few letters and digits that are not taken for each other, and a last one
 * that shows a slip (rules, 3.5).
 */
public final class ShortCode {
    private static final String SIGNS = "23456789CDFGHJKMNPRTVWX";
    private static final int LEAST = 3;
    private static final int MOST = 9;

    private ShortCode() {}

    /** The code of a fill. */
    public static String of(long fillId) {
        StringBuilder code = new StringBuilder();
        for (long rest = fillId; rest > 0 || code.length() < LEAST; rest /= SIGNS.length()) {
            code.insert(0, SIGNS.charAt((int) (rest % SIGNS.length())));
        }
        return code.append(check(code)).toString();
    }

    /**
     * The fill that a code stands for.
     *
     * @param typed the code as it was typed or scanned; case, spaces and hyphens do not matter
     * @throws Refusal {@code not-a-code} when it is none, or has a slip
     */
    public static long fillOf(String typed) {
        String code = typed.toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "");
        if (code.length() <= LEAST || code.length() > MOST) {
            throw Refusal.of(new BatchObjection.NotACode(typed));
        }
        String number = code.substring(0, code.length() - 1);
        long fill = 0;
        for (int i = 0; i < number.length(); i++) {
            int digit = SIGNS.indexOf(number.charAt(i));
            if (digit < 0) {
                throw Refusal.of(new BatchObjection.NotACode(typed));
            }
            fill = fill * SIGNS.length() + digit;
        }
        if (check(number) != code.charAt(code.length() - 1)) {
            throw Refusal.of(new BatchObjection.NotACode(typed));
        }
        return fill;
    }

    /** Weights that differ from place to place, so that a wrong sign and two signs swapped both show. */
    private static char check(CharSequence number) {
        int sum = 0;
        for (int i = 0; i < number.length(); i++) {
            sum += (i + 2) * SIGNS.indexOf(number.charAt(i));
        }
        return SIGNS.charAt(sum % SIGNS.length());
    }
}
