package mezcla.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
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
import mezcla.log.RunAccident;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.log.Sign;
import mezcla.log.Stamp;
import mezcla.mixing.Strength;
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
    private final Map<Long, Map<Integer, Finding>> loads = new LinkedHashMap<>();
    private Mixture mixture;
    private boolean bad;
    private boolean good;
    private boolean doubted;
    private @Nullable Inspected inspected;
    private FillState.@Nullable Bar bar;
    private FillState.@Nullable Discarded discarded;

    private final Map<Long, Instant> ranAt = new HashMap<>();

    private record Inspected(Finding result, Instant at, double rollsThen) {}

    FillFolding(Stamp stamp, MixedFill mixed, Leaflet leaflet, boolean oldParts) {
        Before before = mixed.before();
        this.mixed = mixed;
        this.leaflet = leaflet;
        this.bath = leaflet.counted(mixed.bathKey());
        this.mixedAt = before == null ? stamp.happenedAt() : before.mixedAt();
        this.spellFrom = mixedAt;
        this.seenAt = stamp.happenedAt();
        this.about = stamp.about() || before != null;
        this.kept = new FillState.Kept(mixed.bottle(), null, AirKept.NOTHING, stamp.happenedAt());
        Strength strength = Mixture.strength(bath.recipe(), mixed.uses(), mixed.volumeMl());
        this.mixture = Mixture.of(strength, oldParts, Mixture.isOffTemperature(leaflet, bath, mixed.mixedC()));
        this.wear = Wear.fresh(mixed.volumeMl(), strength.chemistryMl());
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

    /** The version of its leaflet that governs it. */
    Leaflet leaflet() {
        return leaflet;
    }

    boolean isDiscarded() {
        return discarded != null;
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
        ranAt.put(stamp.sequence(), stamp.happenedAt());
        loads.put(stamp.sequence(), new HashMap<>());
        path.add(new FillState.Worn(stamp.happenedAt(), wear.scaledRolls(), wear.rolls()));
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

    void topUp(FillToppedUp topped, boolean oldParts) {
        see(topped.stamp());
        endSpell(topped.stamp());
        about |= topped.stamp().about();
        double added = Mixture.strength(bath.recipe(), topped.uses(), topped.volumeMl())
                .chemistryMl();
        double share = wear.kept(added);
        spells.replaceAll(spell -> new StorageAge.Spell(
                spell.from(), spell.until(), spell.headspace(), spell.air(), spell.place(), spell.kept() * share));
        wear = wear.afterToppingUp(topped.volumeMl(), added);
        mixture = mixture.with(oldParts);
        path.add(new FillState.Worn(topped.stamp().happenedAt(), wear.scaledRolls(), wear.rolls()));
    }

    /** What happened in a run makes a developer doubtful until film or a clip has come out well (rules, section 7). */
    void doubt(RunAccident accident) {
        doubted |= accident.what().asksForClipTest() && bath.role().isDeveloper();
    }

    /** A look whose finding was put down to something else neither condemns, nor reassures, nor replaces. */
    void inspect(FillInspected look) {
        if (look.chemistry()) {
            count(look.result(), look.stamp().happenedAt(), wear.rolls());
            loads.computeIfAbsent(look.stamp().sequence(), load -> new HashMap<>())
                    .put(0, look.result());
        }
    }

    /** It counts from when its film was in the bath, whenever somebody looked; the latest look at a roll stands for it. */
    void inspect(FilmInspected look) {
        if (look.chemistry()) {
            count(
                    look.result(),
                    ranAt.getOrDefault(look.run(), look.stamp().happenedAt()),
                    rollsAfterRun.getOrDefault(look.run(), wear.rolls()));
            loads.computeIfAbsent(look.run(), load -> new HashMap<>()).put(look.roll(), look.result());
        }
    }

    /** A look at film that was in the bath earlier says nothing newer than what is known of later film. */
    private void count(Finding result, Instant inTheBath, double rollsThen) {
        if (inspected == null || !inTheBath.isBefore(inspected.at)) {
            inspected = new Inspected(result, inTheBath, rollsThen);
        }
        good |= result.isGood();
        doubted &= !result.isGood();
        bad |= result.isHeavy();
    }

    /** Trim concerns the developer of the image alone (rules, 4.5). */
    private double trimPercent() {
        return leaflet.isImageDeveloper(bath)
                ? Trim.percent(loads.values().stream()
                        .map(load -> List.copyOf(load.values()))
                        .toList())
                : 0;
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
                wear.chemistryMl(),
                wear.rolls(),
                wear.scaledRolls(),
                trimPercent(),
                mixture,
                new Outcome(good, bad, doubted),
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
                overrides,
                null);
    }
}
