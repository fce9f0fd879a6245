package mezcla.log;

import java.util.List;
import java.util.Set;
import mezcla.leaflet.Leaflet;

/**
 * A leaflet has another version, or a box turned out to hold another one (rules, 3.8). The kits that it names go by that
 * version from then on; what was mixed from them goes on by the old one, and says so, until a steward has switched it
 * ({@link LeafletCorrected}).
 *
 * @param stamp who and when
 * @param leaflet the version
 * @param why why there is another one
 * @param kitIds the kits that go by it from now on; empty where they keep theirs
 * @param fillIds what stood of what was mixed by the old one and has to be switched; empty likewise
 * @param reason what was wrong, or where the other print came from
 */
public record LeafletRevised(
        Stamp stamp, Leaflet leaflet, Why why, List<Long> kitIds, List<Long> fillIds, String reason)
        implements LogEntry {
    /** Why a leaflet has another version. */
    public enum Why {
        /** The paper is as it was: what was typed of it was wrong. */
        MISTYPED,
        /** The maker prints it otherwise now; kits that came before keep theirs. */
        ANOTHER_PRINT,
        /** The box of one kit holds another print than it was logged with. */
        BOX_HOLDS_ANOTHER
    }

    /** Keeps its own lists. */
    public LeafletRevised {
        kitIds = List.copyOf(kitIds);
        fillIds = List.copyOf(fillIds);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(Subject.kits(kitIds), Subject.fillsOf(fillIds, Long::longValue));
    }

    /** On nothing: a kit or a mix that is voided later is simply not concerned any more. */
    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.LEAFLET_REVISED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.leafletRevised(this);
    }
}
