package mezcla.web.probes;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mezcla.measure.Refusal;
import mezcla.processing.EquivalentDevelopment;
import mezcla.processing.ProbeWatch;
import mezcla.processing.SimulatedBath;
import mezcla.processing.WarmUp;
import mezcla.web.access.SignedIn;
import mezcla.web.access.Unguessable;
import mezcla.web.forms.FormObjection;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps probes and what they show, and stands in for one that is not there. */
@Service
public class ProbeService {
    private static final int TOKEN_LETTERS = 32;
    private static final Duration ANSWERS_FOR = Duration.ofHours(6);
    private static final Duration OLDEST = Duration.ofDays(1);
    private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(1);
    private static final Duration WATCHED_FOR = Duration.ofMinutes(10);
    private static final int READ_EVERY_SECONDS = 5;
    private static final double FAULT_AFTER_SECONDS = 120;

    private final ProbeMapper mapper;
    private final Clock clock;

    ProbeService(ProbeMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** The house's probes, by name; stand-ins are not among them. */
    @Transactional(readOnly = true)
    public List<Probe> probes() {
        return mapper.probes();
    }

    /** The stand-ins that still run for a batch, the last one first. */
    @Transactional(readOnly = true)
    public List<Probe> simulatedFor(long batchId) {
        return mapper.simulatedFor(batchId, clock.instant().minus(ANSWERS_FOR)).stream()
                .map(this::probe)
                .toList();
    }

    /**
     * The probe of that id.
     *
     * @throws Refusal {@code unknown-probe}
     */
    @Transactional(readOnly = true)
    public Probe probe(long id) {
        Probe probe = mapper.probe(id);
        if (probe == null) {
            throw Refusal.of(new FormObjection.UnknownProbe());
        }
        return probe;
    }

    /**
     * Adds a probe.
     *
     * @return the token that it sends with its readings, which nobody is told again
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public String add(SignedIn who, String name) {
        if (probes().stream().anyMatch(probe -> probe.name().equalsIgnoreCase(name))) {
            throw Refusal.of(new FormObjection.NameTaken(name));
        }
        String token = Unguessable.letters(TOKEN_LETTERS);
        mapper.add(new ProbeMapper.Row(name, Unguessable.hash(token), who.id(), clock.instant()));
        return token;
    }

    /**
     * Takes a probe off the list; what it sends is refused from then on.
     *
     * @throws Refusal {@code unknown-probe}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void remove(long id) {
        mapper.remove(probe(id).id());
    }

    /** Whether that token is the probe's. */
    @Transactional(readOnly = true)
    public boolean isToken(long id, String token) {
        String kept = mapper.tokenHash(id);
        return kept != null
                && MessageDigest.isEqual(
                        kept.getBytes(StandardCharsets.UTF_8),
                        Unguessable.hash(token).getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Takes what a probe showed; all of it or nothing.
     *
     * @throws Refusal {@code reading-time} for a moment that is to come, or more than a day ago
     */
    @Transactional
    public void take(long id, List<Probe.Reading> readings) {
        Instant now = clock.instant();
        for (Probe.Reading reading : readings) {
            if (reading.at().isAfter(now.plus(CLOCKS_DIFFER)) || reading.at().isBefore(now.minus(OLDEST))) {
                throw Refusal.of(new FormObjection.ReadingTime(reading.at().toString()));
            }
            mapper.addReading(id, reading);
        }
    }

    /** The time of this machine. */
    public Instant now() {
        return clock.instant();
    }

    /** What a probe showed last; empty where it has not shown anything. */
    @Transactional(readOnly = true)
    public Optional<Probe.Reading> last(Probe probe) {
        if (!probe.simulated()) {
            return Optional.ofNullable(mapper.last(probe.id()));
        }
        List<Probe.Reading> shown = readings(probe, Instant.EPOCH);
        return shown.isEmpty() ? Optional.empty() : Optional.of(shown.get(shown.size() - 1));
    }

    /** What a probe has shown since a moment, in order. A stand-in shows what its bath would have done until now. */
    @Transactional(readOnly = true)
    public List<Probe.Reading> readings(Probe probe, Instant from) {
        Instant now = clock.instant();
        return probe.simulated()
                ? simulated(probe.id(), now).stream()
                        .filter(reading -> !reading.at().isBefore(from))
                        .toList()
                : mapper.readings(probe.id(), from, now);
    }

    private List<Probe.Reading> simulated(long id, Instant now) {
        ProbeMapper.SimulatedRow row = mapper.simulated(id);
        if (row == null) {
            return List.of();
        }
        long elapsed = Math.min(
                ANSWERS_FOR.toSeconds(), Duration.between(row.began(), now).toSeconds());
        SimulatedBath bath = new SimulatedBath(
                new WarmUp.Tub(row.litres(), row.powerW(), row.lossWPerK(), row.roomC(), row.startC()),
                mapper.bottles(id).stream()
                        .map(bottle -> new WarmUp.Warmed(bottle.litres(), bottle.wPerK(), bottle.startC()))
                        .toList(),
                row.setC(),
                row.fault(),
                row.faultAtS(),
                id);
        return bath.readings(READ_EVERY_SECONDS, (int) Math.max(0, elapsed)).stream()
                .map(shown -> new Probe.Reading(row.began().plusSeconds((long) shown.seconds()), shown.celsius()))
                .toList();
    }

    /**
     * Switches a stand-in for heater and probe on.
     *
     * @param batchId whose bottles stand in the bath
     * @param tub the bath as it is now
     * @param bottles what stands in it
     * @param setC what the heater is set to, in °C
     * @param fault what goes wrong after two minutes
     * @return its id
     */
    @Transactional
    public long simulate(
            SignedIn who,
            long batchId,
            WarmUp.Tub tub,
            List<WarmUp.Warmed> bottles,
            double setC,
            SimulatedBath.Fault fault) {
        ProbeMapper.Row row = new ProbeMapper.Row("Simulated probe", null, who.id(), clock.instant());
        mapper.add(row);
        mapper.simulate(new ProbeMapper.SimulatedRow(
                row.id,
                batchId,
                clock.instant(),
                tub.litres(),
                tub.powerW(),
                tub.lossWPerK(),
                tub.roomC(),
                tub.startC(),
                setC,
                fault,
                FAULT_AFTER_SECONDS));
        bottles.forEach(bottle ->
                mapper.addBottle(new ProbeMapper.BottleRow(row.id, bottle.litres(), bottle.wPerK(), bottle.startC())));
        return row.id;
    }

    /**
     * What the last minutes of a probe give away.
     *
     * @param leastC from where on it is warm enough, in °C
     */
    @Transactional(readOnly = true)
    public Optional<ProbeWatch.Finding> watch(Probe probe, double leastC) {
        Instant now = clock.instant();
        return found(readings(probe, now.minus(WATCHED_FOR)), now, leastC);
    }

    /** The same of readings that are at hand, in order. */
    public static Optional<ProbeWatch.Finding> found(List<Probe.Reading> readings, Instant now, double leastC) {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        Instant from = readings.get(0).at();
        return ProbeWatch.find(since(from, readings), seconds(from, now), leastC);
    }

    /** What of them can have been water. */
    public static List<Probe.Reading> ofWater(List<Probe.Reading> readings) {
        if (readings.isEmpty()) {
            return readings;
        }
        Instant from = readings.get(0).at();
        return ProbeWatch.ofWater(since(from, readings)).stream()
                .map(reading ->
                        new Probe.Reading(from.plusMillis(Math.round(reading.seconds() * 1000)), reading.celsius()))
                .toList();
    }

    private static List<EquivalentDevelopment.Reading> since(Instant from, List<Probe.Reading> readings) {
        return readings.stream()
                .map(reading -> new EquivalentDevelopment.Reading(seconds(from, reading.at()), reading.celsius()))
                .toList();
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }
}
