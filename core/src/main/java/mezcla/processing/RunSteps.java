package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * What film goes through in a run, from the pre-soak to the final rinse (rules, section 7).
 *
 * @param steps the steps, in order
 * @param schedule the same, second by second
 * @param lightSafeAfter the step after which the tank may be opened; -1 where no step makes film safe
 */
public record RunSteps(List<Step> steps, Schedule schedule, int lightSafeAfter) {
    private static final double POUR_SECONDS = 10;
    private static final double MINUTE = 60;
    private static final double WASH_SECONDS = 120;
    private static final double RINSE_SECONDS = 30;
    private static final double FILL_AND_DUMP_SECONDS = 20;
    private static final int SHORTEST_PART = 4;

    /** Keeps its own list. */
    public RunSteps {
        steps = List.copyOf(steps);
    }

    /**
     * How the house does it.
     *
     * @param preSoak whether film gets warm water first, where the leaflet names that
     * @param between what comes between the developer and the next bath
     * @param finalRinse how the final rinse is done
     * @param wettingAgent whether the wetting agent is part of the run, where the leaflet names one
     * @param movement how the tank is moved
     */
    public record Choices(
            boolean preSoak, Between between, FinalRinse finalRinse, boolean wettingAgent, Movement movement) {
        /** As the leaflet says. */
        public static final Choices USUAL = new Choices(true, Between.LEAFLET, FinalRinse.WARM, true, Movement.PRINTED);

        /** The same with the tank moved otherwise. */
        public Choices moved(Movement other) {
            return new Choices(preSoak, between, finalRinse, wettingAgent, other);
        }
    }

    /** What comes between the developer and the next bath. */
    public enum Between {
        /** What the leaflet prints. */
        LEAFLET,
        /** Half a minute of water, where the leaflet goes straight on. */
        RINSE,
        /** Nothing: the stop or the water that the leaflet prints is left out. */
        STRAIGHT
    }

    /** How the final rinse is done. */
    public enum FinalRinse {
        /** As warm as the leaflet says. */
        WARM,
        /** As warm as the room: it neither develops nor fixes. */
        ROOM,
        /** Not in the run. */
        NONE
    }

    /**
     * A step of a run.
     *
     * @param kind what it is
     * @param bath the bath's key; null for water
     * @param role what the bath does; null for water
     * @param name what it is called
     * @param atC how warm it is to be, in °C; null where nobody says
     * @param leastC from where on that is near enough, in °C; null where nobody says
     * @param mostC up to where, in °C; null where nobody says
     * @param fills how often water is filled in and dumped; 0 for a bath, and for water by time
     * @param wipeBefore whether the back of the film is wiped before it
     * @param oneShot whether it is poured away afterwards
     * @param moved how the tank is moved; null for not at all
     */
    public record Step(
            ProcessStep.Kind kind,
            @Nullable String bath,
            @Nullable BathRole role,
            String name,
            @Nullable Double atC,
            @Nullable Double leastC,
            @Nullable Double mostC,
            int fills,
            boolean wipeBefore,
            boolean oneShot,
            @Nullable Moved moved) {
        /** Whether it may be stopped for a while: chemistry does not wait, water does. */
        public boolean mayPause() {
            return role == null && kind != ProcessStep.Kind.PRE_SOAK;
        }

        /** Whether it goes on until somebody sees that it is enough. */
        public boolean isOpen() {
            return kind == ProcessStep.Kind.WASH_UNTIL_CLEAR;
        }

        /** Whether it comes at the end, when nothing reacts any more. */
        private boolean isLast() {
            return kind == ProcessStep.Kind.WETTING_AGENT || (role != null && role.isLast());
        }

        private boolean isWarmedWith(double printedC) {
            return atC != null
                    && Math.abs(atC - printedC) < WarmUp.ALIKE_C
                    && (role == null || !role.toleratesAnyTemperature());
        }

        private Step shifted(double celsius) {
            double by = celsius - (atC == null ? celsius : atC);
            return new Step(
                    kind,
                    bath,
                    role,
                    name,
                    celsius,
                    leastC == null ? null : Double.valueOf(leastC + by),
                    mostC == null ? null : Double.valueOf(mostC + by),
                    fills,
                    wipeBefore,
                    oneShot,
                    moved);
        }

        private Step wiped() {
            return new Step(kind, bath, role, name, atC, leastC, mostC, fills, true, oneShot, moved);
        }
    }

    /**
     * The steps of a run.
     *
     * @param leaflet what the batch was mixed by
     * @param seconds how long the film stays in each bath, in seconds, by the bath's key; baths without a time are left
     *     out
     * @param choices how the house does it
     * @throws Refusal {@code carbon-backing} where film with a carbon backing would enter a shared bath without its
     *     pre-bath and a rinse; {@code rinse-needed} where slides or cine film would go straight on from the developer
     *     although their leaflet does not; {@code step-too-short}
     */
    public static RunSteps of(Leaflet leaflet, Map<String, Integer> seconds, Choices choices) {
        List<Step> steps = new ArrayList<>();
        List<Schedule.Step> timed = new ArrayList<>();
        List<ProcessStep> printed = chosen(leaflet, choices);
        for (int i = 0; i < printed.size(); i++) {
            ProcessStep step = printed.get(i);
            if (isLeftOut(step, leaflet, seconds, choices)) {
                continue;
            }
            add(steps, timed, step, leaflet, seconds, choices);
            boolean rinsed = i + 1 < printed.size() && printed.get(i + 1).bath() == null;
            if (choices.between() == Between.RINSE && isDeveloper(step, leaflet) && !rinsed && i + 1 < printed.size()) {
                ProcessStep rinse = new ProcessStep(
                        ProcessStep.Kind.WASH,
                        null,
                        RINSE_SECONDS,
                        null,
                        leaflet.bath(bath(step)).timing().atC());
                add(steps, timed, rinse, leaflet, seconds, choices);
            }
        }
        if (leaflet.process().equals(FilmProcess.CINE_NEGATIVE)) {
            refuseUnwashedBacking(steps);
            wipeBeforeTheEnd(steps);
        }
        return new RunSteps(steps, Schedule.of(timed), lightSafeAfter(leaflet.process(), steps));
    }

    /**
     * The same run with what is warmed at another temperature (rules, 4.4). Baths and water that are printed for another
     * temperature than the developer, and what any temperature does for, stay as they are.
     *
     * @param celsius how warm the developer is, in °C; null for as printed
     * @param printedC how warm it is printed to be, in °C
     */
    public RunSteps warmedTo(@Nullable Double celsius, double printedC) {
        return celsius == null
                ? this
                : new RunSteps(
                        steps.stream()
                                .map(step -> step.isWarmedWith(printedC) ? step.shifted(celsius) : step)
                                .toList(),
                        schedule,
                        lightSafeAfter);
    }

    private static List<ProcessStep> chosen(Leaflet leaflet, Choices choices) {
        List<ProcessStep> printed = leaflet.steps().isEmpty() ? bathsAlone(leaflet) : leaflet.steps();
        List<ProcessStep> between =
                choices.between() == Between.STRAIGHT ? PrintedWays.of(leaflet).afterDeveloper() : List.of();
        if (between.isEmpty()) {
            return printed;
        }
        if (leaflet.process().equals(FilmProcess.COLOUR_SLIDE)
                || leaflet.process().equals(FilmProcess.CINE_NEGATIVE)) {
            throw Refusal.of(new ProcessingObjection.RinseNeeded());
        }
        int from = 1;
        while (!isDeveloper(printed.get(from - 1), leaflet) || isDeveloper(printed.get(from), leaflet)) {
            from++;
        }
        List<ProcessStep> straight = new ArrayList<>(printed.subList(0, from));
        straight.addAll(printed.subList(from + between.size(), printed.size()));
        return straight;
    }

    /** What the carbon left on the back comes off with a wet finger now, and never again once it has dried. */
    private static void wipeBeforeTheEnd(List<Step> steps) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).isLast()) {
                steps.set(i, steps.get(i).wiped());
                return;
            }
        }
    }

    static List<ProcessStep> bathsAlone(Leaflet leaflet) {
        return leaflet.baths().stream()
                .map(bath -> new ProcessStep(ProcessStep.Kind.BATH, bath.key(), null, null, null))
                .toList();
    }

    private static String bath(ProcessStep step) {
        return java.util.Objects.requireNonNull(step.bath());
    }

    static boolean isDeveloper(ProcessStep step, Leaflet leaflet) {
        return step.bath() != null && leaflet.bath(step.bath()).role().isDeveloper();
    }

    private static boolean isLeftOut(ProcessStep step, Leaflet leaflet, Map<String, Integer> seconds, Choices choices) {
        if (step.bath() == null) {
            return switch (step.kind()) {
                case PRE_SOAK -> !choices.preSoak();
                case WETTING_AGENT -> !choices.wettingAgent();
                default -> false;
            };
        }
        return !seconds.containsKey(step.bath())
                || switch (leaflet.bath(step.bath()).role().nature()) {
                    case STABILISER -> choices.finalRinse() == FinalRinse.NONE;
                    case WETTING_AGENT -> !choices.wettingAgent();
                    default -> false;
                };
    }

    private static void add(
            List<Step> steps,
            List<Schedule.Step> timed,
            ProcessStep step,
            Leaflet leaflet,
            Map<String, Integer> seconds,
            Choices choices) {
        Bath bath = step.bath() == null ? null : leaflet.bath(step.bath());
        int fills = step.kind() == ProcessStep.Kind.WASH_FILLS && step.fills() != null ? step.fills() : 0;
        String name = name(step, bath, fills);
        double length = bath != null ? seconds.get(bath.key()) : water(step, fills);
        double pour = Math.min(POUR_SECONDS, length / SHORTEST_PART);
        Moved moved = bath != null ? Moved.in(bath, choices.movement()) : Moved.inWater(choices.movement(), fills);
        steps.add(new Step(
                step.kind(),
                step.bath(),
                bath == null ? null : bath.role(),
                name,
                bath == null ? step.atC() : atC(bath, choices),
                bath == null ? null : Double.valueOf(bath.timing().leastC()),
                bath == null ? null : Double.valueOf(bath.timing().mostC()),
                fills,
                false,
                bath != null && bath.oneShot() != null,
                moved));
        timed.add(new Schedule.Step(
                name,
                length,
                leaflet.clock() == StepClock.FULL ? StepClock.FULL : StepClock.POUR,
                pour,
                pour,
                moved == null ? null : moved.agitation()));
    }

    private static @Nullable Double atC(Bath bath, Choices choices) {
        return bath.role().isLast() && choices.finalRinse() == FinalRinse.ROOM
                ? null
                : Double.valueOf(bath.timing().atC());
    }

    private static String name(ProcessStep step, @Nullable Bath bath, int fills) {
        if (bath != null) {
            return bath.role().name();
        }
        return switch (step.kind()) {
            case PRE_SOAK -> "Pre-soak";
            case WASH_FILLS -> "Wash, " + fills + (fills == 1 ? " fill" : " fills");
            case WASH_UNTIL_CLEAR -> "Rinse until clear";
            case WETTING_AGENT -> BathRole.WETTING_AGENT.name();
            case WASH, BATH -> "Wash";
        };
    }

    private static double water(ProcessStep step, int fills) {
        if (fills > 0) {
            return fills * FILL_AND_DUMP_SECONDS;
        }
        if (step.seconds() != null) {
            return step.seconds();
        }
        return switch (step.kind()) {
            case PRE_SOAK, WETTING_AGENT -> MINUTE;
            default -> WASH_SECONDS;
        };
    }

    /** The carbon that comes off would foul whatever comes after it. */
    private static void refuseUnwashedBacking(List<Step> steps) {
        boolean loosened = false;
        boolean rinsed = false;
        for (Step step : steps) {
            if (step.role() == null) {
                rinsed |= loosened;
            } else if (step.role().nature() == BathRole.Nature.PRE_BATH) {
                loosened = true;
            } else if (!rinsed) {
                throw Refusal.of(new ProcessingObjection.CarbonBacking(step.name()));
            }
        }
    }

    /** Slides: after the colour developer and its wash; anything else: after the last bath that fixes. */
    private static int lightSafeAfter(FilmProcess process, List<Step> steps) {
        int safe = -1;
        for (int i = 0; i < steps.size(); i++) {
            BathRole role = steps.get(i).role();
            if (role == null) {
                continue;
            }
            if (process.isSafeAfter(role)) {
                return i + 1 < steps.size() && steps.get(i + 1).role() == null ? i + 1 : i;
            }
            if (role.fixes()) {
                safe = i;
            }
        }
        return safe;
    }
}
