package mezcla.web.drawing.plot;

import java.util.ArrayList;
import java.util.List;
import mezcla.processing.WarmUp;
import mezcla.web.drawing.PathData;
import mezcla.web.words.Figures;

/**
 * How bath and bottles come to temperature: minutes across, degrees up, with the developer’s range as a band.
 *
 * @param bath the bath
 * @param bottles each bottle
 * @param bandY the top of the developer’s range
 * @param bandHeight how tall it is
 * @param readyX when all are ready; below 0 for never
 * @param minutes marks on the axis of minutes
 * @param degrees marks on the axis of degrees
 * @param dots what a probe showed, across and up
 * @param nowX the present; below 0 where nothing was measured
 * @param text the same in words
 */
public record WarmDrawing(
        String bath,
        List<Curve> bottles,
        double bandY,
        double bandHeight,
        double readyX,
        List<LifeWindowDrawing.Mark> minutes,
        List<LifeWindowDrawing.Mark> degrees,
        List<double[]> dots,
        double nowX,
        String text) {
    private static final double LEFT = 46;
    private static final double RIGHT = 600;
    private static final double TOP = 16;
    private static final double BOTTOM = 232;
    private static final double LABEL_HEIGHT = 13;
    private static final int SHORTEST_MINUTES = 20;
    private static final int DEGREES_A_MARK = 5;

    /**
     * A bottle's curve.
     *
     * @param path the curve
     * @param letters whose; empty where they stand beside another one
     * @param endY where it ends
     */
    public record Curve(String path, String letters, double endY) {}

    /**
     * Draws a prediction.
     *
     * @param warm what is predicted
     * @param letters whose each bottle is
     * @param leastC the least that the developer wants, in °C
     * @param mostC the most that it stands, in °C
     * @param roomC how warm the room is, in °C
     * @param measured what a probe showed: minutes since the beginning, °C
     */
    public static WarmDrawing of(
            WarmUp warm, List<String> letters, double leastC, double mostC, double roomC, List<double[]> measured) {
        double now = measured.isEmpty() ? -1 : measured.get(measured.size() - 1)[0];
        Integer readySeconds = warm.readySeconds();
        int ready = readySeconds == null ? -1 : readySeconds / 60;
        int shown = Math.min(
                warm.bath().size() - 1,
                Math.max(Math.max(SHORTEST_MINUTES, (int) now + 3), ready < 0 ? 120 : ready + ready / 4 + 3));
        double lowest = Math.min(roomC, warm.bath().get(0)) - 2;
        double highest = mostC + 3;
        Plane plane = new Plane(shown, Math.floor(lowest), Math.ceil(highest));
        List<Curve> bottles = new ArrayList<>();
        for (int i = 0; i < warm.bottles().size(); i++) {
            List<Double> curve = warm.bottles().get(i);
            double endY = plane.y(curve.get(shown));
            boolean first = bottles.stream().noneMatch(other -> Math.abs(other.endY() - endY) < LABEL_HEIGHT);
            bottles.add(new Curve(plane.path(curve), first ? together(warm, letters, plane, shown, endY) : "", endY));
        }
        double top = plane.y(mostC);
        return new WarmDrawing(
                plane.path(warm.bath()),
                bottles,
                top,
                plane.y(leastC) - top,
                readySeconds == null ? -1 : plane.x(readySeconds / 60.0),
                plane.minuteMarks(),
                plane.degreeMarks(),
                measured.stream()
                        .filter(dot -> dot[0] <= shown)
                        .map(dot -> new double[] {plane.x(dot[0]), plane.y(dot[1])})
                        .toList(),
                now < 0 || now > shown ? -1 : plane.x(now),
                ready < 0 ? "The bottles do not get warm" : "The bottles are ready after %s minutes".formatted(ready));
    }

    /** The letters of all bottles that end there, so that they do not stand on each other. */
    private static String together(WarmUp warm, List<String> letters, Plane plane, int shown, double endY) {
        List<String> there = new ArrayList<>();
        for (int i = 0; i < letters.size(); i++) {
            if (Math.abs(plane.y(warm.bottles().get(i).get(shown)) - endY) < LABEL_HEIGHT) {
                there.add(letters.get(i));
            }
        }
        return String.join(" ", there);
    }

    private record Plane(int minutes, double lowest, double highest) {
        double x(double minute) {
            return LEFT + (RIGHT - LEFT) * minute / minutes;
        }

        double y(double celsius) {
            double within = Math.max(lowest, Math.min(highest, celsius));
            return BOTTOM - (BOTTOM - TOP) * (within - lowest) / (highest - lowest);
        }

        String path(List<Double> curve) {
            StringBuilder path = new StringBuilder();
            for (int minute = 0; minute <= minutes; minute++) {
                path.append(PathData.of(minute == 0 ? "M%s %s" : "L%s %s", x(minute), y(curve.get(minute))));
            }
            return path.toString();
        }

        List<LifeWindowDrawing.Mark> minuteMarks() {
            List<LifeWindowDrawing.Mark> marks = new ArrayList<>();
            int step = minutes > 60 ? 30 : minutes > 30 ? 10 : 5;
            for (int minute = 0; minute <= minutes; minute += step) {
                marks.add(new LifeWindowDrawing.Mark(x(minute), Integer.toString(minute)));
            }
            return marks;
        }

        List<LifeWindowDrawing.Mark> degreeMarks() {
            List<LifeWindowDrawing.Mark> marks = new ArrayList<>();
            for (double celsius = Math.ceil(lowest / DEGREES_A_MARK) * DEGREES_A_MARK;
                    celsius <= highest;
                    celsius += DEGREES_A_MARK) {
                marks.add(new LifeWindowDrawing.Mark(y(celsius), Figures.degrees(celsius)));
            }
            return marks;
        }
    }
}
