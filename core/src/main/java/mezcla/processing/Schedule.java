package mezcla.processing;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.StepClock;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * A run second by second: when each step starts and ends, and what is to be done when (rules, section 7).
 *
 * @param steps the steps, one after the other
 * @param totalSeconds how long it all takes
 */
public record Schedule(List<Timed> steps, double totalSeconds) {
    private static final double SHORTEST_SECONDS = 1;

    /** Keeps its own list. */
    public Schedule {
        steps = List.copyOf(steps);
    }

    /**
     * A step to be timed.
     *
     * @param name what it is called
     * @param seconds how long it takes
     * @param clock when that starts to count
     * @param fillSeconds how long pouring in takes
     * @param drainSeconds how long pouring out takes
     * @param agitation how the tank is moved; null for not at all
     */
    public record Step(
            String name,
            double seconds,
            StepClock clock,
            double fillSeconds,
            double drainSeconds,
            @Nullable Agitation agitation) {
        /** The same step of another length, in seconds. */
        public Step lasting(double otherSeconds) {
            return new Step(name, otherSeconds, clock, fillSeconds, drainSeconds, agitation);
        }

        /** The shortest that it can be, in seconds: filled and poured out again. */
        public double leastSeconds() {
            return fullAt() + drainSeconds + SHORTEST_SECONDS;
        }

        /** Seconds from the start of the step until the tank is full. */
        double fullAt() {
            return clock == StepClock.FULL ? 0 : fillSeconds;
        }

        /** Seconds from the start of the step until it is poured out. */
        double pourOutAt() {
            return seconds - drainSeconds;
        }
    }

    /**
     * A step in its place.
     *
     * @param step the step
     * @param startsAt when its clock starts, in seconds from the beginning of the run
     * @param endsAt when it is over, in seconds from the beginning of the run
     * @param cues what is to be done, in order
     */
    public record Timed(Step step, double startsAt, double endsAt, List<Cue> cues) {
        /** Keeps its own list. */
        public Timed {
            cues = List.copyOf(cues);
        }
    }

    /**
     * Something to do.
     *
     * @param at when, in seconds from the start of the step
     * @param kind what
     * @param forSeconds how long; null where that is not said
     */
    public record Cue(double at, Kind kind, @Nullable Double forSeconds) {
        /** When it is over, in seconds from the start of the step; at once where nobody said how long it takes. */
        public double endsAt() {
            return forSeconds == null ? at : at + forSeconds;
        }

        /** What there is to do. */
        public enum Kind {
            /** The step begins. */
            START,
            /** Move the tank. */
            AGITATE,
            /** Pour out. */
            POUR_OUT
        }
    }

    /**
     * Puts steps one after the other.
     *
     * @throws Refusal {@code step-too-short} for a step without time between filling and pouring out
     */
    public static Schedule of(List<Step> steps) {
        List<Timed> timed = new ArrayList<>();
        double end = 0;
        for (Step step : steps) {
            double start = step.clock() == StepClock.FULL ? end + step.fillSeconds() : end;
            end = start + step.seconds();
            timed.add(new Timed(step, start, end, cues(step)));
        }
        return new Schedule(timed, end);
    }

    /**
     * What is to be done in one step, in order.
     *
     * @throws Refusal {@code step-too-short} for a step without time between filling and pouring out
     */
    public static List<Cue> cues(Step step) {
        double full = step.fullAt();
        double out = step.pourOutAt();
        if (!Slack.exceeds(out, full)) {
            throw Refusal.of(new ProcessingObjection.StepTooShort(step.name(), step.seconds()));
        }
        List<Cue> cues = new ArrayList<>();
        cues.add(new Cue(0, Cue.Kind.START, null));
        Agitation agitation = step.agitation();
        if (agitation != null) {
            cues.addAll(agitation.by(
                    () -> List.of(new Cue(full, Cue.Kind.AGITATE, out - full)),
                    intervals -> intervals(intervals, full, out)));
        }
        cues.add(new Cue(out, Cue.Kind.POUR_OUT, null));
        return cues;
    }

    private static List<Cue> intervals(Agitation.Intervals intervals, double full, double out) {
        List<Cue> cues = new ArrayList<>();
        if (intervals.initialSeconds() > 0) {
            cues.add(new Cue(full, Cue.Kind.AGITATE, Math.min(intervals.initialSeconds(), out - full)));
        }
        double planned = full + intervals.initialSeconds();
        for (double at = intervals.everySeconds();
                Slack.reaches(out, at + intervals.forSeconds());
                at += intervals.everySeconds()) {
            if (Slack.reaches(at, planned)) {
                cues.add(new Cue(at, Cue.Kind.AGITATE, intervals.forSeconds()));
            }
        }
        return cues;
    }
}
