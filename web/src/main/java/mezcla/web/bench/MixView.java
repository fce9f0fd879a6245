package mezcla.web.bench;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.Bottle;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.MixPlan;
import mezcla.web.drawing.JugDrawing;
import mezcla.web.house.Units;
import mezcla.web.shell.Figures;

/**
 * The plan of a mix, in words and lines.
 *
 * @param title how much, and how much water in all
 * @param baths each bath, in the order of mixing
 * @param powder whether powder is handled
 */
public record MixView(String title, List<Bath> baths, boolean powder) {
    /**
     * A bath of the plan.
     *
     * @param key the bath's key
     * @param letters its letters
     * @param name its name
     * @param volume how much it makes
     * @param acts what to do, in order
     * @param checks what is pointed out
     * @param jug the jug it ends in
     * @param bottles the bottles that it can go into
     */
    public record Bath(
            String key,
            String letters,
            String name,
            String volume,
            List<Act> acts,
            List<String> checks,
            JugDrawing jug,
            List<BottleChoice> bottles) {}

    /**
     * One thing to do.
     *
     * @param what the act
     * @param amount the figure that matters; empty for none
     * @param of what it is a figure of
     * @param note what else to know; empty for nothing
     */
    public record Act(String what, String amount, String of, String note) {}

    /**
     * A bottle to choose.
     *
     * @param id the bottle
     * @param label what is written on it, and what it holds
     */
    public record BottleChoice(long id, String label) {}

    /** Bottles that a volume fits into. */
    interface FreeBottles {
        List<Bottle> holding(double volumeMl);
    }

    static MixView of(BatchPlan plan, String typed, FreeBottles free) {
        return titled(
                "Mix %s of every bath, with %s of water in all"
                        .formatted(asTyped(typed), Figures.inAll(plan.waterMl())),
                plan,
                free);
    }

    /** A volume as it was typed; a bare number with the unit that stood beside it. */
    static String asTyped(String typed) {
        return typed.matches("[0-9.,]+") ? typed + "\u00a0" + Units.shown().volumeName() : typed;
    }

    static MixView titled(String title, BatchPlan plan, FreeBottles free) {
        return new MixView(
                title,
                plan.baths().stream()
                        .map(bath -> bath(plan.leaflet(), bath, free))
                        .toList(),
                plan.leaflet().parts().stream().anyMatch(part -> part.unit() == Unit.G));
    }

    private static Bath bath(Leaflet leaflet, BatchPlan.PlannedBath planned, FreeBottles free) {
        MixPlan mix = planned.mix();
        return new Bath(
                planned.bath().key(),
                planned.bath().role().letters(),
                planned.bath().role().name(),
                Figures.ml(mix.finalMl()),
                acts(leaflet, mix),
                mix.checks().stream().map(check -> check(check, mix)).toList(),
                JugDrawing.of(mix),
                free.holding(mix.finalMl()).stream()
                        .map(bottle -> new BottleChoice(
                                bottle.id(),
                                "%s, %s %s"
                                        .formatted(
                                                bottle.label(),
                                                Figures.ml(bottle.capacityMl()),
                                                bottle.material().words())))
                        .toList());
    }

    private static List<Act> acts(Leaflet leaflet, MixPlan mix) {
        List<Act> acts = new ArrayList<>();
        if (mix.startWaterMl() > 0) {
            acts.add(new Act("Start with", Figures.ml(mix.startWaterMl()), "of water" + at(mix.recipe()), ""));
        }
        mix.additions().forEach(planned -> acts.add(act(leaflet, mix.recipe(), planned)));
        if (mix.recipe().mode() == Recipe.Mode.TOP_UP) {
            acts.add(new Act(
                    "Top up to",
                    Figures.ml(mix.finalMl()),
                    mix.topUpMl() > 0 ? "with about %s of water".formatted(Figures.ml(mix.topUpMl())) : "",
                    ""));
        }
        return acts;
    }

    private static String at(Recipe recipe) {
        Recipe.MixingTemperature mixing = recipe.mixingC();
        return mixing == null
                ? ""
                : " at %s (%s to %s)"
                        .formatted(
                                Figures.celsius(mixing.target()),
                                Figures.celsius(mixing.min()),
                                Figures.celsius(mixing.max()));
    }

    private static Act act(Leaflet leaflet, Recipe recipe, MixPlan.PlannedAddition planned) {
        Addition addition = planned.addition();
        Part part = leaflet.part(addition.part());
        String amount = Figures.amount(planned.amount(), addition.unit());
        String vessel = addition.unit() == Unit.G ? "sachet" : "bottle";
        List<String> notes = new ArrayList<>();
        if (planned.wholePart()) {
            notes.add("all that is left: no measuring");
        } else if (addition.care() == Addition.Care.CRITICAL) {
            notes.add("measure within 2 %");
        }
        if (addition.waitMinutes() != null) {
            notes.add("stir for %d min".formatted(addition.waitMinutes()));
        }
        if (addition.note() != null) {
            notes.add(addition.note());
        }
        if (part.unit() == Unit.G && !planned.wholePart()) {
            notes.add("powder split by weight is unofficial: what is in it can have settled apart");
        }
        String verb = recipe.mode() == Recipe.Mode.READY_TO_USE ? "Pour" : "Add";
        return planned.wholePart()
                ? new Act("Empty the whole " + vessel + ",", amount, "of " + part.name(), String.join("; ", notes))
                : new Act(verb, amount, "of " + part.name(), String.join("; ", notes));
    }

    private static String check(MixPlan.Check check, MixPlan mix) {
        return switch (check) {
            case START_WATER_LOWERED ->
                "Start water is %s less than the recipe says: the parts need the room."
                        .formatted(Figures.ml(mix.startWaterLoweredByMl()));
            case AT_THE_MARK -> "The level is at the mark before topping up.";
            case MAKES_OTHER_VOLUME ->
                "Water and parts make %s, which is not what was asked for.".formatted(Figures.ml(mix.finalMl()));
        };
    }
}
