package mezcla.money;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.log.RunLogged;
import mezcla.measure.Slack;

/**
 * What is printed for a batch, whatever the house allows (rules, section 8).
 *
 * @param standingIn a bath with what counts as printed where its sheet leaves something out
 * @param tankMl what the tank of the next roll takes, in ml: so much of a one-shot goes with each
 * @param zone where; ages count by the calendar there
 */
public record PrintedLimits(UnaryOperator<Bath> standingIn, double tankMl, ZoneId zone) {
    /**
     * Roll equivalents that a batch takes by its print: as many as the first of its baths to give out, with what was topped
     * up and without what was spilled, where a bath that was renewed has those of all its fills. What was done past it changes
     * nothing.
     *
     * @param batch the batch as it was logged
     */
    public OptionalDouble rolls(BatchState batch) {
        return batch.fills().stream()
                .map(fill -> rolls(batch, fill))
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .min();
    }

    private OptionalDouble rolls(BatchState batch, FillState fill) {
        Range capacity = of(fill).capacity();
        if (capacity == null) {
            return OptionalDouble.empty();
        }
        double own = fill.bath().oneShot() == null
                ? fill.rollsOf(capacity.max())
                : fill.bath().rollsIn(fill.chemistryMl(), capacity.max());
        return OptionalDouble.of(own
                + batch.replaced().stream()
                        .filter(old -> old.bath().role().equals(fill.bath().role()))
                        .mapToDouble(old -> done(batch, old))
                        .sum());
    }

    /** Roll equivalents that a fill did; a one-shot keeps no count of its own, because it does not wear. */
    private static double done(BatchState batch, FillState fill) {
        return fill.bath().oneShot() == null
                ? fill.rolls()
                : fill.mixedRolls()
                        + batch.runs().stream()
                                .filter(run -> run.baths().stream().anyMatch(bath -> bath.fillId() == fill.id()))
                                .mapToDouble(RunLogged::equivalents)
                                .sum();
    }

    /**
     * Whole rolls that a batch still takes by its print, and of a one-shot by what is left of it.
     *
     * @param batch the batch as it was logged
     * @return never below 0; empty for no limit
     */
    public OptionalDouble left(BatchState batch) {
        return standing(batch)
                .map(this::left)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .min();
    }

    private OptionalDouble left(FillState fill) {
        Range capacity = of(fill).capacity();
        Bath.OneShot oneShot = fill.bath().oneShot();
        if (oneShot == null) {
            return capacity == null
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Math.max(0, (capacity.max() - fill.scaledRolls()) / fill.wearPerRoll()));
        }
        double aRoll = oneShot.stockFor(tankMl);
        if (capacity != null) {
            aRoll = Math.max(aRoll, fill.bath().capacityForMl() / capacity.max());
        }
        return aRoll > 0 ? OptionalDouble.of(Slack.floor(fill.volumeMl() / aRoll)) : OptionalDouble.empty();
    }

    /** Whole days until the first bath that stands is as old as its sheet prints at most; empty where none prints that. */
    public OptionalDouble daysLeft(BatchState batch, Instant now) {
        LocalDate today = LocalDate.ofInstant(now, zone);
        return standing(batch)
                .flatMap(fill -> {
                    Range life = of(fill).lifeDays();
                    return life == null
                            ? Stream.empty()
                            : Stream.of(life.max()
                                    - ChronoUnit.DAYS.between(LocalDate.ofInstant(fill.mixedAt(), zone), today));
                })
                .mapToDouble(days -> Math.max(0, days))
                .min();
    }

    private static Stream<FillState> standing(BatchState batch) {
        return batch.fills().stream().filter(fill -> fill.discarded() == null);
    }

    private Bath of(FillState fill) {
        return standingIn.apply(fill.bath());
    }
}
