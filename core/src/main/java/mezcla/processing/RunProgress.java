package mezcla.processing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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
     * @param value seconds for a change, °C for a temperature, the number of a cue for a movement; 0 for anything else
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
        /** Something went wrong. */
        TROUBLE,
        /** A temperature was read. */
        TEMPERATURE,
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
     * @param troubles seconds from its beginning at which something went wrong
     * @param celsius the mean of the temperatures read; null for none
     * @param missed when the tank was to be moved and nobody confirmed it, in seconds from its beginning; of a step that
     *     is not over, as far as anything was confirmed
     */
    public record Passed(
            int step,
            Instant pouredAt,
            double lateSeconds,
            double plannedSeconds,
            @Nullable Double realSeconds,
            List<Double> troubles,
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
     * Adds events up.
     *
     * @param steps the run as planned
     * @param happened what was confirmed, in any order
     */
    public static RunProgress of(RunSteps steps, List<Event> happened) {
        List<Event> events =
                happened.stream().sorted(Comparator.comparing(Event::at)).toList();
        List<Event> pours = events.stream()
                .filter(event -> event.kind() == Kind.POUR)
                .filter(event ->
                        event.step() >= 0 && event.step() < steps.steps().size())
                .toList();
        Event done = events.stream()
                .filter(event -> event.kind() == Kind.DONE)
                .findFirst()
                .orElse(null);
        Instant known = events.isEmpty() ? null : events.get(events.size() - 1).at();
        List<Passed> passed = new ArrayList<>();
        double overAt = 0;
        for (int i = 0; i < pours.size(); i++) {
            Event pour = pours.get(i);
            Instant next = i + 1 < pours.size() ? pours.get(i + 1).at() : done == null ? null : done.at();
            List<Event> within =
                    events.stream().filter(event -> event.step() == pour.step()).toList();
            double planned = steps.schedule().steps().get(pour.step()).step().seconds() + changed(within);
            double paused = paused(within, next);
            double began = between(pours.get(0).at(), pour.at());
            passed.add(new Passed(
                    pour.step(),
                    pour.at(),
                    i == 0 ? 0 : began - overAt,
                    planned,
                    next == null ? null : Double.valueOf(between(pour.at(), next) - paused),
                    within.stream()
                            .filter(event -> event.kind() == Kind.TROUBLE)
                            .map(event -> between(pour.at(), event.at()))
                            .toList(),
                    celsius(within),
                    missed(steps, pour, within, next == null ? known : next)));
            overAt = began + planned + paused;
        }
        return new RunProgress(passed, done != null);
    }

    private static double changed(List<Event> within) {
        return within.stream()
                .filter(event -> event.kind() == Kind.CHANGE)
                .mapToDouble(Event::value)
                .sum();
    }

    private static double paused(List<Event> within, @Nullable Instant end) {
        double paused = 0;
        Instant since = null;
        for (Event event : within) {
            if (event.kind() == Kind.PAUSE && since == null) {
                since = event.at();
            } else if (event.kind() == Kind.GO_ON && since != null) {
                paused += between(since, event.at());
                since = null;
            }
        }
        return since == null || end == null ? paused : paused + between(since, end);
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

    /** A movement counts when it was confirmed between its beginning and a few seconds after its end. */
    private static List<Double> missed(RunSteps steps, Event pour, List<Event> within, @Nullable Instant end) {
        List<Double> confirmed = within.stream()
                .filter(event -> event.kind() == Kind.MOVED)
                .map(event -> between(pour.at(), event.at()))
                .toList();
        double until = end == null ? Double.POSITIVE_INFINITY : between(pour.at(), end);
        Schedule.Step planned = steps.schedule().steps().get(pour.step()).step();
        double lasted = Math.max(planned.leastSeconds(), planned.seconds() + changed(within));
        return Schedule.cues(planned.lasting(lasted)).stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.forSeconds() != null)
                .filter(cue -> Slack.reaches(until, cue.at() + cue.forSeconds()))
                .filter(cue -> confirmed.stream()
                        .noneMatch(at -> at >= cue.at() - 1 && at <= cue.at() + cue.forSeconds() + GRACE_SECONDS))
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
