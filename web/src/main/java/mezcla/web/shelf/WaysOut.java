package mezcla.web.shelf;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.measure.ProcessingTime;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.KitCost;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.WayOut;
import mezcla.web.house.Tank;
import mezcla.web.words.Figures;

/** Tells what else can be done when no batch takes the film, each with time and cost. */
public final class WaysOut {
    private final LogBook book;
    private final RunQuestion question;
    private final List<Tank> tanks;
    private final String process;

    /** What else can be done with the film of a question; process is the key of the one that it wants, empty for any. */
    public WaysOut(LogBook book, RunQuestion question, List<Tank> tanks, String process) {
        this.book = book;
        this.question = question;
        this.tanks = tanks;
        this.process = process;
    }

    /** The ways, the easiest first. */
    public List<ShelfView.WayOutView> views() {
        List<ShelfView.WayOutView> views = new ArrayList<>();
        WayOut.of(
                        book,
                        question,
                        wantedProcesses(),
                        tanks.stream().map(Tank::asUsed).toList())
                .forEach(way -> views.add(view(way)));
        KitState.toOffer(book.state().kits().values(), FilmProcess.of(process), question.tankMl(), question.at())
                .ifPresent(kit -> views.add(mix(kit)));
        return views;
    }

    private Set<FilmProcess> wantedProcesses() {
        return process.isEmpty() ? Set.of() : Set.of(FilmProcess.of(process));
    }

    private ShelfView.WayOutView view(WayOut way) {
        long batch = way.plan().batch().id();
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
                    run(batch));
        }
        if (way instanceof WayOut.ToppedUp topped) {
            WayOut.Fresh first = topped.added().get(0);
            return new ShelfView.WayOutView(
                    "Top up batch %d with %s".formatted(batch, volumes(topped.added())),
                    "%s, then %s%s".formatted(baths(topped.added()), time(way.plan()), price(topped.added())),
                    "/fills/%d/top-up?volume=%s&kit=%d"
                            .formatted(
                                    first.fill().id(),
                                    typed(first.volumeMl()),
                                    first.kit().id()));
        }
        if (way instanceof WayOut.Renewed renewed) {
            WayOut.Fresh first = renewed.renewed().get(0);
            return new ShelfView.WayOutView(
                    "Renew the %s of batch %d".formatted(baths(renewed.renewed()), batch),
                    "%s, then %s%s".formatted(volumes(renewed.renewed()), time(way.plan()), price(renewed.renewed())),
                    "/batches/%d/renew?bath=%s&volume=%s&kit=%d"
                            .formatted(
                                    batch,
                                    first.fill().mixed().bathKey(),
                                    typed(first.volumeMl()),
                                    first.kit().id()));
        }
        return new ShelfView.WayOutView(
                "The %s through batch %d".formatted(tankName(way.plan()), batch),
                time(way.plan()) + cost(way.plan()),
                run(batch));
    }

    private static String run(long batch) {
        return "/batches/" + batch + "/run";
    }

    /** A volume as it could be typed, for an address, rounded up to what fills the tank. */
    private static String typed(double volumeMl) {
        return String.format(Locale.ROOT, "%.0f%%20ml", Math.ceil(volumeMl - 1e-6));
    }

    private static String baths(List<WayOut.Fresh> fresh) {
        return fresh.stream()
                .map(each -> Figures.within(each.fill().bath().role().name()))
                .collect(Collectors.joining(" and "));
    }

    private static String volumes(List<WayOut.Fresh> fresh) {
        String first = Figures.ml(Math.ceil(fresh.get(0).volumeMl() - 1e-6));
        boolean alike =
                fresh.stream().mapToDouble(WayOut.Fresh::volumeMl).distinct().count() == 1;
        if (alike) {
            return fresh.size() == 1 ? first : first + " of each";
        }
        return fresh.stream()
                .map(each -> Figures.ml(Math.ceil(each.volumeMl() - 1e-6)))
                .collect(Collectors.joining(" and "));
    }

    private static String price(List<WayOut.Fresh> fresh) {
        return fresh.stream()
                .map(each ->
                        each.kit().landed().multipliedBy(BigDecimal.valueOf(each.kitShare()), RoundingMode.HALF_UP))
                .reduce((one, other) -> one.plus(other))
                .map(money -> ", " + Figures.money(money) + " of chemistry")
                .orElse("");
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
        return BatchCost.of(
                        book.state().batch(plan.batch().id()),
                        FillCosts.of(book.state()),
                        question.judging().standIns()::over)
                .flatMap(BatchCost::atPrintedCapacity)
                .map(money -> ", " + Figures.money(money) + " a roll")
                .orElse("");
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
