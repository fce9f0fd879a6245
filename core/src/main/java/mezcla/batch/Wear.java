package mezcla.batch;

/**
 * How used a reusable fill is, and how much of it there is (rules, 4.1).
 *
 * @param volumeMl what is in the bottle, in ml
 * @param countedMl what was mixed or topped up, less spills, not less carry-over, in ml
 * @param rolls roll equivalents that went through it; only ever grows
 * @param scaledRolls n: each run's equivalents × printed volume / counted volume
 */
public record Wear(double volumeMl, double countedMl, double rolls, double scaledRolls) {
    /** What leaves with each roll equivalent unless the house says otherwise, in ml. */
    public static final double CARRY_OVER_ML = 5;

    private static final double LEAST_COUNTED_ML = 1;

    /** A fill of that volume that nothing went through. */
    public static Wear fresh(double volumeMl) {
        return new Wear(volumeMl, volumeMl, 0, 0);
    }

    /**
     * After a run.
     *
     * @param equivalents the run's roll equivalents
     * @param wearEquivalents the same, weighed by what pushing wears
     * @param printedForMl the volume that the leaflet's capacity is printed for, in ml
     * @param carryOverMl what left with the film, in ml
     */
    public Wear afterRun(double equivalents, double wearEquivalents, double printedForMl, double carryOverMl) {
        return new Wear(
                volumeMl - carryOverMl,
                countedMl,
                rolls + equivalents,
                scaledRolls + wearEquivalents * printedForMl / countedMl);
    }

    /** After some of it was lost, in ml; its wear stays, and 1 ml at least goes on being counted. */
    public Wear afterSpill(double lostMl) {
        double counted = Math.max(Math.min(countedMl, LEAST_COUNTED_ML), countedMl - lostMl);
        return new Wear(volumeMl - lostMl, counted, rolls, scaledRolls);
    }

    /** After some of it was poured away on purpose, in ml; its wear and its counted volume stay. */
    public Wear afterPouringAway(double pouredMl) {
        return new Wear(volumeMl - pouredMl, countedMl, rolls, scaledRolls);
    }

    /** After what is there was measured, in ml; its wear and its counted volume stay. */
    public Wear measuredAt(double measuredMl) {
        return new Wear(measuredMl, countedMl, rolls, scaledRolls);
    }

    /** After fresh solution was added, in ml: its wear is diluted, not reset. */
    public Wear afterToppingUp(double addedMl) {
        double after = volumeMl + addedMl;
        return new Wear(after, after, rolls, scaledRolls * volumeMl / after);
    }
}
