package mezcla.batch;

/** How much light reaches what is stored (rules, section 5). */
public enum Light {
    /** A dark place, or an opaque bottle. */
    DARK("dark", 1.0),
    /** Amber glass in the shade. */
    SHADED("shaded", 1.1),
    /** A clear bottle in the open. */
    OPEN("open to light", 1.4);

    private final String words;
    private final double factor;

    Light(String words, double factor) {
        this.words = words;
        this.factor = factor;
    }

    /** In words. */
    public String words() {
        return words;
    }

    /** How much faster it ages than in the dark; <em>house</em>. */
    public double factor() {
        return factor;
    }
}
