package mezcla.processing;

import mezcla.leaflet.FilmProcess;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/** What is said of the backing of film (rules, section 7). */
public enum Backing {
    /** Nothing: as film of its process has it. */
    USUAL,
    /** Carbon, which comes off in a pre-bath and its rinses and fouls anything else. */
    CARBON,
    /** None, or one that was taken off before. */
    NONE;

    /**
     * Whether film has a carbon backing.
     *
     * @param process the process that it goes through
     * @param madeFor the process that it is made for; null for the same
     * @param format its format: cine film may have one, and is asked about in chemistry that is not made for it
     * @throws Refusal {@code backing-unknown}
     */
    public boolean isCarbon(FilmProcess process, @Nullable FilmProcess madeFor, FilmFormat format) {
        if (this != USUAL) {
            return this == CARBON;
        }
        FilmProcess made = madeFor == null ? process : madeFor;
        if (made.equals(FilmProcess.CINE_NEGATIVE)) {
            return true;
        }
        if (madeFor == null && format.reel() == FilmFormat.Reel.CINE) {
            throw Refusal.of(new ProcessingObjection.BackingUnknown());
        }
        return false;
    }
}
