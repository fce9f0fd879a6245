package mezcla.web.words;

import mezcla.processing.RunSteps;

/** How much wetting agent goes into a tank, in words. */
public final class WettingAgent {
    private WettingAgent() {}

    /** What a tank of that volume takes, in ml: {@code 1.5 ml of wetting agent to 300 ml of water}. */
    public static String in(double tankMl) {
        return "%s of wetting agent to %s of water, as warm as the room"
                .formatted(Figures.ml(tankMl / RunSteps.WETTING_AGENT_PARTS), Figures.ml(tankMl));
    }
}
