package mezcla;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads worked cases and compares what the rules make of them. */
final class WorkedCases {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private WorkedCases() {}

    record Case(String kind, String name, JsonNode given, JsonNode expect, double relativeTolerance) {
        @Override
        public String toString() {
            return name;
        }
    }

    static List<Case> in(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".json"))
                    .sorted()
                    .flatMap(file -> inFile(file).stream())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Case> inFile(Path file) {
        JsonNode root = JSON.readTree(file.toFile());
        List<Case> cases = new ArrayList<>();
        for (JsonNode each : root.get("cases")) {
            cases.add(new Case(
                    root.get("kind").asString(),
                    each.get("name").asString(),
                    each.get("given"),
                    each.get("expect"),
                    each.path("relativeTolerance").asDouble(1e-6)));
        }
        return cases;
    }

    static void assertNumber(String what, @Nullable Double actual, JsonNode expected, double relativeTolerance) {
        if (expected == null || expected.isNull()) {
            assertThat(actual).as(what).isNull();
        } else {
            double wanted = expected.asDouble();
            assertThat(actual).as(what).isCloseTo(wanted, within(1e-6 + Math.abs(wanted) * relativeTolerance));
        }
    }

    static List<String> texts(JsonNode array) {
        return each(array, JsonNode::asString);
    }

    static <T> List<T> each(@Nullable JsonNode array, Function<JsonNode, T> read) {
        List<T> list = new ArrayList<>();
        if (array != null && array.isArray()) {
            array.forEach(node -> list.add(read.apply(node)));
        }
        return list;
    }

    static Map<String, Double> numbers(JsonNode object) {
        Map<String, Double> numbers = new LinkedHashMap<>();
        object.properties()
                .forEach(entry -> numbers.put(entry.getKey(), entry.getValue().asDouble()));
        return numbers;
    }

    static @Nullable Range range(@Nullable JsonNode node) {
        return node == null || node.isNull()
                ? null
                : new Range(node.get("min").asDouble(), node.get("max").asDouble());
    }

    static Recipe recipe(JsonNode node) {
        Recipe.Mode mode =
                switch (node.get("mode").asString()) {
                    case "top-up" -> Recipe.Mode.TOP_UP;
                    case "fixed-water" -> Recipe.Mode.FIXED_WATER;
                    case "ready-to-use" -> Recipe.Mode.READY_TO_USE;
                    default -> throw new IllegalArgumentException(node.toString());
                };
        return new Recipe(
                mode,
                node.get("finalMl").asDouble(),
                node.get("startWaterMl").asDouble(),
                null,
                each(
                        node.get("additions"),
                        addition -> new Addition(
                                addition.get("part").asString(),
                                addition.get("amount").asDouble(),
                                addition.get("unit").asString().equals("g") ? Unit.G : Unit.ML,
                                addition.has("care")
                                        ? Addition.Care.valueOf(
                                                addition.get("care").asString().toUpperCase(Locale.ROOT))
                                        : Addition.Care.NORMAL,
                                null,
                                null)));
    }

    static Timing timing(JsonNode node) {
        double at = node.get("atC").asDouble();
        double tolerance = node.get("toleranceC").asDouble();
        return new Timing(
                node.get("baseSeconds").asDouble(),
                at,
                at - tolerance,
                at + tolerance,
                exhaustion(node.get("exhaustion")),
                each(
                        node.get("push"),
                        push -> new Timing.Push(
                                push.get("stops").asDouble(), push.get("factor").asDouble(), 1)),
                each(
                        node.get("temperatureTable"),
                        point -> new Timing.TimeAt(
                                point.get("c").asDouble(), point.get("seconds").asDouble())));
    }

    private static Exhaustion exhaustion(JsonNode node) {
        return switch (node.get("kind").asString()) {
            case "fixed" -> new Exhaustion.Fixed();
            case "per-roll" -> new Exhaustion.PerRoll(node.get("percent").asDouble());
            case "steps" ->
                new Exhaustion.Steps(each(
                        node.get("steps"),
                        step -> new Exhaustion.Step(
                                step.get("upTo").asDouble(), step.get("seconds").asDouble())));
            default -> throw new IllegalArgumentException(node.toString());
        };
    }
}
