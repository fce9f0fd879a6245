package mezcla.web.drawing.plot;

import java.util.ArrayList;
import java.util.List;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.web.words.Figures;

/**
 * A run as one strip of time: every step to scale, ticks where the tank is moved, pouring in and out, and where light may
 * come in.
 *
 * @param parts the steps
 * @param lightSafeX where light may come in; below 0 for nowhere
 * @param text the same in words
 */
public record RibbonDrawing(List<Part> parts, double lightSafeX, String text) {
    /** How wide a ribbon is drawn. */
    public static final double WIDTH = 1216;

    private static final double GAP = 8;
    private static final double NARROWEST = 46;
    private static final double NAME_WIDTH = 8.2;

    /**
     * A step.
     *
     * @param x its left edge
     * @param width how wide
     * @param name what it is called; empty where it is too narrow for that
     * @param letters the bath's letters; empty for water
     * @param time how long it takes
     * @param outX where pouring out begins
     * @param ticks where the tank is moved: from where, and how wide
     */
    public record Part(
            double x, double width, String name, String letters, String time, double outX, List<double[]> ticks) {}

    /** Draws a run. */
    public static RibbonDrawing of(RunSteps steps) {
        List<Schedule.Timed> timed = steps.schedule().steps();
        double all = timed.stream().mapToDouble(each -> each.step().seconds()).sum();
        double room = WIDTH - GAP * (timed.size() - 1) - NARROWEST * timed.size();
        List<Part> parts = new ArrayList<>();
        double x = 0;
        double safe = -1;
        for (int i = 0; i < timed.size(); i++) {
            Schedule.Timed each = timed.get(i);
            double width = NARROWEST + room * each.step().seconds() / all;
            parts.add(part(steps.steps().get(i), each, x, width));
            if (i == steps.lightSafeAfter()) {
                safe = x + width;
            }
            x += width + GAP;
        }
        return new RibbonDrawing(parts, safe, text(steps));
    }

    private static Part part(RunSteps.Step step, Schedule.Timed timed, double x, double width) {
        double seconds = timed.step().seconds();
        List<double[]> ticks = timed.cues().stream()
                .filter(cue -> cue.kind() == Schedule.Cue.Kind.AGITATE && cue.forSeconds() != null)
                .map(cue ->
                        new double[] {x + width * cue.at() / seconds, Math.max(2.5, width * cue.forSeconds() / seconds)
                        })
                .toList();
        String letters = step.role() == null ? "" : step.role().letters();
        boolean fits = step.name().length() * NAME_WIDTH + 10 < width;
        return new Part(
                x,
                width,
                fits ? step.name() : letters,
                letters,
                Figures.clock(seconds),
                x + width * (seconds - timed.step().drainSeconds()) / seconds,
                ticks);
    }

    private static String text(RunSteps steps) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            words.add("%s %s"
                    .formatted(
                            steps.steps().get(i).name(),
                            Figures.clock(steps.schedule().steps().get(i).step().seconds())));
        }
        return String.join(", ", words);
    }
}
