package mezcla.batch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.leaflet.BathRole;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.mixing.BatchPlan;

/** Which bottles fresh fills may go into. */
public final class Bottling {
    private final Set<Long> taken;
    private final Map<Long, BathRole> held;

    private Bottling(Set<Long> taken, Map<Long, BathRole> held) {
        this.taken = taken;
        this.held = held;
    }

    /** Bottling beside the fills that stand on the shelf. */
    public static Bottling beside(LogState state) {
        return new Bottling(
                state.batches().values().stream()
                        .flatMap(BatchState::own)
                        .filter(fill ->
                                fill.discarded() == null && !fill.bottle().cameFull())
                        .map(fill -> fill.bottle().id())
                        .collect(Collectors.toCollection(HashSet::new)),
                held(state));
    }

    /** What each bottle held last: what was mixed into it, or poured over into it, and mixed last. */
    private static Map<Long, BathRole> held(LogState state) {
        Map<Long, BathRole> held = new HashMap<>();
        state.batches().values().stream()
                .flatMap(BatchState::own)
                .sorted(Comparator.comparing(FillState::mixedAt).thenComparingLong(FillState::id))
                .forEach(fill -> {
                    held.put(fill.mixed().bottle().id(), fill.bath().role());
                    held.put(fill.bottle().id(), fill.bath().role());
                });
        return held;
    }

    /** What a bottle held last, as far as the log knows. */
    public Optional<BathRole> lastHeld(Bottle bottle) {
        return Optional.ofNullable(held.get(bottle.id()));
    }

    /** Whether a bath may go into a bottle that was only rinsed: no developer after bleach or fixer (rules, 3.5). */
    public boolean suits(Bottle bottle, BathRole role) {
        BathRole last = held.get(bottle.id());
        return last == null || !role.isDeveloper() || !last.spoilsDevelopers();
    }

    /**
     * Those of the house's bottles that are empty and hold a volume, the best for a bath first: those that held the same
     * before, then those that nothing speaks against, at the end those that it should not go into.
     *
     * @param volumeMl how much, in ml
     * @param role what the bath does
     * @param bottles the house's bottles
     */
    public List<Bottle> freeFor(double volumeMl, BathRole role, List<Bottle> bottles) {
        return freeFor(volumeMl, bottles).stream()
                .sorted(Comparator.comparingInt(
                        bottle -> !suits(bottle, role) ? 2 : role.equals(held.get(bottle.id())) ? 0 : 1))
                .toList();
    }

    /**
     * Bottles for the baths of a plan.
     *
     * @param bottles the bottle of each bath that there is one for, by its key
     * @param missing how much goes into those that there is none for, in ml
     */
    public record Chosen(Map<String, Bottle> bottles, List<Double> missing) {}

    /**
     * Takes the best bottle for each bath of a plan: one that suits it and holds it, else the one that it came in where it may
     * stay in that.
     *
     * @param baths what is to be mixed, in the order of choosing
     * @param bottles the house's bottles
     */
    public Chosen choose(List<BatchPlan.PlannedBath> baths, List<Bottle> bottles) {
        Map<String, Bottle> chosen = new LinkedHashMap<>();
        List<Double> missing = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : baths) {
            BathRole role = bath.bath().role();
            double volumeMl = bath.mix().finalMl();
            freeFor(volumeMl, role, bottles).stream()
                    .filter(bottle -> suits(bottle, role))
                    .findFirst()
                    .or(() -> bath.mayStay() ? Optional.of(Bottle.itsOwn(volumeMl)) : Optional.empty())
                    .ifPresentOrElse(
                            bottle -> {
                                take(bottle, volumeMl);
                                chosen.put(bath.bath().key(), bottle);
                            },
                            () -> missing.add(volumeMl));
        }
        return new Chosen(chosen, missing);
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
        if (!bottle.cameFull() && !taken.add(bottle.id())) {
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
