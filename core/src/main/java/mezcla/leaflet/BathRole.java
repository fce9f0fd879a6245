package mezcla.leaflet;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * What a bath does (rules, section 1).
 *
 * @param key a short name in lower case with hyphens
 * @param name how members call it
 * @param letters the two letters on its bottles
 * @param nature what the rules know it as
 */
public record BathRole(String key, String name, String letters, Nature nature) {
    /**
     * What a bath is to the rules: the one table of what they know of it. A bath that the house names itself is
     * {@link #OTHER}. The order is that of use.
     */
    public enum Nature {
        /** Comes before the developer, to warm the film or soften a backing. */
        PRE_BATH(traits("pre-bath", "Pre-bath", "Pb", 90, NO_LIMIT)),
        /** Makes the image: a negative's developer. */
        DEVELOPER(developer("developer", "Developer", "De", 42, 12)),
        /** Makes the negative image of a slide. */
        FIRST_DEVELOPER(developer("first-developer", "First developer", "F1", 28, 12)),
        /** Makes what is left developable. */
        REVERSAL_BATH(
                traits("reversal-bath", "Reversal bath", "Rv", 42, NO_LIMIT).spoiledByAir(1)),
        /** Makes the dyes. */
        COLOUR_DEVELOPER(developer("colour-developer", "Colour developer", "Cd", 42, 12)),
        /** Ends development at once. */
        STOP(traits("stop", "Stop", "St", 90, NO_LIMIT).with(Trait.ACID, Trait.ANY_TEMPERATURE)),
        /** Turns silver into something a fixer can take. */
        BLEACH(traits("bleach", "Bleach", "Bl", 180, 30)
                .into(WasteRoute.SILVER_BEARING)
                .with(Trait.INTO_WATER, Trait.SPOILS_DEVELOPERS)
                .cautioned(Caution.ACID_INTO_WATER)),
        /** Takes the silver out. */
        FIXER(traits("fixer", "Fixer", "Fx", 120, 20)
                .into(WasteRoute.SILVER_BEARING)
                .spoiledByAir(0.5)
                .with(Trait.FIXES, Trait.SPOILS_DEVELOPERS)),
        /** Bleach and fixer in one. */
        BLEACH_FIX(traits("bleach-fix", "Bleach-fix", "Bx", 60, 16)
                .into(WasteRoute.SILVER_BEARING)
                .spoiledByAir(1)
                .with(Trait.FIXES, Trait.MAY_FIZZ, Trait.INTO_WATER, Trait.SPOILS_DEVELOPERS)
                .cautioned(Caution.AIR, Caution.FIZZES, Caution.STAINS, Caution.ACID_INTO_WATER)),
        /** The final rinse. */
        STABILISER(traits("stabiliser", "Final rinse", "Fr", 60, 24)
                .spoiledByAir(0.2)
                .with(Trait.LAST, Trait.ANY_TEMPERATURE)
                .cautioned(Caution.FORMALDEHYDE)),
        /** Helps water to run off. */
        WETTING_AGENT(
                traits("wetting-agent", "Wetting agent", "Wa", 90, NO_LIMIT).with(Trait.LAST, Trait.ANY_TEMPERATURE)),
        /** Named by the house. */
        OTHER(traits("", "", "Ot", NO_LIMIT, NO_LIMIT));

        /** Its sets never change, which the compiler cannot know. */
        @SuppressWarnings("ImmutableEnumChecker")
        private final Traits traits;

        Nature(Traits traits) {
            this.traits = traits;
        }

        private static Traits traits(
                String key, String name, String letters, double usualLifeDays, double usualRollsALitre) {
            return new Traits(
                    key,
                    name,
                    letters,
                    new Usual(usualLifeDays, usualRollsALitre),
                    WasteRoute.OTHERS,
                    0,
                    Set.of(),
                    Set.of());
        }

        private static Traits developer(
                String key, String name, String letters, double usualLifeDays, double usualRollsALitre) {
            return traits(key, name, letters, usualLifeDays, usualRollsALitre)
                    .into(WasteRoute.DEVELOPERS)
                    .spoiledByAir(2)
                    .with(Trait.DEVELOPS)
                    .cautioned(Caution.SENSITISES);
        }

        /** What the house takes where a sheet prints no life or no capacity; it may choose otherwise. */
        public Usual usual() {
            return traits.usual();
        }

        /** The name of its hatching in drawings. */
        public String pattern() {
            return traits.letters();
        }

        /** Where it goes when it is used up (rules, sections 6 and 11). */
        public WasteRoute waste() {
            return traits.waste();
        }

        /** a: how much air over it ages it; <em>house</em> (rules, section 5). */
        public double airSensitivity() {
            return traits.airSensitivity();
        }

        /** What to look out for while it is mixed (rules, section 11). */
        public Set<Caution> cautions() {
            return traits.cautions();
        }

        boolean is(Trait trait) {
            return traits.is().contains(trait);
        }
    }

    /** What holds of some baths and not of others. */
    enum Trait {
        /** Develops an image. */
        DEVELOPS,
        /** A trace of it spoils a developer: no bottle that held it is one for a developer. */
        SPOILS_DEVELOPERS,
        /** Takes silver out. */
        FIXES,
        /** Ends a run. */
        LAST,
        /** A temperature outside its range is only warned of. */
        ANY_TEMPERATURE,
        /** May fizz while it is mixed. */
        MAY_FIZZ,
        /** Its parts go into water, never water into them. */
        INTO_WATER,
        /** Sets free a gas that chokes where it meets used fixer. */
        ACID
    }

    /** What nobody limits. */
    private static final double NO_LIMIT = Double.POSITIVE_INFINITY;

    /**
     * What stands in for a sheet that prints nothing (rules, section 5); <em>house</em>.
     *
     * @param lifeDays how long it lasts once it is mixed, in days; infinite for no limit
     * @param rollsALitre how many roll equivalents a litre takes; infinite for no limit
     */
    public record Usual(double lifeDays, double rollsALitre) {}

    /** Other names that sheets print, by the key of the bath. */
    private static final Map<String, Set<String>> ALSO_CALLED = Map.of(
            "bleach-fix", Set.of("blix", "bleach fix", "bleachfix"),
            "stabiliser",
                    Set.of("stabiliser", "stabilizer", "stab", "final rinse", "stabilising bath", "stabilizing bath"),
            "developer", Set.of("dev", "colour developer", "color developer"),
            "first-developer", Set.of("1st developer", "first dev"),
            "colour-developer", Set.of("color developer", "colour dev", "color dev"),
            "reversal-bath", Set.of("reversal", "reversal bath"),
            "pre-bath", Set.of("prebath", "pre bath"),
            "stop", Set.of("stop bath"),
            "fixer", Set.of("fix"));

    /**
     * Whether a sheet means this bath by a name: its own, its letters, or another name that is printed for it, as {@code
     * Blix} or {@code Stabilizer}.
     */
    public boolean isCalled(String printed) {
        String said = printed.strip().toLowerCase(Locale.ROOT);
        return said.equals(name().toLowerCase(Locale.ROOT))
                || said.equals(letters().toLowerCase(Locale.ROOT))
                || ALSO_CALLED.getOrDefault(key(), Set.of()).contains(said);
    }

    /** The standard bath that a part is named for, as {@code Bleach-fix A} for the bleach-fix; null for none. */
    static @Nullable BathRole namedBy(String part) {
        String said = part.strip().toLowerCase(Locale.ROOT);
        BathRole found = null;
        int length = 0;
        for (BathRole role : STANDARD) {
            for (String name : role.names()) {
                boolean begins = said.startsWith(name)
                        && (said.length() == name.length() || !Character.isLetter(said.charAt(name.length())));
                boolean itsOwn = name.equalsIgnoreCase(role.name());
                if (begins && (name.length() > length || (itsOwn && name.length() == length))) {
                    found = role;
                    length = name.length();
                }
            }
        }
        return found;
    }

    private List<String> names() {
        return Stream.concat(
                        Stream.of(name().toLowerCase(Locale.ROOT)), ALSO_CALLED.getOrDefault(key(), Set.of()).stream())
                .toList();
    }

    /**
     * Whether a part that is named for one bath may go into this one: its own, a developer's into any developer, the two
     * halves of a bleach-fix into it, and what ends a run into whatever ends it.
     */
    boolean mayTakeWhatIsNamedFor(BathRole other) {
        return key.equals(other.key)
                || (isDeveloper() && other.nature == Nature.DEVELOPER)
                || (nature == Nature.DEVELOPER && other.nature == Nature.COLOUR_DEVELOPER)
                || (nature == Nature.BLEACH_FIX && (other.nature == Nature.BLEACH || other.nature == Nature.FIXER))
                || (isLast() && other.isLast())
                || nature == Nature.OTHER;
    }

    /** Where a process has it among the others; equal for those that come in either order. */
    Nature place() {
        return switch (nature) {
            case BLEACH_FIX -> Nature.FIXER;
            case WETTING_AGENT -> Nature.STABILISER;
            default -> nature;
        };
    }

    private record Traits(
            String key,
            String name,
            String letters,
            Usual usual,
            WasteRoute waste,
            double airSensitivity,
            Set<Trait> is,
            Set<Caution> cautions) {
        Traits into(WasteRoute route) {
            return new Traits(key, name, letters, usual, route, airSensitivity, is, cautions);
        }

        Traits spoiledByAir(double much) {
            return new Traits(key, name, letters, usual, waste, much, is, cautions);
        }

        Traits with(Trait... more) {
            return new Traits(key, name, letters, usual, waste, airSensitivity, Set.of(more), cautions);
        }

        Traits cautioned(Caution... more) {
            return new Traits(key, name, letters, usual, waste, airSensitivity, is, Set.of(more));
        }
    }

    /** Pre-bath. */
    public static final BathRole PRE_BATH = standard(Nature.PRE_BATH);

    /** Developer of a negative. */
    public static final BathRole DEVELOPER = standard(Nature.DEVELOPER);

    /** First developer of a slide. */
    public static final BathRole FIRST_DEVELOPER = standard(Nature.FIRST_DEVELOPER);

    /** Reversal bath of a slide. */
    public static final BathRole REVERSAL_BATH = standard(Nature.REVERSAL_BATH);

    /** Colour developer. */
    public static final BathRole COLOUR_DEVELOPER = standard(Nature.COLOUR_DEVELOPER);

    /** Stop bath. */
    public static final BathRole STOP = standard(Nature.STOP);

    /** Bleach. */
    public static final BathRole BLEACH = standard(Nature.BLEACH);

    /** Fixer. */
    public static final BathRole FIXER = standard(Nature.FIXER);

    /** Bleach-fix. */
    public static final BathRole BLEACH_FIX = standard(Nature.BLEACH_FIX);

    /** Stabiliser, also called final rinse. */
    public static final BathRole STABILISER = standard(Nature.STABILISER);

    /** Wetting agent. */
    public static final BathRole WETTING_AGENT = standard(Nature.WETTING_AGENT);

    private static final List<BathRole> STANDARD = Arrays.stream(Nature.values())
            .filter(nature -> nature != Nature.OTHER)
            .map(BathRole::standard)
            .toList();

    private static BathRole standard(Nature nature) {
        Traits traits = nature.traits;
        return new BathRole(traits.key(), traits.name(), traits.letters(), nature);
    }

    /**
     * The standard role of that key.
     *
     * @throws Refusal {@code unknown-role}
     */
    public static BathRole of(String key) {
        return STANDARD.stream()
                .filter(role -> role.key.equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownRole(key)));
    }

    /** The standard roles, in the order of use. */
    public static List<BathRole> standard() {
        return STANDARD;
    }

    /** A role that the house names, with letters of its own. */
    public static BathRole named(String key, String name, String letters) {
        return new BathRole(key, name, letters, Nature.OTHER);
    }

    /** Whether it develops an image: black and bad results condemn these alone (rules, section 6). */
    public boolean isDeveloper() {
        return nature.is(Trait.DEVELOPS);
    }

    /** Whether a temperature outside its range is only warned of (rules, 4.4). */
    public boolean toleratesAnyTemperature() {
        return nature.is(Trait.ANY_TEMPERATURE);
    }

    /**
     * By how much a bath may be off where its sheet prints no tolerance, in °C (<em>house</em>): a developer hardly, what
     * any temperature does for a good deal.
     */
    public double usualToleranceC() {
        return isDeveloper() ? 0.3 : toleratesAnyTemperature() ? 5 : 1;
    }

    /** Whether a trace of it spoils a developer (rules, 3.5). */
    public boolean spoilsDevelopers() {
        return nature.is(Trait.SPOILS_DEVELOPERS);
    }

    /** Whether film that stays milky when dry points at this bath (rules, section 6). */
    public boolean fixes() {
        return nature.is(Trait.FIXES);
    }

    /** Whether film can do without it: only what comes before the developer. */
    public boolean mayBeLeftOut() {
        return nature == Nature.PRE_BATH;
    }

    /** Whether it ends a run: nothing but drying comes after it. */
    public boolean isLast() {
        return nature.is(Trait.LAST);
    }

    /** Whether it may fizz while it is mixed, so that its jug needs more headspace (rules, 3.5). */
    public boolean mayFizz() {
        return nature.is(Trait.MAY_FIZZ);
    }

    /** Whether its parts go into water, never water into them (rules, 3.5). */
    public boolean goesIntoWater() {
        return nature.is(Trait.INTO_WATER);
    }

    /** Whether it sets free a gas where it meets used fixer (rules, section 11). */
    public boolean isAcid() {
        return nature.is(Trait.ACID);
    }
}
