package mezcla.batch;

/** What keeps the air from a fill (rules, section 5). */
public enum AirKept {
    /** Nothing: whatever is over the liquid is air. */
    NOTHING("air over it"),
    /** A stopper with a pump. */
    VACUUM_STOPPER("vacuum stopper"),
    /** Gas that does not burn, over the liquid. */
    INERT_GAS("inert gas over it"),
    /** Squeezed or folded until it is full to the brim. */
    SQUEEZED("squeezed until full");

    private final String words;

    AirKept(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
