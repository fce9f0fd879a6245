package mezcla.web.ribbon.usual;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.log.Roll;
import mezcla.processing.Movement;
import mezcla.processing.PrintedWays;
import mezcla.processing.RunSteps;
import mezcla.processing.StepChoice;
import mezcla.processing.TankFit;
import mezcla.processing.WashShort;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.Figures;
import mezcla.web.words.TankWords;

/**
 * What the leaflet says beside each of the house's choices, and what goes into the tank.
 *
 * @param preSoak of the pre-soak
 * @param between of what comes after the developer
 * @param finalRinse of the final rinse
 * @param wettingAgent of the wetting agent
 * @param tank of the tank
 * @param speeds of films of different speed
 * @param washes of every wash that is done less than printed
 */
public record WaysView(
        String preSoak,
        String between,
        String finalRinse,
        String wettingAgent,
        String tank,
        String speeds,
        List<String> washes) {
    /**
     * A printed step.
     *
     * @param key by which choices name it
     * @param name what it is called
     * @param printed what the leaflet says of its time
     * @param hows what can be done otherwise than printed
     * @param moves whether the tank is moved in it
     */
    public record SingleStep(String key, String name, String printed, List<How> hows, boolean moves) {}

    /** Something that can be done with a step: what a form sends, and what it says. */
    public record How(String value, String words) {}

    private static final How LEFT_OUT = new How("OUT", "left out");

    public static WaysView of(Leaflet leaflet, List<Roll> rolls, Tank tank, RunSteps.Choices choices) {
        Movement movement = choices.movement();
        PrintedWays printed = PrintedWays.of(leaflet);
        ProcessStep preSoak = printed.preSoak();
        Bath finalRinse = printed.finalRinse();
        Bath wettingAgent = printed.wettingAgent();
        return new WaysView(
                preSoak == null
                        ? "This leaflet names no pre-soak."
                        : "This leaflet: %s.".formatted(step(preSoak, leaflet)),
                printed.afterDeveloper().isEmpty()
                        ? "This leaflet goes straight on."
                        : "This leaflet: %s."
                                .formatted(printed.afterDeveloper().stream()
                                        .map(step -> step(step, leaflet))
                                        .collect(Collectors.joining(", then "))),
                finalRinse == null ? "This leaflet has none." : "This leaflet: %s.".formatted(bath(finalRinse)),
                wettingAgent == null ? "This leaflet has none." : "This leaflet: %s.".formatted(bath(wettingAgent)),
                tank(rolls, tank, movement) + turning(leaflet, movement),
                rolls.size() > 1
                        ? "Films of different speed may share a tank: the speed is in the film, not in the time."
                        : "",
                WashShort.of(leaflet, choices).stream()
                        .map(wash -> washed(leaflet, wash))
                        .toList());
    }

    /** A wash that is done less than printed. */
    private static String washed(Leaflet leaflet, WashShort wash) {
        List<ProcessStep> printed = RunSteps.printed(leaflet);
        String after = printed.subList(0, RunSteps.keys(leaflet).indexOf(wash.key())).stream()
                .map(ProcessStep::bath)
                .filter(Objects::nonNull)
                .reduce((earlier, later) -> later)
                .map(bath ->
                        " after the " + Figures.within(leaflet.bath(bath).role().name()))
                .orElse("");
        String done = wash.fills() > 0
                ? "%d of %d fills".formatted(wash.fills(), Objects.requireNonNull(wash.ofFills()))
                : wash.seconds() > 0
                        ? "%s instead of %s"
                                .formatted(
                                        Figures.clock(wash.seconds()),
                                        Figures.clock(Objects.requireNonNull(wash.ofSeconds())))
                        : "left out";
        return "Wash%s: %s. Film that is washed too little may not keep.".formatted(after, done);
    }

    /** The printed steps, one by one, and what can be changed of each. */
    public static List<SingleStep> steps(Leaflet leaflet) {
        List<String> keys = RunSteps.keys(leaflet);
        List<SingleStep> steps = new ArrayList<>();
        List<ProcessStep> printed = RunSteps.printed(leaflet);
        for (int i = 0; i < printed.size(); i++) {
            ProcessStep step = printed.get(i);
            steps.add(
                    step.bath() == null ? water(step, keys.get(i), leaflet) : bath(step.bath(), keys.get(i), leaflet));
        }
        return steps;
    }

    private static SingleStep water(ProcessStep step, String key, Leaflet leaflet) {
        List<How> hows = new ArrayList<>();
        if (step.fills() != null && step.seconds() != null) {
            hows.add(new How(StepChoice.Water.TIME.name(), "for " + Figures.clock(step.seconds())));
            hows.add(new How(StepChoice.Water.FILLS.name(), Figures.count(step.fills(), "fill")));
        }
        hows.add(LEFT_OUT);
        String text = step(step, leaflet);
        return new SingleStep(key, Figures.sentence(text.replaceAll("[ ,].*", "")), text, hows, false);
    }

    private static SingleStep bath(String bathKey, String key, Leaflet leaflet) {
        Bath bath = leaflet.bath(bathKey);
        List<How> hows = new ArrayList<>(List.of(new How("RINSED", "and rinse after it")));
        if (bath.role().mayBeLeftOut()) {
            hows.add(LEFT_OUT);
        }
        return new SingleStep(
                key,
                bath.role().name(),
                bath.timing().printed().toString(),
                hows,
                !bath.role().isLast());
    }

    private static String bath(Bath bath) {
        return "%s for %s at %s to %s"
                .formatted(
                        Figures.within(bath.role().name()),
                        Figures.clock(bath.timing().baseSeconds()),
                        Figures.celsius(bath.timing().leastC()),
                        Figures.celsius(bath.timing().mostC()));
    }

    private static String step(ProcessStep step, Leaflet leaflet) {
        if (step.bath() != null) {
            return bath(leaflet.bath(step.bath()));
        }
        String what = step.kind() == ProcessStep.Kind.PRE_SOAK
                ? "pre-soak"
                : step.kind() == ProcessStep.Kind.WASH_UNTIL_CLEAR ? "rinse until clear" : "water";
        String length = step.fills() != null
                ? ", " + Figures.count(step.fills(), "fill")
                : step.seconds() != null ? " for " + Figures.clock(step.seconds()) : "";
        Double least = step.leastC();
        Double most = step.mostC();
        String warmth = step.atC() == null
                ? ""
                : " at " + (least == null || most == null ? Figures.celsius(step.atC()) : Figures.celsius(least, most));
        return what + length + warmth;
    }

    private static String turning(Leaflet leaflet, Movement movement) {
        if (movement != Movement.ROTARY) {
            return "";
        }
        List<String> printed = new ArrayList<>();
        for (Bath bath : leaflet.baths()) {
            Double seconds = bath.rotarySeconds();
            if (seconds != null) {
                printed.add("%s %s".formatted(Figures.within(bath.role().name()), Figures.clock(seconds)));
            }
        }
        return printed.isEmpty()
                ? " This leaflet prints the same times for turning as by hand."
                : " Printed for turning, in a fresh bath: %s.".formatted(String.join(", ", printed));
    }

    private static String tank(List<Roll> rolls, Tank tank, Movement movement) {
        String takes = "It takes %s%s."
                .formatted(
                        Figures.ml(tank.moved(movement).volumeMl()),
                        movement != Movement.ROTARY
                                ? ""
                                : tank.rotaryMl() == null
                                        ? " by hand; nobody has said how much on a rotary base"
                                        : " on a rotary base");
        if (tank.holds().isEmpty()) {
            return takes + " Nobody has said which reels it takes.";
        }
        TankFit fit = TankFit.of(tank.holds(), rolls.stream().map(Roll::format).toList());
        String holds = " It holds %s.".formatted(TankWords.holds(tank.holds()));
        return takes
                + holds
                + (fit.hasRoom() && movement != Movement.ROTARY
                        ? " Fill it up with empty reels, so that the film stays under the solution."
                        : "");
    }
}
