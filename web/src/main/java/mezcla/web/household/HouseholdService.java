package mezcla.web.household;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import mezcla.batch.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.shell.Members;
import mezcla.web.shell.SignedIn;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Begins a house, and keeps its members, tanks and bottles. */
@Service
public class HouseholdService {
    private final HouseService houses;
    private final Members members;

    HouseholdService(HouseService houses, Members members) {
        this.houses = houses;
        this.members = members;
    }

    /** Whether somebody belongs to the house already. */
    @Transactional(readOnly = true)
    public boolean begun() {
        return !members.all().isEmpty();
    }

    /**
     * Reads a currency by its three letters.
     *
     * @throws Refusal {@code unknown-currency}
     */
    static CurrencyUnit currency(String typed) {
        try {
            return CurrencyUnit.of(typed.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalCurrencyException e) {
            throw Refusal.of("unknown-currency", "text", typed.strip());
        }
    }

    /**
     * Reads a time zone by its name.
     *
     * @throws Refusal {@code unknown-time-zone}
     */
    static ZoneId timeZone(String typed) {
        try {
            return ZoneId.of(typed.strip());
        } catch (DateTimeException e) {
            throw Refusal.of("unknown-time-zone", "text", typed.strip());
        }
    }

    /**
     * Begins the house with its first steward.
     *
     * @throws Refusal {@code house-begun} when somebody was quicker, or what {@link Members#add} refuses
     */
    @Transactional
    public void begin(House house, String name, String signInName, String password) {
        if (begun()) {
            throw Refusal.of("house-begun");
        }
        members.add(signInName, name, password, "STEWARD");
        houses.setUp(house);
    }

    /** Everybody, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> people() {
        return members.all();
    }

    /** Adds a member or another steward. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addMember(String name, String signInName, String password, boolean steward) {
        members.add(signInName, name, password, steward ? "STEWARD" : "MEMBER");
    }

    /** Gives a member a new password. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void resetPassword(long memberId, String password) {
        members.setPassword(memberId, password);
    }

    /**
     * Adds a tank.
     *
     * @throws Refusal {@code name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addTank(String name, Volume volume) {
        if (houses.tanks().stream().anyMatch(tank -> tank.name().equalsIgnoreCase(name))) {
            throw Refusal.of("name-taken", "text", name);
        }
        houses.addTank(name, volume.ml());
    }

    /**
     * Adds a bottle.
     *
     * @throws Refusal {@code name-taken}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void addBottle(String label, Volume capacity, Bottle.Material material) {
        if (houses.bottles().stream().anyMatch(bottle -> bottle.label().equalsIgnoreCase(label))) {
            throw Refusal.of("name-taken", "text", label);
        }
        houses.addBottle(label, capacity.ml(), material);
    }
}
