package mezcla.verdict;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BathRenewed;
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

/**
 * Looks for ways out, by adding rows to the log that nobody wrote.
 *
 * @param book the whole log
 * @param batches the batches that could be asked
 * @param question the run as it was asked for
 */
record WayOutSearch(LogBook book, List<BatchState> batches, RunQuestion question) {
    private static final long NOBODYS_FILL = -1;

    static WayOutSearch of(LogBook book, RunQuestion question, Set<FilmProcess> processes) {
        List<BatchState> batches = book.state().standing().stream()
                .filter(batch -> processes.isEmpty() || processes.contains(batch.process()))
                .toList();
        return new WayOutSearch(book, batches, question);
    }

    Optional<WayOut> smallerTank(List<RunQuestion.InTank> tanks) {
        return tanks.stream()
                .filter(tank -> tank.takesMl() < question.tankMl())
                .sorted(Comparator.comparingDouble(RunQuestion.InTank::takesMl).reversed())
                .map(question::inTank)
                .flatMap(smaller ->
                        Shortlist.first(batches.stream()
                                        .map(batch -> RunPlan.of(batch, smaller))
                                        .toList())
                                .stream())
                .findFirst()
                .map(WayOut.SmallerTank::new);
    }

    Optional<WayOut> twoLoads() {
        List<Roll> rolls = question.rolls();
        if (rolls.size() < 2) {
            return Optional.empty();
        }
        int half = (rolls.size() + 1) / 2;
        RunQuestion firstHalf = question.ofRolls(rolls.subList(0, half));
        RunQuestion secondHalf = question.ofRolls(rolls.subList(half, rolls.size()));
        return batches.stream()
                .map(batch -> RunPlan.of(batch, firstHalf))
                .filter(RunPlan::fits)
                .map(load -> new WayOut.TwoLoads(load, RunPlan.of(afterLoad(load), secondHalf)))
                .filter(loads -> loads.second().fits())
                .map(WayOut.class::cast)
                .findFirst();
    }

    private BatchState afterLoad(RunPlan load) {
        return book.supposing(question.at(), List.of(logged(load)))
                .state()
                .batch(load.batch().id());
    }

    Optional<WayOut> toppedUp() {
        return batches.stream().flatMap(batch -> toppedUp(batch).stream()).findFirst();
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

    Optional<WayOut> renewed() {
        return batches.stream().flatMap(batch -> renewed(batch).stream()).findFirst();
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
        return plan.fits() ? Optional.of(new Done(plan, fresh)) : Optional.empty();
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
