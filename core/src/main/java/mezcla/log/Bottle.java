package mezcla.log;

import java.util.Locale;
import mezcla.measure.Refusal;

/**
 * What a fill is stored in.
 *
 * @param id which one
 * @param label what is written on it
 * @param capacityMl what it holds, in ml
 * @param material what it is made of
 */
public record Bottle(long id, String label, double capacityMl, Material material) {
    /** The number of every bottle that came with its bath in it: they are none of the house's. */
    public static final long ITS_OWN = 0;

    /** The bottle that a bath came in, ready to use. */
    public static Bottle itsOwn(double capacityMl) {
        return new Bottle(ITS_OWN, "the bottle it came in", capacityMl, Material.PLASTIC);
    }

    /** Whether it came with its bath in it. */
    public boolean cameFull() {
        return id == ITS_OWN;
    }

    /** What a bottle is made of. */
    public enum Material {
        /** Brown or clear glass. */
        GLASS,
        /** Stiff plastic. */
        PLASTIC,
        /** A folding bottle, pressed until it is full. */
        FOLDING;

        /** In words. */
        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Whether air can be kept out of it that way. */
    public boolean allows(AirKept air) {
        return air != AirKept.SQUEEZED || material != Material.GLASS;
    }

    /**
     * Refuses a way of keeping air out that a bottle does not allow: glass cannot be squeezed.
     *
     * @throws Refusal {@code glass-not-squeezed}
     */
    public void refuseAirKept(AirKept air) {
        if (air == AirKept.SQUEEZED && material == Material.GLASS) {
            throw Refusal.of(new LogObjection.GlassNotSqueezed(label));
        }
    }
}
