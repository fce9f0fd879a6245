package mezcla.measure;

/**
 * A film format with the roll equivalents that it counts for unless the house says otherwise (rules, section 2). A
 * logged roll keeps the equivalents that it was logged with.
 */
public enum FilmFormat {
    /** 135 with 36 exposures. */
    F135_36("135-36", 1.00),
    /** 135 with 24 exposures. */
    F135_24("135-24", 0.75),
    /** 135 with 12 exposures. */
    F135_12("135-12", 0.45),
    /** 120 roll film. */
    F120("120", 1.00),
    /** 220 roll film. */
    F220("220", 2.00),
    /** 127 roll film. */
    F127("127", 0.60),
    /** One 4×5 inch sheet. */
    SHEET_4X5("4×5 sheet", 0.25),
    /** One 5×7 inch sheet. */
    SHEET_5X7("5×7 sheet", 0.45),
    /** One 8×10 inch sheet. */
    SHEET_8X10("8×10 sheet", 1.00),
    /** A Super 8 cartridge of 15 m. */
    SUPER_8("Super 8 cartridge", 2.40),
    /** 30 m of 16 mm film. */
    F16MM_30M("16 mm, 30 m", 9.50);

    private static final int DOZEN = 12;
    private static final int MOST_EXPOSURES = 40;

    private final String label;
    private final double equivalents;

    /** What holds film in a tank. */
    public enum Reel {
        /** For 135. */
        R135("135"),
        /** For 120, 127 and 220. */
        R120("120"),
        /** For 4×5 sheets. */
        SHEET_4X5("4×5 sheets"),
        /** For 5×7 sheets. */
        SHEET_5X7("5×7 sheets"),
        /** For 8×10 sheets. */
        SHEET_8X10("8×10 sheets"),
        /** A spiral for Super 8 and 16 mm. */
        CINE("cine film");

        private final String words;

        Reel(String words) {
            this.words = words;
        }

        /** What it holds, in words. */
        public String words() {
            return words;
        }
    }

    FilmFormat(String label, double equivalents) {
        this.label = label;
        this.equivalents = equivalents;
    }

    /** What it is wound on. */
    public Reel reel() {
        return switch (this) {
            case F135_36, F135_24, F135_12 -> Reel.R135;
            case F120, F220, F127 -> Reel.R120;
            case SHEET_4X5 -> Reel.SHEET_4X5;
            case SHEET_5X7 -> Reel.SHEET_5X7;
            case SHEET_8X10 -> Reel.SHEET_8X10;
            case SUPER_8, F16MM_30M -> Reel.CINE;
        };
    }

    /** How members write it. */
    public String label() {
        return label;
    }

    /** How many rolls of 135-36 it wears a bath as much as. */
    public double equivalents() {
        return equivalents;
    }

    /**
     * What a roll with another number of exposures counts for: straight lines between the lengths that are sold, and from
     * there to nothing (<em>house</em>).
     *
     * @param exposures how many it has
     * @return its roll equivalents
     * @throws Refusal {@code exposures-not-counted} for a format that is not counted in exposures, {@code exposures-unlikely}
     *     outside of 1 to 40
     */
    public double equivalentsOf(int exposures) {
        if (reel() != Reel.R135) {
            throw Refusal.of(new TypedObjection.ExposuresNotCounted());
        }
        if (exposures < 1 || exposures > MOST_EXPOSURES) {
            throw Refusal.of(new TypedObjection.ExposuresUnlikely(MOST_EXPOSURES));
        }
        return exposures <= DOZEN
                ? F135_12.equivalents * exposures / DOZEN
                : exposures <= 2 * DOZEN
                        ? between(F135_12, F135_24, exposures - DOZEN)
                        : between(F135_24, F135_36, exposures - 2 * DOZEN);
    }

    private static double between(FilmFormat shorter, FilmFormat longer, int more) {
        return shorter.equivalents + (longer.equivalents - shorter.equivalents) * more / DOZEN;
    }

    /**
     * The format of that label.
     *
     * @throws Refusal {@code unknown-format}
     */
    public static FilmFormat labelled(String label) {
        for (FilmFormat format : values()) {
            if (format.label.equals(label)) {
                return format;
            }
        }
        throw Refusal.of(new TypedObjection.UnknownFormat(label));
    }
}
