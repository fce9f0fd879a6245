package mezcla.web.house.hall;

import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import mezcla.log.HouseDecided;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.Decisions;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.settings.wishes.OwnWishes;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Begins a house, and keeps what it is called and where it stands. */
@Service
public class HouseholdService {
    private final HouseService houses;
    private final OwnWishes wishes;
    private final Members members;
    private final DarkroomLog log;
    private final Decisions decisions;

    HouseholdService(HouseService houses, Members members, DarkroomLog log, Decisions decisions, OwnWishes wishes) {
        this.wishes = wishes;
        this.decisions = decisions;
        this.houses = houses;
        this.members = members;
        this.log = log;
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
    public static CurrencyUnit currency(String typed) {
        try {
            return CurrencyUnit.of(typed.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalCurrencyException e) {
            throw Refusal.of(new FormObjection.UnknownCurrency(typed.strip()));
        }
    }

    /**
     * Reads a time zone by its name, or by the place that it is named after.
     *
     * @throws Refusal {@code unknown-time-zone}
     */
    public static ZoneId timeZone(String typed) {
        String text = typed.strip().replace(' ', '_');
        List<String> found = ZoneId.getAvailableZoneIds().stream()
                .filter(zone -> zone.equalsIgnoreCase(text)
                        || zone.toLowerCase(Locale.ROOT).endsWith("/" + text.toLowerCase(Locale.ROOT)))
                .sorted(Comparator.comparing((String zone) -> !zone.equalsIgnoreCase(text))
                        .thenComparing(String::length))
                .toList();
        if (text.isEmpty() || found.isEmpty()) {
            throw Refusal.of(new FormObjection.UnknownTimeZone(typed.strip()));
        }
        return ZoneId.of(found.get(0));
    }

    /**
     * Reads in what units figures are read.
     *
     * @throws Refusal {@code unknown-units}
     */
    public static Units units(String typed) {
        return TypedChoice.of(Units.values(), typed, new FormObjection.UnknownUnits());
    }

    /**
     * Reads where links to the house lead, without a slash at the end.
     *
     * @return the address; null when nothing was typed
     * @throws Refusal {@code not-an-address}
     */
    public static @Nullable String address(String typed) {
        String text = typed.strip().replaceAll("/+$", "");
        if (text.isEmpty()) {
            return null;
        }
        if (!text.matches("https?://[a-zA-Z0-9.-]{1,100}(:[0-9]{1,5})?(/[a-zA-Z0-9._/-]{0,60})?")) {
            throw Refusal.of(new FormObjection.NotAnAddress(text));
        }
        return text;
    }

    /**
     * Begins the house with its first steward.
     *
     * @throws Refusal {@code house-begun} when somebody was quicker, or what {@link Members#add} refuses
     */
    @Transactional
    public void begin(House house, String name, String signInName, String password) {
        if (begun()) {
            throw Refusal.of(new FormObjection.HouseBegun());
        }
        houses.setUp(house);
        members.add(signInName, name, password, "STEWARD");
    }

    /** Whether an amount of money stands in the log: then its currency stays. */
    @Transactional(readOnly = true)
    public boolean hasMoney() {
        return log.book().entries().stream().anyMatch(LogEntry::holdsAmount);
    }

    /** Everybody, by name. */
    @Transactional(readOnly = true)
    public List<SignedIn> people() {
        return members.all();
    }

    /**
     * Changes what the house is called and how it is read.
     *
     * @param name what it is called
     * @param currency what it reckons in; null for as before
     * @param timeZone where its days begin
     * @param units how figures are read
     * @param address where links lead; null for nowhere yet
     * @throws Refusal {@code money-was-logged} where amounts in another currency stand in the log
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(
            String name, @Nullable CurrencyUnit currency, ZoneId timeZone, Units units, @Nullable String address) {
        CurrencyUnit before = houses.house().currency();
        if (currency != null && !currency.equals(before) && hasMoney()) {
            throw Refusal.of(new FormObjection.MoneyWasLogged(before.getCode()));
        }
        houses.change(new House(name, currency == null ? before : currency, timeZone, units, address));
    }

    /** Changes what the house does during a run. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(RunHabits habits) {
        RunHabits before = houses.habits();
        houses.change(habits);
        decisions.decided(HouseDecided.Topic.HABITS, "", HouseholdService::words, before, habits);
    }

    /**
     * Changes the water, the room and how long kits take to come.
     *
     * @throws Refusal {@code hot-not-hotter} when hot water is no warmer than cold
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void change(Surroundings surroundings) {
        if (surroundings.hotWaterC() <= surroundings.coldWaterC()) {
            throw Refusal.of(new FormObjection.HotNotHotter());
        }
        Surroundings before = houses.surroundings();
        houses.change(surroundings);
        decisions.decided(HouseDecided.Topic.SURROUNDINGS, "", HouseholdService::words, before, surroundings);
    }

    /** Says whether a member wants their own film judged carefully. */
    @Transactional
    public void careful(long memberId, boolean careful) {
        wishes.careful(memberId, careful);
    }

    private static String words(RunHabits habits) {
        return "%s, %s"
                .formatted(
                        habits.scansBottles() ? "bottle codes are asked for" : "bottle codes are not asked for",
                        habits.advisesDrift() ? "advice when the developer drifts" : "no advice on drift");
    }

    private static String words(Surroundings around) {
        return "cold water %s, hot water %s, room %s, delivery in %d weeks, film dry after %d minutes, evenings %s"
                .formatted(
                        Figures.degrees(around.coldWaterC()),
                        Figures.degrees(around.hotWaterC()),
                        Figures.degrees(around.roomC()),
                        around.deliveryWeeks(),
                        around.dryMinutes(),
                        around.eveningEnds() == null ? "without an end" : "over at " + around.eveningEnds());
    }
}
