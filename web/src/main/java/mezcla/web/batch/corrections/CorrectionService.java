package mezcla.web.batch.corrections;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.log.LeafletCorrected;
import mezcla.log.LeafletRevised;
import mezcla.log.LogEntry;
import mezcla.log.Stamp;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.sheets.Leaflets;
import mezcla.web.sheets.Revising;
import mezcla.web.words.Figures;
import mezcla.web.words.verdict.StateWords;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lets a corrected leaflet govern fills that were mixed by an earlier version (rules, 3.8). */
@Service
public class CorrectionService implements Revising {
    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final Planning planning;

    CorrectionService(DarkroomLog log, Leaflets leaflets, Planning planning) {
        this.log = log;
        this.leaflets = leaflets;
        this.planning = planning;
    }

    /**
     * What a corrected leaflet changes.
     *
     * @param batchId the batch
     * @param batchName what it is called
     * @param version the version that is right
     * @param baths each bath that it governs
     * @param stateBefore how the batch stands
     * @param stateAfter how it would stand
     */
    public record Correction(
            long batchId, String batchName, int version, List<Bath> baths, String stateBefore, String stateAfter) {}

    /** A bath, before and after. */
    public record Bath(String name, Figure before, Figure after) {}

    /** What a leaflet makes of a bath: the next roll's time, rolls, days. */
    public record Figure(String time, String rolls, String days) {}

    /** What was mistyped is right for every kit at once; what stands of its mixes says so until it is switched. */
    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void revised(SignedIn who, Leaflet before, Leaflet after, LeafletRevised.Why why, String reason) {
        boolean mistyped = why == LeafletRevised.Why.MISTYPED;
        LogState state = log.state();
        List<Long> kits = state.kits().values().stream()
                .filter(kit ->
                        mistyped && !kit.isFinished() && isBy(kit.arrival().leaflet(), before))
                .map(KitState::id)
                .toList();
        List<Long> fills = state.standing().stream()
                .flatMap(BatchState::own)
                .filter(fill -> mistyped && fill.discarded() == null && isBy(fill.leaflet(), before))
                .map(FillState::id)
                .distinct()
                .toList();
        log.add(who, stamp -> new LeafletRevised(stamp, after, why, kits, fills, reason));
        if (mistyped) {
            leaflets.offer(leaflets.idOf(before), true, who);
        }
    }

    private static boolean isBy(Leaflet leaflet, Leaflet version) {
        return leaflet.key().equals(version.key()) && leaflet.version() == version.version();
    }

    /**
     * What is switched to a version with one press.
     *
     * @param id the version
     * @param version its number
     * @param name what the kit is called
     * @param reason what was wrong with the one before; empty where nobody said
     * @param batches each batch with a bath that goes by another one
     */
    public record Switching(long id, int version, String name, String reason, List<Correction> batches) {
        /** How many bottles that are, in words. */
        public String howMany() {
            return bottles() == 1
                    ? "One bottle still goes"
                    : Figures.sentence(Figures.number(bottles())) + " bottles still go";
        }

        /** How many bottles that are. */
        public int bottles() {
            return batches.stream().mapToInt(batch -> batch.baths().size()).sum();
        }
    }

    /**
     * What still goes by another version than the one that is right.
     *
     * @param id the version that is right
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public Switching switching(long id) {
        Leaflet version = leaflets.version(id);
        LogBook book = log.book();
        return new Switching(
                id,
                version.version(),
                version.name(),
                LogEntry.only(book.entries(), LeafletRevised.class)
                        .filter(revised -> isBy(revised.leaflet(), version))
                        .map(LeafletRevised::reason)
                        .reduce((earlier, later) -> later)
                        .orElse(""),
                book.state().standing().stream()
                        .filter(batch -> !toSwitch(batch, version).isEmpty())
                        .map(batch -> correction(batch, version))
                        .toList());
    }

    private static List<FillState> toSwitch(BatchState batch, Leaflet version) {
        return batch.own()
                .filter(fill ->
                        fill.corrected() != null && isBy(fill.corrected().leaflet(), version))
                .toList();
    }

    private Correction correction(BatchState batch, Leaflet version) {
        RunPlan before = planning.nextRoll(batch);
        RunPlan after = planning.nextRoll(batch.withFills(FillState::asCorrected));
        return new Correction(
                batch.id(),
                batch.mixed().name(),
                version.version(),
                toSwitch(batch, version).stream()
                        .filter(fill -> before.baths().stream()
                                .anyMatch(bath -> bath.fill().id() == fill.id()))
                        .map(fill -> new Bath(
                                fill.bath().role().name(),
                                figure(planned(before, fill.id())),
                                figure(planned(after, fill.id()))))
                        .toList(),
                StateWords.of(before),
                StateWords.of(after));
    }

    /**
     * Switches everything that goes by another version than the one that is right.
     *
     * @throws Refusal {@code unknown-leaflet}, {@code leaflet-is-the-latest} where nothing is left to switch
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void switchAll(SignedIn who, long id) {
        Leaflet version = leaflets.version(id);
        List<Long> fills = log.state().standing().stream()
                .flatMap(batch -> toSwitch(batch, version).stream())
                .map(FillState::id)
                .distinct()
                .toList();
        if (fills.isEmpty()) {
            throw Refusal.of(new FormObjection.LeafletIsTheLatest());
        }
        String reason = switching(id).reason();
        log.add(who, stamp -> new LeafletCorrected(stamp, fills, version, reason));
    }

    /** The versions that baths of a batch should be switched to, by the id of the leaflet. */
    @Transactional(readOnly = true)
    public List<Long> toSwitch(BatchState batch) {
        return batch.own()
                .map(FillState::corrected)
                .filter(Objects::nonNull)
                .map(fill -> leaflets.idOf(fill.leaflet()))
                .distinct()
                .toList();
    }

    /** Whether a later version of a batch's leaflet is known than the one that governs it. */
    public boolean isNewer(BatchState batch) {
        return !outdated(batch).isEmpty();
    }

    private List<FillState> outdated(BatchState batch) {
        return batch.fills().stream()
                .filter(fill -> fill.discarded() == null && !batch.isGuest(fill))
                .filter(fill -> leaflets.latest(fill.leaflet().key()).version()
                        > fill.leaflet().version())
                .toList();
    }

    /**
     * What the latest version of its leaflet would change for a batch.
     *
     * @throws Refusal {@code unknown-batch}, {@code leaflet-is-the-latest}, or {@code leaflet-lacks-bath}
     */
    @Transactional(readOnly = true)
    public Correction correction(long batchId) {
        LogBook book = log.book();
        BatchState batch = book.state().batch(batchId);
        LeafletCorrected row = row(nobody(), batch, "");
        RunPlan before = planning.nextRoll(batch);
        RunPlan after =
                planning.nextRoll(book.supposing(row.stamp().happenedAt(), List.of(stamp -> row(stamp, batch, "")))
                        .state()
                        .batch(batchId));
        return new Correction(
                batchId,
                batch.mixed().name(),
                row.leaflet().version(),
                row.fillIds().stream()
                        .map(fill -> new Bath(
                                planned(before, fill).fill().bath().role().name(),
                                figure(planned(before, fill)),
                                figure(planned(after, fill))))
                        .toList(),
                StateWords.of(before),
                StateWords.of(after));
    }

    /** A stamp for a row that nobody writes. */
    private static Stamp nobody() {
        return new Stamp(Long.MAX_VALUE, Instant.MAX, Instant.MAX, "", false);
    }

    private LeafletCorrected row(Stamp stamp, BatchState batch, String reason) {
        List<FillState> outdated = outdated(batch);
        if (outdated.isEmpty()) {
            throw Refusal.of(new FormObjection.LeafletIsTheLatest());
        }
        Leaflet latest = leaflets.latest(outdated.get(0).leaflet().key());
        List<FillState> governed = outdated.stream()
                .filter(fill -> fill.leaflet().key().equals(latest.key()))
                .toList();
        governed.stream()
                .filter(fill -> latest.baths().stream()
                        .noneMatch(bath -> bath.key().equals(fill.mixed().bathKey())))
                .findFirst()
                .ifPresent(fill -> {
                    throw Refusal.of(new FormObjection.LeafletLacksBath(
                            fill.bath().role().name()));
                });
        return new LeafletCorrected(stamp, governed.stream().map(FillState::id).toList(), latest, reason);
    }

    private static RunPlan.PlannedBath planned(RunPlan plan, long fillId) {
        return plan.baths().stream()
                .filter(bath -> bath.fill().id() == fillId)
                .findFirst()
                .orElseThrow();
    }

    private static Figure figure(RunPlan.PlannedBath planned) {
        FillState fill = planned.fill();
        Range capacity = fill.bath().capacity();
        return new Figure(
                planned.shown().map(ProcessingTime::toString).orElse("–"),
                capacity == null
                        ? "no limit"
                        : Figures.rolls(fill.rolls()) + " of " + Figures.rolls(fill.rollsOf(capacity.max())),
                days(fill.bath().lifeDays()));
    }

    private static String days(@Nullable Range life) {
        return life == null ? "no limit" : Figures.plain(life.max(), 0) + " days";
    }

    /**
     * Lets the latest version govern a batch from its first day.
     *
     * @throws Refusal as above
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void correct(SignedIn who, long batchId, String reason) {
        BatchState batch = log.state().batch(batchId);
        log.add(who, stamp -> row(stamp, batch, reason));
    }
}
