package mezcla.web.access.names;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What members are and were called. A name never passes from one member to another, so it tells who is meant, also after
 * they are called otherwise. Two are equal when they hold the same names.
 */
public final class KnownNames {
    /** Nobody has a name. */
    public static final KnownNames NONE = new KnownNames(List.of());

    private final List<Name> names;
    private final Map<Long, Name> byId = new HashMap<>();
    private final Map<String, Name> byText = new HashMap<>();

    /**
     * A name.
     *
     * @param id its number, by which rows of the log name it
     * @param memberId whose it is
     * @param text how it reads
     * @param present what that member is called now
     */
    public record Name(long id, long memberId, String text, String present) {}

    /**
     * Some names.
     *
     * @param names every name that a member ever had, in the order in which they came
     */
    public KnownNames(List<Name> names) {
        this.names = List.copyOf(names);
        this.names.forEach(name -> {
            byId.put(name.id(), name);
            byText.put(name.text(), name);
        });
    }

    /** Every name, in the order in which they came. */
    public List<Name> names() {
        return names;
    }

    /** How the name of that number reads. */
    public Optional<String> text(long id) {
        return Optional.ofNullable(byId.get(id)).map(Name::text);
    }

    /** The number of a name, the latest where it was given twice; null for what is no member's, as a guest's. */
    public @Nullable Long id(String text) {
        Name name = byText.get(text);
        return name == null ? null : Long.valueOf(name.id());
    }

    /** What whoever had that name is called now; what is no member's stays as it is. */
    public String present(String text) {
        Name name = byText.get(text);
        return name == null ? text : name.present();
    }

    /** Whether every name that was known before reads as it did. */
    public boolean keeps(KnownNames before) {
        return before.equals(this)
                || before.names.stream()
                        .allMatch(
                                old -> text(old.id()).filter(old.text()::equals).isPresent());
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other == this || (other instanceof KnownNames known && known.names.equals(names));
    }

    @Override
    public int hashCode() {
        return names.hashCode();
    }
}
