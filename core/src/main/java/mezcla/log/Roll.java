package mezcla.log;

import mezcla.measure.FilmFormat;
import org.jspecify.annotations.Nullable;

/**
 * One roll of a run.
 *
 * @param owner whose it is
 * @param format its format
 * @param equivalents what it counted for when it was logged
 * @param stops how far it was pushed
 * @param irreplaceable whether it cannot be made again
 * @param film what it is; null where nobody said
 * @param queued its number in the queue; null for film that did not wait there
 */
public record Roll(
        String owner,
        FilmFormat format,
        double equivalents,
        double stops,
        boolean irreplaceable,
        @Nullable Film film,
        @Nullable Long queued) {
    /** The owner of film of the house's own. */
    public static final String HOUSE = "The house";

    /**
     * What a roll is, as far as that makes a difference.
     *
     * @param name what it is called; null where nobody said
     * @param exposures how many exposures it has, where that is not what its format says; null for as many
     * @param correctionSeconds what its owner adds to the developer's time, in seconds; below 0 for less. It is taste
     *     (rules, 4.5)
     * @param madeFor the key of the process that it is made for; null for the one that it goes through
     * @param carbonBacking whether it has a carbon backing
     */
    public record Film(
            @Nullable String name,
            @Nullable Integer exposures,
            int correctionSeconds,
            @Nullable String madeFor,
            boolean carbonBacking) {
        /** Film of which nobody said anything. */
        public static final Film PLAIN = new Film(null, null, 0, null, false);
    }

    /** A roll of which nobody said what it is. */
    public Roll(String owner, FilmFormat format, double equivalents, double stops, boolean irreplaceable) {
        this(owner, format, equivalents, stops, irreplaceable, null, null);
    }

    /** A roll that did not wait in the queue. */
    public Roll(
            String owner,
            FilmFormat format,
            double equivalents,
            double stops,
            boolean irreplaceable,
            @Nullable Film film) {
        this(owner, format, equivalents, stops, irreplaceable, film, null);
    }

    /** The same as film that can be made again. */
    public Roll ordinary() {
        return new Roll(owner, format, equivalents, stops, false, film, queued);
    }

    /** The same roll under that number of the queue; null for none. */
    public Roll queuedAs(@Nullable Long number) {
        return new Roll(owner, format, equivalents, stops, irreplaceable, film, number);
    }

    /** What its owner adds to the developer's time, in seconds. */
    public int correctionSeconds() {
        return film == null ? 0 : film.correctionSeconds();
    }

    /** Whether its backing is carbon, which has to come off first; null where nobody said. */
    public @Nullable Boolean hasCarbonBacking() {
        return film == null ? null : Boolean.valueOf(film.carbonBacking());
    }
}
