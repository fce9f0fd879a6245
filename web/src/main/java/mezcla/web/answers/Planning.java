package mezcla.web.answers;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mezcla.batch.BatchState;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.processing.Movement;
import mezcla.verdict.Judging;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.clock.LogClock;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import org.springframework.stereotype.Service;

/** Asks the core about runs, as this house judges and at this moment. */
@Service
public class Planning {
    private static final Comparator<RunQuestion.InTank> LEAST_FIRST =
            Comparator.comparingDouble(RunQuestion.InTank::leastMl);

    private final HouseService houses;
    private final LogClock clock;

    Planning(HouseService houses, LogClock clock) {
        this.houses = houses;
        this.clock = clock;
    }

    /** The question about film in a tank, asked now. */
    public RunQuestion question(List<Roll> rolls, Tank tank) {
        return question(rolls, tank, clock.instant());
    }

    /** The question about film in a tank as it is used. */
    public RunQuestion question(List<Roll> rolls, Tank tank, Instant at) {
        return question(rolls, tank.asUsed(), at);
    }

    /** The question about film in a tank of which nothing is known but what it takes, in ml. */
    public RunQuestion question(List<Roll> rolls, double tankMl, Instant at) {
        return question(rolls, RunQuestion.InTank.of(tankMl), at);
    }

    private RunQuestion question(List<Roll> rolls, RunQuestion.InTank tank, Instant at) {
        return question(rolls, tank, tanks(), at);
    }

    private RunQuestion question(
            List<Roll> rolls, RunQuestion.InTank tank, List<RunQuestion.InTank> tanks, Instant at) {
        return new RunQuestion(
                rolls,
                tank,
                smallest(tanks).leastMl(),
                houses.judging(at),
                at,
                houses.house().timeZone(),
                null);
    }

    /** The question about the next roll: one of 135-36, neither pushed nor pulled, in the smallest tank. */
    public RunQuestion nextRoll() {
        List<RunQuestion.InTank> tanks = tanks();
        RunQuestion.InTank tank = tanks.stream()
                .filter(each -> each.holds().containsKey(FilmFormat.F135_36.reel()))
                .min(LEAST_FIRST)
                .orElseGet(() -> RunQuestion.InTank.of(smallest(tanks).takesMl()));
        return question(List.of(RunQuestion.oneRoll()), tank, tanks, clock.instant());
    }

    /** How the house judges now. */
    public Judging judging() {
        return houses.judging(clock.instant());
    }

    /** The next roll through a batch. */
    public RunPlan nextRoll(BatchState batch) {
        return RunPlan.of(batch, asUsed(nextRoll(), batch));
    }

    /**
     * A question about the next roll as a batch is really used: where its last run was turned, in the smallest tank that
     * the house turns (rules, 4.12).
     */
    public RunQuestion asUsed(RunQuestion next, BatchState batch) {
        if (!RunQuestion.isTurned(batch)) {
            return next;
        }
        return turnedTank().map(tank -> next.inTank(tank.asUsed())).orElseGet(() -> next.asUsed(batch));
    }

    /** The tank in which the next roll is taken to be turned; empty where no tank of the house is. */
    public Optional<Tank> turnedTank() {
        return houses.tanks().stream()
                .filter(tank -> tank.rotaryMl() != null && tank.holds().containsKey(FilmFormat.F135_36.reel()))
                .map(tank -> tank.moved(Movement.ROTARY))
                .min(Comparator.comparingDouble(Tank::volumeMl));
    }

    /** The smallest tank that film goes into; empty where it goes into none that anybody described. */
    public Optional<Tank> smallestFor(List<Roll> rolls) {
        return houses.tanks().stream()
                .filter(tank -> tank.fit(rolls).objection().isEmpty())
                .findFirst();
    }

    /** Whole days from then to now, by the calendar of the house. */
    public int daysSince(Instant then) {
        return (int)
                RunQuestion.daysBetween(then, clock.instant(), houses.house().timeZone());
    }

    private List<RunQuestion.InTank> tanks() {
        return houses.tanks().stream().map(Tank::asUsed).toList();
    }

    /** The tank that asks for least; of a house without tanks, none of any size. */
    private static RunQuestion.InTank smallest(List<RunQuestion.InTank> tanks) {
        return tanks.stream().min(LEAST_FIRST).orElse(RunQuestion.InTank.of(0));
    }
}
