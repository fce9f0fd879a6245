package mezcla.web.batch;

import java.time.Instant;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.log.LeafletCorrected;
import mezcla.log.Stamp;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.house.Planning;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.log.DarkroomLog;
import mezcla.web.words.Figures;
import mezcla.web.words.StateWords;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lets a corrected leaflet govern fills that were mixed by an earlier version. */
@Service
public class CorrectionService {
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

    /** Whether a later version of a batch's leaflet is known than the one that governs it. */
    boolean isNewer(BatchState batch) {
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
