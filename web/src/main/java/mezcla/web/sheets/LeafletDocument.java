package mezcla.web.sheets;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedExample;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.StepClock;
import mezcla.leaflet.Timing;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/**
 * A leaflet as its JSON document has it ({@code mezcla-leaflet/1}): what a figure’s absence means is said here, the rest is
 * bound by the names of the core’s own records.
 */
public record LeafletDocument(
        String format,
        String key,
        int version,
        String name,
        String maker,
        String process,
        @Nullable String processName,
        @Nullable String processCode,
        double makesMl,
        List<Part> parts,
        List<OfBath> baths,
        @Nullable List<OfStep> steps,
        @Nullable StepClock clock,
        @Nullable List<PrintedExample> examples) {
    static final String FORMAT = "mezcla-leaflet/1";
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .disable(
                    DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES,
                    DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .addModule(new SimpleModule("leaflet").addDeserializer(Addition.Care.class, new Care()))
            .changeDefaultPropertyInclusion(each -> each.withValueInclusion(JsonInclude.Include.NON_NULL))
            .changeDefaultVisibility(
                    each -> each.withVisibility(PropertyAccessor.IS_GETTER, JsonAutoDetect.Visibility.NONE))
            .annotationIntrospector(new Names())
            .addMixIn(Part.class, WithoutDefaults.class)
            .addMixIn(Addition.class, WithoutDefaults.class)
            .addMixIn(PrintedMovement.class, WithoutDefaults.class)
            .addMixIn(OfTiming.class, WithoutDefaults.class)
            .addMixIn(OfStep.class, WithoutDefaults.class)
            .addMixIn(Within.class, WithoutDefaults.class)
            .build();

    /** What is false, 0 or nothing is left out. */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    private interface WithoutDefaults {}

    private static final class Names extends JacksonAnnotationIntrospector {
        private static final long serialVersionUID = 1;

        @Override
        public Object findEnumNamingStrategy(MapperConfig<?> config, AnnotatedClass type) {
            return EnumNamingStrategies.KebabCaseStrategy.class;
        }
    }

    /** How carefully a part is measured; normally where nothing is said. */
    private static final class Care extends ValueDeserializer<Addition.Care> {
        @Override
        public Addition.Care deserialize(JsonParser in, DeserializationContext context) {
            return Addition.Care.valueOf(in.getString().toUpperCase(Locale.ROOT));
        }

        @Override
        public Addition.Care getAbsentValue(DeserializationContext context) {
            return Addition.Care.NORMAL;
        }
    }

    /** From one figure to another. */
    record Limits(double min, double max) {
        static @Nullable Limits of(@Nullable Range range) {
            return range == null ? null : new Limits(range.min(), range.max());
        }

        static @Nullable Range range(@Nullable Limits limits) {
            return limits == null ? null : new Range(limits.min, limits.max);
        }
    }

    /** A bath; one that a house names has its own name and letters. */
    record OfBath(
            String key,
            String role,
            @Nullable String roleName,
            @Nullable String letters,
            Recipe recipe,
            OfTiming timing,
            double capacityForMl,
            @Nullable Limits capacity,
            @Nullable Limits lifeDays,
            Bath.@Nullable OneShot oneShot,
            @Nullable PrintedMovement movement) {
        static OfBath of(Bath bath) {
            boolean own = bath.role().nature() == BathRole.Nature.OTHER;
            return new OfBath(
                    bath.key(),
                    bath.role().key(),
                    own ? bath.role().name() : null,
                    own ? bath.role().letters() : null,
                    bath.recipe(),
                    OfTiming.of(bath.timing(), bath.rotarySeconds()),
                    bath.capacityForMl(),
                    Limits.of(bath.capacity()),
                    Limits.of(bath.lifeDays()),
                    bath.oneShot(),
                    bath.movement());
        }

        Bath bath() {
            return new Bath(
                    key,
                    roleName == null || letters == null ? BathRole.of(role) : BathRole.named(role, roleName, letters),
                    recipe,
                    timing.timing(),
                    capacityForMl,
                    Limits.range(capacity),
                    Limits.range(lifeDays),
                    oneShot,
                    timing.rotarySeconds,
                    movement);
        }
    }

    /** A printed temperature with its tolerance; one that stands in was not printed. */
    record Within(double min, double max, boolean standsIn) {}

    /** How a time grows. */
    record Wear(String kind, @Nullable Double percent, @Nullable List<Exhaustion.Step> steps) {
        static Wear of(Exhaustion exhaustion) {
            return exhaustion.by(
                    () -> new Wear("fixed", null, null),
                    percent -> new Wear("per-roll", percent, null),
                    steps -> new Wear("steps", null, steps));
        }

        Exhaustion exhaustion() {
            return switch (kind) {
                case "fixed" -> new Exhaustion.Fixed();
                case "per-roll" -> new Exhaustion.PerRoll(Objects.requireNonNull(percent));
                case "steps" -> new Exhaustion.Steps(Objects.requireNonNull(steps));
                default -> throw new IllegalArgumentException("no such exhaustion: " + kind);
            };
        }
    }

    /** What a push does; a roll that is pushed counts as one where nothing is said. */
    record Push(double stops, double factor, @Nullable Double wearWeight) {}

    /** The times of a bath. */
    record OfTiming(
            double baseSeconds,
            @Nullable Double mostSeconds,
            boolean atLeast,
            double atC,
            Within withinC,
            Wear exhaustion,
            @Nullable List<Push> push,
            @Nullable List<Timing.TimeAt> temperatureTable,
            @Nullable Double rotarySeconds) {
        static OfTiming of(Timing timing, @Nullable Double rotarySeconds) {
            double most = timing.mostSeconds();
            return new OfTiming(
                    timing.baseSeconds(),
                    Double.isInfinite(most) || most <= timing.baseSeconds() ? null : most,
                    Double.isInfinite(most),
                    timing.atC(),
                    new Within(timing.leastC(), timing.mostC(), !timing.printsTolerance()),
                    Wear.of(timing.exhaustion()),
                    orNone(timing.push().stream()
                            .map(push -> new Push(push.stops(), push.factor(), push.wearWeight()))
                            .toList()),
                    orNone(timing.temperatureTable()),
                    rotarySeconds);
        }

        Timing timing() {
            return new Timing(
                    baseSeconds,
                    most(baseSeconds, mostSeconds, atLeast),
                    atC,
                    withinC.min,
                    withinC.max,
                    !withinC.standsIn,
                    exhaustion.exhaustion(),
                    all(push).stream()
                            .map(each -> new Timing.Push(
                                    each.stops, each.factor, Objects.requireNonNullElse(each.wearWeight, 1.0)))
                            .toList(),
                    all(temperatureTable));
        }
    }

    private static double most(double seconds, @Nullable Double most, boolean atLeast) {
        return atLeast ? Double.POSITIVE_INFINITY : Objects.requireNonNullElse(most, seconds);
    }

    /** A step of the process. */
    record OfStep(
            ProcessStep.Kind kind,
            @Nullable String bath,
            @Nullable Double seconds,
            @Nullable Double mostSeconds,
            boolean atLeast,
            @Nullable Integer fills,
            @Nullable Double atC,
            @Nullable Double leastC,
            @Nullable Double mostC,
            @Nullable String says) {
        static OfStep of(ProcessStep step) {
            Double most = step.mostSeconds();
            boolean open = most != null && Double.isInfinite(most);
            return new OfStep(
                    step.kind(),
                    step.bath(),
                    step.seconds(),
                    open ? null : most,
                    open,
                    step.fills(),
                    step.atC(),
                    step.leastC(),
                    step.mostC(),
                    step.says());
        }

        ProcessStep step() {
            double longest = seconds == null ? 0 : most(seconds, mostSeconds, atLeast);
            return new ProcessStep(
                    kind,
                    bath,
                    seconds,
                    seconds != null && longest > seconds ? Double.valueOf(longest) : null,
                    fills,
                    atC,
                    leastC,
                    mostC,
                    says);
        }
    }

    private static <T> @Nullable List<T> orNone(List<T> all) {
        return all.isEmpty() ? null : all;
    }

    private static <T> List<T> all(@Nullable List<T> some) {
        return some == null ? List.of() : some;
    }

    /** Reads a document. */
    public static Leaflet read(String document) {
        return read(JSON.readTree(document));
    }

    /** Reads a document that was taken apart already. */
    public static Leaflet read(JsonNode root) {
        List.of("key", "version", "name", "maker", "process", "makesMl", "parts", "baths")
                .forEach(root::required);
        return JSON.treeToValue(root, LeafletDocument.class).leaflet();
    }

    private Leaflet leaflet() {
        return new Leaflet(
                key,
                version,
                name,
                maker,
                processName == null ? FilmProcess.of(process) : FilmProcess.named(process, processName),
                processCode,
                makesMl,
                parts,
                baths.stream().map(OfBath::bath).toList(),
                all(steps).stream().map(OfStep::step).toList(),
                clock,
                all(examples));
    }

    /** The document of a leaflet; {@link #read(String)} reads it back. */
    public static String write(Leaflet leaflet) {
        FilmProcess process = leaflet.process();
        return JSON.writeValueAsString(new LeafletDocument(
                FORMAT,
                leaflet.key(),
                leaflet.version(),
                leaflet.name(),
                leaflet.maker(),
                process.key(),
                FilmProcess.of(process.key()).name().equals(process.key()) ? process.name() : null,
                leaflet.processCode(),
                leaflet.makesMl(),
                leaflet.parts(),
                leaflet.baths().stream().map(OfBath::of).toList(),
                orNone(leaflet.steps().stream().map(OfStep::of).toList()),
                leaflet.clock(),
                orNone(leaflet.examples())));
    }
}
