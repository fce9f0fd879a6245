package mezcla.verdict;

import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.batch.BatchState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * What is asked of a batch: this film, in that tank, now.
 *
 * @param rolls the film; one roll at least, all pushed alike
 * @param tank the tank as it is used
 * @param smallestMl the least with which a tank of the house still covers film, in ml
 * @param judging how the house judges
 * @param at when
 * @param zone where; ages count by the calendar there
 * @param celsius how warm the developer is, in °C; null for as printed (rules, 4.4 and 4.13)
 * @param passesOneLoad whether what belongs to one load was passed on purpose, for this one: too much film for what is in the
 *     tank (rules, section 6)
 */
public record RunQuestion(
        List<Roll> rolls,
        InTank tank,
        double smallestMl,
        Judging judging,
        Instant at,
        ZoneId zone,
        @Nullable Double celsius,
        boolean passesOneLoad) {
    /** How many rolls anybody runs in one go; <em>house</em>. */
    public static final int MOST_ROLLS = 24;

    /**
     * A tank as it is used (rules, 4.10 and section 7).
     *
     * @param takesMl what it takes of each bath, in ml
     * @param leastMl the least of each that still covers its reels, in ml
     * @param holds how many reels of each kind fill it alone; empty where nobody has said
     * @param turning whether it is turned on a rotary base, for which some leaflets print other times
     * @param asksForReels whether it is a tank of the house of which nobody has said which reels it takes: it takes nothing but
     *     asks (rules, section 14)
     */
    public record InTank(
            double takesMl,
            double leastMl,
            Map<FilmFormat.Reel, Integer> holds,
            boolean turning,
            boolean asksForReels) {
        private static final double COVERED_SHARE = 0.95;

        /** A tank that asks for nothing. */
        public InTank(double takesMl, double leastMl, Map<FilmFormat.Reel, Integer> holds, boolean turning) {
            this(takesMl, leastMl, holds, turning, false);
        }

        /** Keeps its own map. */
        public InTank {
            holds = Map.copyOf(holds);
        }

        /** A tank of which nothing is known but what it takes, in ml, moved by hand. */
        public static InTank of(double takesMl) {
            return new InTank(takesMl, usualLeastMl(takesMl), Map.of(), false);
        }

        /** What covers the reels of a tank of which nobody said, in ml: 95 % of what it takes; <em>house</em>. */
        public static double usualLeastMl(double takesMl) {
            return COVERED_SHARE * takesMl;
        }
    }

    /** The question about film in a tank of which nothing is known but what it takes, with baths as warm as printed. */
    public RunQuestion(
            List<Roll> rolls, double tankMl, double smallestTankMl, Judging judging, Instant at, ZoneId zone) {
        this(rolls, InTank.of(tankMl), InTank.usualLeastMl(smallestTankMl), judging, at, zone, null, false);
    }

    /** The question about a load of which nothing was passed on purpose. */
    public RunQuestion(
            List<Roll> rolls,
            InTank tank,
            double smallestMl,
            Judging judging,
            Instant at,
            ZoneId zone,
            @Nullable Double celsius) {
        this(rolls, tank, smallestMl, judging, at, zone, celsius, false);
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
     * The question about the next roll: one whole roll, neither pushed nor pulled.
     *
     * @param smallest the smallest tank
     * @param judging how the house judges
     * @param at when
     * @param zone where
     */
    public static RunQuestion nextRoll(InTank smallest, Judging judging, Instant at, ZoneId zone) {
        return new RunQuestion(List.of(oneRoll()), smallest, smallest.leastMl(), judging, at, zone, null);
    }

    /** One whole roll of 135-36, neither pushed nor pulled. */
    public static Roll oneRoll() {
        FilmFormat whole = FilmFormat.F135_36;
        return new Roll("", whole, whole.equivalents(), 0, false);
    }

    /** What the tank takes of each bath, in ml. */
    public double tankMl() {
        return tank.takesMl();
    }

    /** The film in roll equivalents. */
    public double equivalents() {
        return rolls.stream().mapToDouble(Roll::equivalents).sum();
    }

    /** Whether any of the film is judged carefully: it cannot be made again, or is of somebody who wants that. */
    public boolean irreplaceable() {
        return rolls.stream().anyMatch(Roll::irreplaceable) || carefulOwner().isPresent();
    }

    /** Whose wish it is that film is judged carefully that could be made again; empty for nobody's. */
    public Optional<String> carefulOwner() {
        return rolls.stream()
                .filter(roll -> !roll.irreplaceable())
                .map(Roll::owner)
                .filter(judging.careful()::contains)
                .findFirst();
    }

    /** How far the film is pushed, in stops. */
    public double stops() {
        return rolls.get(0).stops();
    }

    /** What is added to the developer's time by taste, in seconds: what the film's owner asks for, for the whole tank. */
    public int correctionSeconds() {
        return rolls.get(0).correctionSeconds();
    }

    /** Whether any of the film has a carbon backing; where nobody said, film of the process has what is usual for it. */
    public boolean hasCarbonBacking(FilmProcess process) {
        return carbon(rolls, process);
    }

    /** The same of film that is in a run. */
    public static boolean carbon(List<Roll> rolls, FilmProcess process) {
        return rolls.stream().anyMatch(roll -> {
            Boolean carbon = roll.hasCarbonBacking();
            return carbon == null ? process.equals(FilmProcess.CINE_NEGATIVE) : carbon;
        });
    }

    /** The same film in another tank. */
    public RunQuestion inTank(InTank other) {
        return new RunQuestion(rolls, other, smallestMl, judging, at, zone, celsius, passesOneLoad);
    }

    /**
     * The same in a tank that is turned where the batch's last run was, so that what is said of the next roll is said of
     * how the batch is really used (rules, 4.7).
     */
    public RunQuestion asUsed(BatchState batch) {
        boolean turned = isTurned(batch);
        return turned == tank.turning()
                ? this
                : inTank(new InTank(tank.takesMl(), tank.leastMl(), tank.holds(), turned, tank.asksForReels()));
    }

    /** The same asked about another moment. */
    public RunQuestion asked(Instant otherwise) {
        return new RunQuestion(rolls, tank, smallestMl, judging, otherwise, zone, celsius, passesOneLoad);
    }

    /** The same with its developer at a temperature, in °C; null for as printed. */
    public RunQuestion warmedTo(@Nullable Double otherCelsius) {
        return new RunQuestion(rolls, tank, smallestMl, judging, at, zone, otherCelsius, passesOneLoad);
    }

    /** Other film in the same tank. */
    public RunQuestion ofRolls(List<Roll> others) {
        return new RunQuestion(others, tank, smallestMl, judging, at, zone, celsius);
    }

    /** The same asked of a house that judges otherwise. */
    public RunQuestion judgedBy(Judging otherJudging) {
        return new RunQuestion(rolls, tank, smallestMl, otherJudging, at, zone, celsius, passesOneLoad);
    }

    /** The same, where what belongs to one load was passed on purpose for this one, or not. */
    public RunQuestion passingOneLoad(boolean passed) {
        return new RunQuestion(rolls, tank, smallestMl, judging, at, zone, celsius, passed);
    }

    /** Whether a batch's last run that was done was turned without a pause: so it is asked about again (rules, 4.12). */
    public static boolean isTurned(BatchState batch) {
        return batch.runs().stream()
                .filter(run -> run.abandoned() == null)
                .reduce((earlier, later) -> later)
                .map(RunLogged::turned)
                .orElse(false);
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
