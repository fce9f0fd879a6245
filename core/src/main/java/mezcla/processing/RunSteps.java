package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.ProcessStep;
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
    /** How many parts a wetting agent of the house's own becomes, itself among them: 1 + 199; <em>house</em>. */
    public static final double WETTING_AGENT_PARTS = 200;

    static final double MINUTE = 60;
    private static final double RINSE_SECONDS = 30;

    /** Keeps its own list. */
    public RunSteps {
        steps = List.copyOf(steps);
    }

    /**
     * How a run is done, by a house or a member.
     *
     * @param soak whether film gets warm water first
     * @param between what comes between the developer and the next bath
     * @param finalRinse how the final rinse is done
     * @param wetting whether a wetting agent ends it
     * @param movement how the tank is moved
     * @param steps what single steps do otherwise, by their key ({@link #keys})
     * @param pourSeconds how long it takes to fill the tank and to pour it out, in seconds; null for the house's ten
     */
    public record Choices(
            Soak soak,
            Between between,
            FinalRinse finalRinse,
            Wetting wetting,
            Movement movement,
            Map<String, StepChoice> steps,
            @Nullable Integer pourSeconds) {
        /** The longest that filling may take, in seconds. */
        public static final int LONGEST_POUR_SECONDS = 60;

        /** As the leaflet says. */
        public static final Choices USUAL = new Choices(
                Soak.LEAFLET, Between.LEAFLET, FinalRinse.WARM, Wetting.LEAFLET, Movement.PRINTED, Map.of());

        /** Choices that say nothing of how long filling takes. */
        public Choices(
                Soak soak,
                Between between,
                FinalRinse finalRinse,
                Wetting wetting,
                Movement movement,
                Map<String, StepChoice> steps) {
            this(soak, between, finalRinse, wetting, movement, steps, null);
        }

        /** Keeps its own map, of what is not as printed anyway. */
        public Choices {
            steps = steps.entrySet().stream()
                    .filter(entry -> !entry.getValue().isAsPrinted())
                    .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));
        }

        /** The same with the tank moved otherwise. */
        public Choices moved(Movement other) {
            return new Choices(soak, between, finalRinse, wetting, other, steps, pourSeconds);
        }

        /** The same without times for single steps: how long something takes hangs on the batch and its wear. */
        public Choices withoutTimes() {
            return new Choices(
                    soak,
                    between,
                    finalRinse,
                    wetting,
                    movement,
                    steps.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue()
                            .withoutTime())),
                    pourSeconds);
        }

        StepChoice of(String key) {
            return steps.getOrDefault(key, StepChoice.PRINTED);
        }

        Movement movement(String key) {
            Movement own = of(key).movement();
            return own == null ? movement : own;
        }
    }

    /** Whether film gets warm water first. */
    public enum Soak {
        /** Where the leaflet names it. */
        LEAFLET,
        /** Never. */
        NONE,
        /** For a minute, also where the leaflet names none. */
        MINUTE
    }

    /** Whether a wetting agent ends a run. */
    public enum Wetting {
        /** Where the leaflet names one. */
        LEAFLET,
        /** Never. */
        NONE,
        /** For a minute, from a bottle of the house's own that belongs to no kit. */
        OWN
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
     * @param says a short instruction that the sheet prints with it; null for none
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
            @Nullable Moved moved,
            @Nullable String says) {
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
                    moved,
                    says);
        }

        private Step wiped() {
            return new Step(kind, bath, role, name, atC, leastC, mostC, fills, true, oneShot, moved, says);
        }
    }

    /**
     * The keys of a leaflet's steps, in their order, by which {@link Choices} name them: what a bath does, or water and
     * its number. Leaflets of one process mostly have the same.
     */
    public static List<String> keys(Leaflet leaflet) {
        List<String> keys = new ArrayList<>();
        int water = 0;
        for (ProcessStep step : printed(leaflet)) {
            keys.add(
                    step.bath() == null
                            ? "water-" + ++water
                            : leaflet.bath(step.bath()).role().key());
        }
        return keys;
    }

    /** What a leaflet prints, step by step; its baths alone where it prints no steps. */
    public static List<ProcessStep> printed(Leaflet leaflet) {
        return leaflet.steps().isEmpty() ? bathsAlone(leaflet) : leaflet.steps();
    }

    /**
     * The steps of a run of film that has the backing which is usual for the process.
     *
     * @see #of(Leaflet, Map, Choices, boolean)
     */
    public static RunSteps of(Leaflet leaflet, Map<String, Integer> seconds, Choices choices) {
        return of(leaflet, seconds, choices, leaflet.process().equals(FilmProcess.CINE_NEGATIVE));
    }

    /**
     * The steps of a run.
     *
     * @param leaflet what the batch was mixed by
     * @param seconds how long the film stays in each bath, in seconds, by the bath's key; baths without a time are left
     *     out
     * @param choices how it is done
     * @param carbon whether the film has a carbon backing
     * @throws Refusal {@code carbon-backing} where film with a carbon backing would enter a shared bath without its
     *     pre-bath and a rinse; {@code rinse-needed} where slides or cine film would go straight on from the developer
     *     although their leaflet does not; {@code time-outside-sheet}; {@code step-too-short}
     */
    public static RunSteps of(Leaflet leaflet, Map<String, Integer> seconds, Choices choices, boolean carbon) {
        RunStepsAdded added = new RunStepsAdded(leaflet, seconds, choices);
        List<ProcessStep> printed = printed(leaflet);
        List<String> keys = keys(leaflet);
        if (choices.soak() == Soak.MINUTE && PrintedWays.of(leaflet).preSoak() == null) {
            added.add(new ProcessStep(ProcessStep.Kind.PRE_SOAK, null, MINUTE, null, developerC(leaflet)), "");
        }
        int leftOut = leftOutBetween(leaflet, choices);
        int from = leftOut == 0 ? 0 : afterDeveloper(printed, leaflet);
        for (int i = 0; i < printed.size(); i++) {
            ProcessStep step = printed.get(i);
            if (isLeftOut(step, keys.get(i), leaflet, seconds, choices) || (i >= from && i < from + leftOut)) {
                continue;
            }
            added.add(step, keys.get(i));
            boolean rinsed = i + 1 < printed.size() && printed.get(i + 1).bath() == null;
            boolean byHouse = choices.between() == Between.RINSE && isDeveloper(step, leaflet) && !rinsed;
            if (i + 1 < printed.size() && (byHouse || choices.of(keys.get(i)).rinsed())) {
                added.add(new ProcessStep(ProcessStep.Kind.WASH, null, RINSE_SECONDS, null, atC(step, leaflet)), "");
            }
        }
        if (choices.wetting() == Wetting.OWN && PrintedWays.of(leaflet).namesNoWettingAgent(leaflet)) {
            added.add(new ProcessStep(ProcessStep.Kind.WETTING_AGENT, null, MINUTE, null, null), "");
        }
        List<Step> steps = added.steps();
        if (carbon) {
            refuseUnwashedBacking(steps);
            wipeBeforeTheEnd(steps);
        }
        return new RunSteps(steps, Schedule.of(added.timed()), lightSafeAfter(leaflet.process(), steps));
    }

    private static @Nullable Double developerC(Leaflet leaflet) {
        return leaflet.process()
                .imageDeveloper(leaflet.baths(), Bath::role)
                .map(bath -> bath.timing().atC())
                .orElse(null);
    }

    private static @Nullable Double atC(ProcessStep step, Leaflet leaflet) {
        return step.bath() == null
                ? step.atC()
                : Double.valueOf(leaflet.bath(step.bath()).timing().atC());
    }

    private static int afterDeveloper(List<ProcessStep> printed, Leaflet leaflet) {
        int from = 1;
        while (!isDeveloper(printed.get(from - 1), leaflet) || isDeveloper(printed.get(from), leaflet)) {
            from++;
        }
        return from;
    }

    /**
     * The same run with one bath at another temperature (rules, 4.4 and 4.13). Every other bath, and water, stays as it is.
     *
     * @param bath its key
     * @param celsius how warm it is, in °C; null for as printed
     */
    public RunSteps warmedTo(String bath, @Nullable Double celsius) {
        return celsius == null
                ? this
                : new RunSteps(
                        steps.stream()
                                .map(step -> bath.equals(step.bath()) ? step.shifted(celsius) : step)
                                .toList(),
                        schedule,
                        lightSafeAfter);
    }

    /** How many steps straight on leaves out. */
    private static int leftOutBetween(Leaflet leaflet, Choices choices) {
        int between = choices.between() == Between.STRAIGHT
                ? PrintedWays.of(leaflet).afterDeveloper().size()
                : 0;
        boolean needed = leaflet.process().equals(FilmProcess.COLOUR_SLIDE)
                || leaflet.process().equals(FilmProcess.CINE_NEGATIVE);
        if (needed && between > 0) {
            throw Refusal.of(new ProcessingObjection.RinseNeeded());
        }
        return between;
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

    static boolean isDeveloper(ProcessStep step, Leaflet leaflet) {
        return step.bath() != null && leaflet.bath(step.bath()).role().isDeveloper();
    }

    private static boolean isLeftOut(
            ProcessStep step, String key, Leaflet leaflet, Map<String, Integer> seconds, Choices choices) {
        if (choices.of(key).leftOut()) {
            return true;
        }
        if (step.bath() == null) {
            return switch (step.kind()) {
                case PRE_SOAK -> choices.soak() == Soak.NONE;
                case WETTING_AGENT -> choices.wetting() == Wetting.NONE;
                default -> false;
            };
        }
        return !seconds.containsKey(step.bath())
                || switch (leaflet.bath(step.bath()).role().nature()) {
                    case STABILISER -> choices.finalRinse() == FinalRinse.NONE;
                    case WETTING_AGENT -> choices.wetting() == Wetting.NONE;
                    default -> false;
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
