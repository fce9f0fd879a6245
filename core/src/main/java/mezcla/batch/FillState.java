package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.AirKept;
import mezcla.log.Before;
import mezcla.log.Bottle;
import mezcla.log.Finding;
import mezcla.log.MixedFill;
import mezcla.log.Place;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * A fill as the log leaves it (rules, 4.1).
 *
 * @param id the fill
 * @param mixed the row of the mix that made it
 * @param leaflet the version of its leaflet that governs it
 * @param mixedAt when it was mixed
 * @param about whether anything it rests on is remembered rather than noted
 * @param volumeMl what is in the bottle, in ml
 * @param countedMl the volume that wear is counted by, in ml
 * @param chemistryMl the volume of printed strength that its parts would make, in ml (rules, 3.7)
 * @param rolls roll equivalents that went through it
 * @param scaledRolls n: the same, scaled to the printed volume
 * @param trimPercent its own correction, in percent
 * @param mixture what it was mixed of
 * @param outcome what film of it has ever shown
 * @param inspection the last look at film that counts; null for none
 * @param bar why it must not be used; null while it may
 * @param discarded how it ended; null while it stands on the shelf
 * @param kept what it is kept in, where, and how
 * @param inUse the runs that it is in just now
 * @param spells how it was stored since it was mixed, the earliest first
 * @param signs what looks into its bottle have shown
 * @param path how its wear grew, a point after each run and each topping up, the earliest first
 * @param seenAt when somebody last had it in hand, as far as the log knows
 * @param overrides the limits that were passed on purpose, the earliest first
 * @param corrected how it would stand by the version of its leaflet that is right, until a steward has switched it; null where
 *     the one that governs it is right (rules, 3.8)
 */
public record FillState(
        long id,
        MixedFill mixed,
        Leaflet leaflet,
        Instant mixedAt,
        boolean about,
        double volumeMl,
        double countedMl,
        double chemistryMl,
        double rolls,
        double scaledRolls,
        double trimPercent,
        Mixture mixture,
        Outcome outcome,
        @Nullable Inspection inspection,
        @Nullable Bar bar,
        @Nullable Discarded discarded,
        Kept kept,
        List<InUse> inUse,
        List<StorageAge.Spell> spells,
        Set<Sign> signs,
        List<Worn> path,
        Instant seenAt,
        List<PassedLimit> overrides,
        @Nullable FillState corrected) {
    private static final double UNEXPLAINED_ML = 10;
    private static final double LEAST_ML = 1;
    private static final Duration MISSING_AFTER = Duration.ofDays(30);

    /** Keeps its own lists. */
    public FillState {
        inUse = List.copyOf(inUse);
        spells = List.copyOf(spells);
        signs = Set.copyOf(signs);
        path = List.copyOf(path);
        overrides = List.copyOf(overrides);
    }

    /**
     * What a fill is kept in, where, and how.
     *
     * @param bottle what it is in
     * @param place where that stands; null where nobody said
     * @param air what keeps air out
     * @param since since when
     */
    public record Kept(Bottle bottle, @Nullable Place place, AirKept air, Instant since) {}

    /**
     * How far it was used at a moment.
     *
     * @param at when
     * @param scaledRolls n then
     * @param rolls roll equivalents that had gone through it
     */
    public record Worn(Instant at, double scaledRolls, double rolls) {}

    /**
     * A run that a fill is in just now.
     *
     * @param started the sequence of the row with which it was started
     * @param since since when
     * @param who who started it
     * @param equivalents its film, in roll equivalents
     * @param inTankMl what of the fill is in the tank and comes back, in ml
     */
    public record InUse(long started, Instant since, String who, double equivalents, double inTankMl) {}

    /**
     * Limits that were passed on purpose.
     *
     * @param at when
     * @param who by whom
     * @param limits their codes
     * @param reason why
     */
    public record PassedLimit(Instant at, String who, List<String> limits, String reason) {}

    /**
     * The last look at film that was put down to the chemistry, or found nothing wrong.
     *
     * @param result what was seen
     * @param at when its film was in the bath; of a clip, when it was developed
     * @param rollsAgo how many roll equivalents have gone through since
     */
    public record Inspection(Finding result, Instant at, double rollsAgo) {}

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

    /** The same fill under another sheet. */
    public FillState governedBy(Leaflet sheet) {
        return by(sheet, corrected);
    }

    /** The same fill, with how it would stand by the version of its leaflet that is right. */
    FillState withCorrected(FillState right) {
        return by(leaflet, right);
    }

    private FillState by(Leaflet sheet, @Nullable FillState right) {
        return new FillState(
                id,
                mixed,
                sheet,
                mixedAt,
                about,
                volumeMl,
                countedMl,
                chemistryMl,
                rolls,
                scaledRolls,
                trimPercent,
                mixture,
                outcome,
                inspection,
                bar,
                discarded,
                kept,
                inUse,
                spells,
                signs,
                path,
                seenAt,
                overrides,
                right);
    }

    /** The same fill as it would stand by the version of its leaflet that is right. */
    public FillState asCorrected() {
        return corrected == null ? this : corrected;
    }

    /** Whether nobody has had it in hand for a month, so that it may be missing (<em>house</em>). */
    public boolean isMissing(Instant now) {
        return seenAt.isBefore(now.minus(MISSING_AFTER));
    }

    /** What the leaflet says of its bath; its capacity is counted for what the whole recipe makes (rules, 4.11). */
    public Bath bath() {
        return leaflet.counted(mixed.bathKey());
    }

    /** The bottle that it is in. */
    public Bottle bottle() {
        return kept.bottle();
    }

    /** What is in the bottle, while the rest of it is in a tank, in ml. */
    public double inBottleMl() {
        return Math.max(
                0, volumeMl - inUse.stream().mapToDouble(InUse::inTankMl).sum());
    }

    /** Whether a limit of that code was passed on purpose. */
    public boolean overrides(String limit) {
        return overrides.stream().anyMatch(override -> override.limits().contains(limit));
    }

    /**
     * Refuses fresh solution that would not fit, or that this fill cannot take.
     *
     * @param addedMl how much is added, in ml
     * @throws Refusal {@code already-discarded}, {@code in-use}, {@code one-shot-not-topped-up}, or
     *     {@code bottle-too-full} with the room there is
     */
    public void refuseToppingUpWith(double addedMl) {
        refuseDiscarded();
        refuseInUse();
        if (bath().oneShot() != null) {
            throw Refusal.of(new BatchObjection.OneShotNotToppedUp());
        }
        double roomMl = bottle().capacityMl() - volumeMl;
        if (Slack.exceeds(addedMl, roomMl)) {
            throw Refusal.of(new BatchObjection.BottleTooFull(bottle().label(), Math.max(0, roomMl)));
        }
    }

    /**
     * Refuses what cannot be done while some of it is in a tank.
     *
     * @throws Refusal {@code in-use} with the first run that it is in
     */
    public void refuseInUse() {
        if (!inUse.isEmpty()) {
            throw Refusal.of(new BatchObjection.InUse(this, inUse.get(0).who()));
        }
    }

    /**
     * Refuses what can no longer happen to a fill that was poured away.
     *
     * @throws Refusal {@code already-discarded}
     */
    public void refuseDiscarded() {
        if (discarded != null) {
            throw Refusal.of(new BatchObjection.AlreadyDiscarded(bath().role().name()));
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
            throw Refusal.of(new BatchObjection.MoreThanThereIs(volumeMl));
        }
    }

    /**
     * Whether the log explains that so little is left; if not, a run or a spill may not have been logged.
     *
     * @param measuredMl what was measured, in ml
     * @throws Refusal {@code bottle-too-small} when the bottle could not hold that much
     */
    public boolean explains(double measuredMl) {
        Bottle bottle = bottle();
        if (Slack.exceeds(measuredMl, bottle.capacityMl())) {
            throw Refusal.of(new BatchObjection.BottleTooSmall(bottle.label(), bottle.capacityMl()));
        }
        return Slack.reaches(measuredMl, volumeMl - UNEXPLAINED_ML);
    }

    /**
     * How many roll equivalents it does in all: those that are done, and what is left of a limit; where the limit is passed,
     * those that it had done when it was reached. What was done since changes nothing about that.
     *
     * @param limit n at which it is used up
     */
    public double rollsOf(double limit) {
        double more = (limit - scaledRolls) / wearPerRoll();
        if (more >= 0) {
            return rolls + more;
        }
        for (int i = path.size() - 1; i > 0; i--) {
            Worn after = path.get(i);
            Worn before = path.get(i - 1);
            if (before.scaledRolls() < limit && after.scaledRolls() >= limit) {
                return reached(before, after, limit);
            }
        }
        Worn begun = new Worn(mixedAt, mixedScaled(), mixedRolls());
        return !path.isEmpty() && begun.scaledRolls() < limit
                ? reached(begun, path.get(0), limit)
                : Math.max(0, rolls + more);
    }

    private static double reached(Worn before, Worn after, double limit) {
        double share = (limit - before.scaledRolls()) / (after.scaledRolls() - before.scaledRolls());
        return before.rolls() + share * (after.rolls() - before.rolls());
    }

    /** Roll equivalents that it had done before it was taken over; 0 for one that was mixed here. */
    public double mixedRolls() {
        Before before = mixed.before();
        return before == null ? 0 : before.rolls();
    }

    /** n of what it had done before it was taken over. */
    private double mixedScaled() {
        double mixedChemistry = mixed.volumeMl() * mixture.weakest();
        return mixedRolls() * bath().capacityForMl() / Math.max(LEAST_ML, mixedChemistry);
    }

    /** Whether its wear has reached a limit, n. */
    public boolean isPast(double limit) {
        return Slack.reaches(scaledRolls, limit);
    }

    /** r: what a roll equivalent adds to n. */
    public double wearPerRoll() {
        return bath().capacityForMl() / chemistryMl;
    }
}
