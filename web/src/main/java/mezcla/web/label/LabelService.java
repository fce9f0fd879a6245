package mezcla.web.label;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.PartState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Bottle;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Slack;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.verdict.FillLimits;
import mezcla.verdict.NextRolls;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.drawing.QrDrawing;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.ribbon.shown.StepsView;
import mezcla.web.run.course.RunService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.CautionWords;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.OneShotWords;
import mezcla.web.words.SchoolWords;
import mezcla.web.words.verdict.StateWords;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes labels for bottles, and cards for evenings without a screen. */
@Service
public class LabelService {
    /** How many rolls a card has room for. */
    public static final int CARD_ROLLS = 10;

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
        return batch.ended() ? List.of() : labels(book, batch, fill -> !batch.isGuest(fill), address);
    }

    /** The labels of what is in its bottle already of a mix that is under way: those that its batch will have. */
    @Transactional(readOnly = true)
    public List<LabelView> ofMix(long mixId, String address) {
        Mixes.Bottled bottled = mixes.bottled(mixId);
        return bottled.fills().isEmpty()
                ? List.of()
                : labels(
                        bottled.book(),
                        bottled.book().state().batch(bottled.batchId()),
                        fill -> bottled.fills().contains(fill.id()),
                        address);
    }

    private List<LabelView> labels(LogBook book, BatchState batch, Predicate<FillState> wanted, String address) {
        RunPlan plan = planning.nextRoll(batch);
        return plan.limits().stream()
                .filter(limits -> wanted.test(limits.fill()))
                .map(limits -> label(plan, limits, maker(book, limits.fill()), address))
                .toList();
    }

    /** What went into the bottle: no more than it holds. */
    private static double bottledMl(FillState fill) {
        double mixed = fill.mixed().volumeMl();
        Bottle bottle = fill.mixed().bottle();
        return bottle.cameFull() ? mixed : Math.min(mixed, bottle.capacityMl());
    }

    private static String maker(LogBook book, FillState fill) {
        return book.making(fill.id()).map(row -> row.stamp().who()).orElse("");
    }

    private LabelView label(RunPlan plan, FillLimits limits, String mixedBy, String address) {
        House house = houses.house();
        FillState fill = limits.fill();
        BatchState batch = plan.batch();
        String code = ShortCode.of(fill.id());
        String home = house.address() == null ? address : house.address();
        return new LabelView(
                house.name(),
                "Batch %d, %s".formatted(batch.id(), batch.mixed().name()),
                fill.bath().role().letters(),
                fill.bath().role().name(),
                Figures.within(fill.leaflet().process().name()),
                Figures.ml(bottledMl(fill)),
                "Mixed %s%s%s"
                        .formatted(
                                Figures.dayAndYear(fill.mixedAt(), house.timeZone()),
                                fill.mixed().before() == null ? "" : " (about)",
                                mixedBy.isEmpty() ? "" : " by " + mixedBy),
                LimitWords.limits(limits, house.timeZone()),
                LimitWords.dates(limits),
                boxes(limits),
                fill.corrected() == null ? MixtureWords.of(fill.mixture()) : "Mistyped leaflet: see its batch",
                cautions(fill.leaflet(), fill.bath()),
                WasteRoute.of(fill.bath().role()).words() + ". Read local rules first.",
                code,
                QrDrawing.of(home.replaceAll("/+$", "") + "/codes/" + code),
                fill.bottle().label());
    }

    /** A box for each whole roll that it does in all, at most as many as a label has room for; those done are crossed. */
    private static List<LabelView.Box> boxes(FillLimits limits) {
        Double all = limits.rollsInAll();
        if (all == null) {
            return List.of();
        }
        Double tested = limits.rollsTestedFrom();
        int rolls = (int) Math.min(FillLimits.MOST_COUNTED, Slack.floor(all));
        return IntStream.rangeClosed(1, rolls)
                .mapToObj(number -> new LabelView.Box(
                        number,
                        tested != null && Slack.exceeds(number, tested),
                        Slack.reaches(limits.fill().rolls(), number)))
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
        double keeps = part.keepsOpenDays();
        String home = house.address() == null ? address : house.address();
        return new LabelView(
                house.name(),
                "Kit %d, %s".formatted(kit.id(), leaflet.name()),
                bath.role().letters(),
                part.part().name(),
                "",
                Figures.amount(decanted.each(), part.part().unit()),
                "Decanted " + Figures.dayAndYear(decanted.at(), house.timeZone()),
                "Concentrate, vial %d of %d".formatted(vial, decanted.vials()),
                "Last day " + Figures.dayAndYear(lastDay(decanted.at(), keeps, house.timeZone())),
                List.of(),
                "",
                cautions(leaflet, bath),
                WasteRoute.of(bath.role()).words() + ". Read local rules first.",
                "",
                QrDrawing.of(home.replaceAll("/+$", "") + "/kits/" + kit.id()),
                "vial " + vial);
    }

    /** The day of decanting, and whole days after it (rules, section 2). */
    private static LocalDate lastDay(Instant from, double days, ZoneId zone) {
        return LocalDate.ofInstant(from, zone).plusDays((long) Slack.floor(days));
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
