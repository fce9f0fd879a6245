package mezcla.batch;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Adds up what happened to one fill. */
final class FillFolding {
    private final LogEntry.MixedFill mixed;
    private final Instant mixedAt;
    private boolean about;
    private Wear wear;
    private double trimPercent;
    private @Nullable Inspected inspected;
    private FillState.@Nullable Bar bar;
    private FillState.@Nullable Discarded discarded;

    private record Inspected(LogEntry.Result result, Instant at, double rollsThen) {}

    FillFolding(Stamp stamp, LogEntry.MixedFill mixed) {
        this.mixed = mixed;
        this.mixedAt = stamp.happenedAt();
        this.about = stamp.about();
        this.wear = Wear.fresh(mixed.volumeMl());
    }

    void run(LogEntry.RunLogged run, LogEntry.RunBath bath) {
        about |= run.stamp().about();
        if (mixed.bath().oneShot() == null) {
            wear = wear.afterRun(
                    run.equivalents(), bath.wearEquivalents(), mixed.bath().capacityForMl(), bath.carryOverMl());
        } else {
            wear = wear.afterPouringAway(bath.pouredAwayMl());
        }
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
                discarded);
    }
}
