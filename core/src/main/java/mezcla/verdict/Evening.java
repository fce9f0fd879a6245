package mezcla.verdict;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mezcla.batch.BatchState;
import mezcla.batch.LogBook;
import mezcla.leaflet.Bath;
import mezcla.leaflet.MixingTemperature;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;

/**
 * Several tank loads one after the other (rules, section 7): each is planned through what those before it leave, so a
 * later one has its own, longer times; between them the tank is washed, dried and filled again.
 *
 * @param startWarming when the bath has to be switched on
 * @param loads the loads, in order
 */
public record Evening(Instant startWarming, List<Load> loads) {
    /** How long it takes to wash, dry and load the tank again; <em>house</em>. */
    public static final Duration BETWEEN = Duration.ofMinutes(15);

    /** Keeps its own list. */
    public Evening {
        loads = List.copyOf(loads);
    }

    /**
     * A load to be planned.
     *
     * @param batchId the batch
     * @param question what film, in what tank; its moment is replaced by when the load is poured
     * @param choices how it is done
     */
    public record Wanted(long batchId, RunQuestion question, RunSteps.Choices choices) {}

    /**
     * A load in its place.
     *
     * @param plan the plan, after what comes before it
     * @param steps what its film goes through
     * @param pourAt when its first step is poured
     * @param hangAt when its film can hang
     */
    public record Load(RunPlan plan, RunSteps steps, Instant pourAt, Instant hangAt) {}

    /**
     * Plans loads in a row.
     *
     * @param book the log
     * @param wanted the loads, in order
     * @param pourAt when the first is poured
     * @param warming how long the bottles need to get warm
     * @param between how long there is from one load's hanging to the next one's pouring
     * @throws Refusal {@code loads-missing} without any, {@code batch-ended}, {@code unknown-batch}, or what
     *     {@link RunSteps#of} refuses
     */
    public static Evening of(LogBook book, List<Wanted> wanted, Instant pourAt, Duration warming, Duration between) {
        if (wanted.isEmpty()) {
            throw Refusal.of(new RunObjection.LoadsMissing());
        }
        List<Load> loads = new ArrayList<>();
        LogBook then = withoutUnderWay(book, wanted, pourAt);
        Instant pour = pourAt;
        for (Wanted load : wanted) {
            RunPlan plan = RunPlan.of(
                    then.state().batch(load.batchId()), load.question().asked(pour));
            RunSteps steps = plan.steps(load.choices());
            Instant hang = pour.plusSeconds((long) Math.ceil(steps.schedule().totalSeconds()));
            loads.add(new Load(plan, steps, pour, hang));
            Instant over = hang;
            then = then.supposing(
                    over,
                    List.of(stamp -> new RunLogged(
                            stamp,
                            load.batchId(),
                            load.question().rolls(),
                            plan.asRunBaths(),
                            load.question().tankMl(),
                            plan.against(),
                            null)));
            pour = hang.plus(between);
        }
        return new Evening(pourAt.minus(warming), loads);
    }

    /** What is in a tank now is back in its bottles by then. */
    private static LogBook withoutUnderWay(LogBook book, List<Wanted> wanted, Instant by) {
        LogBook then = book;
        for (long batch : wanted.stream().map(Wanted::batchId).distinct().toList()) {
            for (RunStarted start : book.state().batch(batch).inUse()) {
                then = then.supposing(
                        by,
                        List.of(stamp -> new RunLogged(
                                stamp,
                                batch,
                                start.rolls(),
                                start.baths(),
                                start.tankMl(),
                                List.of(),
                                start.stamp().sequence())));
            }
        }
        return then;
    }

    /** The fewest minutes from one load's hanging to the next one's pouring. */
    public static final int LEAST_BETWEEN_MINUTES = 5;

    /** The most minutes from one load's hanging to the next one's pouring. */
    public static final int MOST_BETWEEN_MINUTES = 120;

    /** How many loads are planned for one evening: two an hour, as long as a load stays planned. */
    public static final int MOST_LOADS = 24;

    /** How long a load stays planned that nobody begins. */
    public static final Duration LASTS = Duration.ofHours(12);

    /** How long bottles are taken to have stayed warm after a run. */
    public static final Duration STAYS_WARM = Duration.ofHours(2);

    private static final Duration HOT_MIX_STAYS_WARM = Duration.ofMinutes(45);
    private static final Duration HAS_JUST_PASSED = Duration.ofHours(1);

    /** Whether the bottles of a batch were in use a while ago, and are taken to have stayed in their warm bath. */
    public static boolean isStillWarm(BatchState batch, Instant now) {
        Instant since = now.minus(STAYS_WARM);
        Instant mixedSince = now.minus(HOT_MIX_STAYS_WARM);
        return batch.runs().stream().anyMatch(run -> run.stamp().happenedAt().isAfter(since))
                || batch.imageDeveloper()
                        .filter(fill -> fill.mixedAt().isAfter(mixedSince))
                        .filter(fill -> isMixedHot(fill.bath()))
                        .isPresent();
    }

    /** A developer that is mixed in water at least as warm as it is used in comes from the jug warm. */
    private static boolean isMixedHot(Bath bath) {
        MixingTemperature water = bath.recipe().mixingC();
        return water != null && water.target() >= bath.timing().atC();
    }

    /** The next moment at which clocks show an hour, give or take the hour that has just passed. */
    public static Instant next(LocalTime hour, Instant now, ZoneId zone) {
        ZonedDateTime today = now.atZone(zone);
        ZonedDateTime then = today.with(hour);
        return (then.isBefore(today.minus(HAS_JUST_PASSED)) ? then.plusDays(1) : then).toInstant();
    }

    /** Until when the night belongs to the day before. */
    private static final int NIGHT_HOURS = 4;

    /**
     * When the evening is over that belongs to a moment: it is that of the day before until four in the morning.
     *
     * @param hour when the house's evenings are over
     */
    public static Instant over(LocalTime hour, Instant now, ZoneId zone) {
        LocalDate day = now.atZone(zone).minusHours(NIGHT_HOURS).toLocalDate();
        LocalDate endsOn = hour.isBefore(LocalTime.of(NIGHT_HOURS, 0)) ? day.plusDays(1) : day;
        return endsOn.atTime(hour).atZone(zone).toInstant();
    }

    /** How late it is for the warming, in whole minutes; 0 in time. */
    public long lateMinutes(Instant now) {
        return Math.max(0, Duration.between(startWarming, now).toMinutes());
    }

    /** When the last film can hang. */
    public Instant over() {
        return loads.get(loads.size() - 1).hangAt();
    }

    /** The first load that does not fit; empty where all do. */
    public Optional<Load> refused() {
        return loads.stream().filter(load -> !load.plan().fits()).findFirst();
    }
}
