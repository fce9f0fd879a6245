package mezcla.web.leaflet;

import java.util.HashMap;
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
