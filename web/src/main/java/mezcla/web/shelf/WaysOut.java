package mezcla.web.shelf;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.KitState;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Stamp;
import mezcla.leaflet.Leaflet;
import mezcla.measure.ProcessingTime;
import mezcla.mixing.KitSplit;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.KitCost;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.WayOut;
import mezcla.web.house.Tank;
import mezcla.web.shell.Figures;

/** Tells what else can be done when no batch takes the film, each with time and cost. */
final class WaysOut {
    private final List<LogEntry> entries;
    private final LogState state;
    private final RunQuestion question;
    private final List<Tank> tanks;
    private final String process;

    WaysOut(List<LogEntry> entries, LogState state, RunQuestion question, List<Tank> tanks, String process) {
        this.entries = entries;
        this.state = state;
        this.question = question;
        this.tanks = tanks;
        this.process = process;
    }

    List<ShelfView.WayOutView> views() {
        List<BatchState> batches = state.standing().stream()
                .filter(batch -> process.isEmpty() || batch.process().key().equals(process))
                .toList();
        List<ShelfView.WayOutView> views = new ArrayList<>();
        WayOut.of(batches, question, tanks.stream().map(Tank::volumeMl).toList(), this::afterwards)
                .forEach(way -> views.add(view(way)));
        state.kits().values().stream()
                .filter(this::makesEnough)
                .min(Comparator.comparing(
                        (KitState kit) -> kit.arrival().stamp().happenedAt()))
                .ifPresent(kit -> views.add(mix(kit)));
        return views;
    }

    /** What a run would leave of its batch: the log with one more row. */
    private BatchState afterwards(RunPlan plan) {
        Instant now = question.at();
        Stamp stamp = new Stamp(Long.MAX_VALUE, now, now, "", false);
        List<LogEntry> longer = new ArrayList<>(entries);
        longer.add(new LogEntry.RunLogged(
                stamp,
                plan.batch().id(),
                plan.question().rolls(),
                plan.asRunBaths(),
                plan.question().tankMl(),
                List.of()));
        return LogState.fold(longer).batch(plan.batch().id());
    }

    private ShelfView.WayOutView view(WayOut way) {
        long batch = way.plan().batch().id();
        String page = "/batches/" + batch + "/run";
        if (way instanceof WayOut.TwoLoads loads) {
            return new ShelfView.WayOutView(
                    "Two loads through batch " + batch,
                    "%s and %s: %s, then %s%s"
                            .formatted(
                                    Figures.countOfRolls(loads.plan().question().equivalents()),
                                    Figures.countOfRolls(
                                            loads.second().question().equivalents()),
                                    time(loads.plan()),
                                    time(loads.second()),
                                    cost(way.plan())),
                    page);
        }
        return new ShelfView.WayOutView(
                "The %s through batch %d".formatted(tankName(way.plan()), batch),
                "%s, if the film fits it%s".formatted(time(way.plan()), cost(way.plan())),
                page);
    }

    private String tankName(RunPlan plan) {
        return tanks.stream()
                .filter(tank -> tank.volumeMl() == plan.question().tankMl())
                .findFirst()
                .map(Tank::name)
                .orElseThrow();
    }

    private static String time(RunPlan plan) {
        return plan.imageDeveloper()
                .flatMap(RunPlan.PlannedBath::shown)
                .map(ProcessingTime::toString)
                .orElse("–");
    }

    private String cost(RunPlan plan) {
        return BatchCost.of(plan.batch(), FillCosts.of(state))
                .flatMap(BatchCost::atPrintedCapacity)
                .map(money -> ", " + Figures.money(money) + " a roll")
                .orElse("");
    }

    private boolean makesEnough(KitState kit) {
        Leaflet leaflet = kit.arrival().leaflet();
        return leaflet.process().key().equals(process)
                && KitSplit.of(leaflet.recipes(), kit.left(), question.tankMl()).batches() > 0;
    }

    private ShelfView.WayOutView mix(KitState kit) {
        Leaflet leaflet = kit.arrival().leaflet();
        String fresh = leaflet.imageDeveloper()
                .map(bath -> ProcessingTime.shown(bath.timing().baseSeconds()).toString())
                .orElse("–");
        return new ShelfView.WayOutView(
                "Mix from %s".formatted(leaflet.name()),
                "%s fresh%s"
                        .formatted(
                                fresh,
                                KitCost.ofARoll(kit)
                                        .map(money -> ", " + Figures.money(money) + " a roll")
                                        .orElse("")),
                "/kits/" + kit.id() + "/mix");
    }
}
