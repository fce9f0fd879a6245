package mezcla.log;

import java.util.Set;

/** A row about one fill that stands already. */
public sealed interface OfOneFill extends LogEntry
        permits FillSpilled,
                FillToppedUp,
                FillShared,
                FillMoved,
                LimitOverridden,
                FillMeasured,
                FillBarred,
                BarLifted,
                FillInspected,
                BathLooked,
                FillSeen {
    /** Which. */
    long fillId();

    @Override
    default Set<Subject> touches() {
        return Set.of(Subject.fill(fillId()));
    }

    @Override
    default Set<Subject> restsOn() {
        return touches();
    }
}
