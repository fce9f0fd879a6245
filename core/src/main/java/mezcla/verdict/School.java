package mezcla.verdict;

/** How strictly a house treats limits (rules, section 6). */
public enum School {
    /** Printed limits are law; between the printed minimum and maximum, test. */
    LEAFLET("By the leaflet"),
    /** Wear and age together, against the printed minima: for film that cannot be made again. */
    CAREFUL("Careful"),
    /** On until it shows, up to a multiple of the printed maxima. */
    STRETCH("Until it shows");

    /** How many times the printed rolls the stretch school allows; <em>house</em>. */
    public static final double STRETCH_ROLLS = 2.5;

    /** How many times the printed life the stretch school allows; <em>house</em>. */
    public static final double STRETCH_LIVES = 3;

    private final String words;

    School(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
