package mezcla.web.sheets;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Every version of every leaflet. A document never changes, so each is read once. */
@Service
public class Leaflets {
    private final LeafletMapper mapper;
    private final Map<Long, Leaflet> read = new ConcurrentHashMap<>();

    private final Clock clock;
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final TypeReference<Map<String, String>> FIELDS = new TypeReference<>() {};

    Leaflets(LeafletMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
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
     * A version to choose.
     *
     * @param id which
     * @param name what the kit is called
     * @param process the family of chemistry
     * @param baths its baths
     * @param letters their letters
     * @param latest whether no later version is known
     * @param withdrawn whether it is not offered any more
     */
    public record Sheet(
            long id,
            String name,
            String maker,
            String process,
            String baths,
            List<String> letters,
            boolean latest,
            boolean withdrawn) {}

    /** Every version, by name; where there are several, each says which it is. */
    @Transactional(readOnly = true)
    public List<Sheet> sheets() {
        Map<Long, Leaflet> all = byId();
        Set<Long> withdrawn = mapper.all().stream()
                .filter(LeafletMapper.Row::withdrawn)
                .map(LeafletMapper.Row::id)
                .collect(Collectors.toSet());
        return all.entrySet().stream()
                .map(entry -> new Sheet(
                        entry.getKey(),
                        nameOf(entry.getValue(), all.values()),
                        entry.getValue().maker(),
                        entry.getValue().process().name(),
                        baths(entry.getValue()),
                        entry.getValue().baths().stream()
                                .map(bath -> bath.role().letters())
                                .toList(),
                        latest(entry.getValue().key()).equals(entry.getValue()),
                        withdrawn.contains(entry.getKey())))
                .sorted(Comparator.comparing(Sheet::latest).reversed().thenComparing(Sheet::name))
                .toList();
    }

    /** Every version that is offered where somebody chooses. */
    @Transactional(readOnly = true)
    public List<Sheet> offered() {
        return sheets().stream().filter(sheet -> !sheet.withdrawn()).toList();
    }

    /** Whether a version is not offered any more. */
    @Transactional(readOnly = true)
    public boolean isWithdrawn(long id) {
        return mapper.all().stream().anyMatch(row -> row.id() == id && row.withdrawn());
    }

    /** Withdraws a version, so that it is not offered any more, or offers it again. What came with it keeps it. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void offer(long id, boolean withdrawn, SignedIn who) {
        version(id);
        if (isWithdrawn(id) != withdrawn) {
            mapper.offer(id, withdrawn, who.id(), clock.instant());
        }
    }

    /** What was typed of a version, by field; empty for one that came from a file. */
    @Transactional(readOnly = true)
    public Map<String, String> typed(long id) {
        String typed = mapper.typed(id);
        return typed == null ? Map.of() : JSON.readValue(typed, FIELDS);
    }

    private static String baths(Leaflet leaflet) {
        return leaflet.baths().stream().map(bath -> bath.role().name()).collect(Collectors.joining(", "));
    }

    private static String nameOf(Leaflet leaflet, Collection<Leaflet> all) {
        int latest = all.stream()
                .filter(each -> each.key().equals(leaflet.key()))
                .mapToInt(Leaflet::version)
                .max()
                .orElse(1);
        return latest == 1
                ? leaflet.name()
                : "%s, version %d%s"
                        .formatted(
                                leaflet.name(),
                                leaflet.version(),
                                leaflet.version() == latest ? "" : ", an earlier one");
    }

    /**
     * The version that was chosen.
     *
     * @throws Refusal {@code leaflet-missing}, {@code leaflet-withdrawn}
     */
    @Transactional(readOnly = true)
    public Leaflet chosen(String id) {
        offeredNoMore(id);
        return byId().entrySet().stream()
                .filter(entry -> Long.toString(entry.getKey()).equals(id))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.LeafletMissing()));
    }

    private void offeredNoMore(String id) {
        sheets().stream()
                .filter(sheet -> Long.toString(sheet.id()).equals(id) && sheet.withdrawn())
                .findFirst()
                .ifPresent(sheet -> {
                    throw Refusal.of(new FormObjection.LeafletWithdrawn(sheet.name()));
                });
    }

    /** Whether a leaflet of that key is there. */
    @Transactional(readOnly = true)
    public boolean isKnown(String key) {
        return byId().values().stream().anyMatch(leaflet -> leaflet.key().equals(key));
    }

    /** Every version of a leaflet, by its id, in the order of their numbers. */
    @Transactional(readOnly = true)
    public Map<Long, Leaflet> versions(String key) {
        Map<Long, Leaflet> versions = new LinkedHashMap<>();
        byId().entrySet().stream()
                .filter(entry -> entry.getValue().key().equals(key))
                .sorted(Comparator.comparingInt(entry -> entry.getValue().version()))
                .forEach(entry -> versions.put(entry.getKey(), entry.getValue()));
        return versions;
    }

    /** The last version of a leaflet. */
    @Transactional(readOnly = true)
    public Leaflet latest(String key) {
        return byId().values().stream()
                .filter(leaflet -> leaflet.key().equals(key))
                .max(Comparator.comparingInt(Leaflet::version))
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownLeaflet(key)));
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
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownLeaflet(leaflet.key())))
                .getKey();
    }

    /**
     * The version of that id.
     *
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public Leaflet version(long id) {
        Leaflet leaflet = byId().get(id);
        if (leaflet == null) {
            throw Refusal.of(new FormObjection.UnknownLeaflet(String.valueOf(id)));
        }
        return leaflet;
    }

    /**
     * Adds a leaflet.
     *
     * @param leaflet a new one, or a new version of one that is there
     * @param who the steward who typed it in or brought its file; null where the demonstration does
     * @return the id of the version
     * @throws Refusal {@code leaflet-name-taken} where a new one has the name of one that is there
     */
    @Transactional
    public long add(Leaflet leaflet, @Nullable SignedIn who) {
        return add(leaflet, null, who);
    }

    /**
     * Adds a leaflet as it was typed.
     *
     * @param leaflet a new one, or a new version of one that is there
     * @param typed what was typed, as JSON by field; null where it came from a file
     * @param who the steward who keeps it; null where the demonstration does
     * @return the id of the version
     * @throws Refusal {@code leaflet-name-taken} where a new one has the name of one that is there
     */
    @Transactional
    public long add(Leaflet leaflet, @Nullable String typed, @Nullable SignedIn who) {
        boolean known = byId().values().stream()
                .anyMatch(each -> each.key().equals(leaflet.key()) && each.version() == leaflet.version());
        if (known) {
            throw Refusal.of(new FormObjection.LeafletNameTaken(leaflet.name()));
        }
        return mapper.add(
                leaflet.key(),
                leaflet.version(),
                LeafletDocument.write(leaflet),
                typed,
                who == null ? null : Long.valueOf(who.id()));
    }

    /**
     * What a leaflet from a file would be added as: the next version of the one that is there with its key, or the
     * first.
     *
     * @throws Refusal {@code leaflet-known} where it says just what the last version says
     */
    @Transactional(readOnly = true)
    public Leaflet asAdded(Leaflet fromFile) {
        int last = byId().values().stream()
                .filter(each -> each.key().equals(fromFile.key()))
                .mapToInt(Leaflet::version)
                .max()
                .orElse(0);
        if (last > 0 && latest(fromFile.key()).equals(fromFile.withVersion(last))) {
            throw Refusal.of(new FormObjection.LeafletKnown(fromFile.name()));
        }
        return fromFile.withVersion(last + 1);
    }

    /**
     * Figures that a member typed again.
     *
     * @param who the member
     * @param at when
     * @param differences what was different, in words; empty where nothing was
     */
    public record Retyping(String who, Instant at, String differences) {}

    /** Who typed the critical figures of a version again, in order. */
    @Transactional(readOnly = true)
    public List<Retyping> retypings(long id) {
        return mapper.retyped(id).stream()
                .map(row -> new Retyping(row.who(), row.at(), row.differences()))
                .toList();
    }

    /**
     * Refuses that somebody checks their own typing.
     *
     * @throws Refusal {@code retyped-by-the-same}
     */
    @Transactional(readOnly = true)
    public void refuseOwn(long id, SignedIn who) {
        Long typedBy = mapper.typedBy(id);
        if (typedBy != null && typedBy == who.id()) {
            throw Refusal.of(new FormObjection.RetypedByTheSame());
        }
    }

    /** Keeps what a retyping showed. */
    @Transactional
    public void retype(long id, SignedIn who, String differences) {
        refuseOwn(id, who);
        mapper.addRetyped(id, who.id(), clock.instant(), differences);
    }

    /** The file of a version, to keep or to give away. */
    @Transactional(readOnly = true)
    public String file(long id) {
        return LeafletDocument.write(version(id));
    }

    /**
     * Reads the file of a leaflet that is known to be sound.
     *
     * @throws IllegalArgumentException where it is not, with what is wrong
     */
    public Leaflet ofFile(String document) {
        LeafletFile file = LeafletFile.of(document);
        Leaflet leaflet = file.leaflet();
        if (leaflet == null) {
            throw new IllegalArgumentException(String.join("\n", file.faults()));
        }
        return leaflet;
    }
}
