package mezcla.web.warm;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.processing.WarmWater;
import mezcla.verdict.RunObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.WaterBaths;
import mezcla.web.house.HouseService;
import mezcla.web.house.Tank;
import mezcla.web.house.WaterBath;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probe.ProbeService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Predicts when the bottles of a batch are warm, with the house's water bath and room. */
@Service
public class WarmService {

    private final WarmMapper mapper;
    private final DarkroomLog log;
    private final HouseService houses;
    private final ProbeService probes;
    private final WaterBaths baths;
    private final Clock clock;

    WarmService(
            WarmMapper mapper,
            DarkroomLog log,
            HouseService houses,
            ProbeService probes,
            WaterBaths baths,
            Clock clock) {
        this.probes = probes;
        this.baths = baths;
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
     * @param waterLitres the water for pre-soak and warm washes, which is warmed with them
     * @param tub the house's bath; null where nobody said what it is like
     * @param roomC how warm the room is, in °C
     * @param targetC what the developer wants, in °C
     * @param toleranceC how near is near enough, in °C
     */
    public record Known(
            BatchState batch,
            List<FillState> fills,
            double waterLitres,
            @Nullable WaterBath tub,
            double roomC,
            double targetC,
            double toleranceC) {
        private WarmUp.Tub tub(double bathC) {
            WaterBath known = Objects.requireNonNull(tub);
            return new WarmUp.Tub(known.litres(), known.powerW(), known.lossWPerK(), roomC, bathC);
        }

        /** Whose each vessel is, as drawings name it. */
        public List<String> letters() {
            return Stream.concat(
                            fills.stream().map(fill -> fill.bath().role().letters()),
                            waterLitres > 0 ? Stream.of("Water") : Stream.of())
                    .toList();
        }
    }

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
                .orElseThrow(() -> Refusal.of(new RunObjection.BatchEnded(batchId)));
        Bath bath = developer.bath();
        return new Known(
                batch,
                batch.fills().stream()
                        .filter(fill ->
                                fill.discarded() == null && fill.inBottleMl() > 0 && WarmUp.includes(fill.bath(), bath))
                        .toList(),
                waterLitres(batch, bath.timing().atC()),
                houses.waterBath().orElse(null),
                houses.surroundings().roomC(),
                bath.timing().atC(),
                bath.timing().mostC() - bath.timing().atC());
    }

    /**
     * How long water takes in the house's bath, which is heated with it from as warm as the room; within 1 °C.
     *
     * @param litres how much water
     * @param targetC how warm it is wanted, in °C
     * @return in minutes; empty where the house never said what its bath is like, or where it never gets there
     */
    @Transactional(readOnly = true)
    public OptionalInt minutesInTheTub(double litres, double targetC) {
        WaterBath tub = houses.waterBath().orElse(null);
        double room = houses.surroundings().roomC();
        if (tub == null || targetC <= room) {
            return OptionalInt.empty();
        }
        WarmUp warmed = WarmUp.of(
                new WarmUp.Tub(tub.litres(), tub.powerW(), tub.lossWPerK(), room, room),
                List.of(new WarmUp.Warmed(litres, WarmUp.usualWPerK(false, litres), room)),
                targetC,
                targetC,
                1);
        Integer ready = warmed.readySeconds();
        return ready == null ? OptionalInt.empty() : OptionalInt.of((int) Math.ceil(ready / 60.0));
    }

    /** The water that the leaflet wants about as warm as its developer, for the house's smallest tank. */
    private double waterLitres(BatchState batch, double targetC) {
        double tankMl =
                houses.tanks().stream().mapToDouble(Tank::volumeMl).min().orElse(0);
        return WarmUp.waterLitres(batch.leaflet(), targetC, tankMl);
    }

    /**
     * How warm the water of a bath without a heater has to be.
     *
     * @throws Refusal {@code tub-too-small}
     */
    @Transactional(readOnly = true)
    public WarmWater water(Known known, double bottlesC) {
        WaterBath tub = Objects.requireNonNull(known.tub());
        return WarmWater.of(
                tub.litres(),
                tub.lossWPerK(),
                known.roomC(),
                bottles(known, bottlesC),
                known.targetC(),
                known.toleranceC());
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
        return predict(known, bathC, bottles(known, bottlesC));
    }

    /**
     * Predicts on from what a probe shows of the bath; the bottles are where the first prediction has them by now.
     *
     * @param first what was predicted at the beginning
     * @param seconds how long ago that was
     * @param bathC what the probe shows, in °C
     */
    @Transactional(readOnly = true)
    public Predicted corrected(Known known, Predicted first, long seconds, double bathC) {
        int minute = (int) Math.min(first.plain().bath().size() - 1L, seconds / 60);
        List<WarmUp.Warmed> then = bottles(known, bathC);
        List<WarmUp.Warmed> now = new ArrayList<>();
        for (int i = 0; i < then.size(); i++) {
            now.add(new WarmUp.Warmed(
                    then.get(i).litres(),
                    then.get(i).wPerK(),
                    first.plain().bottles().get(i).get(minute)));
        }
        return predict(known, bathC, now);
    }

    private Predicted predict(Known known, double bathC, List<WarmUp.Warmed> bottles) {
        WarmUp.Tub tub = known.tub(bathC);
        double highC = WarmUp.higherC(known.targetC(), known.toleranceC());
        return new Predicted(
                WarmUp.of(tub, bottles, known.targetC(), known.targetC(), known.toleranceC()),
                WarmUp.overshooting(tub, bottles, highC, known.targetC(), known.targetC(), known.toleranceC()),
                highC);
    }

    private List<WarmUp.Warmed> bottles(Known known, double bottlesC) {
        Map<Long, Double> found = new HashMap<>();
        mapper.bottles().forEach(row -> found.put(row.bottleId(), row.wPerK()));
        List<WarmUp.Warmed> warmed = new ArrayList<>();
        known.fills()
                .forEach(fill -> warmed.add(new WarmUp.Warmed(
                        fill.inBottleMl() / 1000,
                        found.getOrDefault(fill.bottle().id(), usual(fill.bottle())),
                        bottlesC)));
        if (known.waterLitres() > 0) {
            warmed.add(new WarmUp.Warmed(known.waterLitres(), WarmUp.usualWPerK(false, known.waterLitres()), bottlesC));
        }
        return warmed;
    }

    /**
     * How long a batch needs from the room's temperature to be ready, in the house's bath.
     *
     * @return empty where it does not get warm within four hours, or where nobody said what the bath is like
     * @throws Refusal {@code unknown-batch}, or {@code batch-ended}
     */
    @Transactional(readOnly = true)
    public Optional<Duration> warming(long batchId) {
        Known known = known(batchId);
        if (known.tub() == null) {
            return Optional.empty();
        }
        Integer ready = known.tub().powerW() == 0
                ? Integer.valueOf(water(known, known.roomC()).readySeconds())
                : predict(known, known.roomC(), known.roomC()).plain().readySeconds();
        return Optional.ofNullable(ready).map(Duration::ofSeconds);
    }

    /** Whether somebody said what the house's bath is like. */
    @Transactional(readOnly = true)
    public boolean isDescribed() {
        return houses.waterBath().isPresent();
    }

    /**
     * Switches a stand-in for heater and probe on while a batch warms up.
     *
     * @return the probe
     */
    @Transactional
    public long simulate(SignedIn who, Known known, double bathC, double bottlesC, SimulatedBath.Fault fault) {
        return probes.simulate(
                who, known.batch().id(), known.tub(bathC), bottles(known, bottlesC), known.targetC(), fault);
    }

    /**
     * Switches one on for a run, with everything warm already.
     *
     * @return the probe
     */
    @Transactional
    public long simulateWarm(SignedIn who, long batchId, SimulatedBath.Fault fault) {
        Known known = known(batchId);
        return simulate(who, known, known.targetC(), known.targetC(), fault);
    }

    private static double usual(Bottle bottle) {
        return WarmUp.usualWPerK(bottle.material() == Bottle.Material.GLASS, bottle.capacityMl() / 1000);
    }

    /** Keeps what the house's bath is like. */
    @Transactional
    public void keepTub(SignedIn who, double litres, double powerW, double lossWPerK) {
        baths.describe(who, new WaterBath(litres, powerW, lossWPerK));
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
