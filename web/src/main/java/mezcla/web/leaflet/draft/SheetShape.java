package mezcla.web.leaflet.draft;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Recipe;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.words.Units;

/** What a sheet usually looks like, to begin from. */
public enum SheetShape {
    /** Developer and bleach-fix. */
    TWO_BATHS(
            "Two baths",
            FilmProcess.COLOUR_NEGATIVE,
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"),
            new Bath(BathRole.BLEACH_FIX, "Bleach-fix A", "Bleach-fix B")),
    /** Developer, bleach-fix and final rinse. */
    TWO_BATHS_AND_RINSE(
            "Two baths and a final rinse",
            FilmProcess.COLOUR_NEGATIVE,
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"),
            new Bath(BathRole.BLEACH_FIX, "Bleach-fix A", "Bleach-fix B"),
            new Bath(BathRole.STABILISER, "Final rinse")),
    /** Bleach and fixer apart. */
    SEPARATE_BATHS(
            "Bleach and fixer apart",
            FilmProcess.COLOUR_NEGATIVE,
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"),
            new Bath(BathRole.BLEACH, "Bleach"),
            new Bath(BathRole.FIXER, "Fixer"),
            new Bath(BathRole.STABILISER, "Final rinse")),
    /** Slides in three baths. */
    THREE_SLIDE_BATHS(
            "Slides in three baths",
            FilmProcess.COLOUR_SLIDE,
            new Bath(BathRole.FIRST_DEVELOPER, "First developer"),
            new Bath(BathRole.COLOUR_DEVELOPER, "Colour developer A", "Colour developer B"),
            new Bath(BathRole.BLEACH_FIX, "Bleach-fix A", "Bleach-fix B"),
            new Bath(BathRole.STABILISER, "Final rinse")),
    /** Film with a carbon backing. */
    CINE(
            "Cine film in four baths",
            FilmProcess.CINE_NEGATIVE,
            new Bath(BathRole.PRE_BATH, "Pre-bath"),
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"),
            new Bath(BathRole.BLEACH_FIX, "Bleach-fix A", "Bleach-fix B"),
            new Bath(BathRole.STABILISER, "Final rinse")),
    /** Film with a carbon backing, bleach and fixer apart. */
    CINE_IN_SIX(
            "Cine film in six baths",
            FilmProcess.CINE_NEGATIVE,
            new Bath(BathRole.PRE_BATH, "Pre-bath"),
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"),
            new Bath(BathRole.STOP, "Stop"),
            new Bath(BathRole.BLEACH, "Bleach"),
            new Bath(BathRole.FIXER, "Fixer"),
            new Bath(BathRole.STABILISER, "Final rinse")),
    /** A developer bought alone. */
    DEVELOPER_ALONE(
            "A developer alone, to renew a batch with",
            FilmProcess.COLOUR_NEGATIVE,
            new Bath(BathRole.DEVELOPER, "Developer A", "Developer B"));

    private final String words;

    @SuppressWarnings("ImmutableEnumChecker")
    private final FilmProcess process;

    @SuppressWarnings("ImmutableEnumChecker")
    private final List<Bath> baths;

    SheetShape(String words, FilmProcess process, Bath... baths) {
        this.words = words;
        this.process = process;
        this.baths = List.of(baths);
    }

    /**
     * A bath of it.
     *
     * @param role what it does
     * @param parts the names of the parts that usually make it
     */
    record Bath(BathRole role, List<String> parts) {
        Bath(BathRole role, String... parts) {
            this(role, List.of(parts));
        }
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    /** The letters of its baths, in the order of use. */
    public List<String> letters() {
        return baths.stream().map(bath -> bath.role().letters()).toList();
    }

    /** What usually is in its box, in one line. */
    public String box() {
        return String.join(", ", parts());
    }

    private List<String> parts() {
        return baths.stream().flatMap(bath -> bath.parts().stream()).toList();
    }

    /** An empty sheet of it, in which bare numbers are in those units. */
    SheetForm form(Units units) {
        Map<String, String> typed = new HashMap<>();
        typed.put("units", units.name());
        typed.put("process", process.key());
        typed.put("baths", Integer.toString(baths.size()));
        int parts = 0;
        for (int i = 0; i < baths.size(); i++) {
            Bath bath = baths.get(i);
            typed.put("bath" + i + "-role", bath.role().key());
            typed.put("bath" + i + "-mode", Recipe.Mode.TOP_UP.name());
            typed.put("bath" + i + "-adds", Integer.toString(bath.parts().size()));
            for (String part : bath.parts()) {
                typed.put("part" + parts + "-name", part);
                typed.put("bath" + i + "-add" + bath.parts().indexOf(part) + "-part", Integer.toString(parts));
                parts++;
            }
        }
        typed.put("parts", Integer.toString(parts));
        return new SheetForm(typed);
    }
}
