package mezcla.web.leaflet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedExample;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.StepClock;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads a leaflet from its JSON document, and writes it ({@code mezcla-leaflet/1}). */
public final class LeafletDocument {
    static final String FORMAT = "mezcla-leaflet/1";
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private LeafletDocument() {}

    public static Leaflet read(String document) {
        return read(JSON.readTree(document));
    }

    public static Leaflet read(JsonNode root) {
        return new Leaflet(
                text(root, "key"),
                root.get("version").asInt(),
                text(root, "name"),
                text(root, "maker"),
                process(root),
                optionalText(root, "processCode"),
                number(root, "makesMl"),
                each(root.get("parts"), LeafletDocument::part),
                each(root.get("baths"), LeafletDocument::bath),
                each(root.get("steps"), LeafletDocument::step),
                root.has("clock") ? StepClock.valueOf(constant(text(root, "clock"))) : null,
                each(
                        root.get("examples"),
                        node -> new PrintedExample(
                                text(node, "bath"),
                                number(node, "rollsBefore"),
                                number(node, "rolls"),
                                number(node, "seconds"))));
    }

    private static FilmProcess process(JsonNode root) {
        String name = optionalText(root, "processName");
        String key = text(root, "process");
        return name == null ? FilmProcess.of(key) : FilmProcess.named(key, name);
    }

    private static ProcessStep step(JsonNode node) {
        Double fills = optionalNumber(node, "fills");
        Double seconds = optionalNumber(node, "seconds");
        double most = seconds == null ? 0 : most(node, seconds);
        return new ProcessStep(
                ProcessStep.Kind.valueOf(constant(text(node, "kind"))),
                optionalText(node, "bath"),
                seconds,
                seconds != null && most > seconds ? Double.valueOf(most) : null,
                fills == null ? null : fills.intValue(),
                optionalNumber(node, "atC"),
                optionalText(node, "says"));
    }

    private static BathRole role(JsonNode node) {
        String name = optionalText(node, "roleName");
        String letters = optionalText(node, "letters");
        return name == null || letters == null
                ? BathRole.of(text(node, "role"))
                : BathRole.named(text(node, "role"), name, letters);
    }

    private static Part part(JsonNode node) {
        return new Part(
                text(node, "key"),
                text(node, "name"),
                number(node, "amount"),
                unit(node),
                node.path("airSensitive").asBoolean(false),
                optionalNumber(node, "unopenedDays"),
                optionalNumber(node, "openedDays"),
                optionalNumber(node, "inVialsDays"),
                optionalNumber(node, "valueShare"));
    }

    private static Bath bath(JsonNode node) {
        JsonNode oneShot = node.get("oneShot");
        return new Bath(
                text(node, "key"),
                role(node),
                recipe(node.get("recipe")),
                timing(node.get("timing")),
                number(node, "capacityForMl"),
                range(node.get("capacity")),
                range(node.get("lifeDays")),
                oneShot == null ? null : new Bath.OneShot(number(oneShot, "stockParts"), number(oneShot, "waterParts")),
                optionalNumber(node.get("timing"), "rotarySeconds"),
                node.has("movement") ? movement(node.get("movement")) : null);
    }

    private static PrintedMovement movement(JsonNode node) {
        return new PrintedMovement(
                PrintedMovement.Kind.valueOf(constant(text(node, "kind"))),
                method(node, "first"),
                method(node, "then"),
                node.path("initialSeconds").asDouble(0),
                node.path("everySeconds").asDouble(0),
                node.path("forSeconds").asDouble(0),
                node.path("turns").asInt(0));
    }

    private static PrintedMovement.@Nullable Method method(JsonNode node, String name) {
        return node.has(name) ? PrintedMovement.Method.valueOf(constant(text(node, name))) : null;
    }

    private static void write(ObjectNode node, PrintedMovement movement) {
        node.put("kind", words(movement.kind()));
        PrintedMovement.Method first = movement.first();
        PrintedMovement.Method then = movement.then();
        put(node, "first", first == null ? null : words(first));
        put(node, "then", then == null ? null : words(then));
        if (movement.kind() == PrintedMovement.Kind.INTERVALS) {
            node.put("initialSeconds", movement.initialSeconds()).put("everySeconds", movement.everySeconds());
            if (movement.turns() > 0) {
                node.put("turns", movement.turns());
            } else {
                node.put("forSeconds", movement.forSeconds());
            }
        }
    }

    private static Recipe recipe(JsonNode node) {
        JsonNode mixing = node.get("mixingC");
        return new Recipe(
                Recipe.Mode.valueOf(constant(text(node, "mode"))),
                number(node, "finalMl"),
                number(node, "startWaterMl"),
                mixing == null
                        ? null
                        : new MixingTemperature(
                                optionalNumber(mixing, "min"), number(mixing, "target"), optionalNumber(mixing, "max")),
                each(node.get("additions"), LeafletDocument::addition));
    }

    private static Addition addition(JsonNode node) {
        Double wait = optionalNumber(node, "waitMinutes");
        return new Addition(
                text(node, "part"),
                number(node, "amount"),
                unit(node),
                Addition.Care.valueOf(constant(node.path("care").asString("normal"))),
                wait == null ? null : wait.intValue(),
                optionalText(node, "note"),
                node.path("waterAfterMl").asDouble(0));
    }

    private static Timing timing(JsonNode node) {
        JsonNode within = node.get("withinC");
        double base = number(node, "baseSeconds");
        return new Timing(
                base,
                most(node, base),
                number(node, "atC"),
                number(within, "min"),
                number(within, "max"),
                !within.path("standsIn").asBoolean(false),
                exhaustion(node.get("exhaustion")),
                each(node.get("push"), LeafletDocument::push),
                each(
                        node.get("temperatureTable"),
                        point -> new Timing.TimeAt(number(point, "c"), number(point, "seconds"))));
    }

    private static double most(JsonNode node, double base) {
        return node.path("atLeast").asBoolean(false)
                ? Double.POSITIVE_INFINITY
                : node.path("mostSeconds").asDouble(base);
    }

    private static void putMost(ObjectNode node, double base, double most) {
        if (Double.isInfinite(most)) {
            node.put("atLeast", true);
        } else if (most > base) {
            node.put("mostSeconds", most);
        }
    }

    private static Timing.Push push(JsonNode node) {
        return new Timing.Push(
                number(node, "stops"),
                number(node, "factor"),
                node.path("wearWeight").asDouble(1));
    }

    private static Exhaustion exhaustion(JsonNode node) {
        return switch (text(node, "kind")) {
            case "fixed" -> new Exhaustion.Fixed();
            case "per-roll" -> new Exhaustion.PerRoll(number(node, "percent"));
            case "steps" ->
                new Exhaustion.Steps(each(
                        node.get("steps"), step -> new Exhaustion.Step(number(step, "upTo"), number(step, "seconds"))));
            default -> throw new IllegalArgumentException("no such exhaustion: " + node);
        };
    }

    private static @Nullable Range range(@Nullable JsonNode node) {
        return node == null ? null : new Range(number(node, "min"), number(node, "max"));
    }

    private static Unit unit(JsonNode node) {
        return Unit.valueOf(constant(text(node, "unit")));
    }

    private static String constant(String words) {
        return words.toUpperCase(Locale.ROOT).replace('-', '_');
    }

    private static String text(JsonNode node, String name) {
        return node.required(name).asString();
    }

    private static @Nullable String optionalText(JsonNode node, String name) {
        return node.has(name) ? node.get(name).asString() : null;
    }

    private static double number(JsonNode node, String name) {
        return node.required(name).asDouble();
    }

    private static @Nullable Double optionalNumber(JsonNode node, String name) {
        return node.has(name) ? node.get(name).asDouble() : null;
    }

    private static <T> List<T> each(@Nullable JsonNode array, Function<JsonNode, T> read) {
        List<T> list = new ArrayList<>();
        if (array != null) {
            array.forEach(node -> list.add(read.apply(node)));
        }
        return list;
    }

    /** The document of a leaflet; {@link #read(String)} reads it back. */
    public static String write(Leaflet leaflet) {
        ObjectNode root = JSON.createObjectNode();
        root.put("format", FORMAT)
                .put("key", leaflet.key())
                .put("version", leaflet.version())
                .put("name", leaflet.name())
                .put("maker", leaflet.maker())
                .put("process", leaflet.process().key());
        if (FilmProcess.of(leaflet.process().key())
                .name()
                .equals(leaflet.process().key())) {
            root.put("processName", leaflet.process().name());
        }
        put(root, "processCode", leaflet.processCode());
        root.put("makesMl", leaflet.makesMl());
        ArrayNode parts = root.putArray("parts");
        leaflet.parts().forEach(part -> write(parts.addObject(), part));
        ArrayNode baths = root.putArray("baths");
        leaflet.baths().forEach(bath -> write(baths.addObject(), bath));
        if (!leaflet.steps().isEmpty()) {
            ArrayNode steps = root.putArray("steps");
            leaflet.steps().forEach(step -> write(steps.addObject(), step));
        }
        StepClock clock = leaflet.clock();
        put(root, "clock", clock == null ? null : words(clock));
        if (!leaflet.examples().isEmpty()) {
            ArrayNode examples = root.putArray("examples");
            leaflet.examples().forEach(example -> examples.addObject()
                    .put("bath", example.bath())
                    .put("rollsBefore", example.rollsBefore())
                    .put("rolls", example.rolls())
                    .put("seconds", example.seconds()));
        }
        return JSON.writeValueAsString(root);
    }

    private static void write(ObjectNode node, Part part) {
        node.put("key", part.key())
                .put("name", part.name())
                .put("amount", part.amount())
                .put("unit", part.unit().symbol());
        if (part.airSensitive()) {
            node.put("airSensitive", true);
        }
        put(node, "unopenedDays", part.unopenedDays());
        put(node, "openedDays", part.openedDays());
        put(node, "inVialsDays", part.inVialsDays());
        put(node, "valueShare", part.valueShare());
    }

    private static void write(ObjectNode node, Bath bath) {
        node.put("key", bath.key()).put("role", bath.role().key());
        if (bath.role().nature() == BathRole.Nature.OTHER) {
            node.put("roleName", bath.role().name()).put("letters", bath.role().letters());
        }
        write(node.putObject("recipe"), bath.recipe());
        ObjectNode timing = node.putObject("timing");
        write(timing, bath.timing());
        put(timing, "rotarySeconds", bath.rotarySeconds());
        node.put("capacityForMl", bath.capacityForMl());
        put(node, "capacity", bath.capacity());
        put(node, "lifeDays", bath.lifeDays());
        Bath.OneShot oneShot = bath.oneShot();
        if (oneShot != null) {
            node.putObject("oneShot").put("stockParts", oneShot.stockParts()).put("waterParts", oneShot.waterParts());
        }
        PrintedMovement movement = bath.movement();
        if (movement != null) {
            write(node.putObject("movement"), movement);
        }
    }

    private static void write(ObjectNode node, Recipe recipe) {
        node.put("mode", words(recipe.mode()))
                .put("finalMl", recipe.finalMl())
                .put("startWaterMl", recipe.startWaterMl());
        MixingTemperature mixing = recipe.mixingC();
        if (mixing != null) {
            ObjectNode warm = node.putObject("mixingC");
            put(warm, "min", mixing.min());
            warm.put("target", mixing.target());
            put(warm, "max", mixing.max());
        }
        ArrayNode additions = node.putArray("additions");
        for (Addition addition : recipe.additions()) {
            ObjectNode each = additions.addObject();
            each.put("part", addition.part())
                    .put("amount", addition.amount())
                    .put("unit", addition.unit().symbol())
                    .put("care", words(addition.care()));
            Integer wait = addition.waitMinutes();
            if (wait != null) {
                each.put("waitMinutes", wait.intValue());
            }
            put(each, "note", addition.note());
            if (addition.waterAfterMl() > 0) {
                each.put("waterAfterMl", addition.waterAfterMl());
            }
        }
    }

    private static void write(ObjectNode node, Timing timing) {
        node.put("baseSeconds", timing.baseSeconds());
        putMost(node, timing.baseSeconds(), timing.mostSeconds());
        node.put("atC", timing.atC());
        ObjectNode within =
                node.putObject("withinC").put("min", timing.leastC()).put("max", timing.mostC());
        if (!timing.printsTolerance()) {
            within.put("standsIn", true);
        }
        ObjectNode exhaustion = node.putObject("exhaustion");
        timing.exhaustion()
                .tell(
                        () -> exhaustion.put("kind", "fixed"),
                        percent -> exhaustion.put("kind", "per-roll").put("percent", percent),
                        steps -> {
                            ArrayNode list = exhaustion.put("kind", "steps").putArray("steps");
                            steps.forEach(step ->
                                    list.addObject().put("upTo", step.upTo()).put("seconds", step.seconds()));
                        });
        if (!timing.push().isEmpty()) {
            ArrayNode pushes = node.putArray("push");
            timing.push().forEach(push -> pushes.addObject()
                    .put("stops", push.stops())
                    .put("factor", push.factor())
                    .put("wearWeight", push.wearWeight()));
        }
        if (!timing.temperatureTable().isEmpty()) {
            ArrayNode table = node.putArray("temperatureTable");
            timing.temperatureTable()
                    .forEach(point -> table.addObject().put("c", point.c()).put("seconds", point.seconds()));
        }
    }

    private static void write(ObjectNode node, ProcessStep step) {
        node.put("kind", words(step.kind()));
        put(node, "bath", step.bath());
        put(node, "seconds", step.seconds());
        Double most = step.mostSeconds();
        if (most != null) {
            putMost(node, 0, most);
        }
        Integer fills = step.fills();
        if (fills != null) {
            node.put("fills", fills.intValue());
        }
        put(node, "atC", step.atC());
        put(node, "says", step.says());
    }

    private static String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static void put(ObjectNode node, String name, @Nullable String text) {
        if (text != null) {
            node.put(name, text);
        }
    }

    private static void put(ObjectNode node, String name, @Nullable Double number) {
        if (number != null) {
            node.put(name, number.doubleValue());
        }
    }

    private static void put(ObjectNode node, String name, @Nullable Range range) {
        if (range != null) {
            node.putObject(name).put("min", range.min()).put("max", range.max());
        }
    }
}
