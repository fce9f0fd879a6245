package mezcla.processing;

/** How the tank is moved, as the house does it; the patterns are <em>house</em>. */
public enum Movement {
    /** Turned over by hand: half a minute at first, then five seconds each half minute. */
    INVERSION("Invert the tank", new Agitation.Intervals(30, 30, 5)),
    /** Turned with the stick: half a minute at first, then ten seconds each half minute. */
    STICK("Turn the stick", new Agitation.Intervals(30, 30, 10)),
    /** On a rotating base, without a pause. */
    ROTARY("Keep it turning", new Agitation.Continuous());

    private final String words;
    private final Agitation agitation;

    Movement(String words, Agitation agitation) {
        this.words = words;
        this.agitation = agitation;
    }

    /** What to do, in words. */
    public String words() {
        return words;
    }

    /** The pattern. */
    public Agitation agitation() {
        return agitation;
    }
}
