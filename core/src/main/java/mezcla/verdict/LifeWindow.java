package mezcla.verdict;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.measure.ProcessingTime;
import mezcla.processing.RunTime;
import org.jspecify.annotations.Nullable;

/**
 * The limits of a fill over days and rolls, as each school has them (rules, section 6). Rolls are the plain count of what went
 * through; a limit stands where that will be when nothing is left of it.
 *
 * @param fill the fill
 * @param school the school that the house judges by
 * @param turning whether the next roll is turned on a rotary base, for which some sheets print other times (rules, 4.12)
 * @param days its life in days; null for no limit
 * @param rolls its capacity in rolls; null for no limit
 */
public record LifeWindow(FillState fill, School school, boolean turning, @Nullable Range days, @Nullable Range rolls) {
    private static final double LEAST_ROLLS = 0.01;

    /**
     * A place in the window.
     *
     * @param days days since mixing; infinite for no limit
     * @param rolls rolls done; infinite for no limit
     */
    public record Corner(double days, double rolls) {}

    /** The window of a fill, judged by a school, whose next roll is turned or moved by hand. */
    public static LifeWindow of(FillState fill, School school, boolean turning) {
        Range printed = fill.bath().capacity();
        return new LifeWindow(
                fill,
                school,
                turning,
                fill.bath().lifeDays(),
                printed == null
                        ? null
                        : new Range(
                                Math.max(LEAST_ROLLS, at(fill, printed.min())),
                                Math.max(LEAST_ROLLS, at(fill, printed.max()))));
    }

    /** What will have been done when its wear is at a limit, n; what is past already stays in the picture. */
    private static double at(FillState fill, double limit) {
        return Math.max(0, fill.rolls() + (limit - fill.scaledRolls()) / fill.wearPerRoll());
    }

    /** Rolls that it has done. */
    public double done() {
        return fill.rolls();
    }

    /** The last printed limits. */
    public Corner last() {
        return new Corner(
                days == null ? Double.POSITIVE_INFINITY : days.max(),
                rolls == null ? Double.POSITIVE_INFINITY : rolls.max());
    }

    /** The first printed limits. */
    public Corner first() {
        return new Corner(
                days == null ? Double.POSITIVE_INFINITY : days.min(),
                rolls == null ? Double.POSITIVE_INFINITY : rolls.min());
    }

    /** Whether the first printed limits differ from the last. */
    public boolean hasFirst() {
        return (days != null && days.min() < days.max()) || (rolls != null && rolls.min() < rolls.max());
    }

    /** Where the stretch school ends. */
    public Corner stretch() {
        Range printed = fill.bath().capacity();
        return new Corner(
                days == null ? Double.POSITIVE_INFINITY : School.STRETCH_LIVES * days.max(),
                printed == null ? Double.POSITIVE_INFINITY : at(fill, School.STRETCH_ROLLS * printed.max()));
    }

    /** Where the house's own school ends: the furthest that the window has to show. */
    public Corner end() {
        return school == School.STRETCH ? stretch() : last();
    }

    /**
     * The curve on which the careful school ends: rolls and age wear together, to one in all.
     *
     * @param steps into how many pieces it is cut
     * @return its points from no days on; empty where one of the limits is missing
     */
    public List<Corner> careful(int steps) {
        List<Corner> curve = new ArrayList<>();
        Range printed = fill.bath().capacity();
        for (int i = 0; i <= steps && days != null && printed != null; i++) {
            double angle = Math.PI / 2 * i / steps;
            curve.add(new Corner(days.min() * Math.sin(angle), at(fill, printed.min() * Math.cos(angle))));
        }
        return curve;
    }

    /** The time of one roll that goes in after so many, as shown. */
    public ProcessingTime timeAfter(double done) {
        Bath bath = fill.bath();
        double perRoll = fill.wearPerRoll();
        double n = Math.max(0, fill.scaledRolls() + (done - fill.rolls()) * perRoll);
        return RunTime.of(
                        bath.role(), turning ? bath.turning() : bath.timing(), n, perRoll, 0, null, fill.trimPercent())
                .shown();
    }
}
