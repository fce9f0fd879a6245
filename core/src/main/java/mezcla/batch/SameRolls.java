package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import mezcla.log.Roll;
import mezcla.log.RunLogged;

/** The same film logged twice, by two people who both meant well (rules, section 12). */
public final class SameRolls {
    private static final Duration NEAR = Duration.ofHours(1);

    private SameRolls() {}

    /**
     * The run that was logged with the same owners, formats and counts, within an hour.
     *
     * @param batch the batch
     * @param rolls the film that is to be logged
     * @param at when it was run
     * @return the latest such run; empty for none
     */
    public static Optional<RunLogged> of(BatchState batch, List<Roll> rolls, Instant at) {
        Map<String, Integer> asked = counted(rolls);
        return batch.runs().stream()
                .filter(run -> run.abandoned() == null)
                .filter(run ->
                        Duration.between(run.stamp().happenedAt(), at).abs().compareTo(NEAR) <= 0)
                .filter(run -> counted(run.rolls()).equals(asked))
                .reduce((earlier, later) -> later);
    }

    private static Map<String, Integer> counted(List<Roll> rolls) {
        Map<String, Integer> counted = new TreeMap<>();
        rolls.forEach(roll -> counted.merge(roll.owner() + " " + roll.format().label(), 1, Integer::sum));
        return counted;
    }
}
