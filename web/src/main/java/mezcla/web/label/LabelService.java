package mezcla.web.label;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.leaflet.WasteRoute;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.verdict.NextRolls;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.BottledBath;
import mezcla.web.bench.begun.Mixes;
import mezcla.web.drawing.QrDrawing;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.plan.RunService;
import mezcla.web.words.CautionWords;
import mezcla.web.words.Figures;
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

    LabelService(DarkroomLog log, HouseService houses, Mixes mixes, RunService runs) {
        this.log = log;
        this.houses = houses;
        this.mixes = mixes;
        this.runs = runs;
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
                bath.bath().role().name(),
                Figures.ml(bath.volumeMl()),
                "Mixed %s by %s".formatted(Figures.dayAndYear(bath.mixedAt(), house.timeZone()), bath.mixedBy()),
                limits(bath),
                cautions(bath.leaflet(), bath.bath()),
                WasteRoute.of(bath.bath().role()).words() + ". Read local rules first.",
                code,
                QrDrawing.of(home.replaceAll("/+$", "") + "/codes/" + code),
                bath.bottle());
    }

    private String limits(BottledBath bath) {
        List<String> limits = new ArrayList<>();
        Range capacity = bath.bath().capacity();
        if (bath.bath().oneShot() != null) {
            limits.add("poured away after each run");
        } else if (capacity != null) {
            limits.add("%s rolls".formatted(scaled(capacity, bath.bath(), bath.volumeMl())));
        }
        Range life = bath.bath().lifeDays();
        if (life != null) {
            limits.add("%s days".formatted(range(life.min(), life.max())));
        }
        return limits.isEmpty() ? "No limit printed" : Figures.sentence(String.join(" or ", limits));
    }

    private static String scaled(Range capacity, Bath bath, double volumeMl) {
        double scale = volumeMl / bath.capacityForMl();
        return range(capacity.min() * scale, capacity.max() * scale);
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
     * @param goodUntil the last day of the bath that goes first; empty for none
     */
    public record Card(String name, List<Column> baths, List<Row> rows, String goodUntil) {}

    /** A bath of a card. */
    public record Column(String letters, String name) {}

    /** A roll of a card. */
    public record Row(int number, List<String> times, boolean within) {}

    /** The card of a batch: one roll a run, in the smallest tank. */
    @Transactional(readOnly = true)
    public Card card(long batchId) {
        BatchState batch = log.state().batch(batchId);
        NextRolls next = NextRolls.of(batch, CARD_ROLLS, houses.tanks().get(0).volumeMl());
        List<FillState> standing =
                batch.fills().stream().filter(fill -> fill.discarded() == null).toList();
        String until = standing.stream()
                .flatMap(fill -> fill.lastDay().stream())
                .min(Instant::compareTo)
                .map(day -> Figures.day(day, houses.house().timeZone()))
                .orElse("");
        return new Card(
                "Batch %d, %s".formatted(batchId, batch.mixed().name()),
                standing.stream()
                        .map(fill -> new Column(
                                fill.bath().role().letters(), fill.bath().role().name()))
                        .toList(),
                next.rolls().stream()
                        .map(roll -> new Row(
                                roll.number(),
                                roll.times().stream()
                                        .map(time -> time.time().toString())
                                        .toList(),
                                roll.within()))
                        .toList(),
                until);
    }

    /**
     * A box of a card that was ticked.
     *
     * @param owner whose roll it was
     * @param format its format
     * @param when when it was run
     */
    record Ticked(String owner, FilmFormat format, Instant when) {}

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
                        List.of(new Roll(box.owner(), box.format(), box.format().equivalents(), 0, false)),
                        tank,
                        box.when(),
                        false));
    }
}
