package mezcla.web.decided;

import mezcla.log.HouseDecided;
import mezcla.web.access.SignedIn;

/** Brings back how something was before the house decided otherwise. */
public interface BringsBack {
    /** What it can bring back. */
    HouseDecided.Topic topic();

    /**
     * Brings it back; that is another decision.
     *
     * @param who the steward who does
     * @param subject which one of these
     * @param setting how it was, as {@link Decisions#decided} was given it
     */
    void bringBack(SignedIn who, String subject, String setting);
}
