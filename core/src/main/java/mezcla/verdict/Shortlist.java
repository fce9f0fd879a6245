package mezcla.verdict;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Which of several batches to use first. */
public final class Shortlist {
    private Shortlist() {}

    /**
     * Among the batches that can take the run, the one that will expire or fill up first; one that has to be tested
     * only when there is no other.
     *
     * @param plans the same run through several batches
     */
    public static Optional<RunPlan> first(Collection<RunPlan> plans) {
        return plans.stream()
                .filter(RunPlan::fits)
                .min(Comparator.comparing((RunPlan plan) -> plan.verdict().state() == State.CHECK)
                        .thenComparing(plan -> endless(plan.verdict().daysLeft()))
                        .thenComparing(plan -> endless(plan.verdict().rollsLeft()))
                        .thenComparing(plan -> plan.batch().id()));
    }

    private static double endless(@Nullable Double left) {
        return left == null ? Double.POSITIVE_INFINITY : left;
    }
}
