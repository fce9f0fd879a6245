package mezcla.batch;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/** Which bottles fresh fills may go into. */
public final class Bottling {
    private final Set<Long> taken;

    private Bottling(Set<Long> taken) {
        this.taken = taken;
    }

    /** Bottling beside the fills that stand on the shelf. */
    public static Bottling beside(LogState state) {
        return new Bottling(state.batches().values().stream()
                .flatMap(BatchState::own)
                .filter(fill -> fill.discarded() == null)
                .map(fill -> fill.bottle().id())
                .collect(Collectors.toCollection(HashSet::new)));
    }

    /** Takes bottles out of the choice that something else will go into. */
    public void reserve(Set<Long> bottleIds) {
        taken.addAll(bottleIds);
    }

    /** Those of the house's bottles that are empty and hold a volume, in ml, in the order given. */
    public List<Bottle> freeFor(double volumeMl, List<Bottle> bottles) {
        return bottles.stream()
                .filter(bottle -> !taken.contains(bottle.id()) && Slack.reaches(bottle.capacityMl(), volumeMl))
                .toList();
    }

    /**
     * Takes a bottle for a fill.
     *
     * @param bottle the bottle
     * @param volumeMl what goes into it, in ml
     * @throws Refusal {@code bottle-taken} when another fill is or goes into it, {@code bottle-too-small}
     */
    public void take(Bottle bottle, double volumeMl) {
        if (Slack.exceeds(volumeMl, bottle.capacityMl())) {
            throw Refusal.of(new BatchObjection.BottleTooSmall(bottle.label(), bottle.capacityMl()));
        }
        if (!taken.add(bottle.id())) {
            throw Refusal.of(new BatchObjection.BottleTaken(bottle.label()));
        }
    }

    /** Whether nothing stands in a bottle. */
    public boolean isFree(Bottle bottle) {
        return !taken.contains(bottle.id());
    }

    /**
     * Pours a fill over.
     *
     * @param fill the fill, which frees its bottle
     * @param bottle the bottle that it goes into, which may be the one that it is in
     * @throws Refusal {@code bottle-taken} or {@code bottle-too-small}
     */
    public void pourOver(FillState fill, Bottle bottle) {
        taken.remove(fill.bottle().id());
        take(bottle, fill.volumeMl());
    }
}
