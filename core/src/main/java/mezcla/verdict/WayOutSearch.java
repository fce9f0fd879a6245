package mezcla.verdict;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.BathRenewed;
import mezcla.log.Bottle;
import mezcla.log.DiscardedFill;
import mezcla.log.FillToppedUp;
import mezcla.log.FillsDiscarded;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.PartUse;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.log.Stamp;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.mixing.BatchPlan;
import mezcla.processing.TankFit;

/** Looks for ways out, by adding rows to the log that nobody wrote. */
final class WayOutSearch {
    private static final long NOBODYS_FILL = -1;
    private static final long NOBODYS_BATCH = -1;
    private static final int OTHER_BATCHES = 2;

    private final LogBook book;
    private final RunQuestion question;
    private final WayOut.Wanted wanted;
    /** The batch that was asked, where there is one; else every batch of the process, the cheapest and freshest first. */
    private final List<BatchState> asked;

    private final List<BatchState> others;

    WayOutSearch(LogBook book, WayOut.Wanted wanted) {
        this.book = book;
        this.wanted = wanted;
        this.question = wanted.question();
        List<BatchState> batches = book.state().standing().stream()
                .filter(batch ->
                        wanted.processes().isEmpty() || wanted.processes().contains(batch.process()))
                .sorted(Comparator.comparingDouble(
                                (BatchState batch) -> wanted.price().applyAsDouble(RunPlan.of(batch, question)))
                        .thenComparing(batch -> batch.mixed().foldedAt(), Comparator.reverseOrder()))
                .toList();
        Long first = wanted.batch();
        this.asked = batches.stream()
                .filter(batch -> first == null || batch.id() == first)
                .toList();
        this.others = batches.stream()
                .filter(batch -> first != null && batch.id() != first)
                .toList();
    }

    List<WayOut> all() {
        List<WayOut> ways = new ArrayList<>();
        otherTank().ifPresent(ways::add);
        twoLoads().ifPresent(ways::add);
        ways.addAll(otherBatches());
        toppedUp().ifPresent(ways::add);
        renewed().ifPresent(ways::add);
        freshMix().ifPresent(ways::add);
        return ways;
    }

    /** Whether a plan goes and may be proposed: film that cannot be made again never has to be tested for. */
    private boolean goes(RunPlan plan) {
        boolean ofAskedBatch = Long.valueOf(plan.batch().id()).equals(wanted.batch());
        return plan.isSure() && (!plan.isToBeTested() || ofAskedBatch);
    }

    /** The tanks that the film could go into, the one nearest to what was asked for first; that one is not among them. */
    private List<RunQuestion.InTank> otherTanks(RunQuestion film) {
        return wanted.tanks().stream()
                .filter(tank -> !tank.asksForReels() && !tank.equals(question.tank()))
                .filter(tank -> TankFit.of(
                                tank.holds(),
                                film.rolls().stream().map(Roll::format).toList())
                        .objection()
                        .isEmpty())
                .sorted(Comparator.comparingDouble(tank -> Math.abs(tank.takesMl() - question.tankMl())))
                .toList();
    }

    private Optional<RunPlan> inOtherTank(BatchState batch, RunQuestion film) {
        return otherTanks(film).stream()
                .map(tank -> RunPlan.of(batch, film.inTank(tank)))
                .filter(this::goes)
                .findFirst();
    }

    private Optional<RunPlan> inAnyTank(BatchState batch, RunQuestion film) {
        return Optional.of(RunPlan.of(batch, film)).filter(this::goes).or(() -> inOtherTank(batch, film));
    }

    private Optional<WayOut> otherTank() {
        return asked.stream()
                .flatMap(batch -> inOtherTank(batch, question).stream())
                .map(plan -> (WayOut) new WayOut.OtherTank(plan))
                .findFirst();
    }

    private List<WayOut> otherBatches() {
        return others.stream()
                .flatMap(batch -> inAnyTank(batch, question).stream())
                .map(plan -> (WayOut) new WayOut.OtherBatch(plan))
                .limit(OTHER_BATCHES)
                .toList();
    }

    private Optional<WayOut> twoLoads() {
        List<Roll> rolls = question.rolls();
        if (rolls.size() < 2) {
            return Optional.empty();
        }
        int half = (rolls.size() + 1) / 2;
        RunQuestion firstHalf = question.ofRolls(rolls.subList(0, half));
        RunQuestion secondHalf = question.ofRolls(rolls.subList(half, rolls.size()));
        return asked.stream()
                .flatMap(batch -> inAnyTank(batch, firstHalf).stream())
                .flatMap(load -> inAnyTank(afterLoad(load), secondHalf).stream()
                        .map(second -> (WayOut) new WayOut.TwoLoads(load, second)))
                .findFirst();
    }

    private BatchState afterLoad(RunPlan load) {
        return book.supposing(question.at(), List.of(logged(load)))
                .state()
                .batch(load.batch().id());
    }

    private Stream<BatchState> askedFirst() {
        return Stream.concat(asked.stream(), others.stream());
    }

    private Optional<WayOut> toppedUp() {
        return askedFirst().flatMap(batch -> toppedUp(batch).stream()).findFirst();
    }

    private Optional<WayOut> toppedUp(BatchState batch) {
        List<FillState> lacking = batch.fills().stream()
                .filter(fill -> fill.discarded() == null && fill.bath().oneShot() == null)
                .filter(fill -> Slack.exceeds(question.tank().leastMl(), fill.inBottleMl()))
                .toList();
        return after(batch, lacking, fill -> question.tankMl() - fill.inBottleMl(), this::addTo)
                .map(done -> new WayOut.ToppedUp(done.plan(), done.fresh()));
    }

    private Optional<List<Row>> addTo(BatchState batch, FillState fill, MixedFill fresh) {
        double after = fill.volumeMl() + fresh.volumeMl();
        return Slack.exceeds(after, fill.bottle().capacityMl())
                ? Optional.empty()
                : Optional.of(List.of(stamp -> new FillToppedUp(stamp, fill.id(), fresh.volumeMl(), fresh.uses())));
    }

    private Optional<WayOut> renewed() {
        return askedFirst().flatMap(batch -> renewed(batch).stream()).findFirst();
    }

    /** A batch of its own: every bath of a kit, as much as the tank takes, which then takes the film. */
    private Optional<WayOut> freshMix() {
        if (wanted.processes().isEmpty()) {
            return Optional.empty();
        }
        List<RunQuestion.InTank> tanks = Stream.concat(Stream.of(question.tank()), otherTanks(question).stream())
                .filter(tank -> !tank.asksForReels())
                .toList();
        return book.state().kits().values().stream()
                .filter(kit -> !kit.isFinished()
                        && wanted.processes().contains(kit.arrival().leaflet().process()))
                .sorted(KitState.bestFirst(WayOutSearch::baths, question.at()))
                .flatMap(kit -> tanks.stream().flatMap(tank -> freshMix(kit, tank).stream()))
                .findFirst();
    }

    private static List<String> baths(KitState kit) {
        return kit.complete().stream().map(Bath::key).toList();
    }

    private Optional<WayOut> freshMix(KitState kit, RunQuestion.InTank tank) {
        return Stream.of(tank.takesMl(), kit.usualVolumeMl())
                .filter(volumeMl -> Slack.reaches(volumeMl, tank.takesMl()))
                .distinct()
                .flatMap(volumeMl -> freshMix(kit, tank, volumeMl).stream())
                .findFirst();
    }

    private Optional<WayOut> freshMix(KitState kit, RunQuestion.InTank tank, double volumeMl) {
        List<MixedFill> fills = new ArrayList<>();
        try {
            for (BatchPlan.PlannedBath bath : kit.plan(volumeMl, baths(kit)).baths()) {
                long id = NOBODYS_FILL - fills.size();
                double madeMl = bath.mix().finalMl();
                fills.add(new MixedFill(
                        id,
                        kit.arrival().leaflet(),
                        bath.bath().key(),
                        madeMl,
                        "",
                        new Bottle(id, "", madeMl, Bottle.Material.GLASS),
                        kit.uses(bath),
                        null));
            }
        } catch (Refusal tooMuch) {
            return Optional.empty();
        }
        Row mixed = stamp -> new BatchMixed(stamp, NOBODYS_BATCH, "", fills);
        RunPlan plan = RunPlan.of(
                book.supposing(question.at(), List.of(mixed)).state().batch(NOBODYS_BATCH), question.inTank(tank));
        return plan.fits() ? Optional.of(new WayOut.FreshMix(plan, kit, volumeMl)) : Optional.empty();
    }

    private Optional<WayOut> renewed(BatchState batch) {
        List<Long> back = RunPlan.of(batch, question).heldBackBy();
        List<FillState> own =
                batch.fills().stream().filter(fill -> !batch.isGuest(fill)).toList();
        List<FillState> going =
                own.stream().filter(fill -> back.contains(fill.id())).toList();
        return going.size() == own.size()
                ? Optional.empty()
                : after(batch, going, fill -> fill.mixed().volumeMl(), this::replace)
                        .map(done -> new WayOut.Renewed(done.plan(), done.fresh()));
    }

    private Optional<List<Row>> replace(BatchState batch, FillState fill, MixedFill fresh) {
        Row renewal = stamp -> new BathRenewed(stamp, batch.id(), fresh);
        if (fill.discarded() != null) {
            return Optional.of(List.of(renewal));
        }
        DiscardedFill gone = new DiscardedFill(
                fill.id(), fill.volumeMl(), WasteRoute.of(fill.bath().role()));
        return Optional.of(List.of(stamp -> new FillsDiscarded(stamp, batch.id(), List.of(gone), ""), renewal));
    }

    /** A row that nobody wrote, given its stamp. */
    private interface Row extends Function<Stamp, LogEntry> {}

    /** What fresh solution becomes in the log. */
    private interface Step {
        Optional<List<Row>> rows(BatchState batch, FillState fill, MixedFill fresh);
    }

    private record Done(RunPlan plan, List<WayOut.Fresh> fresh) {}

    /** Mixes fresh solution for each fill in turn, each from what the one before left of the kits. */
    private Optional<Done> after(
            BatchState batch, List<FillState> fills, ToDoubleFunction<FillState> volumeMl, Step step) {
        if (fills.isEmpty() || fills.stream().anyMatch(fill -> !fill.inUse().isEmpty())) {
            return Optional.empty();
        }
        LogBook longer = book;
        List<WayOut.Fresh> fresh = new ArrayList<>();
        for (FillState fill : fills) {
            Optional<Mixed> mixed =
                    mixed(longer.state(), fill, volumeMl.applyAsDouble(fill), fresh.size(), question.at());
            Optional<List<Row>> rows = mixed.flatMap(each -> step.rows(batch, fill, each.fill()));
            if (rows.isEmpty()) {
                return Optional.empty();
            }
            longer = longer.supposing(question.at(), rows.get());
            fresh.add(mixed.get().fresh());
        }
        RunPlan plan = RunPlan.of(longer.state().batch(batch.id()), question);
        return goes(plan) ? Optional.of(new Done(plan, fresh)) : Optional.empty();
    }

    private record Mixed(MixedFill fill, WayOut.Fresh fresh) {}

    /** Mixes a bath from the first kit of the same leaflet to be offered that still makes that much of it, in ml. */
    private static Optional<Mixed> mixed(LogState then, FillState fill, double volumeMl, int number, Instant at) {
        return then.kits().values().stream()
                .filter(kit -> !kit.isFinished()
                        && kit.arrival().leaflet().key().equals(fill.leaflet().key()))
                .sorted(KitState.bestFirst(kit -> List.of(fill.mixed().bathKey()), at))
                .flatMap(kit -> mixed(kit, fill, volumeMl, number).stream())
                .findFirst();
    }

    private static Optional<Mixed> mixed(KitState kit, FillState fill, double volumeMl, int number) {
        String bath = fill.mixed().bathKey();
        try {
            List<PartUse> uses =
                    kit.uses(kit.plan(volumeMl, List.of(bath)).baths().get(0));
            MixedFill fresh =
                    new MixedFill(NOBODYS_FILL - number, fill.leaflet(), bath, volumeMl, "", fill.bottle(), uses, null);
            double share = uses.stream().mapToDouble(PartUse::kitShare).sum();
            return Optional.of(new Mixed(fresh, new WayOut.Fresh(fill, volumeMl, kit, share)));
        } catch (Refusal tooMuch) {
            return Optional.empty();
        }
    }

    private static Row logged(RunPlan plan) {
        return stamp -> new RunLogged(
                stamp,
                plan.batch().id(),
                plan.question().rolls(),
                plan.asRunBaths(),
                plan.question().tankMl(),
                List.of(),
                null);
    }
}
