package mezcla.web.log;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Leaflet;
import mezcla.log.EntryKind;
import mezcla.log.LogEntry;
import mezcla.log.Stamp;
import mezcla.measure.FilmFormat;
import mezcla.web.access.names.KnownNames;
import org.joda.money.Money;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes and reads the bodies of rows as JSON, under the names of docs/formats/mezcla-log-1.md. The kind of a row stands
 * beside its body as {@link EntryKind#key()}; no class is named. A leaflet is named by its key and version, a format by
 * its label, an amount of money with its currency, and a constant in lower case with hyphens; what is not known is left
 * out.
 */
final class LogCodec {
    private static final String STAMP = "stamp";
    /** The fields that name a person: a member, or a guest. */
    private static final Set<String> PEOPLE = Set.of("owner", "account", "paidBy", "broughtBy");

    private static final String NAME = "name";
    private static final String LEAFLETS = "leaflets";
    private static final JsonMapper JSON = JsonMapper.builder()
            .changeDefaultPropertyInclusion(each -> each.withValueInclusion(JsonInclude.Include.NON_NULL))
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .annotationIntrospector(new Names())
            .addModule(new SimpleModule("log")
                    .addSerializer(Leaflet.class, new LeafletNamed())
                    .addDeserializer(Leaflet.class, new LeafletFound())
                    .addSerializer(FilmFormat.class, written(FilmFormat::label))
                    .addDeserializer(FilmFormat.class, read(FilmFormat::labelled))
                    .addSerializer(Money.class, written(Money::toString))
                    .addDeserializer(Money.class, read(Money::parse)))
            .build();

    private LogCodec() {}

    /** A version of a leaflet, by name. */
    record LeafletName(String key, int version) {
        static LeafletName of(Leaflet leaflet) {
            return new LeafletName(leaflet.key(), leaflet.version());
        }
    }

    /** The body of a row: all that it says, without its stamp. */
    static String write(LogEntry entry) {
        return tree(entry).toString();
    }

    /** The same body, with members named by the numbers of their names, as it is kept. */
    static String kept(String body, KnownNames names) {
        JsonNode tree = JSON.readTree(body);
        people(tree, (object, field, person) -> {
            Long id = person.isString() ? names.id(person.asString()) : null;
            if (id != null) {
                object.putObject(field).put(NAME, id);
            }
        });
        return tree.toString();
    }

    /**
     * A body that was kept, with names as they read.
     *
     * @throws IllegalArgumentException for the number of no name
     */
    static String told(String kept, KnownNames names) {
        if (!kept.contains("{\"" + NAME + "\":")) {
            return kept;
        }
        JsonNode tree = JSON.readTree(kept);
        people(tree, (object, field, person) -> {
            if (person.isObject()) {
                long id = person.path(NAME).asLong();
                object.put(
                        field,
                        names.text(id).orElseThrow(() -> new IllegalArgumentException("No name has the number " + id)));
            }
        });
        return tree.toString();
    }

    private interface Person {
        void of(ObjectNode object, String field, JsonNode person);
    }

    private static void people(JsonNode node, Person each) {
        if (node instanceof ObjectNode object) {
            List.copyOf(object.propertyNames()).stream()
                    .filter(PEOPLE::contains)
                    .forEach(field -> each.of(object, field, object.get(field)));
        }
        node.forEach(child -> people(child, each));
    }

    /**
     * A row as one line of a log that is written out.
     *
     * @param stamp the stamp that it was written with
     */
    static String line(LogEntry entry, Stamp stamp) {
        ObjectNode line = JSON.createObjectNode();
        line.put("sequence", stamp.sequence())
                .put("kind", entry.kind().key())
                .put("happenedAt", stamp.happenedAt().toString())
                .put("recordedAt", stamp.recordedAt().toString())
                .put("about", stamp.about())
                .put("who", stamp.who());
        if (stamp.device() != null) {
            line.put("device", stamp.device());
        }
        line.set("body", tree(entry));
        return line.toString();
    }

    private static ObjectNode tree(LogEntry entry) {
        ObjectNode body = JSON.valueToTree(entry);
        body.remove(STAMP);
        return body;
    }

    /**
     * Reads a row.
     *
     * @param kind the name of its kind
     * @param stamp its stamp
     * @param body its body
     * @param leaflets every version that it can name
     * @throws IllegalArgumentException for a kind that is not known
     * @throws tools.jackson.core.JacksonException where the body is not one of that kind, or names a leaflet that is not
     *     there
     */
    static LogEntry read(String kind, Stamp stamp, String body, Map<LeafletName, Leaflet> leaflets) {
        EntryKind known =
                EntryKind.of(kind).orElseThrow(() -> new IllegalArgumentException("No kind of row is called " + kind));
        ObjectReader reader = JSON.readerFor(known.type()).withAttribute(LEAFLETS, leaflets);
        ObjectNode tree = (ObjectNode) JSON.readTree(body);
        tree.putPOJO(STAMP, stamp);
        return reader.readValue(tree);
    }

    private static final class Names extends JacksonAnnotationIntrospector {
        private static final long serialVersionUID = 1;

        @Override
        public Object findEnumNamingStrategy(MapperConfig<?> config, AnnotatedClass type) {
            return EnumNamingStrategies.KebabCaseStrategy.class;
        }
    }

    private interface Text<T> {
        String of(T value);
    }

    private interface Value<T> {
        T of(String text);
    }

    private static <T> ValueSerializer<T> written(Text<T> text) {
        return new ValueSerializer<>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializationContext context) {
                out.writeString(text.of(value));
            }
        };
    }

    private static <T> ValueDeserializer<T> read(Value<T> value) {
        return new ValueDeserializer<>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) {
                return value.of(in.getString());
            }
        };
    }

    private static final class LeafletNamed extends ValueSerializer<Leaflet> {
        @Override
        public void serialize(Leaflet leaflet, JsonGenerator out, SerializationContext context) {
            out.writePOJO(LeafletName.of(leaflet));
        }
    }

    private static final class LeafletFound extends ValueDeserializer<Leaflet> {
        @Override
        public Leaflet deserialize(JsonParser in, DeserializationContext context) {
            JsonNode node = context.readTree(in);
            LeafletName name = new LeafletName(
                    node.path("key").asString(), node.path("version").asInt());
            Leaflet leaflet = context.getAttribute(LEAFLETS) instanceof Map<?, ?> known
                            && known.get(name) instanceof Leaflet found
                    ? found
                    : null;
            if (leaflet == null) {
                throw new IllegalArgumentException("No version %d of leaflet %s".formatted(name.version(), name.key()));
            }
            return leaflet;
        }
    }
}
