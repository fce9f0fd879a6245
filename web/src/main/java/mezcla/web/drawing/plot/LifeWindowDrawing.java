package mezcla.web.drawing.plot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.verdict.LifeWindow;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.School;
import mezcla.web.drawing.PathData;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * The life of a fill: days across, rolls through this bottle up. The printed limits are a box, the careful school a
 * curve, the path so far a line of runs, and the run being considered its next step; behind them, bands of the time
 * that a roll takes. Lengths are in the units of the drawing.
 *
 * @param bands where the time of a roll stays the same
 * @param last where the printed maxima end; null where neither is printed
 * @param first where the printed minima end; null where they are the same
 * @param careful the careful school's curve; empty where it has none
 * @param stretch where the stretch school ends; null where that is beyond the drawing
 * @param beyond the same in words, where it is beyond the drawing; empty otherwise
 * @param school the school that the house judges by
 * @param path the runs so far
 * @param points each run
 * @param next the step that the run being considered would make
 * @param days marks on the axis of days
 * @param rolls marks on the axis of rolls
 * @param todayX where today is
 * @param text the same in words
 */
public record LifeWindowDrawing(
        List<Band> bands,
        @Nullable Box last,
        @Nullable Box first,
        String careful,
        @Nullable Box stretch,
        String beyond,
        School school,
        String path,
        List<Point> points,
        String next,
        List<Mark> days,
        List<Mark> rolls,
        double todayX,
        String text) {
    private static final double NAMES_TURN_AT = 280;
    private static final int CURVE_STEPS = 24;
    private static final int BAND_STEPS = 60;
    private static final double LEAST_BAND = 18;
    private static final double DAYS_WITHOUT_LIMIT = 14;
    private static final double ROLLS_WITHOUT_LIMIT = 8;

    /**
     * A band of one time.
     *
     * @param y its top
     * @param height how tall
     * @param time the time; empty where the band is too low for words
     * @param dark whether it is one of the darker ones
     */
    public record Band(double y, double height, String time, boolean dark) {}

    /** A box from the corner of zero days and zero rolls. */
    public record Box(double x, double y, double width, double height) {}

    /**
     * A run.
     *
     * @param x days
     * @param y rolls
     * @param name what it was, to be read out
     */
    public record Point(double x, double y, String name) {
        /** Whether its name stands to the left of it, so that it is not cut off. */
        public boolean turned() {
            return x > NAMES_TURN_AT;
        }
    }

    /** A mark on an axis. */
    public record Mark(double at, String text) {}

    /** Draws a fill's life, for the run that a question is about; empty for one that has no limits at all. */
    public static Optional<LifeWindowDrawing> of(FillState fill, RunQuestion question) {
        Bath bath = fill.bath();
        if ((bath.capacity() == null && bath.lifeDays() == null) || bath.oneShot() != null) {
            return Optional.empty();
        }
        return Optional.of(new Geometry(fill, question).draw());
    }

    /** Turns days and rolls into places. */
    private static final class Geometry {
        private final FillState fill;
        private final RunQuestion question;
        private final LifeWindow window;
        private final double age;
        private final double used;
        private final DaysAndRolls plane;

        Geometry(FillState fill, RunQuestion question) {
            this.fill = fill;
            this.question = question;
            this.window = LifeWindow.of(
                    fill,
                    question.judging().school(fill.leaflet().process(), false),
                    question.tank().turning());
            this.age = question.daysSince(fill.mixedAt());
            this.used = window.done();
            double after = used + question.equivalents();
            LifeWindow.Corner end = window.end();
            this.plane = new DaysAndRolls(
                    Math.max(age + 1, Double.isFinite(end.days()) ? end.days() : DAYS_WITHOUT_LIMIT),
                    Math.max(after, Double.isFinite(end.rolls()) ? end.rolls() : ROLLS_WITHOUT_LIMIT));
        }

        private double x(double day) {
            return plane.x(day);
        }

        private double y(double roll) {
            return plane.y(roll);
        }

        private double day(Instant at) {
            return question.daysSince(fill.mixedAt()) - question.daysSince(at);
        }

        LifeWindowDrawing draw() {
            List<Point> points = new ArrayList<>();
            StringBuilder path = new StringBuilder(PathData.of("M%s %s", x(0), y(0)));
            double before = 0;
            for (FillState.Worn worn : fill.path()) {
                double roll = worn.rolls();
                double day = day(worn.at());
                path.append(PathData.of("L%s %sL%s %s", x(day), y(before), x(day), y(roll)));
                points.add(new Point(
                        x(day),
                        y(roll),
                        "Day %s: %s"
                                .formatted(
                                        Figures.plain(day, 0), Figures.countOfRolls(Math.round(roll * 100) / 100.0))));
                before = roll;
            }
            path.append(PathData.of("L%s %s", x(age), y(before)));
            double after = used + question.equivalents();
            String next = PathData.of("M%s %sL%s %s", x(age), y(used), x(age), y(after));
            return new LifeWindowDrawing(
                    bands(),
                    box(window.last()),
                    firstBox(),
                    careful(),
                    isStretchDrawn() ? box(window.stretch()) : null,
                    isStretchDrawn() ? "" : beyond(),
                    window.school(),
                    path.toString(),
                    points,
                    next,
                    plane.dayMarks(),
                    plane.rollMarks(),
                    x(age),
                    text(after));
        }

        private @Nullable Box firstBox() {
            return window.hasFirst() ? box(window.first()) : null;
        }

        private String careful() {
            StringBuilder curve = new StringBuilder();
            for (LifeWindow.Corner point : window.careful(CURVE_STEPS)) {
                curve.append(curve.isEmpty() ? "M" : "L")
                        .append(PathData.of("%s %s", x(point.days()), y(point.rolls())));
            }
            return curve.toString();
        }

        /** The time of one roll that goes in after so many. */
        private String timeAfter(double roll) {
            return window.timeAfter(roll).toString();
        }

        private List<Band> bands() {
            List<Band> bands = new ArrayList<>();
            double from = 0;
            String time = timeAfter(0);
            for (int i = 1; i <= BAND_STEPS; i++) {
                double roll = plane.mostRolls() * i / BAND_STEPS;
                String here = timeAfter(roll);
                if (!here.equals(time) || i == BAND_STEPS) {
                    double height = y(from) - y(roll);
                    bands.add(new Band(y(roll), height, height < LEAST_BAND ? "" : time, bands.size() % 2 == 1));
                    from = roll;
                    time = here;
                }
            }
            return bands;
        }

        /** The edge of the drawing stands where there is no limit. */
        private Box box(LifeWindow.Corner corner) {
            return plane.box(Math.min(corner.days(), plane.mostDays()), Math.min(corner.rolls(), plane.mostRolls()));
        }

        private boolean isStretchDrawn() {
            LifeWindow.Corner stretch = window.stretch();
            return (window.days() == null || stretch.days() <= plane.mostDays())
                    && (window.rolls() == null || stretch.rolls() <= plane.mostRolls());
        }

        private String beyond() {
            List<String> limits = new ArrayList<>();
            if (window.rolls() != null) {
                limits.add(Figures.countOfRolls(window.stretch().rolls()));
            }
            if (window.days() != null) {
                limits.add(Figures.countOfDays(window.stretch().days()));
            }
            return String.join(", ", limits);
        }

        private String text(double after) {
            return "%s: %s of %s rolls, %s of %s days; the next run makes it %s rolls."
                    .formatted(
                            fill.bath().role().name(),
                            Figures.rolls(used),
                            window.rolls() == null
                                    ? "any number of"
                                    : Figures.rolls(window.last().rolls()),
                            Figures.plain(age, 0),
                            window.days() == null
                                    ? "any number of"
                                    : Figures.plain(window.last().days(), 0),
                            Figures.rolls(after));
        }
    }
}
