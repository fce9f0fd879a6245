package mezcla.log;

import java.util.List;
import java.util.Set;

/**
 * Film went into a batch; until the run is logged or called off, its rolls and its volume are taken.
 *
 * @param stamp who and when
 * @param batchId the batch
 * @param rolls what film it is
 * @param baths the fills that it goes through, as they were planned
 * @param tankMl what the tank takes of each bath, in ml
 */
public record RunStarted(Stamp stamp, long batchId, List<Roll> rolls, List<RunBath> baths, double tankMl)
        implements LogEntry {
    /** Keeps its own lists. */
    public RunStarted {
        rolls = List.copyOf(rolls);
        baths = List.copyOf(baths);
    }

    /** Its rolls in roll equivalents. */
    public double equivalents() {
        return rolls.stream().mapToDouble(Roll::equivalents).sum();
    }

    /** Its baths as other film than was planned wears them, in the same tank. */
    public List<RunBath> bathsFor(List<Roll> film) {
        double share = film.stream().mapToDouble(Roll::equivalents).sum() / equivalents();
        return baths.stream()
                .map(bath -> new RunBath(
                        bath.fillId(),
                        bath.seconds(),
                        bath.wearEquivalents() * share,
                        bath.carryOverMl() * share,
                        bath.pouredAwayMl(),
                        bath.celsius()))
                .toList();
    }

    @Override
    public Set<Subject> touches() {
        return Subject.all(Set.of(Subject.batch(batchId)), Subject.fillsOf(baths, RunBath::fillId));
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public EntryKind kind() {
        return EntryKind.RUN_STARTED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.runStarted(this);
    }
}
