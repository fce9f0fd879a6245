package mezcla.log;

/** What a fault on film can come from (rules, section 6). */
public enum Suspect {
    /** The chemistry. */
    CHEMISTRY("the chemistry"),
    /** Temperature, time or agitation of this run. */
    RUN("how it was run: temperature, time, agitation"),
    /** Exposure in the camera. */
    EXPOSURE("exposure"),
    /** Light that got in, or the light of the scene. */
    LIGHT("light"),
    /** The lens. */
    LENS("the lens"),
    /** Scanner or its software. */
    SCAN("the scan"),
    /** Loading, squeegee, dust or drying marks. */
    HANDLING("handling: loading, squeegee, dust, drying");

    private final String words;

    Suspect(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
