package mezcla.web.access.names;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What members are and were called. A name never passes from one member to another, so it tells who is meant, also after
 * they are called otherwise.
 *
 * @param names every name that a member ever had, in the order in which they came
 */
public record KnownNames(List<Name> names) {
    /** Nobody has a name. */
    public static final KnownNames NONE = new KnownNames(List.of());

    /**
     * A name.
     *
     * @param id its number, by which rows of the log name it
     * @param memberId whose it is
     * @param text how it reads
     * @param present what that member is called now
     */
    public record Name(long id, long memberId, String text, String present) {}

    /** Keeps its own list. */
    public KnownNames {
        names = List.copyOf(names);
    }

    /** How the name of that number reads. */
    public Optional<String> text(long id) {
        return names.stream().filter(name -> name.id() == id).map(Name::text).findFirst();
    }

    /** The number of a name; null for what is no member's, as a guest's. */
    public @Nullable Long id(String text) {
        return named(text).map(Name::id).orElse(null);
    }

    /** What whoever had that name is called now; what is no member's stays as it is. */
    public String present(String text) {
        return named(text).map(Name::present).orElse(text);
    }

    private Optional<Name> named(String text) {
        return names.stream().filter(name -> name.text().equals(text)).max(Comparator.comparingLong(Name::id));
    }

    /** Whether every name that was known before reads as it did. */
    public boolean keeps(KnownNames before) {
        return before.names().stream()
                .allMatch(old -> text(old.id()).filter(old.text()::equals).isPresent());
    }
}
