package mezcla.leaflet;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A family of chemistry: one of the three that everybody knows, or another that the house names.
 *
 * @param key a short name in lower case with hyphens
 * @param name how members call it
 */
public record FilmProcess(String key, String name) {
    /** Colour negative. */
    public static final FilmProcess COLOUR_NEGATIVE = new FilmProcess("colour-negative", "Colour negative");

    /** Colour slide, also called reversal. */
    public static final FilmProcess COLOUR_SLIDE = new FilmProcess("colour-slide", "Colour slide");

    /** Colour negative film with a carbon backing, which must come off first. */
    public static final FilmProcess CINE_NEGATIVE = new FilmProcess("cine-negative", "Cine negative");

    /** The three that everybody knows. */
    public static final List<FilmProcess> KNOWN = List.of(COLOUR_NEGATIVE, COLOUR_SLIDE, CINE_NEGATIVE);

    /**
     * The bath that makes the image, which pushing, trim and looks concern (rules, sections 4.3, 4.5 and 6): the first
     * developer of a slide, the developer of anything else, whatever it is called.
     *
     * @param among what there is to choose from, in the order of use
     * @param role what each of it does
     * @return it; empty where there is none
     */
    public <T> Optional<T> imageDeveloper(List<T> among, Function<T, BathRole> role) {
        return imageDevelopers().stream()
                .flatMap(
                        nature -> among.stream().filter(each -> role.apply(each).nature() == nature))
                .findFirst();
    }

    private List<BathRole.Nature> imageDevelopers() {
        if (equals(COLOUR_SLIDE)) {
            return List.of(BathRole.Nature.FIRST_DEVELOPER, BathRole.Nature.DEVELOPER);
        }
        return isOfNegatives()
                ? List.of(BathRole.Nature.DEVELOPER, BathRole.Nature.COLOUR_DEVELOPER, BathRole.Nature.FIRST_DEVELOPER)
                : List.of(BathRole.Nature.FIRST_DEVELOPER, BathRole.Nature.DEVELOPER, BathRole.Nature.COLOUR_DEVELOPER);
    }

    private boolean isOfNegatives() {
        return equals(COLOUR_NEGATIVE) || equals(CINE_NEGATIVE);
    }

    /**
     * Whether light may reach the film after a bath and its wash, though silver is still in it: slides after their
     * colour developer (rules, section 7). Anything else has to be fixed first.
     */
    public boolean isSafeAfter(BathRole role) {
        return equals(COLOUR_SLIDE) && role.nature() == BathRole.Nature.COLOUR_DEVELOPER;
    }

    /** Whether a bath of that role belongs to the process; nobody knows that of one which the house names. */
    public boolean expects(BathRole role) {
        return switch (role.nature()) {
            case DEVELOPER -> !equals(COLOUR_SLIDE);
            case FIRST_DEVELOPER, REVERSAL_BATH, COLOUR_DEVELOPER -> !isOfNegatives();
            default -> true;
        };
    }

    /**
     * What is missing of what film of the process cannot do without (rules, section 6): its image developer, for slides
     * the colour developer too, and bleach and fixer, or bleach-fix. Of a process that the house names nobody knows.
     *
     * @param there the baths that there are
     */
    public List<BathRole> missing(Collection<BathRole> there) {
        if (!isOfNegatives() && !equals(COLOUR_SLIDE)) {
            return List.of();
        }
        List<BathRole> missing = new ArrayList<>();
        Set<BathRole.Nature> natures = there.stream()
                .map(BathRole::nature)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(BathRole.Nature.class)));
        if (imageDevelopers().stream().noneMatch(natures::contains)) {
            missing.add(equals(COLOUR_SLIDE) ? BathRole.FIRST_DEVELOPER : BathRole.DEVELOPER);
        }
        if (equals(COLOUR_SLIDE) && !natures.contains(BathRole.Nature.COLOUR_DEVELOPER)) {
            missing.add(BathRole.COLOUR_DEVELOPER);
        }
        if (!natures.contains(BathRole.Nature.BLEACH_FIX)) {
            boolean bleach = natures.contains(BathRole.Nature.BLEACH);
            boolean fixer = natures.contains(BathRole.Nature.FIXER);
            if (!bleach && !fixer) {
                missing.add(BathRole.BLEACH_FIX);
            } else if (!fixer) {
                missing.add(BathRole.FIXER);
            } else if (!bleach) {
                missing.add(BathRole.BLEACH);
            }
        }
        return missing;
    }

    /** A process that the house names, with the key of its name. */
    public static FilmProcess named(String key, String name) {
        FilmProcess known = of(key);
        return known.name().equals(key) ? new FilmProcess(key, name) : known;
    }

    /** The process of that key; one that the house names where it is none of the three. */
    public static FilmProcess of(String key) {
        return KNOWN.stream()
                .filter(process -> process.key().equals(key))
                .findFirst()
                .orElseGet(() -> new FilmProcess(key, key));
    }
}
