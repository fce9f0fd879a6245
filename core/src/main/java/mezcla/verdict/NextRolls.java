package mezcla.verdict;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.LogBook;
import mezcla.log.RunLogged;

/**
 * The next rolls through a batch, one roll a run, as they go on a card for an evening without a screen (rules, section
 * 6): each is planned as any run is, through what those before it leave.
 *
 * @param rolls in the order in which they would go in, until one does not fit
 */
public record NextRolls(List<Next> rolls) {
    /** Keeps its own list. */
    public NextRolls {
        rolls = List.copyOf(rolls);
    }

    /**
     * One roll.
     *
     * @param number 1 for the next
     * @param plan its plan; the last one may be refused
     */
    public record Next(int number, RunPlan plan) {}

    /**
     * Plans them.
     *
     * @param book the log
     * @param batch the batch
     * @param count how many at most
     * @param question what is asked about each
     * @throws mezcla.measure.Refusal {@code unknown-batch} or {@code batch-ended}
     */
    public static NextRolls of(LogBook book, long batch, int count, RunQuestion question) {
        List<Next> rolls = new ArrayList<>();
        LogBook then = book;
        for (int number = 1; number <= count; number++) {
            RunPlan plan = RunPlan.of(then.state().batch(batch), question);
            rolls.add(new Next(number, plan));
            if (!plan.fits()) {
                break;
            }
            then = then.supposing(question.at(), List.of(stamp -> new RunLogged(
                            stamp, batch, question.rolls(), plan.asRunBaths(), question.tankMl(), List.of(), null)
                    .turned(question.tank().turning())));
        }
        return new NextRolls(rolls);
    }

    /** Those that fit. */
    public List<Next> within() {
        return rolls.stream().filter(next -> next.plan().fits()).toList();
    }
}
