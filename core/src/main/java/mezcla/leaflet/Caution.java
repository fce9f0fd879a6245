package mezcla.leaflet;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;

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
            cautions.addAll(of(leaflet, bath));
        }
        return cautions;
    }

    /** Those that whoever takes a bottle in hand later has to read on its label. */
    public static Set<Caution> onLabel(Leaflet leaflet, Bath bath) {
        Set<Caution> cautions = of(leaflet, bath);
        cautions.retainAll(EnumSet.of(SENSITISES, FIZZES, STAINS, FORMALDEHYDE));
        return cautions;
    }

    private static Set<Caution> of(Leaflet leaflet, Bath bath) {
        Set<Caution> cautions = EnumSet.noneOf(Caution.class);
        {
            if (leaflet.takesPowder(bath)) {
                cautions.add(MASK);
            }
            cautions.addAll(bath.role().nature().cautions());
            if (bath.recipe().mode() == Recipe.Mode.READY_TO_USE) {
                cautions.remove(ACID_INTO_WATER);
            }
        }
        return cautions;
    }
}
