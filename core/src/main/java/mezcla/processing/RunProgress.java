package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.leaflet.StepClock;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * What really happened in a run, from what was confirmed (rules, section 7): each step began when its pour was confirmed,
 * and lasted until the next one's was.
 *
 * @param passed the steps that were begun, in order
 * @param over whether the run went to its end
 */
public record RunProgress(List<Passed> passed, boolean over) {
    private static final double GRACE_SECONDS = 5;
    private static final double ON_TIME_SECONDS = 2;

    /** Keeps its own list. */
    public RunProgress {
        passed = List.copyOf(passed);
    }

    /**
     * Something that was confirmed or noted.
     *
     * @param at when
     * @param kind what
     * @param step the number of the step, from 0
     * @param value seconds for a change, °C for a temperature, the number of a cue for a movement, what went wrong as
     *     {@link Trouble} counts it, the number of the event that is taken back (from 1, in the order of confirming); 0
     *     for anything else
     */
    public record Event(Instant at, Kind kind, int step, double value) {}

    /** What can be confirmed or noted. */
    public enum Kind {
        /** The pour of a step: it begins. */
        POUR,
        /** The step was made longer or shorter. */
        CHANGE,
        /** Water waits. */
        PAUSE,
        /** It goes on. */
        GO_ON,
        /** A fill of a wash was dumped. */
        FILL,
        /** The tank was moved. */
        MOVED,
        /** From here on movements are called and not ticked off (1), or ticked off again (0). */
        UNTICKED,
        /** Something went wrong. */
        TROUBLE,
        /** A temperature was read. */
        TEMPERATURE,
        /** A temperature, or what was said to have gone wrong, does not hold. */
        TAKEN_BACK,
        /** The last step is over. */
        DONE
    }

    /**
     * A step that was begun.
     *
     * @param step its number, from 0
     * @param pouredAt when
     * @param lateSeconds how much later than the step before was over; 0 for the first
     * @param plannedSeconds how long it was to last, with what it was changed by
     * @param realSeconds how long it lasted, without pauses; null while it is not over
     * @param troubles what went wrong in it
     * @param celsius the mean of the temperatures read; null for none
     * @param missed when the tank was to be moved and nobody confirmed it, in seconds from its beginning; of a step that
     *     is not over, as far as anything was confirmed; nothing of where movements were not to be ticked off
     */
    public record Passed(
            int step,
            Instant pouredAt,
            double lateSeconds,
            double plannedSeconds,
            @Nullable Double realSeconds,
            List<Trouble> troubles,
            @Nullable Double celsius,
            List<Double> missed) {
        /** Keeps its own lists. */
        public Passed {
            troubles = List.copyOf(troubles);
            missed = List.copyOf(missed);
        }

        /** Whether it was poured in when the step before was over, give or take two seconds. */
        public boolean isOnTime() {
            return Math.abs(lateSeconds) <= ON_TIME_SECONDS;
        }
    }

    /**
     * What stands of what was confirmed: temperatures and troubles that were taken back are left out, and so is their
     * taking back. Nothing else can be taken back.
     *
     * @param happened what was confirmed, in the order of confirming
     */
    public static List<Event> standing(List<Event> happened) {
        Set<Integer> gone = happened.stream()
                .filter(event -> event.kind() == Kind.TAKEN_BACK)
                .map(event -> (int) event.value() - 1)
                .collect(Collectors.toSet());
        List<Event> standing = new ArrayList<>();
        for (int i = 0; i < happened.size(); i++) {
            Kind kind = happened.get(i).kind();
            boolean may = kind == Kind.TEMPERATURE || kind == Kind.TROUBLE;
            if (kind != Kind.TAKEN_BACK && !(may && gone.contains(i))) {
                standing.add(happened.get(i));
            }
        }
        return standing;
    }

    /**
     * Adds events up.
     *
     * @param steps the run as planned
     * @param happened what was confirmed, in any order
     */
    public static RunProgress of(RunSteps steps, List<Event> happened) {
        List<Event> events =
                happened.stream().sorted(Comparator.comparing(Event::at)).toList();
        Instant known = events.isEmpty() ? null : events.get(events.size() - 1).at();
        List<Passed> passed = new ArrayList<>();
        RunPresent present = RunPresent.of(steps.steps().size(), List.of());
        double overAt = 0;
        Instant began = null;
        for (Event event : events) {
            RunPresent next = present.after(event, steps.steps().size());
            if (next.step() != present.step() || (next.done() && !present.done())) {
                overAt = add(passed, steps, present, event.at(), known, events, overAt, began);
                began = began == null ? event.at() : began;
            }
            present = next;
        }
        if (!present.done()) {
            add(passed, steps, present, null, known, events, overAt, began);
        }
        return new RunProgress(passed, present.done());
    }

    /** Adds a step that was begun; returns when it was to be over, in seconds from the beginning of the run. */
    private static double add(
            List<Passed> passed,
            RunSteps steps,
            RunPresent present,
            @Nullable Instant end,
            @Nullable Instant known,
            List<Event> events,
            double overAt,
            @Nullable Instant began) {
        Instant poured = present.pouredAt();
        if (poured == null || began == null) {
            return overAt;
        }
        int step = present.step();
        List<Event> within =
                events.stream().filter(event -> event.step() == step).toList();
        double planned = steps.schedule().steps().get(step).step().seconds() + present.changedSeconds();
        double paused = end == null ? present.pausedSeconds() : present.waitedSeconds(end);
        double at = between(began, poured);
        passed.add(new Passed(
                step,
                poured,
                passed.isEmpty() ? 0 : late(steps.schedule().steps().get(step).step(), at - overAt),
                planned,
                end == null ? null : Double.valueOf(between(poured, end) - paused),
                Trouble.all(within),
                celsius(within),
                missed(steps, present, end == null ? known : end).stream()
                        .filter(cue -> isTicked(events, poured.plusMillis(Math.round(cue * 1000))))
                        .toList()));
        return at + planned + paused;
    }

    /** Where the clock starts with a full tank, pouring in comes before it and is not late. */
    private static double late(Schedule.Step step, double seconds) {
        double filling = step.clock() == StepClock.FULL ? step.fillSeconds() : 0;
        return seconds <= 0 ? seconds : Math.max(0, seconds - filling);
    }

    private static @Nullable Double celsius(List<Event> within) {
        List<Double> read = within.stream()
                .filter(event -> event.kind() == Kind.TEMPERATURE)
                .map(Event::value)
                .toList();
        return read.isEmpty()
                ? null
                : Double.valueOf(
                        read.stream().mapToDouble(Double::doubleValue).average().orElseThrow());
    }

    private static boolean isTicked(List<Event> events, Instant at) {
        return events.stream()
                .filter(event -> event.kind() == Kind.UNTICKED && !event.at().isAfter(at))
                .reduce((earlier, later) -> later)
                .map(event -> event.value() == 0)
                .orElse(true);
    }

    /** A movement counts when it was confirmed between its beginning and a few seconds after its end. */
    private static List<Double> missed(RunSteps steps, RunPresent present, @Nullable Instant end) {
        Instant poured = present.pouredAt();
        double until = end == null || poured == null ? Double.POSITIVE_INFINITY : between(poured, end);
        Schedule.Step planned = steps.schedule().steps().get(present.step()).step();
        double lasted = Math.max(planned.leastSeconds(), planned.seconds() + present.changedSeconds());
        return Schedule.cues(planned.lasting(lasted)).stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.forSeconds() != null)
                .filter(cue -> Slack.reaches(until, cue.endsAt()))
                .filter(cue -> present.moved().stream()
                        .noneMatch(at -> at >= cue.at() - 1 && at <= cue.endsAt() + GRACE_SECONDS))
                .map(Schedule.Cue::at)
                .toList();
    }

    /**
     * The temperatures that were read during a step, in order, for what a drift has done to it (rules, 4.6).
     *
     * @param happened what was confirmed
     * @param step the number of the step, from 0
     */
    public static List<EquivalentDevelopment.Reading> readings(List<Event> happened, int step) {
        Instant poured = happened.stream()
                .filter(event -> event.kind() == Kind.POUR && event.step() == step)
                .map(Event::at)
                .findFirst()
                .orElse(null);
        if (poured == null) {
            return List.of();
        }
        return happened.stream()
                .filter(event -> event.kind() == Kind.TEMPERATURE && event.step() == step)
                .filter(event -> !event.at().isBefore(poured))
                .map(event -> new EquivalentDevelopment.Reading(between(poured, event.at()), event.value()))
                .sorted(Comparator.comparingDouble(EquivalentDevelopment.Reading::seconds))
                .toList();
    }

    private static double between(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }
}
