package mezcla.verdict;

import java.util.Set;
import mezcla.batch.Mixture;
import mezcla.batch.Outcome;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Range;
import mezcla.leaflet.Timing;
import mezcla.log.Finding;
import mezcla.log.Sign;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * Everything about a fill that its verdict rests on.
 *
 * @param key the bath's key
 * @param role what it does
 * @param timing what the leaflet says of its time
 * @param capacityForMl the volume that its capacity is printed for, in ml
 * @param chemistryMl the volume of printed strength that its wear is counted by, in ml
 * @param rollsDone roll equivalents that went through it, plainly counted
 * @param scaledRolls n: roll equivalents done, scaled to the printed volume
 * @param ageDays calendar age, in days
 * @param effectiveAgeDays effective age, in days
 * @param daysADay how many effective days a day of the calendar counts for where it stands now
 * @param lifeDays printed life, in days; null for no limit
 * @param capacity printed capacity, in roll equivalents for the printed volume; null for no limit
 * @param signs what its bottle shows
 * @param look the last look at film that counts; null for none
 * @param mixture what it was mixed of
 * @param outcome what film of it has ever shown
 * @param trimPercent its own correction, in percent
 * @param stock how much of a one-shot is there; null for a bath that is used again
 */
public record FillCondition(
        String key,
        BathRole role,
        Timing timing,
        double capacityForMl,
        double chemistryMl,
        double rollsDone,
        double scaledRolls,
        double ageDays,
        double effectiveAgeDays,
        double daysADay,
        @Nullable Range lifeDays,
        @Nullable Range capacity,
        Set<Sign> signs,
        @Nullable Look look,
        Mixture mixture,
        Outcome outcome,
        double trimPercent,
        @Nullable Stock stock) {
    /**
     * The last look at film that counts.
     *
     * @param result what was seen
     * @param daysAgo how many days ago
     * @param rollsAgo how many roll equivalents have gone through since, not scaled
     */
    public record Look(Finding result, double daysAgo, double rollsAgo) {}

    /**
     * A one-shot's stock.
     *
     * @param leftMl what is in the bottle, in ml
     * @param forRunMl what the run asked about takes, in ml
     * @param leastForRunMl the least of it with which the tank still covers the film, in ml
     * @param forSmallestRunMl the least that the smallest tank of the house would take, in ml
     */
    public record Stock(double leftMl, double forRunMl, double leastForRunMl, double forSmallestRunMl) {
        /** How many runs it still gives: the last with a little less than the tank takes (rules, 4.8 and 4.10). */
        double runs() {
            double whole = Math.max(0, Slack.floor(leftMl / forRunMl));
            return Slack.reaches(leftMl - whole * forRunMl, leastForRunMl) ? whole + 1 : whole;
        }
    }

    /** r: what a roll equivalent adds to n. */
    public double wearPerRoll() {
        return capacityForMl / chemistryMl;
    }
}
