package mezcla.log;

/** What dry film shows (rules, section 6). */
public enum Finding {
    /** As it should be. */
    GOOD,
    /** Negatives thin, slides dark: too little development. */
    THIN,
    /** Negatives dense, slides light: too much development. */
    DENSE,
    /** A heavy colour cast. */
    HEAVY_CAST,
    /** Heavy grain. */
    HEAVY_GRAIN,
    /** Milky when dry. */
    MILKY_DRY,
    /** A slight colour cast. */
    CAST,
    /** Some grain. */
    GRAIN,
    /** Streaks or uneven development. */
    STREAKS,
    /** Marks or scum on the film. */
    RESIDUE;

    /** Whether it found nothing wrong. */
    public boolean isGood() {
        return this == GOOD;
    }
}
