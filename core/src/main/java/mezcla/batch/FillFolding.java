package mezcla.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.log.AirKept;
import mezcla.log.BathLooked;
import mezcla.log.Before;
import mezcla.log.DiscardedFill;
import mezcla.log.FillBarred;
import mezcla.log.FillInspected;
import mezcla.log.FillMeasured;
import mezcla.log.FillMoved;
import mezcla.log.FillSpilled;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.LimitOverridden;
import mezcla.log.MixedFill;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.log.Sign;
import mezcla.log.Stamp;
import org.jspecify.annotations.Nullable;

/** Adds up what happened to one fill. */
final class FillFolding {
    private final MixedFill mixed;
    private final Leaflet leaflet;
    private final Bath bath;
    private final Instant mixedAt;
    private final List<FillState.InUse> inUse = new ArrayList<>();
    private final List<FillState.PassedLimit> overrides = new ArrayList<>();
    private FillState.Kept kept;
    private final List<StorageAge.Spell> spells = new ArrayList<>();
    private final Map<Long, Double> rollsAfterRun = new HashMap<>();
    private final List<FillState.Worn> path = new ArrayList<>();
    private final Set<Sign> signs = EnumSet.noneOf(Sign.class);
    private Instant spellFrom;
    private Instant seenAt;
    private boolean about;
    private Wear wear;
    private double trimPercent;
    private @Nullable Inspected inspected;
    private FillState.@Nullable Bar bar;
    private FillState.@Nullable Discarded discarded;

    private record Inspected(Finding result, Instant at, double rollsThen) {}

    FillFolding(Stamp stamp, MixedFill mixed, Leaflet leaflet) {
        Before before = mixed.before();
        this.mixed = mixed;
        this.leaflet = leaflet;
        this.bath = leaflet.bath(mixed.bathKey());
        this.mixedAt = before == null ? stamp.happenedAt() : before.mixedAt();
        this.spellFrom = mixedAt;
        this.seenAt = stamp.happenedAt();
        this.about = stamp.about() || before != null;
        this.kept = new FillState.Kept(mixed.bottle(), null, AirKept.NOTHING, stamp.happenedAt());
        this.wear = Wear.fresh(mixed.volumeMl());
        if (before != null && bath.oneShot() == null) {
            wear = wear.afterRun(before.rolls(), before.rolls(), bath.capacityForMl(), 0);
        }
    }

    /** Ends the spell of storage that went on until now, because something about it is about to change. */
    private void endSpell(Stamp stamp) {
        if (stamp.happenedAt().isAfter(spellFrom)) {
            spells.add(spell(stamp.happenedAt()));
            spellFrom = stamp.happenedAt();
        }
    }

    private StorageAge.Spell spell(@Nullable Instant until) {
        double capacity = kept.bottle().capacityMl();
        double headspace = Math.max(0, Math.min(1, 1 - Math.max(0, wear.volumeMl()) / capacity));
        return new StorageAge.Spell(spellFrom, until, headspace, kept.air(), kept.place(), 1);
    }

    private List<StorageAge.Spell> spells() {
        List<StorageAge.Spell> all = new ArrayList<>(spells);
        all.add(spell(discarded == null ? null : discarded.at()));
        return all;
    }

    MixedFill mixed() {
        return mixed;
    }

    void run(Stamp stamp, double equivalents, RunBath runBath) {
        see(stamp);
        endSpell(stamp);
        about |= stamp.about();
        if (bath.oneShot() == null) {
            wear = wear.afterRun(equivalents, runBath.wearEquivalents(), bath.capacityForMl(), runBath.carryOverMl());
        } else {
            wear = wear.afterPouringAway(runBath.pouredAwayMl());
        }
        rollsAfterRun.put(stamp.sequence(), wear.rolls());
        path.add(new FillState.Worn(stamp.happenedAt(), wear.scaledRolls()));
    }

    /** A run under way has its rolls already, and what is in the tank is not in the bottle. */
    void start(RunStarted start, RunBath runBath) {
        run(start.stamp(), start.equivalents(), runBath);
        inUse.add(new FillState.InUse(
                start.stamp().sequence(),
                start.stamp().happenedAt(),
                start.stamp().who(),
                start.equivalents(),
                bath.oneShot() == null ? start.tankMl() - runBath.carryOverMl() : 0));
    }

    void move(FillMoved moved) {
        see(moved.stamp());
        endSpell(moved.stamp());
        kept = new FillState.Kept(
                moved.bottle(), moved.place(), moved.air(), moved.stamp().happenedAt());
    }

    void override(LimitOverridden entry) {
        overrides.add(new FillState.PassedLimit(
                entry.stamp().happenedAt(), entry.stamp().who(), entry.limits(), entry.reason()));
    }

    void spill(FillSpilled spilled) {
        endSpell(spilled.stamp());
        about |= spilled.stamp().about();
        wear = wear.afterSpill(spilled.volumeMl());
    }

    void topUp(FillToppedUp topped) {
        see(topped.stamp());
        endSpell(topped.stamp());
        about |= topped.stamp().about();
        double share = Math.max(0, wear.volumeMl()) / (Math.max(0, wear.volumeMl()) + topped.volumeMl());
        spells.replaceAll(spell -> new StorageAge.Spell(
                spell.from(), spell.until(), spell.headspace(), spell.air(), spell.place(), spell.kept() * share));
        wear = wear.afterToppingUp(topped.volumeMl());
        path.add(new FillState.Worn(topped.stamp().happenedAt(), wear.scaledRolls()));
    }

    /** A look whose finding was put down to something else neither condemns, nor reassures, nor replaces. */
    void inspect(FillInspected look) {
        if (look.chemistry()) {
            inspected = new Inspected(look.result(), look.stamp().happenedAt(), wear.rolls());
            trimPercent = look.trimPercent();
        }
    }

    /** It counts from the run whose film it was; a trim concerns the developer of the image alone. */
    void inspect(FilmInspected look) {
        if (look.chemistry()) {
            double then = rollsAfterRun.getOrDefault(look.run(), wear.rolls());
            inspected = new Inspected(look.result(), look.stamp().happenedAt(), then);
        }
        Double trim = look.trimPercent();
        if (trim != null && leaflet.isImageDeveloper(bath)) {
            trimPercent = trim;
        }
    }

    void see(Stamp stamp) {
        seenAt = stamp.happenedAt();
    }

    void look(BathLooked looked) {
        see(looked.stamp());
        signs.add(looked.sign());
    }

    void measure(FillMeasured measured) {
        see(measured.stamp());
        endSpell(measured.stamp());
        wear = wear.measuredAt(measured.volumeMl());
    }

    void bar(FillBarred barred) {
        bar = new FillState.Bar(barred.stamp().happenedAt(), barred.stamp().who(), barred.reason());
    }

    void liftBar() {
        bar = null;
    }

    void discard(FillsDiscarded entry, DiscardedFill fill) {
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
                spells(),
                signs,
                path,
                seenAt,
                overrides);
    }
}
