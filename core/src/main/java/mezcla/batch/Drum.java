package mezcla.batch;

import mezcla.leaflet.BathRole;
import mezcla.leaflet.WasteRoute;
import mezcla.measure.Refusal;

/**
 * A drum in which waste of one kind waits to be collected (rules, sections 6 and 11).
 *
 * @param id which
 * @param name what it is called
 * @param kind what may go into it
 * @param capacityMl how much it holds, in ml
 */
public record Drum(long id, String name, WasteRoute kind, double capacityMl) {
    /**
     * Refuses what must not go into it.
     *
     * @param role what is poured away
     * @throws Refusal {@code waste-kept-apart} for a developer and what carries silver, {@code acid-on-fixer} for an
     *     acid stop bath, {@code drum-of-another-kind} for anything else that is not of its kind
     */
    public void accept(BathRole role) {
        kind.accept(role);
        if (kind == WasteRoute.SILVER_BEARING && role.isAcid()) {
            throw Refusal.of(new BatchObjection.AcidOnFixer(name));
        }
        if (WasteRoute.of(role) != kind) {
            throw Refusal.of(new BatchObjection.DrumOfAnotherKind(role.name(), name, kind.words()));
        }
    }
}
