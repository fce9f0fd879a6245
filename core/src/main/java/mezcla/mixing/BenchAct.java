package mezcla.mixing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;

/**
 * One act at the bench, in the order in which they follow each other (rules, 3.1 and 3.5).
 *
 * @param number its place in the walk, from 0
 * @param bath the key of the bath; of the bath before for the rinse between two
 * @param kind what is done
 * @param planned the part, for an act about one, and for a wait the part before it; null for the others
 * @param amount how much; minutes for a wait
 */
public record BenchAct(int number, String bath, Kind kind, MixPlan.@Nullable PlannedAddition planned, double amount) {
    private static final double RINSE_ML = 10;

    /** What is done. */
    public enum Kind {
        /** Water goes in: at the start, or between two parts. */
        WATER,
        /** A part goes in. */
        PART,
        /** What a critical part was measured in is rinsed into the mix with a little of its water. */
        RINSE_MEASURE,
        /** Stirring or waiting, in minutes. */
        WAIT,
        /** Water up to the mark. */
        TOP_UP,
        /** Into the bottle, with its label. */
        BOTTLE,
        /** Everything is rinsed, or the next bath has its own jug. */
        RINSE_ALL
    }

    /** Whether it can turn out otherwise than planned: what is measured, and a sachet of which some was spilt. */
    public boolean isMeasured() {
        return kind == Kind.WATER || kind == Kind.TOP_UP || kind == Kind.PART;
    }

    /** What it is measured in. */
    public Unit unit() {
        return planned == null ? Unit.ML : planned.addition().unit();
    }

    /** The acts for a plan: bath after bath, developer first, everything rinsed between two. */
    public static List<BenchAct> of(BatchPlan plan) {
        List<BenchAct> acts = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            if (!acts.isEmpty()) {
                add(acts, acts.get(acts.size() - 1).bath(), Kind.RINSE_ALL, null, 0);
            }
            bath(acts, bath.bath().key(), bath.mix());
        }
        return List.copyOf(acts);
    }

    /** The acts for one bath alone. */
    static List<BenchAct> of(String bath, MixPlan mix) {
        List<BenchAct> acts = new ArrayList<>();
        bath(acts, bath, mix);
        return List.copyOf(acts);
    }

    private static void bath(List<BenchAct> acts, String bath, MixPlan mix) {
        if (mix.startWaterMl() > 0) {
            add(acts, bath, Kind.WATER, null, mix.startWaterMl());
        }
        for (MixPlan.PlannedAddition planned : mix.additions()) {
            if (planned.amount() > 0) {
                add(acts, bath, Kind.PART, planned, planned.amount());
                if (planned.addition().care() == Addition.Care.CRITICAL && mix.topUpMl() > 0) {
                    add(acts, bath, Kind.RINSE_MEASURE, null, Math.min(RINSE_ML, mix.topUpMl() / rinses(mix)));
                }
            }
            Integer wait = planned.addition().waitMinutes();
            if (wait != null && wait > 0) {
                add(acts, bath, Kind.WAIT, planned, wait);
            }
            if (planned.waterAfterMl() > 0) {
                add(acts, bath, Kind.WATER, null, planned.waterAfterMl());
            }
        }
        if (mix.recipe().mode() == Recipe.Mode.TOP_UP) {
            add(acts, bath, Kind.TOP_UP, null, mix.finalMl());
        }
        add(acts, bath, Kind.BOTTLE, null, mix.finalMl());
    }

    /** How many measures are rinsed into a mix; all together with no more water than tops it up. */
    private static long rinses(MixPlan mix) {
        return mix.additions().stream()
                .filter(planned -> planned.amount() > 0 && planned.addition().care() == Addition.Care.CRITICAL)
                .count();
    }

    private static void add(
            List<BenchAct> acts, String bath, Kind kind, MixPlan.@Nullable PlannedAddition planned, double amount) {
        acts.add(new BenchAct(acts.size(), bath, kind, planned, amount));
    }
}
