package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import org.jspecify.annotations.Nullable;

/**
 * What a leaflet prints about those parts of a run that houses do differently (rules, section 7).
 *
 * @param preSoak its pre-soak; null where it names none
 * @param afterDeveloper the water and the stop that it prints between the developer and the next bath; empty where film
 *     goes straight on
 * @param finalRinse its final rinse; null for none
 * @param wettingAgent its wetting agent; null for none
 */
public record PrintedWays(
        @Nullable ProcessStep preSoak,
        List<ProcessStep> afterDeveloper,
        @Nullable Bath finalRinse,
        @Nullable Bath wettingAgent) {
    /** Keeps its own list. */
    public PrintedWays {
        afterDeveloper = List.copyOf(afterDeveloper);
    }

    /** Reads a leaflet. */
    public static PrintedWays of(Leaflet leaflet) {
        List<ProcessStep> steps = RunSteps.printed(leaflet);
        return new PrintedWays(
                steps.stream()
                        .filter(step -> step.kind() == ProcessStep.Kind.PRE_SOAK)
                        .findFirst()
                        .orElse(null),
                afterDeveloper(leaflet, steps),
                bath(leaflet, BathRole.Nature.STABILISER),
                bath(leaflet, BathRole.Nature.WETTING_AGENT));
    }

    /** Whether a house that wants a wetting agent needs one of its own. */
    boolean namesNoWettingAgent(Leaflet leaflet) {
        return wettingAgent == null
                && RunSteps.printed(leaflet).stream().noneMatch(step -> step.kind() == ProcessStep.Kind.WETTING_AGENT);
    }

    private static @Nullable Bath bath(Leaflet leaflet, BathRole.Nature nature) {
        return leaflet.baths().stream()
                .filter(bath -> bath.role().nature() == nature)
                .findFirst()
                .orElse(null);
    }

    private static List<ProcessStep> afterDeveloper(Leaflet leaflet, List<ProcessStep> steps) {
        List<ProcessStep> between = new ArrayList<>();
        boolean developed = false;
        for (ProcessStep step : steps) {
            if (RunSteps.isDeveloper(step, leaflet)) {
                developed = true;
            } else if (developed && isBetween(step, leaflet)) {
                between.add(step);
            } else if (developed) {
                return between;
            }
        }
        return between;
    }

    private static boolean isBetween(ProcessStep step, Leaflet leaflet) {
        return step.bath() == null || leaflet.bath(step.bath()).role().nature() == BathRole.Nature.STOP;
    }
}
