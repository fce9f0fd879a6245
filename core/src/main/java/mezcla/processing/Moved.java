package mezcla.processing;

import mezcla.leaflet.Bath;
import mezcla.leaflet.PrintedMovement;
import org.jspecify.annotations.Nullable;

/**
 * How the tank is moved during a step: as its sheet prints it, or in the house's own way (rules, section 7).
 *
 * @param first how at first
 * @param then how afterwards; mostly the same
 * @param agitation when, and for how long or how many turns
 */
public record Moved(Movement first, Movement then, Agitation agitation) {
    /** How long one turn of the tank takes, there and back, in seconds; <em>house</em>. */
    public static final double TURN_SECONDS = 2.5;

    /** Whether a stick gives way to turning the tank over, so that the cap has to go on first. */
    public boolean capGoesOn() {
        return first == Movement.STICK && then == Movement.INVERSION;
    }

    /**
     * How the tank is moved in a bath.
     *
     * @param bath the bath
     * @param chosen how the house does it
     * @return null where it stands still
     */
    static @Nullable Moved in(Bath bath, Movement chosen) {
        PrintedMovement printed = bath.movement();
        if (chosen == Movement.PRINTED && printed != null) {
            return printed(printed);
        }
        return bath.role().isLast() ? null : byHouse(chosen == Movement.PRINTED ? Movement.INVERSION : chosen);
    }

    /** How the tank is moved in water; null where it stands still, as it does but for a rotary base. */
    static @Nullable Moved inWater(Movement chosen, int fills) {
        return chosen == Movement.ROTARY && fills == 0 ? byHouse(chosen) : null;
    }

    private static Moved byHouse(Movement chosen) {
        return new Moved(chosen, chosen, chosen.agitation());
    }

    private static @Nullable Moved printed(PrintedMovement printed) {
        return switch (printed.kind()) {
            case STILL -> null;
            case CONTINUOUS -> new Moved(by(printed.first()), by(printed.then()), new Agitation.Continuous());
            case INTERVALS ->
                new Moved(
                        by(printed.first()),
                        by(printed.then()),
                        printed.isAtFirstOnly() ? atFirst(printed) : nowAndThen(printed));
        };
    }

    private static Agitation atFirst(PrintedMovement printed) {
        double seconds = printed.turns() > 0 ? printed.turns() * TURN_SECONDS : printed.initialSeconds();
        return new Agitation.Intervals(seconds, Double.POSITIVE_INFINITY, seconds, printed.turns());
    }

    private static Agitation nowAndThen(PrintedMovement printed) {
        return new Agitation.Intervals(
                printed.initialSeconds(),
                printed.everySeconds(),
                printed.turns() > 0 ? printed.turns() * TURN_SECONDS : printed.forSeconds(),
                printed.turns());
    }

    private static Movement by(PrintedMovement.@Nullable Method method) {
        return method == null
                ? Movement.INVERSION
                : switch (method) {
                    case INVERT -> Movement.INVERSION;
                    case STICK -> Movement.STICK;
                    case TURN -> Movement.ROTARY;
                };
    }
}
