package mezcla.planning;

import java.util.EnumMap;
import java.util.Map;
import mezcla.measure.FilmFormat.Reel;
import mezcla.measure.Slack;

/** What a tank is taken to hold of which nobody has said (rules, section 10). */
public final class UndescribedTank {
    private static final double REEL_135_ML = 250;
    private static final double REEL_120_ML = 500;

    private UndescribedTank() {}

    /**
     * One reel of 135 for each 250 ml, but one at least, one of 120 for each 500 ml, and nothing else; <em>house</em>. A run can
     * still be planned with more, for whoever knows the tank; only proposals of the queue are this careful.
     *
     * @param volumeMl what it takes of each bath, in ml
     */
    public static Map<Reel, Integer> holds(double volumeMl) {
        Map<Reel, Integer> holds = new EnumMap<>(Reel.class);
        holds.put(Reel.R135, Math.max(1, (int) Slack.floor(volumeMl / REEL_135_ML)));
        holds.put(Reel.R120, (int) Slack.floor(volumeMl / REEL_120_ML));
        return holds;
    }
}
