package mezcla.processing;

/** How the tank is moved, as the house does it; the patterns are <em>house</em>. */
public enum Movement {
    /** As its sheet prints it, bath by bath; turned over by hand where it prints nothing. */
    PRINTED("As the sheet says", "Set it down and tap it, so that no bubble stays", new Agitation.Intervals(30, 30, 5)),
    /** Turned over by hand: half a minute at first, then five seconds each half minute. */
    INVERSION("Invert the tank", "Set it down and tap it, so that no bubble stays", new Agitation.Intervals(30, 30, 5)),
    /** Turned with the stick: half a minute at first, then ten seconds each half minute. */
    STICK("Turn the stick", "Let go and tap the tank, so that no bubble stays", new Agitation.Intervals(30, 30, 10)),
    /** On a rotating base, without a pause. */
    ROTARY("Keep it turning", "", new Agitation.Continuous());

    private final String words;
    private final String still;

    @SuppressWarnings("ImmutableEnumChecker")
    private final Agitation agitation;

    Movement(String words, String still, Agitation agitation) {
        this.words = words;
        this.still = still;
        this.agitation = agitation;
    }

    /** What to do, in words. */
    public String words() {
        return words;
    }

    /** What to do when it was moved enough; empty for what never stops. */
    public String still() {
        return still;
    }

    /** The pattern. */
    public Agitation agitation() {
        return agitation;
    }
}
