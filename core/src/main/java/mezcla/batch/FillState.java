package mezcla.batch;

import java.time.Instant;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * A fill as the log leaves it (rules, 4.1).
 *
 * @param id the fill
 * @param mixed the row of the mix that made it
 * @param mixedAt when it was mixed
 * @param about whether anything it rests on is remembered rather than noted
 * @param volumeMl what is in the bottle, in ml
 * @param countedMl the volume that wear is counted by, in ml
 * @param rolls roll equivalents that went through it
 * @param scaledRolls n: the same, scaled to the printed volume
 * @param trimPercent its own correction, in percent
 * @param inspection the last look at film that counts; null for none
 * @param bar why it must not be used; null while it may
 * @param discarded how it ended; null while it stands on the shelf
 */
public record FillState(
        long id,
        LogEntry.MixedFill mixed,
        Instant mixedAt,
        boolean about,
        double volumeMl,
        double countedMl,
        double rolls,
        double scaledRolls,
        double trimPercent,
        @Nullable Inspection inspection,
        @Nullable Bar bar,
        @Nullable Discarded discarded) {
    private static final double UNEXPLAINED_ML = 10;

    /**
     * The last look at film that was put down to the chemistry, or found nothing wrong.
     *
     * @param result what was seen
     * @param at when
     * @param rollsAgo how many roll equivalents have gone through since
     */
    public record Inspection(LogEntry.Result result, Instant at, double rollsAgo) {}

    /**
     * Why a fill must not be used.
     *
     * @param at since when
     * @param who who said so
     * @param reason why
     */
    public record Bar(Instant at, String who, String reason) {}

    /**
     * How a fill ended.
     *
     * @param at when
     * @param who by whom
     * @param reason why
     * @param volumeMl how much was poured away, in ml
     * @param route where it went
     */
    public record Discarded(Instant at, String who, String reason, double volumeMl, WasteRoute route) {}

    /** What the leaflet says of its bath. */
    public Bath bath() {
        return mixed.bath();
    }

    /** The leaflet that governs it. */
    public Leaflet leaflet() {
        return mixed.leaflet();
    }

    /**
     * Refuses what can no longer happen to a fill that was poured away.
     *
     * @throws Refusal {@code already-discarded}
     */
    public void refuseDiscarded() {
        if (discarded != null) {
            throw Refusal.of("already-discarded", "bath", bath().role().name());
        }
    }

    /**
     * Refuses to lose more than there is.
     *
     * @param lostMl how much is said to be lost, in ml
     * @throws Refusal {@code more-than-there-is}
     */
    public void refuseSpillOf(double lostMl) {
        if (Slack.exceeds(lostMl, volumeMl)) {
            throw Refusal.of("more-than-there-is", "leftMl", volumeMl);
        }
    }

    /**
     * Whether the log explains that so little is left; if not, a run or a spill may not have been logged.
     *
     * @param measuredMl what was measured, in ml
     * @throws Refusal {@code bottle-too-small} when the bottle could not hold that much
     */
    public boolean explains(double measuredMl) {
        Bottle bottle = mixed.bottle();
        if (Slack.exceeds(measuredMl, bottle.capacityMl())) {
            throw Refusal.of("bottle-too-small", "bottle", bottle.label(), "capacityMl", bottle.capacityMl());
        }
        return Slack.reaches(measuredMl, volumeMl - UNEXPLAINED_ML);
    }

    /** r: what a roll equivalent adds to n. */
    public double wearPerRoll() {
        return bath().capacityForMl() / countedMl;
    }
}
