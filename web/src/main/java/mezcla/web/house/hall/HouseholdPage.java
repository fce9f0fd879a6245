package mezcla.web.house.hall;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.batch.Light;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.house.HouseService;
import mezcla.web.house.Surroundings;
import mezcla.web.house.Tank;
import mezcla.web.house.Tool;
import mezcla.web.house.things.ClimateView;
import mezcla.web.house.things.ThingList;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** The House page, with whatever was typed on it. */
@Component
public class HouseholdPage {
    private final HouseholdService household;
    private final SchoolsService schools;
    private final HouseService houses;

    HouseholdPage(HouseholdService household, SchoolsService schools, HouseService houses) {
        this.schools = schools;
        this.household = household;
        this.houses = houses;
    }

    public ModelAndView show(Map<String, String> typed, FieldErrors errors) {
        ModelAndView page = new ModelAndView("house/house");
        page.addObject(
                "summary",
                "%s, %s and %s"
                        .formatted(
                                Figures.sentence(
                                        Figures.count(household.people().size(), "member")),
                                Figures.count(houses.tanks().size(), "tank"),
                                Figures.count(houses.bottles().size(), "bottle")));
        page.addObject("house", houses.house());
        Surroundings around = houses.surroundings();
        page.addObject("surroundings", around);
        page.addObject("coldWater", Figures.celsius(around.coldWaterC()));
        page.addObject("hotWater", Figures.celsius(around.hotWaterC()));
        page.addObject("room", Figures.celsius(around.roomC()));
        page.addObject("schools", schools.all());
        page.addObject("lights", Light.values());
        page.addObject(
                "climates",
                houses.places().stream()
                        .collect(Collectors.toMap(
                                place -> place.id(), place -> ClimateView.of(houses.climateOf(place.id())))));
        page.addObject("people", household.people());
        page.addObject("lists", ThingList.all(houses));
        page.addObject("habits", houses.habits());
        page.addObject("reels", FilmFormat.Reel.values());
        page.addObject("tanks", houses.tanks().stream().collect(Collectors.toMap(Tank::id, HouseholdPage::typedTank)));
        page.addObject("materials", Bottle.Material.values());
        page.addObject("toolKinds", Tool.Kind.values());
        page.addObject("allUnits", Units.values());
        page.addObject("me", me());
        page.addObject("typed", typed);
        page.addObject("errors", errors);
        return page;
    }

    /**
     * What goes into a tank, as it stands in its fields.
     *
     * @param rotary what it takes on a rotary base
     * @param least the least that covers its reels
     * @param holds how many reels of each kind, by the kind's name
     */
    public record TypedTank(String rotary, String least, Map<String, String> holds) {}

    private static TypedTank typedTank(Tank tank) {
        Double rotary = tank.rotaryMl();
        Double least = tank.leastMl();
        return new TypedTank(
                rotary == null ? "" : Figures.ml(rotary),
                least == null ? "" : Figures.ml(least),
                Arrays.stream(FilmFormat.Reel.values())
                        .collect(Collectors.toMap(
                                FilmFormat.Reel::name,
                                reel -> tank.holds().containsKey(reel)
                                        ? Integer.toString(tank.holds().get(reel))
                                        : "")));
    }

    /** The member as they are kept, which may differ from how they were when they signed in. */
    private SignedIn me() {
        long id = SignedIn.here().map(SignedIn::id).orElse(0L);
        return household.people().stream()
                .filter(person -> person.id() == id)
                .findFirst()
                .or(SignedIn::here)
                .orElseThrow();
    }
}
