package mezcla.web.shelf;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.ProcessingTime;
import mezcla.money.BatchCost;
import mezcla.money.FillCosts;
import mezcla.money.KitCost;
import mezcla.money.PrintedLimits;
import mezcla.processing.Movement;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.WayOut;
import mezcla.web.forms.Query;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/** Tells what else can be done when no batch takes the film, each with time and cost. */
public final class WaysOut {
    private final Map<Long, Optional<Money>> prices = new HashMap<>();
    private final LogBook book;
    private final RunQuestion question;
    private final List<Tank> tanks;
    private final String process;
    private final @Nullable Long batch;

    /**
     * What else can be done with the film of a question.
     *
     * @param process the key of the process that it wants; empty for any
     * @param batch the batch that was asked; null for any
     */
    public WaysOut(LogBook book, RunQuestion question, List<Tank> tanks, String process, @Nullable Long batch) {
        this.book = book;
        this.question = question;
        this.tanks = tanks.stream()
                .filter(tank -> !question.tank().turning() || tank.rotaryMl() != null)
                .map(tank -> tank.moved(question.tank().turning() ? Movement.ROTARY : Movement.PRINTED))
                .toList();
        this.process = process;
        this.batch = batch;
    }

    /** The ways, the easiest first. */
    public List<ShelfView.WayOutView> views() {
        List<ShelfView.WayOutView> views = new ArrayList<>();
        WayOut.of(
                        book,
                        new WayOut.Wanted(
                                question,
                                batch,
                                wantedProcesses(),
                                tanks.stream().map(Tank::asUsed).toList(),
                                plan -> price(plan)
                                        .map(money -> money.getAmount().doubleValue())
                                        .orElse(Double.MAX_VALUE)))
                .forEach(way -> views.add(way.tell(new Views())));
        return views;
    }

    private Set<FilmProcess> wantedProcesses() {
        return process.isEmpty() ? Set.of() : Set.of(FilmProcess.of(process));
    }

    /** How each kind of way reads. */
    private final class Views implements WayOut.Told<ShelfView.WayOutView> {
        @Override
        public ShelfView.WayOutView otherTank(WayOut.OtherTank way) {
            return new ShelfView.WayOutView(
                    "The %s through batch %d".formatted(tankName(way.plan()), batch(way)),
                    time(way.plan()) + cost(way.plan()),
                    run(way.plan()));
        }

        @Override
        public ShelfView.WayOutView twoLoads(WayOut.TwoLoads way) {
            return new ShelfView.WayOutView(
                    "Two loads through batch " + batch(way),
                    "%s and %s: %s, then %s%s"
                            .formatted(
                                    Figures.countOfRolls(way.plan().question().equivalents()),
                                    Figures.countOfRolls(way.second().question().equivalents()),
                                    time(way.plan()),
                                    time(way.second()),
                                    inTank(way.plan()) + cost(way.plan())),
                    run(way.plan()));
        }

        @Override
        public ShelfView.WayOutView otherBatch(WayOut.OtherBatch way) {
            return new ShelfView.WayOutView(
                    "Batch %d, %s"
                            .formatted(batch(way), way.plan().batch().mixed().name()),
                    time(way.plan()) + inTank(way.plan()) + cost(way.plan()),
                    run(way.plan()));
        }

        @Override
        public ShelfView.WayOutView toppedUp(WayOut.ToppedUp way) {
            WayOut.Fresh first = way.added().get(0);
            return new ShelfView.WayOutView(
                    "Top up batch %d with %s".formatted(batch(way), volumes(way.added())),
                    "%s, then %s%s".formatted(baths(way.added()), time(way.plan()), price(way.added())),
                    "/fills/%d/top-up?volume=%s&kit=%d"
                            .formatted(
                                    first.fill().id(),
                                    typed(first.volumeMl()),
                                    first.kit().id()));
        }

        @Override
        public ShelfView.WayOutView renewed(WayOut.Renewed way) {
            WayOut.Fresh first = way.renewed().get(0);
            return new ShelfView.WayOutView(
                    "Renew the %s of batch %d".formatted(baths(way.renewed()), batch(way)),
                    "%s, then %s%s".formatted(volumes(way.renewed()), time(way.plan()), price(way.renewed())),
                    "/batches/%d/renew?bath=%s&volume=%s&kit=%d"
                            .formatted(
                                    batch(way),
                                    first.fill().mixed().bathKey(),
                                    typed(first.volumeMl()),
                                    first.kit().id()));
        }

        @Override
        public ShelfView.WayOutView freshMix(WayOut.FreshMix way) {
            return mix(way);
        }

        private static long batch(WayOut way) {
            return way.plan().batch().id();
        }
    }

    /** The tank, where it is another one than was asked for. */
    private String inTank(RunPlan plan) {
        return plan.question().tank().equals(question.tank()) ? "" : ", in the " + tankName(plan);
    }

    /** The plan of that run, with the film that goes into it. */
    private String run(RunPlan plan) {
        Query address = new Query();
        List<Roll> rolls = plan.question().rolls();
        int line = 0;
        for (Roll roll : new LinkedHashSet<>(rolls)) {
            String film = "film[" + line++ + "].";
            address.with(film + "count", Collections.frequency(rolls, roll))
                    .with(film + "format", roll.format().label())
                    .with(film + "owner", roll.owner());
        }
        if (plan.question().irreplaceable()) {
            address.with("irreplaceable", true);
        }
        if (plan.question().tank().turning()) {
            address.with("movement", Movement.ROTARY.name());
        }
        tank(plan).ifPresent(tank -> address.with("tank", tank.id()));
        String push =
                BigDecimal.valueOf(plan.question().stops()).stripTrailingZeros().toPlainString();
        return "/batches/%d/run?%s"
                .formatted(
                        plan.batch().id(),
                        address.with("push", push)
                                .with("madeFor", plan.batch().process().key()));
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

    private Optional<Tank> tank(RunPlan plan) {
        return tanks.stream()
                .filter(tank -> tank.asUsed().equals(plan.question().tank()))
                .findFirst();
    }

    private String tankName(RunPlan plan) {
        return tank(plan).map(Tank::name).orElse("same tank");
    }

    private static String time(RunPlan plan) {
        return plan.imageDeveloper()
                .flatMap(RunPlan.PlannedBath::shown)
                .map(ProcessingTime::toString)
                .orElse("–");
    }

    /** What a roll of a batch costs as printed; asked of many plans through few batches, so each is gone through once. */
    private Optional<Money> price(RunPlan plan) {
        return prices.computeIfAbsent(plan.batch().id(), id -> {
            BatchState logged = book.state().batch(id);
            return BatchCost.of(
                            logged,
                            FillCosts.of(book.state(), logged),
                            new PrintedLimits(question.judging().standIns()::over, question.tankMl(), question.zone()))
                    .flatMap(BatchCost::atPrintedCapacity);
        });
    }

    private String cost(RunPlan plan) {
        return price(plan).map(money -> ", " + Figures.money(money) + " a roll").orElse("");
    }

    private static ShelfView.WayOutView mix(WayOut.FreshMix fresh) {
        KitState kit = fresh.kit();
        return new ShelfView.WayOutView(
                "Mix %s from %s"
                        .formatted(
                                Figures.ml(fresh.volumeMl()),
                                kit.arrival().leaflet().name()),
                "%s fresh%s"
                        .formatted(
                                time(fresh.plan()),
                                KitCost.ofARoll(kit)
                                        .map(money -> ", " + Figures.money(money) + " a roll")
                                        .orElse("")),
                "/kits/%d/mix?volume=%s"
                        .formatted(kit.id(), fresh.volumeMl() == kit.allMl() ? "all" : typed(fresh.volumeMl())));
    }
}
