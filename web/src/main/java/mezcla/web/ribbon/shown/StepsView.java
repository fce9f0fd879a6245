package mezcla.web.ribbon.shown;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.leaflet.ProcessStep;
import mezcla.processing.Agitation;
import mezcla.processing.Moved;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.web.drawing.plot.RibbonDrawing;
import mezcla.web.ribbon.RibbonView;
import mezcla.web.words.Figures;
import mezcla.web.words.WettingAgent;
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
     * @param tankMl what the tank takes of each bath and of water, in ml
     * @param now when its bath is switched on
     * @param warming how long that takes to get warm; null where it does not
     */
    public static StepsView of(RunSteps steps, double tankMl, Instant now, @Nullable Duration warming, ZoneId zone) {
        double total = steps.schedule().totalSeconds();
        return new StepsView(
                lines(steps, tankMl),
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
    public static List<Line> lines(RunSteps steps, double tankMl) {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            lines.add(line(steps.steps().get(i), steps.schedule().steps().get(i), i == steps.lightSafeAfter(), tankMl));
        }
        return lines;
    }

    private static Line line(RunSteps.Step step, Schedule.Timed timed, boolean safe, double tankMl) {
        return new Line(
                step.role() == null ? "" : step.role().letters(),
                step.name(),
                step.isOpen() ? "until clear" : Figures.clock(timed.step().seconds()),
                step.role() == null ? water(step, tankMl) : temperature(step),
                instruction(step),
                safe);
    }

    /** How the tank is moved, and what else has to be done. */
    private static String instruction(RunSteps.Step step) {
        return Stream.of(
                        step.wipeBefore()
                                ? "first wipe the glossy back, never the other side, with a soft wet sponge"
                                : "",
                        step.says() != null
                                ? step.says()
                                : step.isOpen() ? "shake hard, pour out, again until it runs clear" : "",
                        moved(step.moved()))
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining("; "));
    }

    private static String water(RunSteps.Step step, double tankMl) {
        if (step.kind() == ProcessStep.Kind.WETTING_AGENT) {
            return WettingAgent.in(tankMl);
        }
        String temperature = RibbonView.temperature(step);
        return "%s of water%s%s"
                .formatted(
                        Figures.ml(tankMl),
                        step.fills() > 1 ? " each time" : "",
                        temperature.isEmpty() ? ", near the bath’s warmth" : " at " + temperature);
    }

    private static String moved(@Nullable Moved moved) {
        if (moved == null) {
            return "";
        }
        String opening = Figures.within(moved.first().words());
        return moved.agitation().by(() -> opening + " all the time", at -> moved(moved, opening, at));
    }

    private static String moved(Moved moved, String opening, Agitation.Intervals at) {
        if (at.isAtFirstOnly()) {
            return "%s %s, then leave it still"
                    .formatted(
                            opening,
                            at.turns() == 0
                                    ? "for the first " + Figures.seconds(at.initialSeconds())
                                    : Figures.count(at.turns(), "turn"));
        }
        String moment = at.turns() == 0 ? "for " + Figures.seconds(at.forSeconds()) : Figures.count(at.turns(), "turn");
        String then = moved.then() == moved.first() || at.initialSeconds() <= 0
                ? moment
                : "%s%s, %s"
                        .formatted(
                                moved.capGoesOn() ? "cap on, " : "",
                                Figures.within(moved.then().words()),
                                moment);
        return at.initialSeconds() <= 0
                ? "%s, %s every %s".formatted(opening, then, Figures.seconds(at.everySeconds()))
                : "%s for the first %s, then %s every %s"
                        .formatted(
                                opening,
                                Figures.seconds(at.initialSeconds()),
                                then,
                                Figures.seconds(at.everySeconds()));
    }

    private static String temperature(RunSteps.Step step) {
        Double least = step.leastC();
        Double most = step.mostC();
        return step.role() == null || least == null || most == null || least.equals(most)
                ? RibbonView.temperature(step)
                : "%s, %s to %s".formatted(RibbonView.temperature(step), Figures.celsius(least), Figures.celsius(most));
    }
}
