package mezcla.web.house;

import java.time.ZoneId;
import java.util.List;
import mezcla.batch.Bottle;
import mezcla.measure.Refusal;
import mezcla.verdict.School;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the house is and owns, and how it judges. */
@Service
public class HouseService {
    private static final House NOT_SET_UP = new House("Darkroom", CurrencyUnit.of("NZD"), ZoneId.of("UTC"));

    private final HouseMapper mapper;

    HouseService(HouseMapper mapper) {
        this.mapper = mapper;
    }

    /** The house; a plain one until it is set up. */
    @Transactional(readOnly = true)
    public House house() {
        HouseMapper.Row row = mapper.house();
        return row == null
                ? NOT_SET_UP
                : new House(row.name(), CurrencyUnit.of(row.currency()), ZoneId.of(row.timeZone()));
    }

    /** How strictly the house judges. */
    public School school() {
        return School.LEAFLET;
    }

    /** Its tanks, the smallest first. */
    @Transactional(readOnly = true)
    public List<Tank> tanks() {
        return mapper.tanks();
    }

    /**
     * The tank of that id.
     *
     * @throws Refusal {@code unknown-tank}
     */
    @Transactional(readOnly = true)
    public Tank tank(long id) {
        return mapper.tanks().stream()
                .filter(tank -> tank.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-tank"));
    }

    /** Its bottles, the smallest first. */
    @Transactional(readOnly = true)
    public List<Bottle> bottles() {
        return mapper.bottles();
    }

    /** Gives the house its name, currency and time zone, once. */
    @Transactional
    public void setUp(House house) {
        mapper.addHouse(
                house.name(), house.currency().getCode(), house.timeZone().getId());
    }

    /** Adds a tank. */
    @Transactional
    public void addTank(String name, double volumeMl) {
        mapper.addTank(name, volumeMl);
    }

    /** Adds a bottle. */
    @Transactional
    public void addBottle(String label, double capacityMl, Bottle.Material material) {
        mapper.addBottle(label, capacityMl, material);
    }
}
