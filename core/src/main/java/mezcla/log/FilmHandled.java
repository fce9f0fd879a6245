package mezcla.log;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Film of the queue came further, or left it (rules, section 10).
 *
 * @param stamp who and when
 * @param filmIds the films
 * @param stage what became of them
 */
public record FilmHandled(Stamp stamp, List<Long> filmIds, FilmStage stage) implements LogEntry {
    /** Keeps its own list. */
    public FilmHandled {
        filmIds = List.copyOf(filmIds);
    }

    @Override
    public Set<Subject> touches() {
        return Subject.films(filmIds);
    }

    @Override
    public Set<Subject> restsOn() {
        return touches();
    }

    @Override
    public Optional<FilmHandled> filmHandled() {
        return Optional.of(this);
    }

    @Override
    public EntryKind kind() {
        return EntryKind.FILM_HANDLED;
    }

    @Override
    public <R> R accept(EntryVisitor<R> visitor) {
        return visitor.filmHandled(this);
    }
}
