package mezcla.web.sheets;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.words.ObjectionWords;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A leaflet that came as a file, checked against the schema before anything is believed.
 *
 * @param leaflet what it says; null where something is wrong with it
 * @param faults what is wrong, and where, in words; empty for a sound file
 */
public record LeafletFile(@Nullable Leaflet leaflet, List<String> faults) {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Schema SCHEMA = schema();
    private static final Pattern STEP = Pattern.compile("/([^/]+)");
    private static final int MOST_FAULTS = 20;

    private static Schema schema() {
        try (InputStream file = LeafletFile.class.getResourceAsStream("/formats/mezcla-leaflet-1.schema.json")) {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(Objects.requireNonNull(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Reads a file. */
    public static LeafletFile of(String document) {
        JsonNode root;
        try {
            root = JSON.readTree(document);
        } catch (JacksonException broken) {
            var at = broken.getLocation();
            return faulty(List.of("This is no JSON: it cannot be read %s."
                    .formatted(
                            at == null
                                    ? ""
                                    : "from line %d, column %d on".formatted(at.getLineNr(), at.getColumnNr()))));
        }
        List<String> faults = SCHEMA.validate(root).stream()
                .map(error -> fault(error, root))
                .distinct()
                .limit(MOST_FAULTS)
                .toList();
        if (!faults.isEmpty()) {
            return faulty(faults);
        }
        try {
            return new LeafletFile(LeafletDocument.read(root), List.of());
        } catch (Refusal refusal) {
            return faulty(List.of(ObjectionWords.of(refusal)));
        }
    }

    private static LeafletFile faulty(List<String> faults) {
        return new LeafletFile(null, faults);
    }

    private static String fault(Error error, JsonNode root) {
        String place = place(error.getInstanceLocation().toString(), root);
        String where = place.isEmpty() ? "The file" : place;
        JsonNode limit = error.getSchemaNode();
        return where + ": "
                + switch (error.getKeyword()) {
                    case "required" -> "“%s” is missing.".formatted(error.getProperty());
                    case "additionalProperties" -> "“%s” is not known here.".formatted(error.getProperty());
                    case "type" -> "has to be %s.".formatted(kind(limit));
                    case "const" -> "has to be “%s”.".formatted(limit.asString(""));
                    case "enum" ->
                        "has to be one of %s."
                                .formatted(limit.toString()
                                        .replaceAll("[\\[\\]\"]", "")
                                        .replace(",", ", "));
                    case "minimum" -> "has to be %s at least.".formatted(limit);
                    case "maximum" -> "has to be %s at most.".formatted(limit);
                    case "exclusiveMinimum" -> "has to be more than %s.".formatted(limit);
                    case "minItems" -> "needs one at least.";
                    case "maxItems" -> "has more than %s.".formatted(limit);
                    case "minLength" -> "has to say something.";
                    case "maxLength" -> "is longer than %s characters.".formatted(limit);
                    case "pattern" ->
                        "is not written as it has to be: small letters, digits and single hyphens, or two letters.";
                    default -> error.getMessage() + ".";
                };
    }

    private static String kind(JsonNode type) {
        return switch (type.asString("")) {
            case "number" -> "a number";
            case "integer" -> "a whole number";
            case "string" -> "words in quotes";
            case "boolean" -> "true or false";
            case "array" -> "a list";
            default -> "a group of fields";
        };
    }

    /** Where in the file, in words: {@code baths, first (dev): recipe: finalMl}. */
    private static String place(String pointer, JsonNode root) {
        StringBuilder words = new StringBuilder();
        JsonNode node = root;
        Matcher step = STEP.matcher(pointer);
        while (step.find()) {
            String name = step.group(1);
            if (node.isArray() && name.matches("[0-9]{1,4}")) {
                node = node.path(Integer.parseInt(name));
                String key = node.path("key").asString("");
                words.append(", number ").append(Integer.parseInt(name) + 1);
                words.append(key.isEmpty() ? "" : " (" + key.toLowerCase(Locale.ROOT) + ")");
            } else {
                node = node.path(name);
                words.append(words.isEmpty() ? "" : ": ").append(name);
            }
        }
        return words.toString();
    }
}
