package mezcla.web.house;

import java.time.Instant;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.log.Roll;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.web.clock.LogClock;
import org.springframework.stereotype.Service;

/** Asks the core about runs, as this house judges and at this moment. */
@Service
public class Planning {
    private final HouseService houses;
    private final LogClock clock;

    Planning(HouseService houses, LogClock clock) {
        this.houses = houses;
        this.clock = clock;
    }

    /** The question whether a batch takes this film in that tank. */
    public RunQuestion question(List<Roll> rolls, double tankMl) {
        return question(rolls, tankMl, clock.instant());
    }

    /** The same about a tank as it is used. */
    public RunQuestion question(List<Roll> rolls, Tank tank, Instant at) {
        return question(rolls, tank.volumeMl(), at).turned(tank.turning());
    }

    /** The same question, asked about another moment. */
    public RunQuestion question(List<Roll> rolls, double tankMl, Instant at) {
        return new RunQuestion(
                rolls,
                tankMl,
                smallestTankMl(),
                houses.judging(),
                at,
                houses.house().timeZone());
    }

    /** The question about the next roll: one of 135-36, neither pushed nor pulled, in the smallest tank. */
    public RunQuestion nextRoll() {
        return RunQuestion.nextRoll(
                smallestTankMl(),
                houses.judging(),
                clock.instant(),
                houses.house().timeZone());
    }

    /** The next roll through a batch. */
    public RunPlan nextRoll(BatchState batch) {
        return RunPlan.of(batch, nextRoll());
    }

    /** Whole days from then to now, by the calendar of the house. */
    public int daysSince(Instant then) {
        return (int)
                RunQuestion.daysBetween(then, clock.instant(), houses.house().timeZone());
    }

    private double smallestTankMl() {
        return houses.tanks().stream().mapToDouble(Tank::volumeMl).min().orElse(0);
    }
}
