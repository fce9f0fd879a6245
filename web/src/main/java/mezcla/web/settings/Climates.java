package mezcla.web.settings;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import mezcla.batch.Climate;
import mezcla.batch.Light;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The climate of the house's places. Temperatures that were read never change, so those that were fetched once are not
 * fetched again; each request asks whether more came since or some were taken back, and what else the climate rests on.
 */
@Component
class Climates {
    private final HouseMapper mapper;

    /** What was fetched in transactions that only read: what another one added may still be rolled back. */
    private final AtomicReference<Known> known = new AtomicReference<>(new Known(Basis.NONE, Map.of(), null));

    Climates(HouseMapper mapper) {
        this.mapper = mapper;
    }

    /** What a climate rests on, beside the readings up to one of them. */
    private record Basis(
            long lastReading,
            long takenBack,
            double roomC,
            @Nullable ZoneId zone,
            List<Long> places,
            List<HouseMapper.ClimateRow> seasons) {
        private static final Basis NONE = new Basis(0, 0, 0, null, List.of(), List.of());
    }

    private record Known(Basis basis, Map<Long, List<Climate.Reading>> readings, @Nullable Climate climate) {}

    /** The climate of the places of those numbers, where nothing better is known in a room that warm, in °C. */
    @Transactional(propagation = Propagation.MANDATORY, readOnly = true)
    Climate of(double roomC, ZoneId zone, List<Long> places) {
        Known last = Objects.requireNonNull(known.get());
        Basis basis =
                new Basis(mapper.lastReading(), mapper.readingsTakenBack(), roomC, zone, places, mapper.climates());
        if (last.climate() != null && last.basis().equals(basis)) {
            return last.climate();
        }
        Map<Long, List<Climate.Reading>> readings = readings(last, basis);
        Map<Long, HouseMapper.ClimateRow> seasons =
                basis.seasons().stream().collect(Collectors.toMap(HouseMapper.ClimateRow::placeId, row -> row));
        Climate climate = Climate.of(
                roomC,
                zone,
                places.stream()
                        .map(place -> known(place, seasons.get(place), roomC, readings.getOrDefault(place, List.of())))
                        .toList());
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            known.set(new Known(basis, readings, climate));
        }
        return climate;
    }

    private Map<Long, List<Climate.Reading>> readings(Known last, Basis basis) {
        boolean same = last.basis().takenBack() == basis.takenBack();
        if (same && last.basis().lastReading() == basis.lastReading()) {
            return last.readings();
        }
        Map<Long, List<Climate.Reading>> readings = new HashMap<>();
        if (same) {
            last.readings().forEach((place, known) -> readings.put(place, new ArrayList<>(known)));
        }
        mapper.readings(same ? last.basis().lastReading() : 0)
                .forEach(row -> readings.computeIfAbsent(row.placeId(), id -> new ArrayList<>())
                        .add(new Climate.Reading(row.at(), row.celsius())));
        return readings;
    }

    private static Climate.Known known(
            long place, HouseMapper.@Nullable ClimateRow row, double roomC, List<Climate.Reading> readings) {
        List<Double> quarters = row == null
                ? List.of(roomC, roomC, roomC, roomC)
                : List.of(row.decFebC(), row.marMayC(), row.junAugC(), row.sepNovC());
        return new Climate.Known(place, quarters, row == null ? Light.DARK : row.light(), readings);
    }
}
