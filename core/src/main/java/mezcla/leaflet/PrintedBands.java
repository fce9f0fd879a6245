package mezcla.leaflet;

import java.util.ArrayList;
import java.util.List;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * Times by the number of the roll, as a sheet prints them: from one roll to another. Bands that overlap or leave gaps
 * are pointed out when the sheet is typed in; what counts is where each ends (rules, 4.2).
 *
 * @param bands in the order of the sheet, one at least
 */
public record PrintedBands(List<Band> bands) {
    /**
     * A line of the sheet.
     *
     * @param from the first roll
     * @param upTo the last roll
     * @param seconds the time for them
     */
    public record Band(double from, double upTo, double seconds) {}

    /**
     * Two lines that do not follow each other.
     *
     * @param upTo where the first ends
     * @param from where the second begins
     */
    public record Seam(double upTo, double from) {
        /** Whether some roll is in both; else some roll is in none. */
        public boolean overlaps() {
            return !Slack.exceeds(from, upTo);
        }
    }

    /** Refuses no band at all as {@code steps-missing}, and one that ends before it begins as {@code band-reversed}. */
    public PrintedBands {
        bands = List.copyOf(bands);
        if (bands.isEmpty()) {
            throw Refusal.of(new LeafletObjection.StepsMissing());
        }
        for (Band band : bands) {
            if (Slack.exceeds(band.from(), band.upTo())) {
                throw Refusal.of(new LeafletObjection.BandReversed(band.from(), band.upTo()));
            }
        }
    }

    /** The seams that overlap or leave a gap, in order; none where each band begins with the next roll. */
    public List<Seam> seams() {
        List<Seam> seams = new ArrayList<>();
        if (Slack.exceeds(bands.get(0).from(), 1)) {
            seams.add(new Seam(0, bands.get(0).from()));
        }
        for (int i = 1; i < bands.size(); i++) {
            Seam seam = new Seam(bands.get(i - 1).upTo(), bands.get(i).from());
            if (Math.abs(seam.from() - seam.upTo() - 1) > 1e-9) {
                seams.add(seam);
            }
        }
        return seams;
    }

    /**
     * What the rules work with.
     *
     * @throws Refusal {@code steps-out-of-order}
     */
    public Exhaustion.Steps steps() {
        return new Exhaustion.Steps(bands.stream()
                .map(band -> new Exhaustion.Step(band.upTo(), band.seconds()))
                .toList());
    }

    /** The bands that steps stand for, each beginning with the next roll. */
    public static PrintedBands of(List<Exhaustion.Step> steps) {
        List<Band> bands = new ArrayList<>();
        double from = 1;
        for (Exhaustion.Step step : steps) {
            bands.add(new Band(Math.min(from, step.upTo()), step.upTo(), step.seconds()));
            from = step.upTo() + 1;
        }
        return new PrintedBands(bands);
    }
}
