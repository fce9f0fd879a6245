package mezcla.verdict;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Slack;
import mezcla.processing.RunTime;

/**
 * The times of the next rolls through a batch, one roll a run, as they go on a card for an evening without a screen
 * (rules, section 4). Film is neither pushed nor pulled, baths are at their printed temperature, and nothing else
 * happens in between.
 *
 * @param rolls in the order in which they would go in
 */
public record NextRolls(List<Next> rolls) {
    /**
     * One roll.
     *
     * @param number 1 for the next
     * @param times the time in each bath, in the order of use
     * @param within whether every bath still has that roll left by its printed limits
     */
    public record Next(int number, List<TimeIn> times, boolean within) {}

    /**
     * A time in a bath.
     *
     * @param fill the fill
     * @param time how long
     */
    public record TimeIn(FillState fill, ProcessingTime time) {}

    /**
     * Computes them.
     *
     * @param batch the batch
     * @param count how many
     * @param tankMl the tank, in ml, for what is poured away after each run
     */
    public static NextRolls of(BatchState batch, int count, double tankMl) {
        List<Next> rolls = new ArrayList<>();
        List<FillState> fills =
                batch.fills().stream().filter(fill -> fill.discarded() == null).toList();
        for (int i = 0; i < count; i++) {
            int before = i;
            rolls.add(new Next(
                    i + 1,
                    fills.stream()
                            .map(fill -> new TimeIn(fill, time(fill, before)))
                            .toList(),
                    fills.stream().allMatch(fill -> within(fill, before, tankMl))));
        }
        return new NextRolls(rolls);
    }

    private static ProcessingTime time(FillState fill, int before) {
        Bath bath = fill.bath();
        double wear = bath.oneShot() == null ? fill.wearPerRoll() : 0;
        return RunTime.of(
                        bath.role(),
                        bath.timing(),
                        fill.scaledRolls() + before * wear,
                        wear,
                        0,
                        null,
                        fill.trimPercent())
                .shown();
    }

    private static boolean within(FillState fill, int before, double tankMl) {
        Bath bath = fill.bath();
        Bath.OneShot oneShot = bath.oneShot();
        if (oneShot != null) {
            return Slack.reaches(fill.volumeMl(), (before + 1) * oneShot.stockFor(tankMl));
        }
        Range capacity = bath.capacity();
        return capacity == null
                || Slack.reaches(capacity.max(), fill.scaledRolls() + (before + 1) * fill.wearPerRoll());
    }
}
