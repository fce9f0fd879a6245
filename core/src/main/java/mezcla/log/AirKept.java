package mezcla.log;

/** What keeps the air from a fill (rules, section 5). */
public enum AirKept {
    /** Nothing: whatever is over the liquid is air. */
    NOTHING("air over it", 0),
    /** A stopper with a pump. */
    VACUUM_STOPPER("vacuum stopper", 0.7),
    /** Gas that does not burn, over the liquid. */
    INERT_GAS("inert gas over it", 0.9),
    /** Squeezed or folded until it is full to the brim. */
    SQUEEZED("squeezed until full", 1);

    private final String words;
    private final double protection;

    AirKept(String words, double protection) {
        this.words = words;
        this.protection = protection;
    }

    /** p: how much of the air's harm it keeps away, 0 to 1; <em>house</em>. */
    public double protection() {
        return protection;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
