package mezcla.web.words;

import mezcla.verdict.School;

/** How strictly something is judged, in a sentence. */
public final class SchoolWords {
    private SchoolWords() {}

    /** What the school goes by. */
    public static String of(School school) {
        return switch (school) {
            case LEAFLET ->
                "Judged by the leaflet: the last printed limit is law, and between the first and the last the house tests first.";
            case CAREFUL -> "Judged carefully: rolls and age count together, against the first printed limits.";
            case STRETCH ->
                "Judged until it shows: on beyond the printed limits, testing all the way, up to the house’s own.";
        };
    }
}
