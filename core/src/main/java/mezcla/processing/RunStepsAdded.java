package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.PrintedTime;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import org.jspecify.annotations.Nullable;

/** The steps of a run as they are put together, one after another. */
final class RunStepsAdded {
    private static final double POUR_SECONDS = 10;
    private static final double WASH_SECONDS = 120;
    private static final double FILL_AND_DUMP_SECONDS = 20;
    private static final int SHORTEST_PART = 4;

    private final Leaflet leaflet;
    private final Map<String, Integer> seconds;
    private final RunSteps.Choices choices;
    private final List<RunSteps.Step> steps = new ArrayList<>();
    private final List<Schedule.Step> timed = new ArrayList<>();

    RunStepsAdded(Leaflet leaflet, Map<String, Integer> seconds, RunSteps.Choices choices) {
        this.leaflet = leaflet;
        this.seconds = seconds;
        this.choices = choices;
    }

    List<RunSteps.Step> steps() {
        return steps;
    }

    List<Schedule.Step> timed() {
        return timed;
    }

    /** Adds a step; its key is empty for one that no sheet prints. */
    void add(ProcessStep step, String key) {
        Bath bath = step.bath() == null ? null : leaflet.bath(step.bath());
        StepChoice choice = choices.of(key);
        int fills = fills(step, choice);
        String name = name(step, bath, fills);
        double length = bath != null
                ? choice.lasts(
                        name,
                        Objects.requireNonNull(seconds.get(bath.key())),
                        bath.timing().printed(),
                        bath.role().isDeveloper())
                : water(step, fills, choice, name);
        double pour =
                Math.min(choices.pourSeconds() == null ? POUR_SECONDS : choices.pourSeconds(), length / SHORTEST_PART);
        Movement movement = choices.movement(key);
        Moved moved = bath != null ? Moved.in(bath, movement) : Moved.inWater(movement, fills);
        steps.add(new RunSteps.Step(
                step.kind(),
                step.bath(),
                bath == null ? null : bath.role(),
                name,
                bath == null ? (choice.atC() == null ? step.atC() : choice.atC()) : atC(bath),
                bath == null
                        ? (choice.atC() == null ? step.leastC() : null)
                        : Double.valueOf(bath.timing().leastC()),
                bath == null
                        ? (choice.atC() == null ? step.mostC() : null)
                        : Double.valueOf(bath.timing().mostC()),
                fills,
                false,
                bath != null && bath.oneShot() != null,
                moved,
                step.says()));
        timed.add(new Schedule.Step(
                name,
                length,
                leaflet.clock() == StepClock.FULL ? StepClock.FULL : StepClock.POUR,
                pour,
                pour,
                moved == null ? null : moved.agitation()));
    }

    /** Water that is printed both ways, three minutes or seven fills, goes by what its kind says unless it is chosen. */
    static int fills(ProcessStep step, StepChoice choice) {
        Integer printed = step.fills();
        if (choice.fills() != null && step.bath() == null) {
            return choice.fills();
        }
        if (printed == null || choice.seconds() != null) {
            return 0;
        }
        boolean byFills =
                switch (choice.water()) {
                    case PRINTED -> step.kind() == ProcessStep.Kind.WASH_FILLS;
                    case FILLS -> true;
                    case TIME -> step.seconds() == null;
                };
        return byFills ? printed : 0;
    }

    private @Nullable Double atC(Bath bath) {
        return bath.role().isLast() && choices.finalRinse() == RunSteps.FinalRinse.ROOM
                ? null
                : Double.valueOf(bath.timing().atC());
    }

    private static String name(ProcessStep step, @Nullable Bath bath, int fills) {
        if (bath != null) {
            return bath.role().name();
        }
        return switch (step.kind()) {
            case PRE_SOAK -> fills == 0 ? "Pre-soak" : "Pre-soak, " + fills + (fills == 1 ? " fill" : " fills");
            case WASH_UNTIL_CLEAR -> "Rinse until clear";
            case WETTING_AGENT -> BathRole.WETTING_AGENT.name();
            case WASH_FILLS, WASH, BATH -> fills == 0 ? "Wash" : "Wash, " + fills + (fills == 1 ? " fill" : " fills");
        };
    }

    private static double water(ProcessStep step, int fills, StepChoice choice, String name) {
        if (fills > 0) {
            return fills * FILL_AND_DUMP_SECONDS;
        }
        double usual =
                switch (step.kind()) {
                    case PRE_SOAK, WETTING_AGENT -> RunSteps.MINUTE;
                    default -> WASH_SECONDS;
                };
        double printed = step.seconds() == null ? usual : step.seconds();
        if (WashShort.isWash(step)) {
            return choice.washes(name, printed);
        }
        double most = step.mostSeconds() == null ? printed : step.mostSeconds();
        return choice.lasts(name, printed, new PrintedTime(printed, most), false);
    }
}
