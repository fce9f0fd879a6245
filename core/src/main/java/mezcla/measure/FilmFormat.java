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

    private final String label;
    private final double equivalents;

    FilmFormat(String label, double equivalents) {
        this.label = label;
        this.equivalents = equivalents;
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
        throw Refusal.of("unknown-format", "text", label);
    }
}
