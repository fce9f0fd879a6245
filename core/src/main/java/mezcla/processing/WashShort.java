package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * A wash that is done less than its sheet prints it, or not at all: that does nothing to film tonight, but film that is not
 * washed may not keep (rules, section 7).
 *
 * @param key the step, as {@link RunSteps#keys} names it
 * @param fills how often water is filled in; 0 where it goes by time or is left out
 * @param ofFills how often it is printed; null where it is printed by time alone
 * @param seconds how long it takes, in seconds; 0 where it goes by fills or is left out
 * @param ofSeconds how long it is printed, in seconds; null where it is printed by fills alone
 */
public record WashShort(String key, int fills, @Nullable Integer ofFills, double seconds, @Nullable Double ofSeconds) {
    /** Every wash of a sheet that is done less than printed, in order. */
    public static List<WashShort> of(Leaflet leaflet, RunSteps.Choices choices) {
        List<WashShort> all = new ArrayList<>();
        List<ProcessStep> printed = RunSteps.printed(leaflet);
        List<String> keys = RunSteps.keys(leaflet);
        for (int i = 0; i < printed.size(); i++) {
            ProcessStep step = printed.get(i);
            StepChoice choice = choices.of(keys.get(i));
            int fills = choice.leftOut() ? 0 : RunStepsAdded.fills(step, choice);
            Integer own = choice.leftOut() ? null : choice.seconds();
            double seconds = own == null ? 0 : own;
            if (isWash(step) && isLess(step, choice, fills, own)) {
                all.add(new WashShort(keys.get(i), fills, step.fills(), seconds, step.seconds()));
            }
        }
        return all;
    }

    private static boolean isLess(ProcessStep step, StepChoice choice, int fills, @Nullable Integer own) {
        if (choice.leftOut()) {
            return true;
        }
        if (fills > 0) {
            return step.fills() != null && fills < step.fills();
        }
        return own != null && step.seconds() != null && Slack.exceeds(step.seconds(), own);
    }

    /** Whether a step is a wash, and not a pre-soak, a wetting agent, or a rinse that ends when somebody sees it. */
    static boolean isWash(ProcessStep step) {
        return step.kind() == ProcessStep.Kind.WASH || step.kind() == ProcessStep.Kind.WASH_FILLS;
    }
}
