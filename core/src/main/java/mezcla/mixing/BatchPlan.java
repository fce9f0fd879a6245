package mezcla.mixing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Recipe;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * The plan for baths of a leaflet, in the order of mixing (rules, 3.1, 3.4 and 3.5).
 *
 * @param leaflet what it is mixed by
 * @param baths the plan of each bath, developer first
 */
public record BatchPlan(Leaflet leaflet, List<PlannedBath> baths) {
    /**
     * A bath of the plan.
     *
     * @param bath what the leaflet says of it
     * @param mix how it is mixed
     * @param takes what it takes of the kit
     */
    public record PlannedBath(Bath bath, MixPlan mix, List<Take> takes) {
        /** Whether it may stay in the bottle that it came in: what is ready to use. */
        public boolean mayStay() {
            return mix.recipe().mode() == Recipe.Mode.READY_TO_USE;
        }
    }

    /**
     * What a bath takes of a part.
     *
     * @param part the part's key
     * @param amount how much, in the part's unit
     * @param kitShare the share of the kit's value that this is, 0 to 1 (rules, section 8)
     */
    public record Take(String part, double amount, double kitShare) {}

    /**
     * Plans a batch from one kit.
     *
     * @param leaflet what the kit's sheet says
     * @param left what is left of each of its parts, by key
     * @param volumeMl the volume to which every bath is mixed, in ml
     * @throws Refusal {@code more-than-the-kit-allows} with the limiting part and the largest volume, or
     *     {@code parts-exceed-volume}
     */
    public static BatchPlan of(Leaflet leaflet, Map<String, Double> left, double volumeMl) {
        return of(
                leaflet,
                left,
                leaflet::valueShare,
                volumeMl,
                leaflet.baths().stream().map(Bath::key).toList());
    }

    /**
     * Plans some baths from one kit, or from parts bought alone.
     *
     * @param leaflet what the kit's sheet says
     * @param left what is left of each of its parts, by key
     * @param valueShare a part's share of what the kit is worth, by key
     * @param volumeMl the volume to which every bath is mixed, in ml
     * @param bathKeys the baths
     * @throws Refusal as above, or {@code unknown-bath}
     */
    public static BatchPlan of(
            Leaflet leaflet,
            Map<String, Double> left,
            ToDoubleFunction<String> valueShare,
            double volumeMl,
            Collection<String> bathKeys) {
        Map<String, MixPlan.Wanted> wanted = new HashMap<>();
        bathKeys.forEach(key -> wanted.put(key, new MixPlan.Wanted(volumeMl, volumeMl)));
        return of(leaflet, left, valueShare, wanted);
    }

    /**
     * Plans some baths, each to its own volume and strength.
     *
     * @param leaflet what the sheet says
     * @param left what is left of each part, by key
     * @param valueShare a part's share of what the kit is worth, by key
     * @param wanted how much of which bath, by its key
     * @throws Refusal {@code unknown-bath}, {@code parts-exceed-volume}, and where the parts do not suffice
     *     {@code more-than-the-kit-allows} with the limiting part and the largest volume, or {@code part-runs-out}
     *     where the baths have different volumes; {@code only-whole} where a sachet would have to be divided
     */
    public static BatchPlan of(
            Leaflet leaflet,
            Map<String, Double> left,
            ToDoubleFunction<String> valueShare,
            Map<String, MixPlan.Wanted> wanted) {
        wanted.keySet().forEach(leaflet::bath);
        refuseTooMuch(leaflet, left, wanted);
        return new BatchPlan(
                leaflet,
                leaflet.baths().stream()
                        .filter(bath -> wanted.containsKey(bath.key()))
                        .map(bath -> planned(
                                leaflet, bath, left, valueShare, Objects.requireNonNull(wanted.get(bath.key()))))
                        .toList());
    }

    /** The same plan, mixed in another order. */
    public BatchPlan inOrder(MixOrder order) {
        return new BatchPlan(leaflet, baths.stream().sorted(order.comparator()).toList());
    }

    /**
     * What has to be kept apart because of the order: the baths of which a trace spoils a developer that is mixed after
     * them (rules, 3.5).
     *
     * @return each such bath with the first developer after it, in order
     */
    public List<Apart> keptApart() {
        List<Apart> apart = new ArrayList<>();
        for (int i = 0; i < baths.size(); i++) {
            if (baths.get(i).bath().role().spoilsDevelopers()) {
                Bath before = baths.get(i).bath();
                baths.stream()
                        .skip(i + 1L)
                        .map(PlannedBath::bath)
                        .filter(bath -> bath.role().isDeveloper())
                        .findFirst()
                        .ifPresent(developer -> apart.add(new Apart(before.role(), developer.role())));
            }
        }
        return apart;
    }

    /** A bath that is mixed before a developer which it would spoil. */
    public record Apart(BathRole before, BathRole developer) {}

    private static void refuseTooMuch(Leaflet leaflet, Map<String, Double> left, Map<String, MixPlan.Wanted> wanted) {
        Map<String, Double> partsFor = new HashMap<>();
        wanted.forEach((key, bath) ->
                partsFor.put(key, bath.partsForMl(leaflet.bath(key).recipe())));
        Set<Double> volumes = Set.copyOf(partsFor.values());
        if (volumes.size() == 1) {
            double volumeMl = volumes.iterator().next();
            KitSplit split = KitSplit.of(leaflet.recipes(wanted.keySet()), left, volumeMl);
            if (Slack.exceeds(volumeMl, split.largestMl() + 1e-6)) {
                throw Refusal.of(new MixingObjection.MoreThanTheKitAllows(
                        leaflet.part(split.limitingPart()).name(), split.largestMl()));
            }
            return;
        }
        Map<String, Double> needs = new TreeMap<>();
        partsFor.forEach((key, volumeMl) -> KitSplit.needs(leaflet.recipes(Set.of(key)), volumeMl)
                .forEach((part, amount) -> needs.merge(part, amount, Double::sum)));
        needs.forEach((part, amount) -> {
            double there = left.getOrDefault(part, 0.0);
            if (Slack.exceeds(amount, there + 1e-6)) {
                throw Refusal.of(new MixingObjection.PartRunsOut(
                        leaflet.part(part).name(),
                        amount,
                        there,
                        leaflet.part(part).unit()));
            }
        });
    }

    private static PlannedBath planned(
            Leaflet leaflet,
            Bath bath,
            Map<String, Double> left,
            ToDoubleFunction<String> valueShare,
            MixPlan.Wanted wanted) {
        MixPlan mix = MixPlan.of(bath.recipe(), wanted, left);
        mix.additions().stream().filter(BatchPlan::isDivided).findFirst().ifPresent(divided -> {
            throw Refusal.of(new MixingObjection.OnlyWhole(
                    leaflet.part(divided.addition().part()).name(), divided.amount()));
        });
        List<Take> takes = mix.additions().stream()
                .map(planned -> take(leaflet, planned, left, valueShare))
                .toList();
        return new PlannedBath(bath, mix, takes);
    }

    private static boolean isDivided(MixPlan.PlannedAddition planned) {
        return !planned.addition().unit().isMeasured()
                && Math.abs(planned.amount() - Math.rint(planned.amount())) > 1e-6;
    }

    private static Take take(
            Leaflet leaflet,
            MixPlan.PlannedAddition planned,
            Map<String, Double> left,
            ToDoubleFunction<String> valueShare) {
        String part = planned.addition().part();
        double amount = Math.min(planned.amount(), left.getOrDefault(part, 0.0));
        double whole = leaflet.part(part).amount();
        return new Take(part, amount, valueShare.applyAsDouble(part) * amount / whole);
    }

    /** All the water that the plan takes, in ml. */
    public double waterMl() {
        return baths.stream()
                .mapToDouble(bath -> bath.mix().startWaterMl() + bath.mix().topUpMl())
                .sum();
    }
}
