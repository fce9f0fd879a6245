package mezcla.web.drawing.plot;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import mezcla.verdict.Evening;
import mezcla.web.words.Figures;

/**
 * An evening as one strip of time: warming up, the loads, and what lies between them.
 *
 * @param parts what happens
 * @param hours marks on the axis of time
 * @param text the same in words
 */
public record EveningDrawing(List<Part> parts, List<LifeWindowDrawing.Mark> hours, String text) {
    /** How wide an evening is drawn. */
    public static final double WIDTH = 1216;

    private static final double NAME_WIDTH = 8.4;
    private static final double MARK_ROOM = 60;
    private static final int[] MINUTES_APART = {5, 10, 15, 30, 60};

    /**
     * Something that happens.
     *
     * @param x its left edge
     * @param width how wide
     * @param name what it is; empty where that does not fit
     * @param kind warming, load or between
     */
    public record Part(double x, double width, String name, String kind) {}

    /** Draws an evening. */
    public static EveningDrawing of(Evening evening, ZoneId zone) {
        Scale scale = new Scale(evening.startWarming(), evening.over());
        List<Part> parts = new ArrayList<>();
        List<String> words = new ArrayList<>();
        Instant free = evening.startWarming();
        for (int i = 0; i < evening.loads().size(); i++) {
            Evening.Load load = evening.loads().get(i);
            if (load.pourAt().isAfter(free)) {
                parts.add(scale.part(
                        free, load.pourAt(), i == 0 ? "Warm up" : "Wash, refill", i == 0 ? "warming" : "between"));
            }
            parts.add(scale.part(load.pourAt(), load.hangAt(), "Load " + (i + 1), "load"));
            words.add("load %d from %s to %s"
                    .formatted(i + 1, Figures.hour(load.pourAt(), zone), Figures.hour(load.hangAt(), zone)));
            free = load.hangAt();
        }
        return new EveningDrawing(parts, scale.hours(zone), String.join(", ", words));
    }

    private record Scale(Instant from, Instant to) {
        double x(Instant at) {
            return WIDTH
                    * Duration.between(from, at).toMillis()
                    / Math.max(1, Duration.between(from, to).toMillis());
        }

        Part part(Instant begin, Instant end, String name, String kind) {
            double width = x(end) - x(begin);
            return new Part(x(begin), width, name.length() * NAME_WIDTH + 16 < width ? name : "", kind);
        }

        List<LifeWindowDrawing.Mark> hours(ZoneId zone) {
            long minutes = Math.max(1, Duration.between(from, to).toMinutes());
            int apart = MINUTES_APART[MINUTES_APART.length - 1];
            for (int each : MINUTES_APART) {
                if (WIDTH * each / minutes >= MARK_ROOM) {
                    apart = each;
                    break;
                }
            }
            List<LifeWindowDrawing.Mark> marks = new ArrayList<>();
            ZonedDateTime at = from.atZone(zone).truncatedTo(ChronoUnit.HOURS);
            while (!at.toInstant().isAfter(to)) {
                double x = x(at.toInstant());
                if (x >= MARK_ROOM / 3 && x <= WIDTH - MARK_ROOM / 3) {
                    marks.add(new LifeWindowDrawing.Mark(x, Figures.hour(at.toInstant(), zone)));
                }
                at = at.plusMinutes(apart);
            }
            return marks;
        }
    }
}
