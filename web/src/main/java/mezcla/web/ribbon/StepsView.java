package mezcla.web.ribbon;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import mezcla.processing.Agitation;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.web.drawing.plot.RibbonDrawing;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * A run as it is planned, all steps on one page.
 *
 * @param lines the steps
 * @param total how long it takes
 * @param cold when it is poured and hangs if its bath is switched on now; empty where nothing is warmed
 * @param warm when it hangs if it is poured now
 * @param drawing the same as a strip
 */
public record StepsView(List<Line> lines, String total, String cold, String warm, RibbonDrawing drawing) {
    /**
     * A step.
     *
     * @param letters the bath's letters; empty for water
     * @param name what it is called
     * @param time how long
     * @param temperature how warm, with what is near enough
     * @param moved how the tank is moved
     * @param safe whether light may come in after it
     */
    public record Line(String letters, String name, String time, String temperature, String moved, boolean safe) {}

    /**
     * Shows a run.
     *
     * @param movement how the tank is moved
     * @param now when its bath is switched on
     * @param warming how long that takes to get warm; null where it does not
     */
    public static StepsView of(
            RunSteps steps, Movement movement, Instant now, @Nullable Duration warming, ZoneId zone) {
        double total = steps.schedule().totalSeconds();
        return new StepsView(
                lines(steps, movement),
                Figures.clock(total),
                cold(now, warming, total, zone),
                "%s, it can hang at %s."
                        .formatted(
                                warming == null || warming.isZero()
                                        ? "Poured now"
                                        : "If it is warm already and poured now",
                                Figures.hour(now.plusSeconds((long) total), zone)),
                RibbonDrawing.of(steps));
    }

    private static String cold(Instant now, @Nullable Duration warming, double total, ZoneId zone) {
        if (warming == null || warming.isZero()) {
            return "";
        }
        Instant warm = now.plus(warming);
        return "Start warming now, pour at %s, hang film at %s."
                .formatted(Figures.hour(warm, zone), Figures.hour(warm.plusSeconds((long) total), zone));
    }

    /** The steps alone, each with how the tank is moved. */
    public static List<Line> lines(RunSteps steps, Movement movement) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            lines.add(
                    line(steps.steps().get(i), steps.schedule().steps().get(i), movement, i == steps.lightSafeAfter()));
        }
        return lines;
    }

    private static Line line(RunSteps.Step step, Schedule.Timed timed, Movement movement, boolean safe) {
        return new Line(
                step.role() == null ? "" : step.role().letters(),
                step.name(),
                step.isOpen() ? "until clear" : Figures.clock(timed.step().seconds()),
                temperature(step),
                moved(timed.step().agitation(), movement),
                safe);
    }

    private static String moved(@Nullable Agitation agitation, Movement movement) {
        if (agitation instanceof Agitation.Intervals at) {
            return "%s for the first %s, then for %s every %s"
                    .formatted(
                            Figures.within(movement.words()),
                            Figures.seconds(at.initialSeconds()),
                            Figures.seconds(at.forSeconds()),
                            Figures.seconds(at.everySeconds()));
        }
        return agitation == null ? "" : Figures.within(movement.words()) + " all the time";
    }

    private static String temperature(RunSteps.Step step) {
        Double least = step.leastC();
        Double most = step.mostC();
        return least == null || most == null || least.equals(most)
                ? RibbonView.temperature(step)
                : "%s, %s to %s".formatted(RibbonView.temperature(step), Figures.celsius(least), Figures.celsius(most));
    }
}
