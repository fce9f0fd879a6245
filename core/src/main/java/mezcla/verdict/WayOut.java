package mezcla.verdict;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import mezcla.batch.BatchState;
import mezcla.batch.LogEntry;

/** What can be done where no batch takes a run as it was asked for (rules, 4.8). */
public sealed interface WayOut {
    /** The plan to begin with. */
    RunPlan plan();

    /**
     * The same film in a smaller tank that the bottles fill.
     *
     * @param plan the run in that tank
     */
    record SmallerTank(RunPlan plan) implements WayOut {}

    /**
     * The film in two loads, one after the other, through the same batch.
     *
     * @param plan the first load
     * @param second the second load, through what the first one leaves
     */
    record TwoLoads(RunPlan plan, RunPlan second) implements WayOut {}

    /**
     * Finds the ways out for a run that no batch takes.
     *
     * @param batches the batches that could be asked, of the film's process
     * @param question the run as it was asked for
     * @param tanksMl what the tanks of the house take, in ml
     * @param afterwards what a run leaves of its batch
     * @return the best of each kind: the smallest step down in tank, then the batch that ends first
     */
    static List<WayOut> of(
            Collection<BatchState> batches,
            RunQuestion question,
            List<Double> tanksMl,
            Function<RunPlan, BatchState> afterwards) {
        List<WayOut> ways = new ArrayList<>();
        smallerTank(batches, question, tanksMl).ifPresent(ways::add);
        twoLoads(batches, question, afterwards).ifPresent(ways::add);
        return ways;
    }

    private static Optional<WayOut> smallerTank(
            Collection<BatchState> batches, RunQuestion question, List<Double> tanksMl) {
        return tanksMl.stream()
                .filter(tankMl -> tankMl < question.tankMl())
                .sorted(Comparator.reverseOrder())
                .map(question::inTank)
                .flatMap(smaller -> first(batches, smaller).stream())
                .findFirst()
                .map(SmallerTank::new);
    }

    private static Optional<WayOut> twoLoads(
            Collection<BatchState> batches, RunQuestion question, Function<RunPlan, BatchState> afterwards) {
        List<LogEntry.Roll> rolls = question.rolls();
        if (rolls.size() < 2) {
            return Optional.empty();
        }
        int half = (rolls.size() + 1) / 2;
        RunQuestion firstHalf = question.ofRolls(rolls.subList(0, half));
        RunQuestion secondHalf = question.ofRolls(rolls.subList(half, rolls.size()));
        return batches.stream()
                .map(batch -> RunPlan.of(batch, firstHalf))
                .filter(RunPlan::fits)
                .map(load -> new TwoLoads(load, RunPlan.of(afterwards.apply(load), secondHalf)))
                .filter(loads -> loads.second().fits())
                .map(WayOut.class::cast)
                .findFirst();
    }

    private static Optional<RunPlan> first(Collection<BatchState> batches, RunQuestion question) {
        return Shortlist.first(
                batches.stream().map(batch -> RunPlan.of(batch, question)).toList());
    }
}
