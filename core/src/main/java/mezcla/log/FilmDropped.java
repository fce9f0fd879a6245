package mezcla.log;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Film was left to be run, or somebody said that they will bring it (rules, section 10).
 *
 * @param stamp who and when
 * @param filmId the film, whose number is also the code on its can
 * @param roll what it is
 * @param process the key of the process that it is to go through
 * @param broughtBy the member who brought it
 * @param by the day by which it should be run; null for no hurry
 * @param here whether it is in the darkroom already
 * @param alike what whoever brought it calls all film that is to be kept alike with it: one batch, one evening, one
 *     temperature; null for none
 */
public record FilmDropped(
        Stamp stamp,
        long filmId,
        Roll roll,
        String process,
        String broughtBy,
        @Nullable LocalDate by,
        boolean here,
        @Nullable String alike)
        implements LogEntry {
    /** Film that is kept alike with none. */
    public FilmDropped(
            Stamp stamp,
            long filmId,
            Roll roll,
            String process,
            String broughtBy,
            @Nullable LocalDate by,
            boolean here) {
        this(stamp, filmId, roll, process, broughtBy, by, here, null);
    }

    @Override
    public Set<Subject> touches() {
        return Set.of(Subject.film(filmId));
    }

    @Override
    public Set<Subject> restsOn() {
        return Set.of();
    }

    @Override
    public Set<Subject> makes() {
        return touches();
    }

    @Override
    public Optional<FilmDropped> filmLeft() {
        return Optional.of(this);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILM_DROPPED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.filmDropped(this);
    }
}
