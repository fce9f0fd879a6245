package mezcla.planning;

import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Film that is to be kept alike, a wedding for instance: through one batch, in one evening, at one temperature (rules,
 * section 10).
 *
 * @param films all of it but what was taken back, in the order of leaving
 */
public record KeptAlike(List<QueuedFilm> films) {
    private static final double SAME_C = 0.05;

    /** Keeps its own list. */
    public KeptAlike {
        films = List.copyOf(films);
    }

    /**
     * All that is kept alike with some film.
     *
     * @param film the film
     * @param all the film of the house
     * @return empty where it is kept alike with none
     */
    public static Optional<KeptAlike> with(QueuedFilm film, Collection<QueuedFilm> all) {
        String alike = film.alike();
        return alike == null
                ? Optional.empty()
                : Optional.of(new KeptAlike(all.stream()
                        .filter(each -> alike.equals(each.alike()) && each.where() != QueuedFilm.Where.WITHDRAWN)
                        .toList()));
    }

    /**
     * Whether a run is as the one before it was: through the same batch, as warm to within {@value #SAME_C} °C where both are
     * known.
     *
     * @param batch the batch of the run
     * @param celsius how warm its developer is, in °C; null where nobody knows
     * @param begunBatch the batch of the one before
     * @param begunCelsius how warm that was, in °C; null likewise
     */
    public static boolean isAlike(
            long batch, @Nullable Double celsius, long begunBatch, @Nullable Double begunCelsius) {
        return batch == begunBatch
                && (celsius == null || begunCelsius == null || Math.abs(celsius - begunCelsius) < SAME_C);
    }

    /** What whoever brought it calls it. */
    public String name() {
        return Objects.requireNonNull(films.get(0).dropped().alike());
    }

    /** What somebody still has to bring: until then none of it goes in. */
    public List<QueuedFilm> toBring() {
        return films.stream()
                .filter(film -> film.where() == QueuedFilm.Where.ANNOUNCED)
                .toList();
    }

    /** The film of it that is in a tank or was run, the first that was: the rest is to go through its batch. */
    public Optional<QueuedFilm> begun() {
        return films.stream().filter(film -> film.batch() != null).findFirst();
    }
}
