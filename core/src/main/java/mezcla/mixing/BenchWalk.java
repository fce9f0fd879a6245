package mezcla.mixing;

import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import mezcla.leaflet.LeafletObjection;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * How far a mix has come. It is folded from what was ticked and taken back, so that a closed browser, another device or
 * a restart loses nothing (rules, 3.1).
 *
 * @param plan what is mixed
 * @param acts everything to do, in order
 * @param done what was ticked and not taken back, by the number of the act
 */
public record BenchWalk(BatchPlan plan, List<BenchAct> acts, Map<Integer, Tick> done) {
    /**
     * An act that was ticked, or taken back.
     *
     * @param sequence its place in the order of recording
     * @param act the number of the act
     * @param undone whether it was taken back
     * @param poured what was really poured or read, in the act's unit; null for what was planned
     * @param celsius the temperature that was measured, in °C; null for none
     * @param who who said so
     * @param at when
     */
    public record Tick(
            long sequence,
            int act,
            boolean undone,
            @Nullable Double poured,
            @Nullable Double celsius,
            String who,
            Instant at) {}

    /** Folds ticks, in whatever order they are handed in. */
    public static BenchWalk of(BatchPlan plan, Collection<Tick> ticks) {
        Map<Integer, Tick> done = new TreeMap<>();
        ticks.stream().sorted(Comparator.comparingLong(Tick::sequence)).forEach(tick -> {
            if (tick.undone()) {
                done.remove(tick.act());
            } else {
                done.put(tick.act(), tick);
            }
        });
        return new BenchWalk(plan, BenchAct.of(plan), done);
    }

    /** The act to do now; empty when all are done. */
    public Optional<BenchAct> now() {
        return acts.stream().filter(act -> !done.containsKey(act.number())).findFirst();
    }

    /** The act after that. */
    public Optional<BenchAct> next() {
        return acts.stream()
                .filter(act -> !done.containsKey(act.number()))
                .skip(1)
                .findFirst();
    }

    /** The act that was done last. */
    public Optional<BenchAct> last() {
        return acts.stream().filter(act -> done.containsKey(act.number())).reduce((earlier, later) -> later);
    }

    /**
     * Refuses to tick an act that is not the one to do now, or to take back one that is not the last.
     *
     * @param number the act
     * @param undo whether it is taken back
     * @throws Refusal {@code act-done-already} or {@code act-out-of-turn}
     */
    public void refuseOutOfTurn(int number, boolean undo) {
        Optional<BenchAct> expected = undo ? last() : now();
        if (expected.isEmpty() || expected.get().number() != number) {
            throw Refusal.of(
                    undo == !done.containsKey(number)
                            ? new MixingObjection.ActDoneAlready()
                            : new MixingObjection.ActOutOfTurn());
        }
    }

    /** What an act really was: what was typed, else what was planned. */
    public double really(BenchAct act) {
        Tick tick = done.get(act.number());
        Double poured = tick == null ? null : tick.poured();
        return poured == null ? act.amount() : poured;
    }

    /**
     * The temperature that was measured of a bath before anything of its parts went in, in °C; where nobody measured then, the
     * first that was measured. Null where nobody did.
     */
    public @Nullable Double measuredC(String bath) {
        Double before = null;
        Double first = null;
        boolean partsIn = false;
        for (BenchAct act : acts) {
            Tick tick = done.get(act.number());
            if (!act.bath().equals(bath) || tick == null) {
                continue;
            }
            partsIn |= act.kind() == BenchAct.Kind.PART;
            if (tick.celsius() != null) {
                first = first == null ? tick.celsius() : first;
                before = partsIn ? before : tick.celsius();
            }
        }
        return before == null ? first : before;
    }

    /** What has been poured of each part so far, by bath and part; nothing that was not ticked. */
    public Map<String, Map<String, Double>> poured() {
        Map<String, Map<String, Double>> poured = new TreeMap<>();
        acts.stream()
                .filter(act -> act.kind() == BenchAct.Kind.PART && done.containsKey(act.number()))
                .forEach(act -> poured.computeIfAbsent(act.bath(), bath -> new TreeMap<>())
                        .merge(part(act), really(act), Double::sum));
        return poured;
    }

    /** What of sachets did not go into baths although they were emptied, by bath and part. */
    public Map<String, Map<String, Double>> spilt(Predicate<String> ofBath) {
        Map<String, Map<String, Double>> spilt = new TreeMap<>();
        acts.stream()
                .filter(act -> act.kind() == BenchAct.Kind.PART && !act.unit().isMeasured())
                .filter(act -> done.containsKey(act.number()) && ofBath.test(act.bath()))
                .filter(act -> Slack.exceeds(act.amount(), really(act)))
                .forEach(act -> spilt.computeIfAbsent(act.bath(), bath -> new TreeMap<>())
                        .merge(part(act), act.amount() - really(act), Double::sum));
        return spilt;
    }

    private static String part(BenchAct act) {
        return Objects.requireNonNull(act.planned()).addition().part();
    }

    /** What a bath of the plan has become so far. */
    public BathMade made(BatchPlan.PlannedBath bath) {
        return BathMade.of(
                bath.mix(),
                acts.stream()
                        .filter(act -> act.bath().equals(bath.bath().key()))
                        .filter(act -> done.containsKey(act.number()))
                        .toList(),
                this::really);
    }

    /**
     * The water that would mend a bath which is only too strong and still in its jug, in ml (rules, 3.7); 0 for none, or
     * before all of it is in.
     */
    public double waterToAddMl(BatchPlan.PlannedBath bath) {
        boolean allIn = acts.stream()
                .filter(act -> act.bath().equals(bath.bath().key()) && act.kind() != BenchAct.Kind.BOTTLE)
                .filter(act -> act.kind() != BenchAct.Kind.RINSE_ALL && act.kind() != BenchAct.Kind.WAIT)
                .allMatch(act -> done.containsKey(act.number()));
        double became = made(bath).levelMl();
        if (!allIn || bath.mix().recipe().additions().isEmpty() || became <= 0) {
            return 0;
        }
        List<Double> poured = bath.mix().additions().stream()
                .map(planned -> acts.stream()
                        .filter(act -> act.bath().equals(bath.bath().key())
                                && act.kind() == BenchAct.Kind.PART
                                && planned.equals(act.planned()))
                        .mapToDouble(this::really)
                        .sum())
                .toList();
        return Strength.of(bath.mix().recipe(), poured, became).waterToAddMl();
    }

    /** The bath of the plan with that key. */
    public BatchPlan.PlannedBath bath(String key) {
        return plan.baths().stream()
                .filter(bath -> bath.bath().key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownBath(key)));
    }
}
