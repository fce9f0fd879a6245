package mezcla.web.run.plan;

import java.util.List;
import mezcla.verdict.Reason;
import mezcla.verdict.RunPlan;
import mezcla.verdict.State;
import mezcla.web.words.verdict.StateWords;
import org.jspecify.annotations.Nullable;

/**
 * What a batch that is to be tested wants first (rules, section 6).
 *
 * @param fill its image developer, for which a clip is judged
 * @param reasons why, as sentences
 * @param film what kind of film makes the clip
 */
public record TestFirst(long fill, List<String> reasons, String film) {
    /** For a plan; null where the batch need not be tested, or has no developer to test. */
    static @Nullable TestFirst of(RunPlan plan) {
        if (!plan.isToBeTested()) {
            return null;
        }
        return plan.imageDeveloper()
                .map(developer -> new TestFirst(
                        developer.fill().id(),
                        plan.verdict().reasons().stream()
                                .filter(reason -> reason.code().state() == State.CHECK)
                                .map((Reason reason) -> StateWords.sentence(plan, reason))
                                .toList(),
                        plan.batch().process().name()))
                .orElse(null);
    }
}
