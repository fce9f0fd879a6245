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
import mezcla.leaflet.Part;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads a leaflet from its JSON document. */
final class LeafletDocument {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private LeafletDocument() {}

    static Leaflet read(String document) {
        JsonNode root = JSON.readTree(document);
        return new Leaflet(
                text(root, "key"),
                root.get("version").asInt(),
                text(root, "name"),
                text(root, "maker"),
                FilmProcess.of(text(root, "process")),
                optionalText(root, "processCode"),
                number(root, "makesMl"),
                each(root.get("parts"), LeafletDocument::part),
                each(root.get("baths"), LeafletDocument::bath));
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
                optionalNumber(node, "valueShare"));
    }

    private static Bath bath(JsonNode node) {
        JsonNode oneShot = node.get("oneShot");
        return new Bath(
                text(node, "key"),
                BathRole.of(text(node, "role")),
                recipe(node.get("recipe")),
                timing(node.get("timing")),
                number(node, "capacityForMl"),
                range(node.get("capacity")),
                range(node.get("lifeDays")),
                oneShot == null
                        ? null
                        : new Bath.OneShot(number(oneShot, "stockParts"), number(oneShot, "waterParts")));
    }

    private static Recipe recipe(JsonNode node) {
        JsonNode mixing = node.get("mixingC");
        return new Recipe(
                Recipe.Mode.valueOf(constant(text(node, "mode"))),
                number(node, "finalMl"),
                number(node, "startWaterMl"),
                mixing == null
                        ? null
                        : new Recipe.MixingTemperature(
                                number(mixing, "min"), number(mixing, "target"), number(mixing, "max")),
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
                optionalText(node, "note"));
    }

    private static Timing timing(JsonNode node) {
        JsonNode within = node.get("withinC");
        return new Timing(
                number(node, "baseSeconds"),
                number(node, "atC"),
                number(within, "min"),
                number(within, "max"),
                exhaustion(node.get("exhaustion")),
                each(node.get("push"), LeafletDocument::push),
                each(
                        node.get("temperatureTable"),
                        point -> new Timing.TimeAt(number(point, "c"), number(point, "seconds"))));
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
}
