package mezcla.web.warm;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.Bottle;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.measure.Refusal;
import mezcla.processing.WarmUp;
import mezcla.web.house.HouseService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.SignedIn;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Predicts when the bottles of a batch are warm, with the house's water bath and room. */
@Service
public class WarmService {
    private static final WarmMapper.TubRow USUAL_TUB = new WarmMapper.TubRow(12, 800, 8);
    private static final double HIGHER_C = 1.5;

    private final WarmMapper mapper;
    private final DarkroomLog log;
    private final HouseService houses;
    private final Clock clock;

    WarmService(WarmMapper mapper, DarkroomLog log, HouseService houses, Clock clock) {
        this.mapper = mapper;
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * What is known before anything is typed.
     *
     * @param batch the batch
     * @param fills the bottles that are warmed: those whose temperature matters
     * @param litres how much water the house's bath holds
     * @param powerW what its heater gives, in W
     * @param lossWPerK what it loses, in W/K
     * @param roomC how warm the room is, in °C
     * @param targetC what the developer wants, in °C
     * @param toleranceC how near is near enough, in °C
     */
    public record Known(
            BatchState batch,
            List<FillState> fills,
            double litres,
            double powerW,
            double lossWPerK,
            double roomC,
            double targetC,
            double toleranceC) {}

    /**
     * What is known of a batch and the house's bath.
     *
     * @throws Refusal {@code unknown-batch}, or {@code batch-ended}
     */
    @Transactional(readOnly = true)
    public Known known(long batchId) {
        BatchState batch = log.state().batch(batchId);
        FillState developer = batch.imageDeveloper()
                .filter(fill -> fill.discarded() == null)
                .orElseThrow(() -> Refusal.of("batch-ended", "batch", batchId));
        Bath bath = developer.bath();
        WarmMapper.TubRow tub = tub();
        return new Known(
                batch,
                batch.fills().stream()
                        .filter(fill ->
                                fill.discarded() == null && fill.inBottleMl() > 0 && isWarmed(fill.bath(), bath))
                        .toList(),
                tub.litres(),
                tub.powerW(),
                tub.lossWPerK(),
                houses.surroundings().roomC(),
                bath.timing().atC(),
                bath.timing().mostC() - bath.timing().atC());
    }

    private WarmMapper.TubRow tub() {
        WarmMapper.TubRow tub = mapper.tub();
        return tub == null ? USUAL_TUB : tub;
    }

    /** The developers, and what would cool the film between them. */
    private static boolean isWarmed(Bath bath, Bath developer) {
        return bath.role().isDeveloper()
                || Math.abs(bath.timing().atC() - developer.timing().atC()) < 1;
    }

    /**
     * A prediction.
     *
     * @param plain with the bath held at the wanted temperature
     * @param higher with the bath set higher at first; null where that does not help
     * @param higherC how high, in °C
     */
    public record Predicted(WarmUp plain, @Nullable WarmUp higher, double higherC) {}

    /**
     * Predicts when all bottles are ready.
     *
     * @param known what is to be warmed
     * @param bathC how warm the bath is now, in °C
     * @param bottlesC how warm the bottles are now, in °C
     */
    @Transactional(readOnly = true)
    public Predicted predict(Known known, double bathC, double bottlesC) {
        WarmUp.Tub tub = new WarmUp.Tub(known.litres(), known.powerW(), known.lossWPerK(), known.roomC(), bathC);
        Map<Long, Double> found = new HashMap<>();
        mapper.bottles().forEach(row -> found.put(row.bottleId(), row.wPerK()));
        List<WarmUp.Warmed> bottles = known.fills().stream()
                .map(fill -> new WarmUp.Warmed(
                        fill.inBottleMl() / 1000,
                        found.getOrDefault(fill.bottle().id(), usual(fill.bottle())),
                        bottlesC))
                .toList();
        double highC = known.targetC() + known.toleranceC() + HIGHER_C;
        return new Predicted(
                WarmUp.of(tub, bottles, known.targetC(), known.targetC(), known.toleranceC()),
                WarmUp.overshooting(tub, bottles, highC, known.targetC(), known.targetC(), known.toleranceC()),
                highC);
    }

    private static double usual(Bottle bottle) {
        return WarmUp.usualWPerK(bottle.material() == Bottle.Material.GLASS, bottle.capacityMl() / 1000);
    }

    /** Keeps what the house's bath is like. */
    @Transactional
    public void keepTub(SignedIn who, double litres, double powerW, double lossWPerK) {
        mapper.addTub(new WarmMapper.TubRow(litres, powerW, lossWPerK), who.id(), clock.instant());
    }

    /**
     * Keeps a bottle's own figure, from two readings.
     *
     * @throws Refusal {@code unknown-fill}, or {@code readings-do-not-fit}
     */
    @Transactional
    public void fit(SignedIn who, long fillId, double bathC, double firstC, double secondC, double minutes) {
        FillState fill = log.state().fill(fillId);
        double wPerK = WarmUp.fitted(fill.inBottleMl() / 1000, bathC, firstC, secondC, minutes * 60);
        mapper.addBottle(new WarmMapper.BottleRow(fill.bottle().id(), wPerK), who.id(), clock.instant());
    }
}
