package mezcla.web.bench.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.PartState;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.JugChoice;
import mezcla.mixing.MixPlan;
import mezcla.mixing.Tool;
import mezcla.mixing.ToolChoice;
import mezcla.web.bench.water.BenchWater;
import mezcla.web.drawing.JugDrawing;
import mezcla.web.mixes.Measuring;
import mezcla.web.words.CautionWords;
import mezcla.web.words.Figures;
import mezcla.web.words.TemperatureWords;
import mezcla.web.words.Units;

/**
 * The plan of a mix, in words and lines.
 *
 * @param title how much, and how much water in all
 * @param baths each bath, in the order of mixing
 * @param cautions what to look out for with these parts, and no more
 * @param setUp what to put out before starting
 */
public record MixView(String title, List<Bath> baths, List<String> cautions, List<SetUp> setUp) {
    /**
     * A line of the set-up list.
     *
     * @param what a kind of thing
     * @param which the things
     * @param have whether the house's lists have it, in words; empty where they do not know such things
     */
    public record SetUp(String what, String which, String have) {
        /** What stands beside a thing that the house has. */
        public static final String HAVE = "you have it";

        /** What is put out, whether or not the house's lists know it. */
        public SetUp(String what, String which) {
            this(what, which, "");
        }
    }

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
     * @param water the water and its temperatures
     * @param mixedIn the jug of the house that holds it, or that none does
     */
    public record Bath(
            String key,
            String letters,
            String name,
            String volume,
            List<Act> acts,
            List<String> checks,
            JugDrawing jug,
            List<BottleChoice> bottles,
            List<String> water,
            String mixedIn) {}

    /**
     * One thing to do.
     *
     * @param what the act
     * @param amount the figure that matters; empty for none
     * @param of what it is a figure of
     * @param note what else to know; empty for nothing
     * @param warning what no tool of the house does well; empty for nothing
     */
    public record Act(String what, String amount, String of, String note, String warning) {}

    /**
     * A bottle to choose.
     *
     * @param id the bottle
     * @param label what is written on it, and what it holds
     * @param suits whether nothing speaks against it; else it is never chosen by itself
     */
    public record BottleChoice(long id, String label, boolean suits) {}

    /** Bottles that a bath fits into. */
    public interface FreeBottles {
        List<BottleChoice> holding(BatchPlan.PlannedBath bath);
    }

    /** What the house has to mix with. */
    public record Equipment(List<Tool> tools, List<JugChoice> jugs, BenchWater water, List<PartState> parts) {
        /** The same, for a mix of parts of which some may be in vials. */
        Equipment of(List<PartState> some) {
            return new Equipment(tools, jugs, water, some);
        }
    }

    /** The same with one more thing to put out. */
    MixView with(SetUp more) {
        List<SetUp> all = new ArrayList<>(setUp);
        if (!more.which().isEmpty()) {
            all.add(more);
        }
        return new MixView(title, baths, cautions, all);
    }

    /** A volume as it was typed, with the unit that stood beside it where that was not typed: so it means the same to all. */
    public static String asTyped(String typed) {
        String text = typed.strip();
        return text.matches("[0-9.,]+") ? text + "\u00a0" + Units.shown().volumeName() : text;
    }

    public static MixView of(String title, BatchPlan plan, Equipment house, FreeBottles free) {
        List<Bath> baths = plan.baths().stream()
                .map(bath -> bath(plan.leaflet(), bath, house, free))
                .toList();
        List<mezcla.leaflet.Bath> mixed =
                plan.baths().stream().map(BatchPlan.PlannedBath::bath).toList();
        return new MixView(
                title,
                baths,
                Stream.concat(
                                plan.keptApart().stream().map(MixView::apart),
                                Caution.of(plan.leaflet(), mixed).stream().map(CautionWords::of))
                        .toList(),
                setUp(plan, house));
    }

    private static String apart(BatchPlan.Apart apart) {
        return "The %s is mixed before the %s, and a trace of it spoils that: another jug, funnel and stirrer, or all of them rinsed three times."
                .formatted(
                        Figures.within(apart.before().name()),
                        Figures.within(apart.developer().name()));
    }

    private static List<SetUp> setUp(BatchPlan plan, Equipment house) {
        List<SetUp> lines = new ArrayList<>();
        lines.add(new SetUp("Tools", String.join(", ", toolsFor(plan, house.tools())), SetUp.HAVE));
        String jugs = plan.baths().stream()
                .map(bath -> jug(bath, house.jugs()).map(JugChoice::name).orElse(""))
                .filter(name -> !name.isEmpty())
                .distinct()
                .collect(Collectors.joining(", "));
        boolean allHaveOne = plan.baths().stream()
                .filter(bath -> bath.mix().recipe().mode() != Recipe.Mode.READY_TO_USE)
                .allMatch(bath -> jug(bath, house.jugs()).isPresent());
        lines.add(new SetUp("Jugs", jugs, allHaveOne ? SetUp.HAVE : ""));
        lines.add(new SetUp(
                "Water",
                "%s in all: %s"
                        .formatted(
                                Figures.inAll(plan.waterMl()),
                                String.join(", ", house.water().draws(plan)))));
        lines.add(new SetUp("Distilled water", "better than the tap’s, for developers first; in vessels of its own"));
        lines.add(new SetUp("Warmed in the tub", house.water().inTheTub(plan)));
        lines.add(new SetUp("Heater", house.water().heaters(plan)));
        lines.add(new SetUp("Also", also(plan)));
        return lines.stream().filter(line -> !line.which().isEmpty()).toList();
    }

    /** What else lies ready, so that nobody looks for it with wet gloves. */
    private static String also(BatchPlan plan) {
        boolean sachets = plan.baths().stream()
                .flatMap(bath -> bath.mix().additions().stream())
                .anyMatch(planned -> planned.addition().unit() != Unit.ML);
        return "thermometer, stirrer, funnel, " + (sachets ? "scissors, " : "")
                + "towel, a tray under everything, labels and a pen";
    }

    private static List<String> toolsFor(BatchPlan plan, List<Tool> tools) {
        return plan.baths().stream()
                .flatMap(bath -> bath.mix().additions().stream())
                .filter(planned -> !planned.wholePart() && planned.amount() > 0)
                .flatMap(planned -> ToolChoice.of(planned, tools).stream())
                .map(choice -> choice.tool().name())
                .distinct()
                .toList();
    }

    private static Optional<JugChoice> jug(BatchPlan.PlannedBath bath, List<JugChoice> jugs) {
        return JugChoice.of(bath.mix().finalMl(), bath.bath().role().mayFizz(), jugs);
    }

    private static String mixedIn(BatchPlan.PlannedBath bath, List<JugChoice> jugs) {
        boolean fizzes = bath.bath().role().mayFizz();
        String room = fizzes ? "to stir and fizz" : "to stir";
        return jug(bath, jugs)
                .map(jug -> "In the %s, with room %s.".formatted(jug.name(), room))
                .orElseGet(() -> "No jug of the house holds this with room %s: that takes %s."
                        .formatted(room, Figures.ml(JugChoice.needsMl(bath.mix().finalMl(), fizzes))));
    }

    private static Bath bath(Leaflet leaflet, BatchPlan.PlannedBath planned, Equipment house, FreeBottles free) {
        MixPlan mix = planned.mix();
        return new Bath(
                planned.bath().key(),
                planned.bath().role().letters(),
                planned.bath().role().name(),
                Figures.ml(mix.finalMl()),
                acts(leaflet, mix, house),
                mix.checks().stream().map(check -> check(check, mix)).toList(),
                JugDrawing.of(mix),
                free.holding(planned),
                house.water().lines(planned),
                mix.recipe().mode() == Recipe.Mode.READY_TO_USE
                        ? "Ready to use: nothing is added."
                        : mixedIn(planned, house.jugs()));
    }

    private static List<Act> acts(Leaflet leaflet, MixPlan mix, Equipment house) {
        List<Act> acts = new ArrayList<>();
        if (mix.startWaterMl() > 0) {
            acts.add(new Act(
                    "Start with", Figures.ml(mix.startWaterMl()), "of water" + upTo(mix) + at(mix.recipe()), "", ""));
        }
        for (MixPlan.PlannedAddition planned : mix.additions()) {
            acts.add(act(leaflet, mix, planned, house.tools(), house.parts()));
            if (planned.waterAfterMl() > 0) {
                acts.add(new Act("Add", Figures.ml(planned.waterAfterMl()), "of water" + at(mix.recipe()), "", ""));
            }
        }
        if (mix.recipe().mode() == Recipe.Mode.TOP_UP) {
            acts.add(new Act(
                    "Top up to",
                    Figures.ml(mix.finalMl()),
                    mix.topUpMl() > 0 ? "with about %s of water".formatted(Figures.ml(mix.topUpMl())) : "",
                    "",
                    ""));
        }
        return acts;
    }

    /** The most water that the sheet prints to start with, for this volume; topping up follows. */
    private static String upTo(MixPlan mix) {
        Double most = mix.recipe().mostStartWaterMl();
        return most == null
                ? ""
                : ", or up to "
                        + Figures.ml(most * mix.startWaterMl() / mix.recipe().startWaterMl());
    }

    private static String at(Recipe recipe) {
        MixingTemperature mixing = recipe.mixingC();
        return mixing == null ? "" : " at " + TemperatureWords.mixing(mixing);
    }

    private static Act act(
            Leaflet leaflet, MixPlan mix, MixPlan.PlannedAddition planned, List<Tool> tools, List<PartState> parts) {
        Addition addition = planned.addition();
        Part part = leaflet.part(addition.part());
        String amount = Measuring.poured(planned, tools);
        String beside = Measuring.beside(planned, tools);
        String vessel = addition.unit() == Unit.ML ? "bottle" : "sachet";
        List<String> notes = new ArrayList<>();
        Measuring measuring = planned.wholePart()
                ? new Measuring("all that is left: no measuring", "")
                : Measuring.of(mix, planned, tools, parts);
        if (!measuring.how().isEmpty()) {
            notes.add(measuring.how());
        }
        String rinsed = Measuring.rinsed(leaflet, mix, planned, tools);
        if (!rinsed.isEmpty()) {
            notes.add(rinsed);
        }
        if (addition.waitMinutes() != null) {
            notes.add("stir for %d min".formatted(addition.waitMinutes()));
        }
        if (addition.note() != null) {
            notes.add(addition.note());
        }
        if (Measuring.splitsPowder(planned)) {
            notes.add(Measuring.SPLIT);
        }
        String verb = mix.recipe().mode() == Recipe.Mode.READY_TO_USE ? "Pour" : "Add";
        return planned.wholePart()
                ? new Act(
                        "Empty the whole " + vessel + ",",
                        amount,
                        of(part, beside),
                        String.join("; ", notes),
                        measuring.warning())
                : new Act(verb, amount, of(part, beside), String.join("; ", notes), measuring.warning());
    }

    private static String of(Part part, String beside) {
        return (beside.isEmpty() ? "" : "(" + beside + ") ") + "of " + part.name();
    }

    private static String check(MixPlan.Check check, MixPlan mix) {
        return switch (check) {
            case START_WATER_LOWERED ->
                "Start water is %s less than the recipe says: the parts need the room."
                        .formatted(Figures.ml(mix.startWaterLoweredByMl()));
            case AT_THE_MARK -> "The level is at the mark before topping up.";
            case WEAKER ->
                "Stretched: %s weaker than printed."
                        .formatted(Figures.plain((1 - mix.strength()) * 100, 1) + "\u00a0%");
            case STRONGER ->
                "Mixed stronger: %s above what is printed."
                        .formatted(Figures.plain((mix.strength() - 1) * 100, 1) + "\u00a0%");
            case MAKES_OTHER_VOLUME ->
                "Water and parts make %s, which is not what was asked for.".formatted(Figures.ml(mix.finalMl()));
        };
    }
}
