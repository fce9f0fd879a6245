package mezcla.web.sheets;

import mezcla.leaflet.Leaflet;
import mezcla.log.LeafletRevised;
import mezcla.web.access.SignedIn;

/** Whoever has to know that a leaflet has another version, and why (rules, 3.8). */
public interface Revising {
    /**
     * A leaflet has another version.
     *
     * @param who the steward who keeps it
     * @param before the version that it was typed from
     * @param after the new one
     * @param why why there is another one
     * @param reason what was wrong, or where the other print came from
     */
    void revised(SignedIn who, Leaflet before, Leaflet after, LeafletRevised.Why why, String reason);
}
