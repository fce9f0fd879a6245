package mezcla.leaflet;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * What a kit's printed sheet says. A leaflet never changes; a correction is a new version (rules, section 1).
 *
 * @param key a short name that all its versions share
 * @param version 1 for the first
 * @param name how the kit is called
 * @param maker who makes it
 * @param process the family of chemistry
 * @param processCode what the house calls the process beside that; null for nothing
 * @param makesMl how much of each bath a whole kit makes, in ml
 * @param parts its bottles and sachets
 * @param baths in the order of use
 * @param steps what happens to the film, from first to last; empty where the sheet says only the baths
 * @param clock when the clock of its times starts; null where it does not say
 * @param examples times that the sheet works out itself; empty for none
 */
public record Leaflet(
        String key,
        int version,
        String name,
        String maker,
        FilmProcess process,
        @Nullable String processCode,
        double makesMl,
        List<Part> parts,
        List<Bath> baths,
        List<ProcessStep> steps,
        @Nullable StepClock clock,
        List<PrintedExample> examples) {
    private static final double SAME_VOLUME = 0.005;
    private static final double DEVELOPERS_OPENED_DAYS = 180;
    private static final double BLEACHES_OPENED_DAYS = 365;
    private static final double OTHERS_OPENED_DAYS = 730;

    /** A sheet that does not say when its clock starts. */
    public Leaflet(
            String key,
            int version,
            String name,
            String maker,
            FilmProcess process,
            @Nullable String processCode,
            double makesMl,
            List<Part> parts,
            List<Bath> baths,
            List<ProcessStep> steps,
            List<PrintedExample> examples) {
        this(key, version, name, maker, process, processCode, makesMl, parts, baths, steps, null, examples);
    }

    /**
     * Refuses a leaflet without baths ({@code baths-missing}), one whose recipes name a part that it does not have
     * ({@code unknown-part}), one that names a key twice ({@code key-twice}), and steps or examples of a bath that it
     * does not have ({@code unknown-bath}).
     */
    public Leaflet {
        parts = List.copyOf(parts);
        baths = List.copyOf(baths);
        steps = List.copyOf(steps);
        examples = List.copyOf(examples);
        if (baths.isEmpty()) {
            throw Refusal.of(new LeafletObjection.BathsMissing());
        }
        refuseTwice(parts.stream().map(Part::key).toList());
        refuseTwice(baths.stream().map(Bath::key).toList());
        for (Bath bath : baths) {
            for (Addition addition : bath.recipe().additions()) {
                if (parts.stream().noneMatch(part -> part.key().equals(addition.part()))) {
                    throw Refusal.of(new LeafletObjection.UnknownPart(addition.part()));
                }
            }
        }
        refuseUnknown(baths, steps, examples);
    }

    private static void refuseUnknown(List<Bath> baths, List<ProcessStep> steps, List<PrintedExample> examples) {
        Stream.concat(
                        steps.stream().flatMap(step -> Stream.ofNullable(step.bath())),
                        examples.stream().map(PrintedExample::bath))
                .filter(key -> baths.stream().noneMatch(bath -> bath.key().equals(key)))
                .findFirst()
                .ifPresent(key -> {
                    throw Refusal.of(new LeafletObjection.UnknownBath(key));
                });
    }

    private static void refuseTwice(List<String> keys) {
        keys.stream()
                .filter(key -> keys.indexOf(key) != keys.lastIndexOf(key))
                .findFirst()
                .ifPresent(key -> {
                    throw Refusal.of(new LeafletObjection.KeyTwice(key));
                });
    }

    /** The same sheet as another version. */
    public Leaflet withVersion(int number) {
        return new Leaflet(
                key, number, name, maker, process, processCode, makesMl, parts, baths, steps, clock, examples);
    }

    /**
     * The bath of that key.
     *
     * @throws Refusal {@code unknown-bath}
     */
    public Bath bath(String bathKey) {
        for (Bath bath : baths) {
            if (bath.key().equals(bathKey)) {
                return bath;
            }
        }
        throw Refusal.of(new LeafletObjection.UnknownBath(bathKey));
    }

    /**
     * The bath of that key, whose capacity is counted for the volume that its whole recipe really makes, where the sheet
     * does not name another one (rules, 4.11).
     *
     * @throws Refusal {@code unknown-bath}
     */
    public Bath counted(String bathKey) {
        Bath bath = bath(bathKey);
        Recipe recipe = bath.recipe();
        if (isAbout(bath.capacityForMl(), recipe.finalMl())) {
            return bath.countedFor(recipe.makesMl());
        }
        return isAbout(bath.capacityForMl(), makesMl)
                ? bath.countedFor(makesMl * recipe.makesMl() / recipe.finalMl())
                : bath;
    }

    private static boolean isAbout(double ml, double printedMl) {
        return Math.abs(ml - printedMl) <= SAME_VOLUME * printedMl;
    }

    /** The same sheet with another bath in the place of the one of that key. */
    public Leaflet with(Bath other) {
        return new Leaflet(
                key,
                version,
                name,
                maker,
                process,
                processCode,
                makesMl,
                parts,
                baths.stream()
                        .map(bath -> bath.key().equals(other.key()) ? other : bath)
                        .toList(),
                steps,
                clock,
                examples);
    }

    /** Where a bath stands in the order of use: by what it does, for a bath of another leaflet; last for none such. */
    public int orderOf(Bath bath) {
        for (int i = 0; i < baths.size(); i++) {
            if (baths.get(i).equals(bath) || baths.get(i).key().equals(bath.key())) {
                return i;
            }
        }
        for (int i = 0; i < baths.size(); i++) {
            if (baths.get(i).role().equals(bath.role())) {
                return i;
            }
        }
        return baths.size();
    }

    /**
     * The part of that key.
     *
     * @throws Refusal {@code unknown-part}
     */
    public Part part(String partKey) {
        return parts.stream()
                .filter(part -> part.key().equals(partKey))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownPart(partKey)));
    }

    /** The recipes by bath, in the order of use. */
    public Map<String, Recipe> recipes() {
        return recipes(baths.stream().map(Bath::key).toList());
    }

    /** The recipes of some baths, in the order of use. */
    public Map<String, Recipe> recipes(Collection<String> bathKeys) {
        Map<String, Recipe> recipes = new LinkedHashMap<>();
        baths.stream()
                .filter(bath -> bathKeys.contains(bath.key()))
                .forEach(bath -> recipes.put(bath.key(), bath.recipe()));
        return recipes;
    }

    /**
     * The bath that pushing changes and whose time people ask for first: the first developer of a slide, else the
     * developer (rules, 4.3). Empty when the leaflet has no developer.
     */
    public Optional<Bath> imageDeveloper() {
        return process.imageDeveloper(baths, Bath::role);
    }

    /** Whether a bath is the one that makes the image. */
    public boolean isImageDeveloper(Bath bath) {
        return imageDeveloper().filter(bath::equals).isPresent();
    }

    /**
     * A part's share of the kit's value, 0 to 1. Where the leaflet says nothing of any part, each bath that takes
     * parts has an equal share, spread equally over its parts (rules, section 8).
     */
    public double valueShare(String partKey) {
        Part part = part(partKey);
        if (parts.stream().anyMatch(each -> each.valueShare() != null)) {
            return part.valueShare() == null ? 0 : part.valueShare();
        }
        List<Bath> taking = baths.stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .toList();
        return taking.stream()
                .filter(bath -> bath.recipe().additions().stream()
                        .anyMatch(addition -> addition.part().equals(partKey)))
                .mapToDouble(
                        bath -> 1.0 / taking.size() / bath.recipe().additions().size())
                .sum();
    }

    /**
     * How long a part lasts once it is opened where its sheet prints nothing, in days; <em>house</em>: developer parts 180,
     * those of bleach, fixer and bleach-fix 365, others 730 (rules, 3.4).
     */
    public double standInOpenedDays(Part part) {
        return baths.stream()
                .filter(bath -> bath.recipe().additions().stream()
                        .anyMatch(addition -> addition.part().equals(part.key())))
                .mapToDouble(bath -> standInOpenedDays(bath.role()))
                .min()
                .orElse(OTHERS_OPENED_DAYS);
    }

    private static double standInOpenedDays(BathRole role) {
        if (role.isDeveloper()) {
            return DEVELOPERS_OPENED_DAYS;
        }
        return role.fixes() || role.nature() == BathRole.Nature.BLEACH ? BLEACHES_OPENED_DAYS : OTHERS_OPENED_DAYS;
    }

    /**
     * Whether this is the sheet of a bath that is sold alone, as a developer is: one bath, with which its process cannot run
     * film. Its kit renews that bath of a batch; it is no way to run film by itself.
     */
    public boolean isOfOneBathAlone() {
        return baths.size() == 1
                && !process.missing(List.of(baths.get(0).role())).isEmpty();
    }

    /**
     * Whether a kit with this sheet can mix a bath afresh that another sheet has: it is the same sheet, or that of the same
     * bath sold alone, for the same process.
     *
     * @param other the sheet by which the batch was mixed
     * @param bathKey its bath
     */
    public boolean renews(Leaflet other, String bathKey) {
        if (key.equals(other.key)) {
            return true;
        }
        return isOfOneBathAlone()
                && process.equals(other.process)
                && other.baths.stream()
                        .anyMatch(bath -> bath.key().equals(bathKey)
                                && baths.get(0).key().equals(bathKey)
                                && bath.role().equals(baths.get(0).role()));
    }

    /** Whether powder goes into a bath. */
    public boolean takesPowder(Bath bath) {
        return bath.recipe().additions().stream()
                .anyMatch(addition -> part(addition.part()).isPowder());
    }
}
