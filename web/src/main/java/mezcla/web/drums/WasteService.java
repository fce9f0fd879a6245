package mezcla.web.drums;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.batch.Drum;
import mezcla.batch.DrumLevel;
import mezcla.batch.FillState;
import mezcla.leaflet.WasteRoute;
import mezcla.log.DrumCollected;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the house's waste drums. */
@Service
public class WasteService {
    private final WasteMapper mapper;
    private final DarkroomLog log;

    WasteService(WasteMapper mapper, DarkroomLog log) {
        this.mapper = mapper;
        this.log = log;
    }

    /** How full each drum is, by kind and name. */
    @Transactional(readOnly = true)
    public List<DrumLevel> levels() {
        List<Drum> drums = mapper.drums(false);
        return drums.isEmpty() ? List.of() : DrumLevel.of(log.book(), drums);
    }

    /**
     * Where a fill is poured: a drum, which takes it, or just a kind of waste.
     *
     * @param fill the fill
     * @param typed {@code drum-} and its number, or the name of a kind
     * @throws Refusal {@code unknown-drum}, {@code unknown-route}, or what {@link DrumLevel#accept} and
     *     {@link WasteRoute#accept} refuse
     */
    @Transactional(readOnly = true)
    public Destination destination(FillState fill, String typed) {
        if (!typed.startsWith("drum-")) {
            WasteRoute route = Stream.of(WasteRoute.values())
                    .filter(each -> each.name().equals(typed))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of(new FormObjection.UnknownRoute()));
            route.accept(fill.bath().role());
            return new Destination(route, null);
        }
        DrumLevel level = levels().stream()
                .filter(each -> typed.equals("drum-" + each.drum().id()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownDrum()));
        level.accept(fill.bath().role(), fill.volumeMl());
        return new Destination(level.drum().kind(), level.drum().id());
    }

    /** Where waste can go, to choose from: the drums with how full they are, then just its kind. */
    @Transactional(readOnly = true)
    public Map<String, String> destinations() {
        Map<String, String> all = new LinkedHashMap<>();
        List<DrumLevel> levels = levels();
        levels.forEach(level -> all.put(
                "drum-" + level.drum().id(),
                "%s, %s of %s"
                        .formatted(
                                level.drum().name(),
                                Figures.inAll(level.levelMl()),
                                Figures.inAll(level.drum().capacityMl()))));
        for (WasteRoute route : WasteRoute.values()) {
            all.put(route.name(), levels.isEmpty() ? route.words() : route.words() + ", no drum of ours");
        }
        return all;
    }

    /** The drum that a fill goes into when nobody chooses; empty where none takes it. */
    @Transactional(readOnly = true)
    public Optional<Long> usual(FillState fill, WasteRoute route) {
        return levels().stream()
                .filter(level -> level.drum().kind() == route && takes(level, fill))
                .map(level -> level.drum().id())
                .findFirst();
    }

    private static boolean takes(DrumLevel level, FillState fill) {
        try {
            level.accept(fill.bath().role(), fill.volumeMl());
            return true;
        } catch (Refusal refused) {
            return false;
        }
    }

    /**
     * Adds a drum; its page lets only stewards.
     *
     * @throws Refusal {@code name-taken}
     */
    @Transactional
    public void add(String name, WasteRoute kind, double capacityMl) {
        if (Stream.concat(mapper.drums(false).stream(), mapper.drums(true).stream())
                .anyMatch(drum -> drum.name().equalsIgnoreCase(name))) {
            throw Refusal.of(new FormObjection.NameTaken(name));
        }
        mapper.add(name, kind, capacityMl);
    }

    /**
     * Takes a drum off the list.
     *
     * @throws Refusal {@code unknown-drum}, or {@code drum-not-empty} while something is in it
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void remove(long id) {
        if (level(id).levelMl() > 0) {
            throw Refusal.of(new FormObjection.DrumNotEmpty());
        }
        mapper.remove(id);
    }

    /**
     * Logs that a drum was collected or emptied into what is collected.
     *
     * @param firm who collected it; null where nobody notes that
     * @param receipt the number of the receipt; null for none
     *
     * @throws Refusal {@code unknown-drum}, or {@code drum-is-empty}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void collected(SignedIn who, long id, @Nullable String firm, @Nullable String receipt) {
        DrumLevel level = level(id);
        if (level.levelMl() <= 0) {
            throw Refusal.of(new FormObjection.DrumIsEmpty());
        }
        log.add(who, stamp -> new DrumCollected(stamp, id, level.drum().name(), level.levelMl(), firm, receipt));
    }

    private DrumLevel level(long id) {
        return levels().stream()
                .filter(each -> each.drum().id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownDrum()));
    }
}
