package mezcla.log;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToLongFunction;

/**
 * Something that rows are about.
 *
 * @param kind what it is
 * @param id which one; the sequence, where it is another row
 */
public record Subject(Kind kind, long id) {
    /** What rows can be about. */
    public enum Kind {
        /** A kit in the cupboard. */
        KIT,
        /** A batch. */
        BATCH,
        /** A fill. */
        FILL,
        /** A waste drum. */
        DRUM,
        /** Film of the queue. */
        FILM,
        /** Another row. */
        ENTRY
    }

    /** A kit. */
    public static Subject kit(long id) {
        return new Subject(Kind.KIT, id);
    }

    /** A batch. */
    public static Subject batch(long id) {
        return new Subject(Kind.BATCH, id);
    }

    /** A fill. */
    public static Subject fill(long id) {
        return new Subject(Kind.FILL, id);
    }

    /** A waste drum. */
    public static Subject drum(long id) {
        return new Subject(Kind.DRUM, id);
    }

    /** Film of the queue. */
    public static Subject film(long id) {
        return new Subject(Kind.FILM, id);
    }

    static Set<Subject> films(Collection<Long> ids) {
        Set<Subject> films = new HashSet<>();
        ids.forEach(id -> films.add(film(id)));
        return films;
    }

    /** The row of that sequence. */
    public static Subject entry(long sequence) {
        return new Subject(Kind.ENTRY, sequence);
    }

    /** Whether rows about it are folded together: what they say of it depends on each other. */
    public boolean ties() {
        return kind == Kind.KIT || kind == Kind.BATCH || kind == Kind.FILL;
    }

    static <T> Set<Subject> fillsOf(Collection<T> all, ToLongFunction<T> id) {
        Set<Subject> fills = new HashSet<>();
        all.forEach(each -> fills.add(fill(id.applyAsLong(each))));
        return fills;
    }

    static Set<Subject> kits(Collection<Long> ids) {
        Set<Subject> kits = new HashSet<>();
        ids.forEach(id -> kits.add(kit(id)));
        return kits;
    }

    static Set<Subject> kitsOf(Map<Long, List<PartUse>> uses) {
        Set<Subject> kits = new HashSet<>();
        uses.values().forEach(each -> each.forEach(use -> kits.add(kit(use.kitId()))));
        return kits;
    }

    static Set<Subject> drumsOf(List<DiscardedFill> fills) {
        Set<Subject> drums = new HashSet<>();
        for (DiscardedFill fill : fills) {
            if (fill.drumId() != null) {
                drums.add(drum(fill.drumId()));
            }
        }
        return drums;
    }

    @SafeVarargs
    static Set<Subject> all(Set<Subject>... sets) {
        Set<Subject> all = new HashSet<>();
        for (Set<Subject> each : sets) {
            all.addAll(each);
        }
        return all;
    }
}
