package mezcla.money;

/** How many rolls a batch can be expected to do before age ends it (rules, section 10). */
public final class ExpectedRolls {
    private ExpectedRolls() {}

    /**
     * E[min(C, N)] where N, the rolls that come while the batch lives, is Poisson.
     *
     * @param capacityRolls C: how many whole rolls the batch takes, 0 or more
     * @param meanRolls how many come on average, 0 or more: demand a week times weeks
     * @return the expectation, exact but for the arithmetic of doubles
     * @throws IllegalArgumentException for a capacity or a mean below zero, or no number
     */
    public static double of(int capacityRolls, double meanRolls) {
        if (capacityRolls < 0 || !(meanRolls >= 0) || Double.isInfinite(meanRolls)) {
            throw new IllegalArgumentException("Capacity " + capacityRolls + ", mean " + meanRolls);
        }
        double expected = 0;
        double exactly = Math.exp(-meanRolls);
        double atMost = exactly;
        if (exactly == 0) {
            return logarithmically(capacityRolls, meanRolls);
        }
        for (int rolls = 1; rolls <= capacityRolls; rolls++) {
            expected += 1 - atMost;
            exactly *= meanRolls / rolls;
            atMost = Math.min(1, atMost + exactly);
        }
        return Math.max(0, expected);
    }

    /** The same where e to the minus mean is less than a double can tell from nothing. */
    private static double logarithmically(int capacityRolls, double meanRolls) {
        double expected = 0;
        double logarithm = -meanRolls;
        double atMost = 0;
        for (int rolls = 1; rolls <= capacityRolls; rolls++) {
            expected += 1 - atMost;
            logarithm += Math.log(meanRolls / rolls);
            atMost = Math.min(1, atMost + Math.exp(logarithm));
        }
        return expected;
    }
}
