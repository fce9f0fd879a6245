package mezcla.batch;

/**
 * How used a reusable fill is, how much of it there is, and how much of the printed strength that is worth (rules, 4.1
 * and 3.7).
 *
 * @param volumeMl what is in the bottle, in ml
 * @param countedMl what was mixed or topped up, less spills, not less carry-over, in ml
 * @param chemistryMl the volume of printed strength that its parts would make, in ml
 * @param rolls roll equivalents that went through it; only ever grows
 * @param scaledRolls n: each run's equivalents × printed volume / chemistry
 */
public record Wear(double volumeMl, double countedMl, double chemistryMl, double rolls, double scaledRolls) {
    /** What leaves with each roll equivalent unless the house says otherwise, in ml. */
    public static final double CARRY_OVER_ML = 5;

    private static final double LEAST_COUNTED_ML = 1;

    /** A fill of that volume, as strong as printed, that nothing went through. */
    public static Wear fresh(double volumeMl) {
        return fresh(volumeMl, volumeMl);
    }

    /**
     * A fill that nothing went through.
     *
     * @param volumeMl its volume, in ml
     * @param chemistryMl its chemistry, in ml; above 0
     */
    public static Wear fresh(double volumeMl, double chemistryMl) {
        return new Wear(volumeMl, volumeMl, chemistryMl, 0, 0);
    }

    /**
     * After a run.
     *
     * @param equivalents the run's roll equivalents
     * @param wearEquivalents the same, weighed by what pushing wears
     * @param printedForMl the volume that the leaflet's capacity is printed for, in ml
     * @param carryOverMl what left with the film, in ml; no more than there is
     */
    public Wear afterRun(double equivalents, double wearEquivalents, double printedForMl, double carryOverMl) {
        return new Wear(
                Math.max(0, volumeMl - carryOverMl),
                countedMl,
                chemistryMl,
                rolls + equivalents,
                scaledRolls + wearEquivalents * printedForMl / chemistryMl);
    }

    /**
     * After some of it was lost, in ml: the same share of its chemistry went with it. Its wear stays, and 1 ml at least
     * goes on being counted.
     */
    public Wear afterSpill(double lostMl) {
        double counted = Math.max(Math.min(countedMl, LEAST_COUNTED_ML), countedMl - lostMl);
        return new Wear(Math.max(0, volumeMl - lostMl), counted, chemistryMl * counted / countedMl, rolls, scaledRolls);
    }

    /** After some of it was poured away on purpose, in ml; its wear and its counted volume stay. */
    public Wear afterPouringAway(double pouredMl) {
        return new Wear(Math.max(0, volumeMl - pouredMl), countedMl, chemistryMl, rolls, scaledRolls);
    }

    /** After what is there was measured, in ml; its wear and its counted volume stay. */
    public Wear measuredAt(double measuredMl) {
        return new Wear(measuredMl, countedMl, chemistryMl, rolls, scaledRolls);
    }

    /** After fresh solution as strong as printed was added, in ml. */
    public Wear afterToppingUp(double addedMl) {
        return afterToppingUp(addedMl, addedMl);
    }

    /**
     * After fresh solution was added: its wear is diluted, not reset.
     *
     * @param addedMl how much, in ml
     * @param addedChemistryMl what that is worth, in ml of printed strength
     */
    public Wear afterToppingUp(double addedMl, double addedChemistryMl) {
        double after = volumeMl + addedMl;
        double chemistry = chemistryThereMl() + addedChemistryMl;
        return new Wear(after, after, chemistry, rolls, scaledRolls * chemistryThereMl() / chemistry);
    }

    /** The share of what is there after a topping up that was there before it, by chemistry, 0 to 1. */
    public double kept(double addedChemistryMl) {
        return chemistryThereMl() / (chemistryThereMl() + addedChemistryMl);
    }

    /** The chemistry that is still in the bottle, which carry-over took some of, in ml. */
    private double chemistryThereMl() {
        return chemistryMl * volumeMl / countedMl;
    }
}
