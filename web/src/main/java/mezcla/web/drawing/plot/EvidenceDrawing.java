package mezcla.web.drawing.plot;

import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Range;
import mezcla.verdict.HouseEvidence;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * Looks at dry film in their places: days across, rolls up; good ones as rings, turned ones as crosses; the leaflet's
 * last limits and what the looks bear out as boxes.
 *
 * @param good where film was good
 * @param turned where the bath had turned
 * @param printed the printed limits; null where neither is printed
 * @param proposed what was seen bears out; null for nothing
 * @param days marks on the axis of days
 * @param rolls marks on the axis of rolls
 * @param text the same in words
 */
public record EvidenceDrawing(
        List<LifeWindowDrawing.Point> good,
        List<LifeWindowDrawing.Point> turned,
        LifeWindowDrawing.@Nullable Box printed,
        LifeWindowDrawing.@Nullable Box proposed,
        List<LifeWindowDrawing.Mark> days,
        List<LifeWindowDrawing.Mark> rolls,
        String text) {
    /** Draws what was seen of a bath. */
    public static EvidenceDrawing of(HouseEvidence evidence) {
        Range capacity = evidence.bath().capacity();
        Range life = evidence.bath().lifeDays();
        double mostRolls = evidence.looks().stream()
                .mapToDouble(HouseEvidence.Look::rolls)
                .max()
                .orElse(1);
        double mostDays = evidence.looks().stream()
                .mapToDouble(HouseEvidence.Look::days)
                .max()
                .orElse(1);
        DaysAndRolls plane = new DaysAndRolls(
                Math.max(mostDays, life == null ? 1 : life.max()),
                Math.max(mostRolls, capacity == null ? 1 : capacity.max()));
        List<LifeWindowDrawing.Point> good = new ArrayList<>();
        List<LifeWindowDrawing.Point> turned = new ArrayList<>();
        for (HouseEvidence.Look look : evidence.looks()) {
            (look.turned() ? turned : good)
                    .add(new LifeWindowDrawing.Point(
                            plane.x(look.days()),
                            plane.y(look.rolls()),
                            "Batch %d, %s, day %s: %s"
                                    .formatted(
                                            look.batchId(),
                                            Figures.countOfRolls(Math.round(look.rolls() * 100) / 100.0),
                                            Figures.plain(look.days(), 0),
                                            look.turned() ? "turned" : "good")));
        }
        HouseEvidence.Proposal proposal = evidence.proposal();
        return new EvidenceDrawing(
                good,
                turned,
                capacity == null && life == null
                        ? null
                        : plane.box(
                                life == null ? plane.mostDays() : life.max(),
                                capacity == null ? plane.mostRolls() : capacity.max()),
                proposal == null
                        ? null
                        : plane.box(
                                proposal.days() != null
                                        ? proposal.days()
                                        : life == null ? plane.mostDays() : life.max(),
                                proposal.rolls() != null
                                        ? proposal.rolls()
                                        : capacity == null ? plane.mostRolls() : capacity.max()),
                plane.dayMarks(),
                plane.rollMarks(),
                "%s looks at dry film: %s good, %s turned"
                        .formatted(evidence.looks().size(), good.size(), turned.size()));
    }
}
