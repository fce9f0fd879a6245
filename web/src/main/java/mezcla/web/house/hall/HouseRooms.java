package mezcla.web.house.hall;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import mezcla.log.HouseDecided;
import mezcla.web.access.SignedIn;
import mezcla.web.decided.Decisions;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.settings.wishes.OwnWishes;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The House as a hall of rooms, and the rooms that need no place of their own. */
@Service
public class HouseRooms {
    private static final int DECISIONS_SHOWN = 12;

    private final HouseholdService household;
    private final SchoolsService schools;
    private final HouseService houses;
    private final OwnWishes wishes;
    private final DarkroomLog log;
    private final Decisions decisions;
    private final String version;

    HouseRooms(
            HouseholdService household,
            SchoolsService schools,
            HouseService houses,
            DarkroomLog log,
            Decisions decisions,
            OwnWishes wishes,
            @Value("${mezcla.version}") String version) {
        this.wishes = wishes;
        this.household = household;
        this.schools = schools;
        this.houses = houses;
        this.log = log;
        this.decisions = decisions;
        this.version = version;
    }

    /** The hall: a door for each room. */
    record Hall(String heading, List<Door> doors) {}

    /**
     * A door.
     *
     * @param address where it leads
     * @param name what the room is called
     * @param question what it answers
     * @param answer the short answer, as of now
     * @param icon what stands beside it
     */
    record Door(String address, String name, String question, String answer, String icon) {}

    @Transactional(readOnly = true)
    Hall hall() {
        boolean steward = SignedIn.here().filter(SignedIn::isSteward).isPresent();
        List<SchoolsService.ForProcess> judged = schools.all();
        RunHabits habits = houses.habits();
        List<SignedIn> people = household.people();
        long stewards = people.stream().filter(SignedIn::isSteward).count();
        int odd = log.state().anomalies().size();
        List<Door> doors = new ArrayList<>(List.of(
                new Door(
                        "/house/members",
                        "Members",
                        "Who belongs to the house?",
                        "%s, %s of them %s"
                                .formatted(
                                        Figures.sentence(Figures.count(people.size(), "member")),
                                        Figures.number(stewards),
                                        stewards == 1 ? "a steward" : "stewards"),
                        "members"),
                new Door(
                        "/house/strictness",
                        "How strictly",
                        "When is a batch too old or too tired?",
                        judged(judged),
                        "strictness"),
                new Door(
                        "/house/ways",
                        "How it is done",
                        "What does the house do on every run?",
                        habits.scansBottles()
                                ? "A bottle’s code is asked for before it is poured"
                                : "Bottles are poured without asking for their code",
                        "run"),
                new Door(
                        "/house/things",
                        "Things",
                        "What do we work with?",
                        Figures.sentence("%s, %s"
                                .formatted(
                                        Figures.count(houses.tanks().size(), "tank"),
                                        Figures.count(houses.bottles().size(), "bottle"))),
                        "things"),
                new Door(
                        "/house/places",
                        "Places",
                        "Where do bottles stand?",
                        Figures.sentence(Figures.count(houses.places().size(), "place")),
                        "places"),
                new Door(
                        "/waste",
                        "Waste",
                        "Where does used chemistry go?",
                        "The drums, and when they are collected",
                        "waste"),
                new Door(
                        "/probes",
                        "Probes",
                        "Who measures the temperature?",
                        "Thermometers that report by themselves",
                        "probes"),
                new Door(
                        "/house/this",
                        "This house",
                        "What is it called, and are its data safe?",
                        houses.house().name()
                                + (odd == 0 ? "" : "; %s to look at".formatted(Figures.count(odd, "odd row"))),
                        "house"),
                new Door(
                        "/house/decisions",
                        "Decisions",
                        "Who changed what for everybody?",
                        "With who and when; the last one can be undone",
                        "journal"),
                new Door(
                        "/house/you",
                        "You",
                        "How do you read figures, and sign in?",
                        "Units, PIN, password, devices",
                        "you")));
        if (steward) {
            doors.add(new Door(
                    "/house/begin",
                    "The beginning",
                    "What is still missing?",
                    "The steps of a house that begins",
                    "begin"));
        }
        return new Hall("How %s does things".formatted(houses.house().name()), doors);
    }

    private static String judged(List<SchoolsService.ForProcess> all) {
        List<String> words = all.stream()
                .flatMap(each -> each.choices().stream())
                .filter(SchoolsService.Choice::chosen)
                .map(SchoolsService.Choice::words)
                .distinct()
                .toList();
        return words.size() == 1 ? words.get(0) + ", every process" : "By process: " + String.join(", ", words);
    }

    /** How strictly. */
    record Strictness(List<SchoolsService.ForProcess> schools) {}

    @Transactional(readOnly = true)
    Strictness strictness() {
        return new Strictness(schools.all());
    }

    /** How it is done. */
    record Ways(RunHabits habits, List<Decisions.Line> decided) {}

    @Transactional(readOnly = true)
    Ways ways() {
        return new Ways(
                houses.habits(),
                decisions.about(EnumSet.of(HouseDecided.Topic.WAY, HouseDecided.Topic.HABITS), DECISIONS_SHOWN));
    }

    /**
     * This house.
     *
     * @param typed what stands in its fields
     * @param hasMoney whether its currency can no longer be changed
     * @param zones the time zones that there are
     * @param currencies the currencies, by code
     * @param odd how many rows could not be applied
     */
    record ThisHouse(
            House house,
            Map<String, String> typed,
            boolean hasMoney,
            List<String> zones,
            Map<String, String> currencies,
            List<Units> allUnits,
            int odd,
            String version) {}

    @Transactional(readOnly = true)
    ThisHouse thisHouse(Map<String, String> typed) {
        House house = houses.house();
        Surroundings around = houses.surroundings();
        Map<String, String> fields = new HashMap<>();
        fields.put("houseName", house.name());
        fields.put("timeZone", house.timeZone().getId());
        fields.put("currency", house.currency().getCode());
        fields.put("units", house.units().name());
        fields.put("address", house.address() == null ? "" : house.address());
        fields.put("coldWater", Figures.celsius(around.coldWaterC()));
        fields.put("hotWater", Figures.celsius(around.hotWaterC()));
        fields.put("room", Figures.celsius(around.roomC()));
        fields.put("deliveryWeeks", String.valueOf(around.deliveryWeeks()));
        fields.put("dryMinutes", String.valueOf(around.dryMinutes()));
        fields.put("eveningEnds", around.evenings().map(Object::toString).orElse(""));
        fields.putAll(typed);
        return new ThisHouse(
                house,
                fields,
                household.hasMoney(),
                zones(),
                currencies(),
                List.of(Units.values()),
                log.state().anomalies().size(),
                version);
    }

    /** The time zones of places, by name. */
    public static List<String> zones() {
        return ZoneId.getAvailableZoneIds().stream()
                .filter(zone -> zone.contains("/") && !zone.startsWith("Etc/") && !zone.startsWith("SystemV/"))
                .sorted()
                .toList();
    }

    /** Currencies with what they are called, by code. */
    public static Map<String, String> currencies() {
        Map<String, String> names = new TreeMap<>();
        Currency.getAvailableCurrencies().stream()
                .filter(each -> CurrencyUnit.registeredCurrencies().stream()
                        .anyMatch(unit -> unit.getCode().equals(each.getCurrencyCode())))
                .forEach(each -> names.put(each.getCurrencyCode(), each.getDisplayName(Locale.UK)));
        return names;
    }

    /** How a member reads the house, and comes in. */
    record You(House house, SignedIn me, List<Units> allUnits, boolean careful) {}

    @Transactional(readOnly = true)
    You you() {
        long id = SignedIn.here().map(SignedIn::id).orElse(0L);
        SignedIn me = household.people().stream()
                .filter(person -> person.id() == id)
                .findFirst()
                .or(SignedIn::here)
                .orElseThrow();
        return new You(houses.house(), me, List.of(Units.values()), wishes.isCareful(id));
    }
}
