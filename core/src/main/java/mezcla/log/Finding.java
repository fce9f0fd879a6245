package mezcla.log;

import java.util.Arrays;
import java.util.List;

/** What dry film shows (rules, section 6). */
public enum Finding {
    /** As it should be. */
    GOOD,
    /** Negatives thin, slides dark: too little development. */
    THIN,
    /** Negatives dense, slides light: too much development. */
    DENSE,
    /** A slight colour cast. */
    CAST,
    /** Some grain. */
    GRAIN,
    /** Milky when dry. */
    MILKY_DRY,
    /** Streaks or uneven development. */
    STREAKS,
    /** Marks or scum on the film. */
    RESIDUE,
    /** A heavy colour cast. */
    HEAVY_CAST,
    /** Heavy grain. */
    HEAVY_GRAIN;

    /** What somebody says first of all that film shows; how strong it is comes after that. */
    public static List<Finding> first() {
        return Arrays.stream(values()).filter(finding -> !finding.isHeavy()).toList();
    }

    /** Whether it is more than a slight fault: only such a one condemns chemistry. */
    public boolean isHeavy() {
        return this == HEAVY_CAST || this == HEAVY_GRAIN;
    }

    /** The same where it is strong; itself where that makes no difference. */
    public Finding strong() {
        return switch (this) {
            case CAST -> HEAVY_CAST;
            case GRAIN -> HEAVY_GRAIN;
            default -> this;
        };
    }

    /** Whether it found nothing wrong. */
    public boolean isGood() {
        return this == GOOD;
    }
}
