package mezcla.mixing;

import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;
import mezcla.measure.Slack;

/**
 * A jug to mix in. It holds the mix with room to stir, and more where the mix may fizz (rules, 3.5).
 *
 * @param name what it is called
 * @param capacityMl what it holds to the brim, in ml
 */
public record JugChoice(String name, double capacityMl) {
    private static final double TO_STIR = 1.10;
    private static final double TO_FIZZ = 1.25;

    /** How much a jug must hold for a volume, in ml. */
    public static double needsMl(double volumeMl, boolean mayFizz) {
        return volumeMl * (mayFizz ? TO_FIZZ : TO_STIR);
    }

    /** The smallest jug that holds a volume with that room; empty where none does. */
    public static Optional<JugChoice> of(double volumeMl, boolean mayFizz, Collection<JugChoice> jugs) {
        return jugs.stream()
                .filter(jug -> Slack.reaches(jug.capacityMl(), needsMl(volumeMl, mayFizz)))
                .min(Comparator.comparingDouble(JugChoice::capacityMl));
    }
}
