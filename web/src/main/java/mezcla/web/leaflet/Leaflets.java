package mezcla.web.leaflet;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Every version of every leaflet. A document never changes, so each is read once. */
@Service
public class Leaflets {
    private final LeafletMapper mapper;
    private final Map<Long, Leaflet> read = new ConcurrentHashMap<>();

    Leaflets(LeafletMapper mapper) {
        this.mapper = mapper;
    }

    /** Every version, by its id. */
    @Transactional(readOnly = true)
    public Map<Long, Leaflet> byId() {
        Map<Long, Leaflet> all = new HashMap<>();
        mapper.all()
                .forEach(row ->
                        all.put(row.id(), read.computeIfAbsent(row.id(), id -> LeafletDocument.read(row.document()))));
        return all;
    }

    /** A version to choose. */
    public record Sheet(long id, String name) {}

    /** Every version to choose from, by name; a later one says so. */
    @Transactional(readOnly = true)
    public List<Sheet> sheets() {
        return byId().entrySet().stream()
                .map(entry -> new Sheet(entry.getKey(), nameOf(entry.getValue())))
                .sorted(Comparator.comparing(Sheet::name))
                .toList();
    }

    private static String nameOf(Leaflet leaflet) {
        return leaflet.version() == 1 ? leaflet.name() : leaflet.name() + ", version " + leaflet.version();
    }

    /**
     * The version that was chosen.
     *
     * @throws Refusal {@code leaflet-missing}
     */
    @Transactional(readOnly = true)
    public Leaflet chosen(String id) {
        return byId().entrySet().stream()
                .filter(entry -> Long.toString(entry.getKey()).equals(id))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> Refusal.of("leaflet-missing"));
    }

    /** The last version of a leaflet. */
    @Transactional(readOnly = true)
    public Leaflet latest(String key) {
        return byId().values().stream()
                .filter(leaflet -> leaflet.key().equals(key))
                .max(Comparator.comparingInt(Leaflet::version))
                .orElseThrow(() -> Refusal.of("unknown-leaflet", "leaflet", key));
    }

    /**
     * The id of that version.
     *
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public long idOf(Leaflet leaflet) {
        return byId().entrySet().stream()
                .filter(entry -> entry.getValue().key().equals(leaflet.key())
                        && entry.getValue().version() == leaflet.version())
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-leaflet", "leaflet", leaflet.key()))
                .getKey();
    }

    /**
     * Adds a leaflet from its document.
     *
     * @return the id of the version
     */
    @Transactional
    public long add(String document) {
        Leaflet leaflet = LeafletDocument.read(document);
        return mapper.add(leaflet.key(), leaflet.version(), document);
    }
}
