package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.BathRole;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * How full a drum is: what was poured into it since it was last collected.
 *
 * @param drum the drum
 * @param levelMl how much is in it, in ml
 */
public record DrumLevel(Drum drum, double levelMl) {
    /** The share of a drum from which it is time to have it collected. */
    public static final double DUE_FROM = 0.8;

    /**
     * The levels of drums, in the order in which they are handed in.
     *
     * @param book the log
     * @param drums the drums
     */
    public static List<DrumLevel> of(LogBook book, Collection<Drum> drums) {
        Map<Long, Double> levels = new HashMap<>();
        book.waste().stream()
                .filter(row -> book.voiding(row.stamp().sequence()).isEmpty())
                .sorted(LogState.IN_ORDER)
                .forEach(row -> pour(row, levels));
        List<DrumLevel> all = new ArrayList<>();
        drums.forEach(drum -> all.add(new DrumLevel(drum, levels.getOrDefault(drum.id(), 0.0))));
        return all;
    }

    private static void pour(LogEntry row, Map<Long, Double> levels) {
        row.drumEmptied().ifPresent(drum -> levels.put(drum, 0.0));
        row.pouredIntoDrums().forEach((drum, ml) -> levels.merge(drum, ml, Double::sum));
    }

    /** Whether it is time to have it collected: four fifths full. */
    public boolean due() {
        return Slack.reaches(levelMl, DUE_FROM * drum.capacityMl());
    }

    /** How much still goes into it, in ml. */
    public double roomMl() {
        return Math.max(0, drum.capacityMl() - levelMl);
    }

    /**
     * Refuses what must not go into it, and what does not fit.
     *
     * @param role what is poured away
     * @param volumeMl how much, in ml
     * @throws Refusal what {@link Drum#accept} refuses, or {@code drum-too-full} with the room there is
     */
    public void accept(BathRole role, double volumeMl) {
        drum.accept(role);
        if (Slack.exceeds(volumeMl, roomMl())) {
            throw Refusal.of(new BatchObjection.DrumTooFull(drum.name(), roomMl()));
        }
    }
}
