package mezcla.web.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.Bottle;
import mezcla.batch.Bottling;
import mezcla.batch.KitState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.BatchPlan;
import mezcla.mixing.KitSplit;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tool;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.Figures;
import mezcla.web.shell.SignedIn;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans mixes and logs them. */
@Service
public class MixService {
    private static final double USUAL_ML = 1000;

    private final DarkroomLog log;
    private final HouseService houses;

    MixService(DarkroomLog log, HouseService houses) {
        this.log = log;
        this.houses = houses;
    }

    /** A volume as it was typed and as it was read. */
    record TypedVolume(String typed, Volume volume) {}

    /** What a mix would be, with the bottles that it can go into. */
    record Proposal(BatchPlan plan, MixView view, Map<String, String> bottles) {}

    /**
     * The leaflet of a kit.
     *
     * @throws Refusal {@code unknown-kit}
     */
    @Transactional(readOnly = true)
    public Leaflet leaflet(long kitId) {
        return log.state().kit(kitId).arrival().leaflet();
    }

    /** A volume to begin with: a litre, or as much as the kit still makes. */
    @Transactional(readOnly = true)
    public String usualVolume(long kitId) {
        KitState kit = log.state().kit(kitId);
        double largest = KitSplit.of(kit.arrival().leaflet().recipes(), kit.left(), USUAL_ML)
                .largestMl();
        return largest >= USUAL_ML ? "1 L" : "%d ml".formatted((long) Math.floor(largest + 1e-6));
    }

    /**
     * Plans a mix and finds a bottle for each bath.
     *
     * @throws Refusal {@code unknown-kit}, {@code more-than-the-kit-allows} or {@code parts-exceed-volume}
     */
    @Transactional(readOnly = true)
    Proposal propose(long kitId, TypedVolume typed) {
        LogState state = log.state();
        BatchPlan plan = plan(state, kitId, typed.volume());
        List<Bottle> bottles = houses.bottles();
        Bottling bottling = Bottling.beside(state);
        Map<String, String> chosen = new HashMap<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            bottling.freeFor(bath.mix().finalMl(), bottles).stream().findFirst().ifPresent(bottle -> {
                bottling.take(bottle, bath.mix().finalMl());
                chosen.put(bath.bath().key(), Long.toString(bottle.id()));
            });
        }
        Bottling shelf = Bottling.beside(state);
        return new Proposal(
                plan, MixView.of(plan, typed.typed(), tools(), volumeMl -> shelf.freeFor(volumeMl, bottles)), chosen);
    }

    /** What the house measures with. */
    List<mezcla.mixing.Tool> tools() {
        return houses.tools().stream().map(Tool::measuring).toList();
    }

    private static BatchPlan plan(LogState state, long kitId, Volume volume) {
        KitState kit = state.kit(kitId);
        return kit.plan(volume.ml());
    }

    /**
     * Logs a mix, as it was planned.
     *
     * @param who who mixed it
     * @param kitId the kit
     * @param typed the volume
     * @param name what the batch is called
     * @param chosen the bottle of each bath, by the bath's key
     * @param errors where refusals about bottles are put
     * @return the batch, or 0 when a bottle was refused
     * @throws Refusal {@code unknown-kit}, {@code more-than-the-kit-allows} or {@code parts-exceed-volume}
     */
    @Transactional
    long mix(SignedIn who, long kitId, TypedVolume typed, String name, Map<String, String> chosen, FieldErrors errors) {
        LogState state = log.state();
        BatchPlan plan = plan(state, kitId, typed.volume());
        Map<String, Bottle> bottles = bottles(plan, Bottling.beside(state), chosen, errors);
        if (!errors.none()) {
            return 0;
        }
        List<LogEntry.MixedFill> fills = new ArrayList<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            fills.add(new LogEntry.MixedFill(
                    log.newFill(),
                    plan.leaflet(),
                    bath.bath().key(),
                    bath.mix().finalMl(),
                    typed.typed(),
                    bottles.get(bath.bath().key()),
                    state.kit(kitId).uses(bath),
                    null));
        }
        long batchId = log.newBatch();
        log.add(who, stamp -> new LogEntry.BatchMixed(stamp, batchId, name, fills));
        return batchId;
    }

    private Map<String, Bottle> bottles(
            BatchPlan plan, Bottling bottling, Map<String, String> chosen, FieldErrors errors) {
        List<Bottle> owned = houses.bottles();
        Map<String, Bottle> bottles = new HashMap<>();
        for (BatchPlan.PlannedBath bath : plan.baths()) {
            String key = bath.bath().key();
            errors.read("bottle-" + key, () -> {
                Bottle bottle = owned.stream()
                        .filter(each -> Long.toString(each.id()).equals(chosen.get(key)))
                        .findFirst()
                        .orElseThrow(() -> Refusal.of("bottle-missing"));
                bottling.take(bottle, bath.mix().finalMl());
                return bottles.put(key, bottle);
            });
        }
        return bottles;
    }

    /** What members wanted to be remembered when that kit is mixed again, the newest first. */
    @Transactional(readOnly = true)
    public List<String> notes(long kitId) {
        LogState state = log.state();
        String sheet = state.kit(kitId).arrival().leaflet().key();
        return state.batches().values().stream()
                .filter(batch -> batch.leaflet().key().equals(sheet))
                .flatMap(batch -> batch.notes().stream())
                .sorted(Comparator.comparing(
                                (LogEntry.NoteLeft note) -> note.stamp().happenedAt())
                        .reversed())
                .map(note -> "%s (%s, %s, batch %d)"
                        .formatted(
                                note.text(),
                                note.stamp().who(),
                                Figures.day(
                                        note.stamp().happenedAt(),
                                        houses.house().timeZone()),
                                note.batchId()))
                .toList();
    }
}
