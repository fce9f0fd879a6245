package mezcla.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import org.jspecify.annotations.Nullable;

/** Adds up what happened to one fill. */
final class FillFolding {
    private final LogEntry.MixedFill mixed;
    private final Leaflet leaflet;
    private final Bath bath;
    private final Instant mixedAt;
    private final List<FillState.InUse> inUse = new ArrayList<>();
    private final List<FillState.Override> overrides = new ArrayList<>();
    private FillState.Kept kept;
    private boolean about;
    private Wear wear;
    private double trimPercent;
    private @Nullable Inspected inspected;
    private FillState.@Nullable Bar bar;
    private FillState.@Nullable Discarded discarded;

    private record Inspected(LogEntry.Result result, Instant at, double rollsThen) {}

    FillFolding(Stamp stamp, LogEntry.MixedFill mixed, Leaflet leaflet) {
        LogEntry.Before before = mixed.before();
        this.mixed = mixed;
        this.leaflet = leaflet;
        this.bath = leaflet.bath(mixed.bathKey());
        this.mixedAt = before == null ? stamp.happenedAt() : before.mixedAt();
        this.about = stamp.about() || before != null;
        this.kept = new FillState.Kept(mixed.bottle(), null, AirKept.NOTHING, stamp.happenedAt());
        this.wear = Wear.fresh(mixed.volumeMl());
        if (before != null && bath.oneShot() == null) {
            wear = wear.afterRun(before.rolls(), before.rolls(), bath.capacityForMl(), 0);
        }
    }

    LogEntry.MixedFill mixed() {
        return mixed;
    }

    void run(Stamp stamp, double equivalents, LogEntry.RunBath runBath) {
        about |= stamp.about();
        if (bath.oneShot() == null) {
            wear = wear.afterRun(equivalents, runBath.wearEquivalents(), bath.capacityForMl(), runBath.carryOverMl());
        } else {
            wear = wear.afterPouringAway(runBath.pouredAwayMl());
        }
    }

    /** A run under way has its rolls already, and what is in the tank is not in the bottle. */
    void start(LogEntry.RunStarted start, LogEntry.RunBath runBath) {
        run(start.stamp(), start.equivalents(), runBath);
        inUse.add(new FillState.InUse(
                start.stamp().sequence(),
                start.stamp().happenedAt(),
                start.stamp().who(),
                start.equivalents(),
                bath.oneShot() == null ? start.tankMl() - runBath.carryOverMl() : 0));
    }

    void move(LogEntry.FillMoved moved) {
        kept = new FillState.Kept(
                moved.bottle(), moved.place(), moved.air(), moved.stamp().happenedAt());
    }

    void override(LogEntry.LimitOverridden entry) {
        overrides.add(new FillState.Override(
                entry.stamp().happenedAt(), entry.stamp().who(), entry.limits(), entry.reason()));
    }

    void spill(LogEntry.FillSpilled spilled) {
        about |= spilled.stamp().about();
        wear = wear.afterSpill(spilled.volumeMl());
    }

    void topUp(LogEntry.FillToppedUp topped) {
        about |= topped.stamp().about();
        wear = wear.afterToppingUp(topped.volumeMl());
    }

    /** A look whose finding was put down to something else neither condemns, nor reassures, nor replaces. */
    void inspect(LogEntry.FillInspected look) {
        if (look.chemistry()) {
            inspected = new Inspected(look.result(), look.stamp().happenedAt(), wear.rolls());
            trimPercent = look.trimPercent();
        }
    }

    void measure(LogEntry.FillMeasured measured) {
        wear = wear.measuredAt(measured.volumeMl());
    }

    void bar(LogEntry.FillBarred barred) {
        bar = new FillState.Bar(barred.stamp().happenedAt(), barred.stamp().who(), barred.reason());
    }

    void liftBar() {
        bar = null;
    }

    void discard(LogEntry.FillsDiscarded entry, LogEntry.DiscardedFill fill) {
        discarded = new FillState.Discarded(
                entry.stamp().happenedAt(), entry.stamp().who(), entry.reason(), fill.volumeMl(), fill.route());
    }

    FillState state() {
        return new FillState(
                mixed.fillId(),
                mixed,
                leaflet,
                mixedAt,
                about,
                Math.max(0, wear.volumeMl()),
                wear.countedMl(),
                wear.rolls(),
                wear.scaledRolls(),
                trimPercent,
                inspected == null
                        ? null
                        : new FillState.Inspection(inspected.result, inspected.at, wear.rolls() - inspected.rollsThen),
                bar,
                discarded,
                kept,
                inUse,
                overrides);
    }
}
