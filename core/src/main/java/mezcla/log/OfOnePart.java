package mezcla.log;

import java.util.Set;

/** A row about one part of a kit that is there already. */
public sealed interface OfOnePart extends LogEntry
        permits PartOpened, PartDecanted, PartCorrected, PartThrownAway, PartMoved {
    /** The kit. */
    long kitId();

    /** The part's key. */
    String part();

    @Override
    default Set<Subject> touches() {
        return Set.of(Subject.kit(kitId()));
    }

    @Override
    default Set<Subject> restsOn() {
        return touches();
    }
}
