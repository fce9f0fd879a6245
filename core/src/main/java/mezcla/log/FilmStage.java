package mezcla.log;

/** What can be said of film that was left to be run, in the order in which it comes (rules, section 10). */
public enum FilmStage {
    /** It was announced, and is in the darkroom now. */
    HERE("is in the darkroom"),
    /** It is dry and was taken down. */
    DRIED("is dry and taken down"),
    /** It was cut and sleeved. */
    SLEEVED("is cut and sleeved"),
    /** Its owner has it. */
    COLLECTED("was collected"),
    /** It left the queue without being run. */
    WITHDRAWN("was taken back unprocessed");

    private final String words;

    FilmStage(String words) {
        this.words = words;
    }

    /** In words, after the film's code. */
    public String words() {
        return words;
    }
}
