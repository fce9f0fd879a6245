package mezcla.web.label;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mezcla.batch.BatchState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.PartState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Slack;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.verdict.NextRolls;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.BottledBath;
import mezcla.web.bench.begun.Mixes;
import mezcla.web.drawing.QrDrawing;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.log.DarkroomLog;
import mezcla.web.ribbon.StepsView;
import mezcla.web.run.course.RunService;
import mezcla.web.words.CautionWords;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.OneShotWords;
import mezcla.web.words.ReasonWords;
import mezcla.web.words.SchoolWords;
import mezcla.web.words.StateWords;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes labels for bottles, and cards for evenings without a screen. */
@Service
public class LabelService {
    /** How many rolls a card has room for. */
    public static final int CARD_ROLLS = 10;

    private static final int MOST_BOXES = 24;
    private static final double MINUTES_A_DAY = 24 * 60;

    private final DarkroomLog log;
    private final HouseService houses;
    private final Mixes mixes;
    private final RunService runs;
    private final Planning planning;

    LabelService(DarkroomLog log, HouseService houses, Mixes mixes, RunService runs, Planning planning) {
        this.log = log;
        this.houses = houses;
        this.mixes = mixes;
        this.runs = runs;
        this.planning = planning;
    }

    /**
     * The labels of what stands of a batch.
     *
     * @param address where links lead when the house has not said
     */
    @Transactional(readOnly = true)
    public List<LabelView> ofBatch(long batchId, String address) {
        LogBook book = log.book();
        BatchState batch = book.state().batch(batchId);
        return batch.fills().stream()
                .filter(fill -> fill.discarded() == null && !batch.isGuest(fill))
                .map(fill -> label(
                        new BottledBath(
                                fill.id(),
                                batchId,
                                batch.mixed().name(),
                                fill.leaflet(),
                                fill.bath(),
                                fill.mixed().volumeMl(),
                                fill.mixture(),
                                fill.bottle().label(),
                                fill.mixedAt(),
                                book.making(fill.id())
                                        .map(row -> row.stamp().who())
                                        .orElse("")),
                        address))
                .toList();
    }

    /** The labels of what is in its bottle already of a mix that is under way. */
    @Transactional(readOnly = true)
    public List<LabelView> ofMix(long mixId, String address) {
        return mixes.bottled(mixId).stream().map(bath -> label(bath, address)).toList();
    }

    private LabelView label(BottledBath bath, String address) {
        House house = houses.house();
        String code = ShortCode.of(bath.fillId());
        String home = house.address() == null ? address : house.address();
        return new LabelView(
                house.name(),
                "Batch %d, %s".formatted(bath.batchId(), bath.batchName()),
                bath.bath().role().letters(),
                "%s, %s"
                        .formatted(
                                bath.bath().role().name(),
                                Figures.within(bath.leaflet().process().name())),
                Figures.ml(bath.volumeMl()),
                "Mixed %s by %s".formatted(Figures.dayAndYear(bath.mixedAt(), house.timeZone()), bath.mixedBy()),
                limits(bath),
                dates(bath, house.timeZone()),
                boxes(bath),
                MixtureWords.of(bath.mixture()),
                cautions(bath.leaflet(), bath.bath()),
                WasteRoute.of(bath.bath().role()).words() + ". Read local rules first.",
                code,
                QrDrawing.of(home.replaceAll("/+$", "") + "/codes/" + code),
                bath.bottle());
    }

    private String limits(BottledBath bath) {
        List<String> limits = new ArrayList<>();
        Bath allowed = houses.judging().standIns().over(bath.bath());
        Range capacity = allowed.capacity();
        if (allowed.oneShot() != null) {
            limits.add(stock(allowed, allowed.oneShot()));
        } else if (capacity != null) {
            double chemistry = bath.volumeMl() * bath.mixture().weakest();
            limits.add("%s rolls".formatted(scaled(capacity, allowed, chemistry)) + ReasonWords.whose(capacity));
        }
        Range life = allowed.lifeDays();
        if (life != null) {
            limits.add("%s days".formatted(range(life.min(), life.max())) + ReasonWords.whose(life));
        }
        return limits.isEmpty() ? "No limit printed" : Figures.sentence(String.join(" or ", limits));
    }

    private String dates(BottledBath bath, ZoneId zone) {
        Range life = houses.judging().standIns().over(bath.bath()).lifeDays();
        if (life == null) {
            return "";
        }
        String last = "last day " + Figures.dayAndYear(after(bath.mixedAt(), life.max()), zone);
        return Figures.sentence(
                life.min() < life.max()
                        ? "test from %s, %s".formatted(Figures.day(after(bath.mixedAt(), life.min()), zone), last)
                        : last);
    }

    private static Instant after(Instant from, double days) {
        return from.plus(Duration.ofMinutes(Math.round(days * MINUTES_A_DAY)));
    }

    /** A box for each whole roll that it takes, at most as many as a label has room for. */
    private List<LabelView.Box> boxes(BottledBath bath) {
        Bath allowed = houses.judging().standIns().over(bath.bath());
        Range capacity = allowed.capacity();
        if (capacity == null) {
            return List.of();
        }
        double chemistry = bath.volumeMl() * bath.mixture().weakest();
        int rolls = (int) Math.min(MOST_BOXES, Slack.floor(allowed.rollsIn(chemistry, capacity.max())));
        double tested = allowed.rollsIn(chemistry, capacity.min());
        return IntStream.rangeClosed(1, rolls)
                .mapToObj(number -> new LabelView.Box(number, Slack.exceeds(number, tested)))
                .toList();
    }

    /**
     * A label for each vial of a kit's parts that is left.
     *
     * @param kitId the kit
     * @param address where links lead when the house has not said
     * @throws mezcla.measure.Refusal {@code unknown-kit}
     */
    @Transactional(readOnly = true)
    public List<LabelView> ofVials(long kitId, String address) {
        KitState kit = log.state().kit(kitId);
        return kit.parts().stream()
                .flatMap(part -> IntStream.rangeClosed(1, part.vialsLeft())
                        .mapToObj(vial -> vial(kit, part, Objects.requireNonNull(part.decanted()), vial, address)))
                .toList();
    }

    private LabelView vial(KitState kit, PartState part, PartState.Decanted decanted, int vial, String address) {
        House house = houses.house();
        Leaflet leaflet = kit.arrival().leaflet();
        Bath bath = leaflet.baths().stream()
                .filter(each -> each.recipe().additions().stream()
                        .anyMatch(addition -> addition.part().equals(part.part().key())))
                .findFirst()
                .orElse(leaflet.baths().get(0));
        Double keeps = part.keepsOpenDays();
        String home = house.address() == null ? address : house.address();
        return new LabelView(
                house.name(),
                "Kit %d, %s".formatted(kit.id(), leaflet.name()),
                bath.role().letters(),
                part.part().name(),
                Figures.amount(decanted.amount() / decanted.vials(), part.part().unit()),
                "Decanted " + Figures.dayAndYear(decanted.at(), house.timeZone()),
                "Concentrate, vial %d of %d".formatted(vial, decanted.vials()),
                keeps == null ? "" : "Last day " + Figures.dayAndYear(after(decanted.at(), keeps), house.timeZone()),
                List.of(),
                "",
                cautions(leaflet, bath),
                WasteRoute.of(bath.role()).words() + ". Read local rules first.",
                "",
                QrDrawing.of(home.replaceAll("/+$", "") + "/kits/" + kit.id()),
                "vial " + vial);
    }

    private static String stock(Bath bath, Bath.OneShot oneShot) {
        return oneShot.waterParts() == 0
                ? "stock, used as it is and poured to waste after each run"
                : "stock: %s + %s with water at %s for each run, then to waste"
                        .formatted(
                                Figures.plain(oneShot.stockParts(), 1),
                                Figures.plain(oneShot.waterParts(), 1),
                                Figures.celsius(bath.timing().atC()));
    }

    private static String scaled(Range capacity, Bath bath, double volumeMl) {
        return range(bath.rollsIn(volumeMl, capacity.min()), bath.rollsIn(volumeMl, capacity.max()));
    }

    private static String range(double min, double max) {
        String least = Figures.plain(min, 1);
        String most = Figures.plain(max, 1);
        return least.equals(most) ? most : least + "–" + most;
    }

    private static String cautions(Leaflet leaflet, Bath bath) {
        List<String> words =
                new ArrayList<>(List.of("Gloves, eye protection.", "Keep from children; not for drinking."));
        Caution.onLabel(leaflet, bath).stream().map(CautionWords::onLabel).forEach(words::add);
        return String.join(" ", words);
    }

    /** The batch in which the bottle with a code stands; empty where the code was never given. */
    @Transactional(readOnly = true)
    public Optional<Long> batchOf(String code) {
        long fill = ShortCode.fillOf(code);
        LogState state = log.state();
        return state.batches().values().stream()
                .filter(batch -> batch.own().anyMatch(each -> each.id() == fill))
                .map(BatchState::id)
                .findFirst();
    }

    /**
     * A card of the next rolls.
     *
     * @param name what the batch is called
     * @param baths the letters and names of its baths
     * @param rows the rolls
     * @param end why there are no more rows; empty where only the card ends
     * @param until the last day that the batch allows; empty for no limit
     * @param judged how strictly it is judged
     * @param process what film it is for
     * @param tank the tank that it is for
     * @param tankId which one that is; 0 for none of the house's
     * @param turned whether it is for the rotary base, and not by hand: times, steps, agitation and tank belong together
     * @param steps what film goes through, in order
     * @param oneShots how each one-shot is made ready
     * @param remarks what is said about the next roll
     */
    public record Card(
            String name,
            List<Column> baths,
            List<Row> rows,
            String end,
            String until,
            String judged,
            String process,
            String tank,
            long tankId,
            boolean turned,
            List<StepsView.Line> steps,
            List<String> oneShots,
            List<String> remarks) {}

    /** A bath of a card. */
    public record Column(String letters, String name) {}

    /**
     * A roll of a card.
     *
     * @param number which
     * @param times how long it is in each bath
     * @param told the same by fill in seconds, so that a roll that is ticked is logged with the times that the card told
     * @param state the batch's state in a word
     */
    public record Row(int number, List<String> times, String told, String state) {}

    /**
     * The card of a batch: one roll a run, in the smallest tank, each planned as a run is.
     *
     * @throws mezcla.measure.Refusal {@code unknown-batch} or {@code batch-ended}
     */
    @Transactional(readOnly = true)
    public Card card(long batchId) {
        LogBook book = log.book();
        BatchState batch = book.state().batch(batchId);
        NextRolls next = NextRolls.of(book, batchId, CARD_ROLLS, planning.asUsed(planning.nextRoll(), batch));
        RunPlan first = next.rolls().get(0).plan();
        RunPlan last = next.rolls().get(next.rolls().size() - 1).plan();
        boolean fits = first.fits();
        boolean turned = first.question().tank().turning();
        Tank tank = houses.tanks().stream()
                .map(each -> each.moved(turned ? Movement.ROTARY : Movement.PRINTED))
                .filter(each -> each.asUsed().equals(first.question().tank()))
                .findFirst()
                .orElse(null);
        return new Card(
                "Batch %d, %s".formatted(batchId, batch.mixed().name()),
                first.baths().stream()
                        .map(bath -> bath.fill().bath().role())
                        .map(role -> new Column(role.letters(), role.name()))
                        .toList(),
                next.within().stream().map(LabelService::row).toList(),
                last.fits() ? "" : ObjectionWords.of(last.objections().get(0)),
                StateWords.until(first),
                SchoolWords.of(first.question().judging().school(batch.process(), false)),
                first.batch().process().name(),
                tank == null ? "tank" : tank.name(),
                tank == null ? 0 : tank.id(),
                turned,
                fits
                        ? StepsView.lines(
                                first.steps(
                                        turned
                                                ? RunSteps.Choices.USUAL.moved(Movement.ROTARY)
                                                : RunSteps.Choices.USUAL),
                                first.question().tankMl())
                        : List.of(),
                first.baths().stream()
                        .filter(bath -> fits && bath.fill().bath().oneShot() != null)
                        .map(bath -> bath.fill().bath().role().name() + ", " + OneShotWords.mixed(bath))
                        .toList(),
                first.remarks().stream().map(ObjectionWords::of).toList());
    }

    private static Row row(NextRolls.Next next) {
        return new Row(
                next.number(),
                next.plan().baths().stream()
                        .map(bath -> bath.shown().map(ProcessingTime::toString).orElse("–"))
                        .toList(),
                next.plan().baths().stream()
                        .flatMap(bath ->
                                bath.shown().stream().map(time -> bath.fill().id() + ":" + time.seconds()))
                        .collect(Collectors.joining(",")),
                StateWords.of(next.plan()));
    }

    /**
     * A box of a card that was ticked.
     *
     * @param owner whose roll it was
     * @param format its format
     * @param when when it was run
     * @param told how long the card told it to be in each bath, in seconds by fill
     */
    record Ticked(String owner, FilmFormat format, Instant when, Map<Long, Integer> told) {}

    /**
     * Logs what was ticked on a card, all of it in one go: each box is a run of its own.
     *
     * @throws mezcla.measure.Refusal {@code in-the-future}, {@code before-mixing} or {@code batch-ended}
     */
    @Transactional
    public void enter(SignedIn who, long batchId, Tank tank, Map<Integer, Ticked> boxes) {
        boxes.values()
                .forEach(box -> runs.logEarlier(
                        who,
                        batchId,
                        new RunService.Asked(
                                List.of(new Roll(
                                        box.owner(), box.format(), box.format().equivalents(), 0, false)),
                                tank,
                                null),
                        box.when(),
                        false,
                        tank.turning() ? RunSteps.Choices.USUAL.moved(Movement.ROTARY) : RunSteps.Choices.USUAL,
                        bath -> bath.really(box.told().get(bath.fillId()), bath.celsius())));
    }
}
