package mezcla.web.warm;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.log.Bottle;
import mezcla.measure.Refusal;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.processing.WarmWater;
import mezcla.processing.WaterInTurn;
import mezcla.verdict.Evening;
import mezcla.verdict.RunObjection;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunQuestion;
import mezcla.verdict.Warming;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.decided.WaterBaths;
import mezcla.web.log.DarkroomLog;
import mezcla.web.probes.ProbeService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import mezcla.web.settings.things.WaterBath;
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
    private final Planning planning;
    private final Clock clock;

    WarmService(
            WarmMapper mapper,
            DarkroomLog log,
            HouseService houses,
            ProbeService probes,
            WaterBaths baths,
            Planning planning,
            Clock clock) {
        this.probes = probes;
        this.baths = baths;
        this.planning = planning;
        this.mapper = mapper;
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * What is known before anything is typed.
     *
     * @param plan the run that it is warmed for
     * @param warming what that run wants warm
     * @param tub the house's bath; null where nobody said what it is like
     * @param roomC how warm the room is, in °C
     * @param setC what the heater is set to, in °C: what the developer wants, until somebody says otherwise
     */
    public record Known(RunPlan plan, Warming warming, @Nullable WaterBath tub, double roomC, double setC) {
        /** The same with the heater set to something else, in °C. */
        Known setTo(double celsius) {
            return new Known(plan, warming, tub, roomC, celsius);
        }

        /** Whether the heater holds what the developer wants. */
        boolean holdsWhatIsWanted() {
            return setC == warming.targetC();
        }

        private WarmUp.Tub tub(double bathC) {
            WaterBath known = Objects.requireNonNull(tub);
            return new WarmUp.Tub(known.litres(), known.powerW(), known.lossWPerK(), roomC, bathC);
        }

        /** The batch. */
        public BatchState batch() {
            return plan.batch();
        }

        /** Whose each vessel is, as drawings name it. */
        public List<String> letters() {
            return Stream.concat(
                            warming.bottles().stream()
                                    .map(bottle -> bottle.fill().bath().role().letters()),
                            warming.inTub().stream().map(water -> "Water"))
                    .toList();
        }
    }

    /**
     * What is known of the house's bath and of a run.
     *
     * @param plan the run, as it is planned
     * @param steps what its film goes through
     */
    @Transactional(readOnly = true)
    public Known known(RunPlan plan, RunSteps steps) {
        Warming warming = Warming.of(plan, steps, houses.surroundings().water());
        return new Known(
                plan,
                warming,
                houses.waterBath().orElse(null),
                houses.surroundings().roomC(),
                warming.targetC());
    }

    /**
     * The same of the next roll through a batch, done as it was planned on the page of its run.
     *
     * @param planned what was planned
     * @throws Refusal {@code unknown-batch}, or {@code batch-ended}
     */
    @Transactional(readOnly = true)
    public Known known(long batchId, PlannedWarmth planned) {
        BatchState batch = log.state().batch(batchId);
        boolean hasDeveloper =
                batch.imageDeveloper().filter(fill -> fill.discarded() == null).isPresent();
        if (!hasDeveloper) {
            throw Refusal.of(new RunObjection.BatchEnded(batchId));
        }
        RunQuestion next = planning.asUsed(planning.nextRoll(), batch);
        Optional<Tank> tank = houses.tanks().stream()
                .filter(each -> planned.tankId() != null && each.id() == planned.tankId())
                .findFirst()
                .map(each -> each.moved(planned.choices().movement()));
        RunPlan plan = RunPlan.of(
                batch, tank.map(each -> next.inTank(each.asUsed())).orElse(next).warmedTo(planned.celsius()));
        return known(plan, steps(plan, planned.choices()));
    }

    /** What the film goes through; where it cannot be done so, as the leaflet says. */
    private static RunSteps steps(RunPlan plan, RunSteps.Choices choices) {
        try {
            return plan.steps(choices);
        } catch (Refusal refusal) {
            return plan.steps(RunSteps.Choices.USUAL);
        }
    }

    /**
     * How mixing water comes to temperature in the house's bath, from as warm as the room, one vessel after the other.
     *
     * @param vessels the vessels, in the order in which they are wanted
     * @return empty where the house never said what its bath is like, or where that has no heater
     */
    @Transactional(readOnly = true)
    public Optional<WaterInTurn> inTurn(List<WaterInTurn.Vessel> vessels) {
        double roomC = houses.surroundings().roomC();
        return houses.waterBath()
                .filter(tub -> tub.powerW() > 0)
                .map(tub -> WaterInTurn.of(
                        new WarmUp.Tub(tub.litres(), tub.powerW(), tub.lossWPerK(), roomC, roomC), vessels, roomC));
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
                wanted(known, bottlesC),
                known.warming().targetC());
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
        return predict(known, bathC, wanted(known, bottlesC));
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
        List<WarmUp.Wanted> then = wanted(known, bathC);
        List<WarmUp.Wanted> now = new ArrayList<>();
        for (int i = 0; i < then.size(); i++) {
            now.add(then.get(i).from(first.plain().bottles().get(i).get(minute)));
        }
        return predict(known, bathC, now);
    }

    private Predicted predict(Known known, double bathC, List<WarmUp.Wanted> wanted) {
        WarmUp.Tub tub = known.tub(bathC);
        double setC = known.setC();
        double highC = WarmUp.higherC(known.warming().mostC());
        return new Predicted(
                WarmUp.of(tub, wanted, setC),
                known.holdsWhatIsWanted() ? WarmUp.overshooting(tub, wanted, highC, setC) : null,
                highC);
    }

    private List<WarmUp.Wanted> wanted(Known known, double bottlesC) {
        Map<Long, Double> found = new HashMap<>();
        mapper.bottles().forEach(row -> found.put(row.bottleId(), row.wPerK()));
        return known.warming().wanted(fill -> found.getOrDefault(fill.bottle().id(), usual(fill.bottle())), bottlesC);
    }

    /**
     * How long what a run wants warm needs in the house's bath: nothing for a batch that is still warm, else from the room's
     * temperature on. Whoever asks about the same run gets the same answer.
     *
     * @param plan the run, as it is planned
     * @param steps what its film goes through
     * @return empty where it does not get warm within four hours, or where nobody said what the bath is like
     */
    @Transactional(readOnly = true)
    public Optional<Duration> warming(RunPlan plan, RunSteps steps) {
        if (Evening.isStillWarm(plan.batch(), clock.instant())) {
            return Optional.of(Duration.ZERO);
        }
        Known known = known(plan, steps);
        if (known.tub() == null) {
            return Optional.empty();
        }
        try {
            Integer ready = known.tub().powerW() == 0
                    ? Integer.valueOf(water(known, known.roomC()).readySeconds())
                    : WarmUp.of(known.tub(known.roomC()), wanted(known, known.roomC()), known.setC())
                            .readySeconds();
            return Optional.ofNullable(ready).map(Duration::ofSeconds);
        } catch (Refusal tooLittleWater) {
            return Optional.empty();
        }
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
                who,
                known.batch().id(),
                known.tub(bathC),
                wanted(known, bottlesC).stream().map(WarmUp.Wanted::in).toList(),
                known.setC(),
                fault);
    }

    /**
     * Switches one on for a run, with everything warm already.
     *
     * @return the probe
     */
    @Transactional
    public long simulateWarm(SignedIn who, long batchId, SimulatedBath.Fault fault) {
        Known known = known(batchId, PlannedWarmth.AS_USUAL);
        double targetC = known.warming().targetC();
        return simulate(who, known, targetC, targetC, fault);
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
