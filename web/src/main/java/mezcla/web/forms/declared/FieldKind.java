package mezcla.web.forms.declared;

import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import mezcla.measure.Mass;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.forms.typed.TypedFigure;
import mezcla.web.forms.typed.TypedMoney;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** What the types of a form’s components take: the one table of how a field is read. */
public enum FieldKind {
    /** A text as it was typed. */
    AS_TYPED,
    /** Words of so many characters at most. */
    WORDS,
    /** One of a list, by its name. */
    CHOICE,
    /** The number of a thing that was chosen. */
    NUMBER,
    /** How many. */
    COUNT,
    /** A figure without a unit. */
    FIGURE,
    /** A volume, in the reader’s unit where none was typed. */
    VOLUME,
    /** A mass. */
    MASS,
    /** A temperature, in the reader’s unit where none was typed. */
    TEMPERATURE,
    /** How long something took. */
    TIME,
    /** An amount of the house’s money. */
    MONEY,
    /** A day, not one to come: its noon. */
    DAY,
    /** A day of the next two years. */
    DAY_TO_COME,
    /** What a {@link FieldReader} reads. */
    OWN;

    /** That of a component that is typed into one field. */
    public static FieldKind of(RecordComponent component) {
        Takes takes = component.getAnnotation(Takes.class);
        Class<?> type = component.getType();
        if (takes != null && takes.by() != FieldReader.None.class) {
            return OWN;
        }
        if (type == String.class) {
            return takes != null && takes.asTyped() ? AS_TYPED : WORDS;
        }
        if (type.isEnum()) {
            return CHOICE;
        }
        return switch (type.getSimpleName()) {
            case "long", "Long" -> NUMBER;
            case "int", "Integer" -> COUNT;
            case "double", "Double" -> FIGURE;
            case "Volume" -> VOLUME;
            case "Mass" -> MASS;
            case "Temperature" -> TEMPERATURE;
            case "ProcessingTime" -> TIME;
            case "Money" -> MONEY;
            case "Instant" -> DAY;
            case "LocalDate" -> DAY_TO_COME;
            default -> throw new IllegalStateException("no field takes a " + type);
        };
    }

    /** What a component refuses, and within which bounds, as it is declared or as its type has it. */
    record Bounds(double least, double most, @Nullable Class<? extends Objection> or) {
        static Bounds of(@Nullable Takes takes) {
            return takes == null
                    ? new Bounds(0, 60, TypedObjection.Missing.class)
                    : new Bounds(takes.least(), takes.most(), takes.or());
        }

        /** The objection to what was typed: its text, its least and most are the values that it has. */
        Refusal refusal(String typed, Class<? extends Objection> usual) {
            Class<? extends Objection> type = or == null || or == TypedObjection.Missing.class ? usual : or;
            try {
                Constructor<?> constructor = type.getDeclaredConstructors()[0];
                constructor.setAccessible(true);
                int[] figures = {0};
                Object[] values = Arrays.stream(constructor.getParameterTypes())
                        .map(each -> value(each, typed, figures[0]++))
                        .toArray();
                return Refusal.of((Objection) constructor.newInstance(values));
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }

        /** Of two figures the first is the least; one alone is the most. A number of a thing that was not read is none. */
        private Object value(Class<?> type, String typed, int place) {
            if (type == String.class) {
                return typed.strip();
            }
            if (type == long.class) {
                return 0L;
            }
            return type == int.class ? (Object) (int) most : (Object) (place == 1 ? least : most);
        }
    }

    /**
     * Reads a field.
     *
     * @param component what it is
     * @param typed what was typed
     * @param here what it is read by
     * @throws Refusal what speaks against it
     */
    @SuppressWarnings({"unchecked", "rawtypes"})
    Object read(RecordComponent component, String typed, Supplier<Here> here) {
        Takes takes = component.getAnnotation(Takes.class);
        Bounds bounds = Bounds.of(takes);
        return switch (this) {
            case AS_TYPED -> typed;
            case WORDS ->
                TypedText.of(
                        typed,
                        (int) bounds.most(),
                        bounds.refusal(typed, TypedObjection.Missing.class).objection());
            case CHOICE ->
                TypedChoice.of(
                        (Enum[]) component.getType().getEnumConstants(),
                        typed,
                        bounds.refusal(typed, TypedObjection.Missing.class).objection());
            case NUMBER ->
                TypedChoice.number(
                        typed,
                        bounds.refusal(typed, TypedObjection.Missing.class).objection());
            case COUNT -> count(typed, bounds);
            case FIGURE -> TypedFigure.of(typed, bounds.least(), bounds.most());
            case VOLUME -> Volume.parse(typed, Units.shown().volume());
            case MASS -> Mass.parse(typed);
            case TEMPERATURE -> Temperature.parse(typed, Units.shown().temperature());
            case TIME -> ProcessingTime.parse(typed);
            case MONEY -> TypedMoney.of(typed, here.get().currency());
            case DAY -> TypedDay.noonOf(typed, here.get().zone(), here.get().now());
            case DAY_TO_COME ->
                TypedDay.toCome(
                        typed, here.get().now().atZone(here.get().zone()).toLocalDate());
            case OWN -> own(takes).read(typed);
        };
    }

    private static int count(String typed, Bounds bounds) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (!text.matches("[0-9]{1,9}")
                || Integer.parseInt(text) < bounds.least()
                || Integer.parseInt(text) > bounds.most()) {
            throw bounds.refusal(typed, FormObjection.NotBetween.class);
        }
        return Integer.parseInt(text);
    }

    private static FieldReader<?> own(@Nullable Takes takes) {
        try {
            Constructor<?> constructor = (takes == null ? FieldReader.None.class : takes.by()).getDeclaredConstructor();
            constructor.setAccessible(true);
            return (FieldReader<?>) constructor.newInstance();
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The name of a component’s field; what the address says stands where its name leaves room for it. */
    public static String field(RecordComponent component, Map<String, String> address) {
        Takes takes = component.getAnnotation(Takes.class);
        return filled(takes == null || takes.field().isEmpty() ? component.getName() : takes.field(), address);
    }

    static String filled(String name, Map<String, String> address) {
        String field = name;
        for (Map.Entry<String, String> each : address.entrySet()) {
            field = field.replace("{" + each.getKey() + "}", each.getValue());
        }
        return field;
    }

    /** Whether a component may stay empty. */
    public static boolean isOptional(RecordComponent component) {
        return component.getAnnotatedType().isAnnotationPresent(Nullable.class);
    }

    /** The components of a form that are each typed into one field. */
    public static List<RecordComponent> single(Class<?> form) {
        return Arrays.stream(form.getRecordComponents())
                .filter(component -> component.getType() != boolean.class
                        && component.getType() != List.class
                        && component.getType() != Map.class
                        && component.getType() != MultipartFile.class)
                .toList();
    }
}
