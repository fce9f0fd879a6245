package mezcla.mixing;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;

/** What to look out for with the parts of a mix, and no more than fits them (rules, section 11). */
public enum Caution {
    /** Gloves that are not reused once soiled, and eye protection. */
    GLOVES_AND_EYES,
    /** A fitted particle mask and air moving away from people: powders. */
    MASK,
    /** Air moving away from people: bleach-fix. */
    AIR,
    /** Colour developers can sensitise skin for life. */
    SENSITISES,
    /** Acid bleach goes into water, never water into it. */
    ACID_INTO_WATER,
    /** Bleach-fix may fizz: headspace, and never a closed bottle. */
    FIZZES,
    /** Bleach-fix stains skin, cloth and sinks. */
    STAINS,
    /** Old stabilisers can contain formaldehyde. */
    FORMALDEHYDE,
    /** Where eye-wash, spill kit and first aid are; no food; tools never go back to a kitchen; keep from children. */
    KNOW_WHERE;

    /** The cautions that fit what is mixed. */
    public static Set<Caution> of(Leaflet leaflet, List<Bath> baths) {
        Set<Caution> cautions = EnumSet.of(GLOVES_AND_EYES, KNOW_WHERE);
        for (Bath bath : baths) {
            boolean powder = bath.recipe().additions().stream()
                    .anyMatch(addition -> leaflet.part(addition.part()).unit() == Unit.G);
            if (powder) {
                cautions.add(MASK);
            }
            BathRole.Nature nature = bath.role().nature();
            if (bath.role().isDeveloper()) {
                cautions.add(SENSITISES);
            } else if (nature == BathRole.Nature.BLEACH && bath.recipe().mode() != Recipe.Mode.READY_TO_USE) {
                cautions.add(ACID_INTO_WATER);
            } else if (nature == BathRole.Nature.BLEACH_FIX) {
                cautions.addAll(EnumSet.of(AIR, FIZZES, STAINS, ACID_INTO_WATER));
            } else if (nature == BathRole.Nature.STABILISER) {
                cautions.add(FORMALDEHYDE);
            }
        }
        return cautions;
    }

    /** Whether a bath may fizz while it is mixed, so that its jug needs more headspace (rules, 3.5). */
    public static boolean mayFizz(BathRole role) {
        return role.nature() == BathRole.Nature.BLEACH_FIX;
    }
}
