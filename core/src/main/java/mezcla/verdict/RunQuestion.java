package mezcla.verdict;

import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;

/**
 * What is asked of a batch: this film, in that tank, now.
 *
 * @param rolls the film; one roll at least, all pushed alike
 * @param tankMl what the tank takes of each bath, in ml
 * @param smallestTankMl what the smallest tank of the house takes, in ml
 * @param judging how the house judges
 * @param at when
 * @param zone where; ages count by the calendar there
 * @param turning whether the tank is turned on a rotary base, for which some leaflets print other times
 */
public record RunQuestion(
        List<Roll> rolls,
        double tankMl,
        double smallestTankMl,
        Judging judging,
        Instant at,
        ZoneId zone,
        boolean turning) {
    /** The question about film in a tank that is moved by hand. */
    public RunQuestion(
            List<Roll> rolls, double tankMl, double smallestTankMl, Judging judging, Instant at, ZoneId zone) {
        this(rolls, tankMl, smallestTankMl, judging, at, zone, false);
    }

    /** Refuses a run without film ({@code rolls-missing}) and pushes that differ ({@code pushes-differ}). */
    public RunQuestion {
        rolls = List.copyOf(rolls);
        if (rolls.isEmpty()) {
            throw Refusal.of(new RunObjection.RollsMissing());
        }
        if (rolls.stream().mapToDouble(Roll::stops).distinct().count() > 1) {
            throw Refusal.of(new RunObjection.PushesDiffer());
        }
    }

    /**
     * The question about the next roll: one whole roll, neither pushed nor pulled, in the smallest tank.
     *
     * @param smallestTankMl how much the smallest tank takes, in ml
     * @param judging how the house judges
     * @param at when
     * @param zone where
     */
    public static RunQuestion nextRoll(double smallestTankMl, Judging judging, Instant at, ZoneId zone) {
        FilmFormat whole = FilmFormat.F135_36;
        return new RunQuestion(
                List.of(new Roll("", whole, whole.equivalents(), 0, false)),
                smallestTankMl,
                smallestTankMl,
                judging,
                at,
                zone);
    }

    /** The film in roll equivalents. */
    public double equivalents() {
        return rolls.stream().mapToDouble(Roll::equivalents).sum();
    }

    /** Whether any of the film cannot be made again. */
    public boolean irreplaceable() {
        return rolls.stream().anyMatch(Roll::irreplaceable);
    }

    /** How far the film is pushed, in stops. */
    public double stops() {
        return rolls.get(0).stops();
    }

    /** The same film in another tank, in ml. */
    public RunQuestion inTank(double otherTankMl) {
        return new RunQuestion(rolls, otherTankMl, smallestTankMl, judging, at, zone, turning);
    }

    /** The same asked about another moment. */
    public RunQuestion asked(Instant otherwise) {
        return new RunQuestion(rolls, tankMl, smallestTankMl, judging, otherwise, zone, turning);
    }

    /** The same with the tank on a rotary base, or moved by hand. */
    public RunQuestion turned(boolean onRotaryBase) {
        return new RunQuestion(rolls, tankMl, smallestTankMl, judging, at, zone, onRotaryBase);
    }

    /** Other film in the same tank. */
    public RunQuestion ofRolls(List<Roll> others) {
        return new RunQuestion(others, tankMl, smallestTankMl, judging, at, zone, turning);
    }

    /** Whole days from then to now, by the calendar of the house. */
    public double daysSince(Instant then) {
        return daysBetween(then, at, zone);
    }

    /** Whole days from one moment to another by the calendar of a zone; never below 0. */
    public static double daysBetween(Instant then, Instant at, ZoneId zone) {
        return Math.max(
                0,
                ChronoUnit.DAYS.between(
                        then.atZone(zone).toLocalDate(), at.atZone(zone).toLocalDate()));
    }
}
