package mezcla.processing;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.measure.FilmFormat;
import mezcla.measure.FilmFormat.Reel;
import mezcla.measure.Objection;
import mezcla.measure.Slack;

/**
 * Whether film goes into a tank on its reels, with solution over all of them (rules, section 7).
 *
 * @param reels how many reels of each kind the film is wound on
 * @param share what of the tank's height they take, 1 for all; 0 where nobody has said what it holds
 * @param objection why it does not go in; empty where it does, or where nobody has said what the tank holds
 */
public record TankFit(Map<Reel, Integer> reels, double share, Optional<Objection> objection) {
    /** Keeps its own map. */
    public TankFit {
        reels = Map.copyOf(reels);
    }

    /**
     * Fits film into a tank. A tank that holds two reels of one kind or one of another is half full with one of the
     * first, whatever the rest is.
     *
     * @param holds how many reels of each kind fill the tank alone; empty where nobody has said
     * @param film the film
     * @return with {@code no-reel-for} (a reel of that kind does not go in) or {@code reels-do-not-fit} (too many) where
     *     it does not fit
     */
    public static TankFit of(Map<Reel, Integer> holds, List<FilmFormat> film) {
        Map<Reel, Integer> reels = new EnumMap<>(Reel.class);
        film.forEach(format -> reels.merge(format.reel(), 1, Integer::sum));
        if (holds.isEmpty()) {
            return new TankFit(reels, 0, Optional.empty());
        }
        double share = 0;
        for (Map.Entry<Reel, Integer> wound : reels.entrySet()) {
            int most = holds.getOrDefault(wound.getKey(), 0);
            if (most == 0) {
                return new TankFit(reels, 0, Optional.of(new ProcessingObjection.NoReelFor(wound.getKey())));
            }
            share += wound.getValue() / (double) most;
        }
        return new TankFit(
                reels,
                share,
                Slack.exceeds(share, 1)
                        ? Optional.of(new ProcessingObjection.ReelsDoNotFit(Map.copyOf(holds)))
                        : Optional.empty());
    }

    /**
     * Fits film into a tank of the house, which takes nothing as long as nobody has said which reels it takes (rules,
     * section 14).
     *
     * @param holds how many reels of each kind fill the tank alone; empty where nobody has said
     * @param film the film
     * @return the same as {@link #of}, and with {@code reels-not-described} where nobody has said
     */
    public static TankFit described(Map<Reel, Integer> holds, List<FilmFormat> film) {
        TankFit fit = of(holds, film);
        return holds.isEmpty()
                ? new TankFit(fit.reels(), 0, Optional.of(new ProcessingObjection.ReelsNotDescribed()))
                : fit;
    }

    /** Whether empty reels have to fill up what is left, so that nothing slides out of the solution. */
    public boolean hasRoom() {
        return share > 0 && Slack.exceeds(1, share);
    }
}
