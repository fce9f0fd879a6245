package mezcla.web.forms;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.words.ObjectionWords;
import org.jspecify.annotations.Nullable;

/** Sentences beside the fields of a form, and what to read where a field could not be read. */
public final class FieldErrors {
    private final Map<String, String> byField = new LinkedHashMap<>();
    private final Set<String> unread = new HashSet<>();
    private final Map<String, String> kinds = new HashMap<>();

    /** Whether every field was read. */
    public boolean none() {
        return byField.isEmpty();
    }

    /** The sentence beside a field; null when there is none. */
    public @Nullable String at(String field) {
        return byField.get(field);
    }

    /** All sentences by field. */
    public Map<String, String> all() {
        return byField;
    }

    /** Puts an objection beside a field; the first one there stays. */
    public void add(String field, Objection objection) {
        byField.putIfAbsent(field, ObjectionWords.of(objection));
        kinds.putIfAbsent(field, objection.key());
    }

    /** Whether what stands beside a field is an objection of that kind, by its key. */
    public boolean refused(String field, String kind) {
        return kind.equals(kinds.get(field));
    }

    /** Puts what a refusal objects to beside a field; the first one there stays. */
    public void add(String field, Refusal refusal) {
        add(field, refusal.objection());
    }

    /** Puts a sentence beside a field; the first one there stays. */
    public void say(String field, String sentence) {
        byField.putIfAbsent(field, sentence);
    }

    /** Reads a field; what is refused stands beside it, and null is returned. */
    public <T> @Nullable T read(String field, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (Refusal refusal) {
            add(field, refusal);
            unread.add(field);
            return null;
        }
    }

    /** Whether any field that is meant could not be read. */
    public boolean unread(Predicate<String> meant) {
        return unread.stream().anyMatch(meant);
    }

    /**
     * What was read from a field, where nothing was refused.
     *
     * @throws Refusal {@code missing} where something was
     */
    public static <T> T known(@Nullable T read) {
        if (read == null) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        return read;
    }
}
