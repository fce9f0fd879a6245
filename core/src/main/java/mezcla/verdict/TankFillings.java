package mezcla.verdict;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mezcla.batch.Wear;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.measure.Slack;

/**
 * How often a fresh bath fills a tank, when a little leaves with each roll (rules, 4.10).
 *
 * @param tank the largest tank that it covers
 * @param times how many runs of one roll it covers
 * @param rolls how many rolls its printed capacity would allow
 * @param neededMl how much would give all of these, in ml
 */
public record TankFillings(RunQuestion.InTank tank, int times, int rolls, double neededMl) {
    /**
     * Where a bath gives fewer runs in the largest tank that it covers than its capacity allows rolls, which a little
     * more of it would mend; empty where it gives them all, or covers no tank.
     *
     * @param bath the bath, which is used again
     * @param volumeMl how much is mixed, in ml
     * @param tanks the tanks of the house
     */
    public static Optional<TankFillings> tooFew(Bath bath, double volumeMl, List<RunQuestion.InTank> tanks) {
        Range capacity = bath.capacity();
        if (capacity == null || bath.oneShot() != null) {
            return Optional.empty();
        }
        int rolls = (int) Slack.floor(bath.rollsIn(volumeMl, capacity.max()));
        return tanks.stream()
                .filter(tank -> Slack.reaches(volumeMl, tank.leastMl()))
                .max(Comparator.comparingDouble(RunQuestion.InTank::takesMl))
                .map(tank -> new TankFillings(
                        tank,
                        (int) Slack.floor((volumeMl - tank.leastMl()) / Wear.CARRY_OVER_ML) + 1,
                        rolls,
                        tank.leastMl() + Wear.CARRY_OVER_ML * (rolls - 1)))
                .filter(found -> found.times < found.rolls);
    }
}
