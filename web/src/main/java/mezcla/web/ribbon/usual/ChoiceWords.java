package mezcla.web.ribbon.usual;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import mezcla.processing.RunSteps;
import mezcla.processing.StepChoice;
import mezcla.web.words.Figures;

/** How a run is done, in words: what differs from the leaflet. */
final class ChoiceWords {
    private ChoiceWords() {}

    static String of(RunSteps.Choices choices) {
        RunSteps.Choices usual = RunSteps.Choices.USUAL;
        List<String> parts = new ArrayList<>();
        if (choices.soak() != usual.soak()) {
            parts.add(choices.soak() == RunSteps.Soak.NONE ? "no pre-soak" : "a minute of pre-soak");
        }
        if (choices.between() != usual.between()) {
            parts.add(
                    choices.between() == RunSteps.Between.STRAIGHT
                            ? "straight on after the developer, without stop or rinse"
                            : "a rinse after the developer");
        }
        if (choices.finalRinse() != usual.finalRinse()) {
            parts.add(
                    choices.finalRinse() == RunSteps.FinalRinse.NONE
                            ? "no final rinse"
                            : "final rinse at room temperature");
        }
        if (choices.wetting() != usual.wetting()) {
            parts.add(choices.wetting() == RunSteps.Wetting.NONE ? "no wetting agent" : "own wetting agent");
        }
        if (choices.movement() != usual.movement()) {
            parts.add(Figures.within(choices.movement().words()));
        }
        if (choices.pourSeconds() != null) {
            parts.add("filled in " + Figures.seconds(choices.pourSeconds()));
        }
        new TreeMap<>(choices.steps()).forEach((key, choice) -> parts.add(single(key, choice)));
        return parts.isEmpty() ? "as the leaflet says" : String.join(", ", parts);
    }

    private static String single(String key, StepChoice choice) {
        String step = key.replace('-', ' ');
        List<String> ways = new ArrayList<>();
        if (choice.leftOut()) {
            ways.add("left out");
        }
        if (choice.rinsed()) {
            ways.add("rinsed afterwards");
        }
        if (choice.water() != StepChoice.Water.PRINTED) {
            ways.add(choice.water() == StepChoice.Water.TIME ? "by time" : "by fills");
        }
        if (!choice.length().isEmpty()) {
            ways.add(choice.length());
        }
        if (choice.movement() != null) {
            ways.add(Figures.within(choice.movement().words()));
        }
        return step + " " + String.join(" and ", ways);
    }
}
