package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletObjection;
import mezcla.leaflet.Part;
import mezcla.log.KitArrived;
import mezcla.log.KitPriced;
import mezcla.log.LeafletRevised;
import mezcla.log.PartUse;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.KitSplit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * A kit as the log leaves it.
 *
 * @param id the kit
 * @param arrival the row with which it came, with the version of its leaflet that it goes by now (rules, 3.8)
 * @param parts what is left of each part, in the order of the leaflet
 * @param shares what fills took of its value, in the order of recording
 * @param priced corrections of what it cost, in the order of recording
 * @param revised the row by which it goes by another version of its leaflet than it came with; null while it does not
 * @param finishedAt when somebody said that nothing more is mixed from it; null while nobody did
 */
public record KitState(
        long id,
        KitArrived arrival,
        List<PartState> parts,
        List<Share> shares,
        List<KitPriced> priced,
        @Nullable LeafletRevised revised,
        @Nullable Instant finishedAt) {
    /**
     * A share of the kit's value, taken by a fill or given back by a void.
     *
     * @param fillId the fill
     * @param entry the sequence of the row with which it was taken
     * @param recorded the sequence of the row that says so: the same, or the void
     * @param fraction the share, 0 to 1
     * @param givenBack whether a void gave it back
     */
    public record Share(long fillId, long entry, long recorded, double fraction, boolean givenBack) {}

    private static final double LONG_SEALED = 0.75;
    private static final double USUAL_ML = 1000;
    private static final double LEAST_ML = 1;

    /** Keeps its own lists. */
    public KitState {
        parts = List.copyOf(parts);
        shares = List.copyOf(shares);
        priced = List.copyOf(priced);
    }

    /** What it took to get it here, as far as is known now: price, delivery and what else it took. */
    public Money landed() {
        return priced.isEmpty()
                ? arrival.landed()
                : priced.get(priced.size() - 1).landed();
    }

    /** What is left of each part, by key. */
    public Map<String, Double> left() {
        Map<String, Double> left = new LinkedHashMap<>();
        parts.forEach(state -> left.put(state.part().key(), state.left()));
        return left;
    }

    /** Whether nothing more is mixed from it: somebody said so, or nothing of it is left (rules, section 8). */
    public boolean isFinished() {
        return finishedAt != null || parts.stream().allMatch(state -> state.left() <= 0);
    }

    /** Refuses to finish a kit twice, as {@code kit-is-finished}. */
    public void refuseFinished() {
        if (isFinished()) {
            throw Refusal.of(new BatchObjection.KitIsFinished());
        }
    }

    /**
     * Parts past their printed life of which something is left, that some baths take (rules, 3.4).
     *
     * @param bathKeys the baths
     * @param now the present
     */
    public List<PartState> past(Collection<String> bathKeys, Instant now) {
        Set<String> taken = bathKeys.stream()
                .flatMap(key -> arrival.leaflet().bath(key).recipe().additions().stream())
                .map(Addition::part)
                .collect(Collectors.toSet());
        return parts.stream()
                .filter(state -> state.left() > 0 && taken.contains(state.part().key()))
                .filter(state -> state.isPast(arrival.stamp().happenedAt(), now))
                .toList();
    }

    /**
     * The order in which kits are offered for some baths: those whose parts are good before those that have one past its
     * printed life, and of those the one that came first.
     *
     * @param baths the baths that a kit is offered for
     * @param now the present
     */
    public static Comparator<KitState> bestFirst(Function<KitState, Collection<String>> baths, Instant now) {
        return Comparator.comparing(
                        (KitState kit) -> !kit.past(baths.apply(kit), now).isEmpty())
                .thenComparing(kit -> kit.arrival().stamp().happenedAt())
                .thenComparingLong(KitState::id);
    }

    /** The baths that it has every part for, whatever is left of them, in the order of use. */
    public List<Bath> complete() {
        Set<String> came = arrival.parts().stream().map(Part::key).collect(Collectors.toSet());
        return arrival.leaflet().baths().stream()
                .filter(bath -> bath.recipe().additions().stream().allMatch(addition -> came.contains(addition.part())))
                .toList();
    }

    /**
     * Plans every bath of it.
     *
     * @param volumeMl the volume of each, in ml
     * @throws Refusal what {@link BatchPlan#of} refuses
     */
    public BatchPlan plan(double volumeMl) {
        return plan(volumeMl, arrival.leaflet().baths().stream().map(Bath::key).toList());
    }

    /**
     * Plans some of its baths.
     *
     * @param volumeMl the volume of each, in ml
     * @param bathKeys which
     * @throws Refusal what {@link BatchPlan#of} refuses
     */
    public BatchPlan plan(double volumeMl, Collection<String> bathKeys) {
        return BatchPlan.of(arrival.leaflet(), left(), arrival::valueShare, volumeMl, bathKeys);
    }

    /**
     * The volume that a mix begins with, in ml: a litre, or as much as it still makes (<em>house</em>); all of it where
     * something in it only goes in whole. It is exact, so that whoever mixes all of a kit empties its bottles.
     */
    public double usualVolumeMl() {
        List<String> taking = complete().stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .map(Bath::key)
                .toList();
        double largest = taking.isEmpty() ? USUAL_ML : makesMl(taking);
        boolean whole = complete().stream().anyMatch(bath -> bath.recipe().takesSachets());
        if (whole && Slack.reaches(largest, LEAST_ML)) {
            return largest;
        }
        return largest < LEAST_ML || largest > USUAL_ML ? USUAL_ML : largest;
    }

    /** How much of every bath that takes parts it makes, in ml; 0 where none does. */
    public double allMl() {
        List<String> taking = complete().stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .map(Bath::key)
                .toList();
        return taking.isEmpty() ? 0 : makesMl(taking);
    }

    /**
     * How much of some baths, each of the same volume, it still makes, in ml.
     *
     * @param bathKeys which baths; at least one that takes parts
     */
    public double makesMl(Collection<String> bathKeys) {
        Leaflet leaflet = arrival.leaflet();
        return KitSplit.of(leaflet.recipes(bathKeys), left(), leaflet.makesMl()).largestMl();
    }

    /**
     * Whether it can be offered to mix one bath of a sheet afresh: it is a kit of that sheet, or of that bath sold alone, and
     * has every part of it, for a millilitre at least.
     */
    public boolean offers(Leaflet leaflet, String bathKey) {
        return !isFinished()
                && arrival.leaflet().renews(leaflet, bathKey)
                && complete().stream().anyMatch(bath -> bath.key().equals(bathKey))
                && Slack.reaches(makesMl(List.of(bathKey)), LEAST_ML);
    }

    /**
     * The kit to offer where film of a process waits and no batch takes it, of those that still make so much of every
     * bath: one whose parts are good, and of those the one that came first.
     *
     * @param kits every kit
     * @param process the process
     * @param volumeMl how much the tank takes, in ml
     * @param now the present
     */
    public static Optional<KitState> toOffer(
            Collection<KitState> kits, FilmProcess process, double volumeMl, Instant now) {
        return kits.stream()
                .filter(kit -> !kit.isFinished()
                        && !kit.arrival().leaflet().isOfOneBathAlone()
                        && kit.arrival().leaflet().process().equals(process))
                .filter(kit -> kit.parts().stream().anyMatch(state -> state.left() > 0))
                .filter(kit -> KitSplit.of(kit.arrival().leaflet().recipes(), kit.left(), volumeMl)
                                .batches()
                        > 0)
                .min(bestFirst(kit -> kit.complete().stream().map(Bath::key).toList(), now));
    }

    /** What a planned bath takes of it, as the log keeps it. */
    public List<PartUse> uses(BatchPlan.PlannedBath bath) {
        return Stock.of(this).uses(bath);
    }

    /**
     * The sealed part that has used up most of its printed life, where that is three quarters or more: it is worth
     * opening this kit next (rules, 3.4). Empty for a kit that was opened, or whose parts keep on.
     *
     * @param now the present
     */
    public Optional<PartState> longSealed(Instant now) {
        if (parts.stream().anyMatch(state -> state.openedAt() != null)) {
            return Optional.empty();
        }
        double days = Duration.between(arrival.stamp().happenedAt(), now).toHours() / 24.0;
        return parts.stream()
                .filter(state -> state.left() > 0 && lifeUsed(state, days) >= LONG_SEALED)
                .max(Comparator.comparingDouble(state -> lifeUsed(state, days)));
    }

    private static double lifeUsed(PartState state, double days) {
        Double keeps = state.part().unopenedDays();
        return keeps == null ? 0 : days / keeps;
    }

    /** How much of its value no fill has taken yet, 0 to 1. */
    public double shareLeft() {
        double taken = shares.stream()
                .mapToDouble(share -> share.givenBack() ? -share.fraction() : share.fraction())
                .sum();
        return Math.max(0, 1 - taken);
    }

    /**
     * The part of that key, as it stands.
     *
     * @throws Refusal {@code unknown-part}
     */
    public PartState part(String key) {
        return parts.stream()
                .filter(state -> state.part().key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.UnknownPart(key)));
    }

    /**
     * Refuses to take more of a part than there is.
     *
     * @param key the part
     * @param amount how much, in its unit
     * @throws Refusal {@code unknown-part} or {@code more-of-part-than-there-is}
     */
    public void refuseTaking(String key, double amount) {
        PartState state = part(key);
        if (Slack.exceeds(amount, state.left() + 1e-6)) {
            throw Refusal.of(new BatchObjection.MoreOfPartThanThereIs(
                    state.left(), state.part().unit()));
        }
    }

    /**
     * Refuses to put what is left of a part to another kit that has no such part.
     *
     * @param key the part
     * @param other the kit that it would go to
     * @throws Refusal {@code unknown-part}, {@code kits-differ}, {@code part-sealed}, {@code part-used-up}
     */
    public void refuseMoving(String key, KitState other) {
        PartState state = part(key);
        boolean same = arrival.leaflet().key().equals(other.arrival.leaflet().key());
        if (other.id == id
                || !same
                || other.parts.stream().noneMatch(each -> each.part().key().equals(key))) {
            throw Refusal.of(new BatchObjection.KitsDiffer());
        }
        if (state.left() <= 0) {
            throw Refusal.of(new BatchObjection.PartUsedUp());
        }
        if (state.openedAt() == null) {
            throw Refusal.of(new BatchObjection.PartSealed());
        }
    }
}
