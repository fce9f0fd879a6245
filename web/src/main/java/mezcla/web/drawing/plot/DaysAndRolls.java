package mezcla.web.drawing.plot;

import java.util.ArrayList;
import java.util.List;
import mezcla.web.words.Figures;

/** Turns days and rolls into places of a drawing: days across, rolls up, with some room around the largest. */
final class DaysAndRolls {
    private static final double LEFT = 46;
    private static final double RIGHT = 470;
    private static final double TOP = 16;
    private static final double BOTTOM = 232;
    private static final double AROUND = 1.18;
    private static final int MARKS = 6;

    private final double mostDays;
    private final double mostRolls;

    DaysAndRolls(double days, double rolls) {
        this.mostDays = AROUND * days;
        this.mostRolls = AROUND * rolls;
    }

    double mostDays() {
        return mostDays;
    }

    double mostRolls() {
        return mostRolls;
    }

    double x(double day) {
        return LEFT + (RIGHT - LEFT) * Math.min(day, mostDays) / mostDays;
    }

    double y(double roll) {
        return BOTTOM - (BOTTOM - TOP) * Math.min(roll, mostRolls) / mostRolls;
    }

    LifeWindowDrawing.Box box(double days, double rolls) {
        return new LifeWindowDrawing.Box(LEFT, y(rolls), x(days) - LEFT, BOTTOM - y(rolls));
    }

    List<LifeWindowDrawing.Mark> dayMarks() {
        return marks(mostDays, true);
    }

    List<LifeWindowDrawing.Mark> rollMarks() {
        return marks(mostRolls, false);
    }

    private List<LifeWindowDrawing.Mark> marks(double most, boolean days) {
        double step = 1;
        while (most / step > MARKS) {
            step *= String.valueOf((long) step).startsWith("2") ? 2.5 : 2;
        }
        List<LifeWindowDrawing.Mark> marks = new ArrayList<>();
        for (double at = 0; at <= most; at += step) {
            marks.add(new LifeWindowDrawing.Mark(days ? x(at) : y(at), Figures.plain(at, 0)));
        }
        return marks;
    }
}
