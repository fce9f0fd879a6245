package mezcla.web.run.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.log.Roll;
import mezcla.processing.Movement;
import mezcla.processing.PrintedWays;
import mezcla.processing.TankFit;
import mezcla.web.house.Tank;
import mezcla.web.words.Figures;
import mezcla.web.words.TankWords;
import org.jspecify.annotations.Nullable;

/**
 * What the leaflet says beside each of the house's choices, and what goes into the tank.
 *
 * @param preSoak of the pre-soak
 * @param between of what comes after the developer
 * @param finalRinse of the final rinse
 * @param wettingAgent of the wetting agent; null where the leaflet knows none
 * @param tank of the tank
 * @param speeds of films of different speed
 */
public record WaysView(
        String preSoak, String between, String finalRinse, @Nullable String wettingAgent, String tank, String speeds) {
    static WaysView of(Leaflet leaflet, List<Roll> rolls, Tank tank, Movement movement) {
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
                wettingAgent == null ? null : "This leaflet: %s.".formatted(bath(wettingAgent)),
                tank(rolls, tank, movement) + turning(leaflet, movement),
                rolls.size() > 1
                        ? "Films of different speed may share a tank: the speed is in the film, not in the time."
                        : "");
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
        return what + length + (step.atC() == null ? "" : " at " + Figures.celsius(step.atC()));
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
            return takes + " The House page does not say which reels it holds.";
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
