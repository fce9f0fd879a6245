package mezcla.leaflet;

import java.util.Arrays;
import java.util.List;
import mezcla.measure.Refusal;

/**
 * What a bath does (rules, section 1).
 *
 * @param key a short name in lower case with hyphens
 * @param name how members call it
 * @param letters the two letters on its bottles
 * @param nature what the rules know it as
 */
public record BathRole(String key, String name, String letters, Nature nature) {
    /** What a bath is to the rules; a bath that the house names itself is {@link #OTHER}. */
    public enum Nature {
        /** Comes before the developer, to warm the film or soften a backing. */
        PRE_BATH,
        /** Makes the image: a negative's developer. */
        DEVELOPER,
        /** Makes the negative image of a slide. */
        FIRST_DEVELOPER,
        /** Makes what is left developable. */
        REVERSAL_BATH,
        /** Makes the dyes. */
        COLOUR_DEVELOPER,
        /** Ends development at once. */
        STOP,
        /** Turns silver into something a fixer can take. */
        BLEACH,
        /** Takes the silver out. */
        FIXER,
        /** Bleach and fixer in one. */
        BLEACH_FIX,
        /** The final rinse. */
        STABILISER,
        /** Helps water to run off. */
        WETTING_AGENT,
        /** Named by the house. */
        OTHER
    }

    /** Pre-bath. */
    public static final BathRole PRE_BATH = new BathRole("pre-bath", "Pre-bath", "Pb", Nature.PRE_BATH);

    /** Developer of a negative. */
    public static final BathRole DEVELOPER = new BathRole("developer", "Developer", "De", Nature.DEVELOPER);

    /** First developer of a slide. */
    public static final BathRole FIRST_DEVELOPER =
            new BathRole("first-developer", "First developer", "F1", Nature.FIRST_DEVELOPER);

    /** Reversal bath of a slide. */
    public static final BathRole REVERSAL_BATH =
            new BathRole("reversal-bath", "Reversal bath", "Rv", Nature.REVERSAL_BATH);

    /** Colour developer. */
    public static final BathRole COLOUR_DEVELOPER =
            new BathRole("colour-developer", "Colour developer", "Cd", Nature.COLOUR_DEVELOPER);

    /** Stop bath. */
    public static final BathRole STOP = new BathRole("stop", "Stop", "St", Nature.STOP);

    /** Bleach. */
    public static final BathRole BLEACH = new BathRole("bleach", "Bleach", "Bl", Nature.BLEACH);

    /** Fixer. */
    public static final BathRole FIXER = new BathRole("fixer", "Fixer", "Fx", Nature.FIXER);

    /** Bleach-fix. */
    public static final BathRole BLEACH_FIX = new BathRole("bleach-fix", "Bleach-fix", "Bx", Nature.BLEACH_FIX);

    /** Stabiliser, also called final rinse. */
    public static final BathRole STABILISER = new BathRole("stabiliser", "Final rinse", "Fr", Nature.STABILISER);

    /** Wetting agent. */
    public static final BathRole WETTING_AGENT =
            new BathRole("wetting-agent", "Wetting agent", "Wa", Nature.WETTING_AGENT);

    private static final BathRole[] STANDARD = {
        PRE_BATH,
        DEVELOPER,
        FIRST_DEVELOPER,
        REVERSAL_BATH,
        COLOUR_DEVELOPER,
        STOP,
        BLEACH,
        FIXER,
        BLEACH_FIX,
        STABILISER,
        WETTING_AGENT
    };

    /**
     * The standard role of that key.
     *
     * @throws Refusal {@code unknown-role}
     */
    public static BathRole of(String key) {
        return Arrays.stream(STANDARD)
                .filter(role -> role.key.equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownRole(key)));
    }

    /** The standard roles, in the order of use. */
    public static List<BathRole> standard() {
        return List.of(STANDARD);
    }

    /** A role that the house names, with letters of its own. */
    public static BathRole named(String key, String name, String letters) {
        return new BathRole(key, name, letters, Nature.OTHER);
    }

    /** Whether it develops an image: trim, black and bad results concern these alone (rules, 4.5 and 6). */
    public boolean isDeveloper() {
        return switch (nature) {
            case DEVELOPER, FIRST_DEVELOPER, COLOUR_DEVELOPER -> true;
            default -> false;
        };
    }

    /** Whether a temperature outside its range is only warned of (rules, 4.4). */
    public boolean toleratesAnyTemperature() {
        return switch (nature) {
            case STABILISER, STOP, WETTING_AGENT -> true;
            default -> false;
        };
    }

    /** Whether film that stays milky when dry points at this bath (rules, section 6). */
    public boolean fixes() {
        return nature == Nature.BLEACH_FIX || nature == Nature.FIXER;
    }
}
