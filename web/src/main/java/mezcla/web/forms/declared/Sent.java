package mezcla.web.forms.declared;

import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.web.forms.FieldErrors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/**
 * A form that was sent: a record of what its fields say, what was typed into them, and what stands beside them. A page
 * that is only asked for has one of which nothing was typed.
 *
 * @param <F> the record that declares it
 */
public final class Sent<F extends Record> {
    private final Map<String, String> typed;
    private final Map<String, List<String>> chosen;
    private final Map<String, MultipartFile> files;
    private final FieldErrors errors = new FieldErrors();
    private final Set<String> fields = new LinkedHashSet<>();
    private final String refusedAt;
    private final Map<String, String> called = new LinkedHashMap<>();
    private final @Nullable F form;

    private Sent() {
        this(Map.of());
    }

    private Sent(Map<String, List<String>> chosen) {
        this.chosen = new LinkedHashMap<>(chosen);
        files = Map.of();
        typed = new LinkedHashMap<>();
        chosen.forEach((field, values) -> typed.put(field, values.isEmpty() ? "" : values.get(0)));
        refusedAt = "";
        form = null;
    }

    /** What came with a request. */
    record Came(Map<String, String[]> values, Map<String, MultipartFile> files, Map<String, String> address) {}

    Sent(Class<F> type, Came came, Supplier<Here> here) {
        typed = new LinkedHashMap<>();
        chosen = new LinkedHashMap<>();
        files = came.files();
        came.values().forEach((name, values) -> {
            typed.put(name, values.length == 0 ? "" : values[0]);
            chosen.put(name, List.of(values));
        });
        RecordComponent[] components = type.getRecordComponents();
        Object[] values = new Object[components.length];
        for (int i = 0; i < components.length; i++) {
            values[i] = read(components[i], came, here);
        }
        RefusedAt declared = type.getAnnotation(RefusedAt.class);
        refusedAt = declared != null
                ? FieldKind.filled(declared.value(), came.address())
                : fields.stream().findFirst().orElse("");
        for (String other : declared == null ? new String[0] : declared.of()) {
            called.put(other.substring(0, other.indexOf('=')), other.substring(other.indexOf('=') + 1));
        }
        form = errors.none() ? made(type, values) : null;
    }

    /** Nothing was sent: the page was only asked for. */
    public static <F extends Record> Sent<F> nothing() {
        return new Sent<>();
    }

    private @Nullable Object read(RecordComponent component, Came came, Supplier<Here> here) {
        String field = FieldKind.field(component, came.address());
        fields.add(field);
        Class<?> type = component.getType();
        String text = typed.getOrDefault(field, "");
        if (type == boolean.class) {
            return typed.containsKey(field) && !text.equals("false");
        }
        if (type == MultipartFile.class) {
            return came.files().get(field);
        }
        if (type == Map.class) {
            return of(field);
        }
        if (type == List.class) {
            return chosen.getOrDefault(field, List.of());
        }
        return FieldKind.isOptional(component) && text.isBlank()
                ? null
                : errors.read(field, () -> FieldKind.of(component).read(component, text, here));
    }

    /** What was typed into fields that are named like {@code volumes[dev]}, by what stands in the brackets. */
    public Map<String, String> of(String name) {
        Map<String, String> all = new LinkedHashMap<>();
        typed.forEach((field, text) -> {
            if (field.startsWith(name + "[") && field.endsWith("]")) {
                all.put(field.substring(name.length() + 1, field.length() - 1), text);
            }
        });
        return all;
    }

    private @Nullable F made(Class<F> type, Object[] values) {
        try {
            Constructor<F> constructor = type.getDeclaredConstructor(Arrays.stream(type.getRecordComponents())
                    .map(RecordComponent::getType)
                    .toArray(Class[]::new));
            constructor.setAccessible(true);
            return constructor.newInstance(values);
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof Refusal refusal) {
                refuse(refusal);
                return null;
            }
            throw new IllegalStateException(e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * What the fields say.
     *
     * @throws Refusal {@code missing} where one of them was refused
     */
    public F form() {
        return FieldErrors.known(form);
    }

    /** The same page with what was sent some time before. */
    public static <F extends Record> Sent<F> before(Map<String, List<String>> chosen) {
        return new Sent<>(chosen);
    }

    /** What was sent, by field. */
    public Map<String, List<String>> chosen() {
        return chosen;
    }

    /** Whether something was among what was chosen. */
    public boolean chose(String field, Object choice) {
        return chosen.getOrDefault(field, List.of()).contains(String.valueOf(choice));
    }

    /** Says what stands in a field that was not sent. */
    public void begin(String field, String text) {
        if (!chosen.containsKey(field) && typed(field).isEmpty()) {
            typed.put(field, text);
        }
    }

    /** Says what stands in a field that was left blank, or was not sent. */
    public void beginBlank(String field, String text) {
        if (typed(field).isBlank()) {
            typed.put(field, text);
        }
    }

    /** Adds something to what was chosen. */
    public void choose(String field, Object choice) {
        List<String> all = new ArrayList<>(chosen.getOrDefault(field, List.of()));
        all.add(String.valueOf(choice));
        chosen.put(field, List.copyOf(all));
    }

    /** Says what stands in a field, whatever stood there before. */
    public void put(String field, String text) {
        typed.put(field, text);
    }

    /** What was typed, by field. */
    public Map<String, String> typed() {
        return typed;
    }

    /** What was typed into a field; nothing where it was not sent. */
    public String typed(String field) {
        return typed.getOrDefault(field, "");
    }

    /** The file that was chosen; null for none. */
    public @Nullable MultipartFile file(String field) {
        return files.get(field);
    }

    /** What stands beside the fields. */
    public FieldErrors errors() {
        return errors;
    }

    /** The key of the form. */
    public String key() {
        return typed("formKey");
    }

    /**
     * Reads what only a later question can: what is refused stands beside the field.
     *
     * @return null where it was refused, or a field before it was
     */
    public <T> @Nullable T read(String field, Supplier<T> reading) {
        fields.add(field);
        return errors.read(field, reading);
    }

    /** Plans with what was read; what is refused stands beside the field that it names, or the one for all others. */
    public <T> @Nullable T plan(Supplier<T> planning) {
        try {
            return planning.get();
        } catch (Refusal refusal) {
            refuse(refusal);
            return null;
        }
    }

    /** Puts what was refused beside its field. */
    public void refuse(Refusal refusal) {
        errors.add(fieldOf(refusal.objection()), refusal);
    }

    /** The field beside which an objection stands: the one that it names, where the form has it. */
    public String fieldOf(Objection objection) {
        String field = called.getOrDefault(objection.field(), objection.field());
        return called.containsValue(field) || fields.contains(field) ? field : refusedAt;
    }
}
