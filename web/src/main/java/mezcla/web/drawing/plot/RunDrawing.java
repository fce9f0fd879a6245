package mezcla.web.drawing.plot;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.web.words.Figures;

/**
 * A run as it was planned, and below it as it went, on the same scale of time.
 *
 * @param planned the steps as planned
 * @param real the steps as they went
 * @param minutes marks on the axis of time
 * @param text the same in words
 */
public record RunDrawing(List<Bar> planned, List<Bar> real, List<LifeWindowDrawing.Mark> minutes, String text) {
    private static final double WIDTH = 1200;
    private static final double NAME_WIDTH = 8.2;
    private static final double NARROWEST_TICK = 2.5;
    private static final int SECONDS_A_MINUTE = 60;
    private static final int[] MINUTES_APART = {1, 2, 5, 10, 20};
    private static final double MARK_ROOM = 46;

    /**
     * A step.
     *
     * @param x its left edge
     * @param width how wide
     * @param name what it is called; letters where that does not fit
     * @param letters the bath's letters; empty for water
     * @param late how wide the time is that passed before it; 0 for none
     * @param ticks when the tank was moved: from where, and how wide
     * @param missed when it should have been
     */
    public record Bar(
            double x,
            double width,
            String name,
            String letters,
            double late,
            List<double[]> ticks,
            List<double[]> missed) {}

    /** Draws a run of which at least one step was begun. */
    public static RunDrawing of(RunSteps steps, RunProgress progress) {
        List<RunProgress.Passed> passed = progress.passed();
        Instant began = passed.get(0).pouredAt();
        RunProgress.Passed last = passed.get(passed.size() - 1);
        double went = seconds(began, last.pouredAt()) + length(last);
        double scale = WIDTH / Math.max(went, steps.schedule().totalSeconds());
        List<Bar> planned = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            Schedule.Timed timed = steps.schedule().steps().get(i);
            planned.add(bar(
                    steps.steps().get(i),
                    timed.startsAt() * scale,
                    timed.step().seconds() * scale,
                    0,
                    ticks(timed, timed.startsAt(), scale, List.of(), false),
                    List.of()));
        }
        List<Bar> real = new ArrayList<>();
        for (RunProgress.Passed each : passed) {
            Schedule.Timed timed = steps.schedule().steps().get(each.step());
            double from = seconds(began, each.pouredAt());
            real.add(bar(
                    steps.steps().get(each.step()),
                    from * scale,
                    length(each) * scale,
                    each.isOnTime() ? 0 : Math.max(0, each.lateSeconds()) * scale,
                    ticks(timed, from, scale, each.missed(), false),
                    ticks(timed, from, scale, each.missed(), true)));
        }
        return new RunDrawing(
                planned,
                real,
                minutes(scale),
                "Planned %s, really %s".formatted(Figures.clock(steps.schedule().totalSeconds()), Figures.clock(went)));
    }

    private static double length(RunProgress.Passed passed) {
        Double real = passed.realSeconds();
        return real == null ? passed.plannedSeconds() : real;
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }

    private static Bar bar(
            RunSteps.Step step, double x, double width, double late, List<double[]> ticks, List<double[]> missed) {
        String letters = step.role() == null ? "" : step.role().letters();
        boolean fits = step.name().length() * NAME_WIDTH + 12 < width;
        return new Bar(x, width, fits ? step.name() : letters, letters, late, ticks, missed);
    }

    private static List<double[]> ticks(
            Schedule.Timed timed, double from, double scale, List<Double> missed, boolean those) {
        return timed.cues().stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.forSeconds() != null)
                .filter(cue -> missed.contains(cue.at()) == those)
                .map(cue -> new double[] {
                    (from + cue.at()) * scale, Math.max(NARROWEST_TICK, (cue.endsAt() - cue.at()) * scale)
                })
                .toList();
    }

    private static List<LifeWindowDrawing.Mark> minutes(double scale) {
        int apart = MINUTES_APART[MINUTES_APART.length - 1];
        for (int each : MINUTES_APART) {
            if (each * SECONDS_A_MINUTE * scale >= MARK_ROOM) {
                apart = each;
                break;
            }
        }
        List<LifeWindowDrawing.Mark> marks = new ArrayList<>();
        for (int minute = 0; minute * SECONDS_A_MINUTE * scale <= WIDTH; minute += apart) {
            marks.add(new LifeWindowDrawing.Mark(minute * SECONDS_A_MINUTE * scale, Integer.toString(minute)));
        }
        return marks;
    }
}
