package mezcla.web.settings.things;

/**
 * What the house does during a run.
 *
 * @param scansBottles whether the bottle's code is asked for before its bath is poured
 * @param advisesDrift whether a developer that drifts gets advice for what is left of its time
 */
public record RunHabits(boolean scansBottles, boolean advisesDrift) {
    /** As a new house does. */
    public static final RunHabits USUAL = new RunHabits(true, false);
}
