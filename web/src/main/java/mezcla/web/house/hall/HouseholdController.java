package mezcla.web.house.hall;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.verdict.School;
import mezcla.web.access.Device;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.door.SignIns;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.RunHabits;
import mezcla.web.house.Surroundings;
import mezcla.web.words.Units;
import org.joda.money.CurrencyUnit;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The House and the rooms that hold how it does things, what it is called, and how each member reads it. */
@Controller
class HouseholdController {
    private static final int HOUSE_CHARACTERS = 60;
    private static final int DEVICE_CHARACTERS = 40;

    private final HouseholdService household;
    private final Members members;
    private final SchoolsService schools;
    private final HouseRooms rooms;
    private final OneTimeForms forms;
    private final Devices devices;
    private final SignIns signIns;

    HouseholdController(
            HouseholdService household,
            Members members,
            SchoolsService schools,
            HouseRooms rooms,
            OneTimeForms forms,
            Devices devices,
            SignIns signIns) {
        this.devices = devices;
        this.signIns = signIns;
        this.schools = schools;
        this.household = household;
        this.members = members;
        this.rooms = rooms;
        this.forms = forms;
    }

    @GetMapping("/house")
    ModelAndView house() {
        return PageView.of("house/house", rooms.hall(), new FieldErrors());
    }

    @GetMapping("/house/strictness")
    ModelAndView strictness() {
        return strictness(new FieldErrors());
    }

    private ModelAndView strictness(FieldErrors errors) {
        return PageView.of("house/strictness", rooms.strictness(), errors);
    }

    @GetMapping("/house/ways")
    ModelAndView ways() {
        return PageView.of("house/ways", rooms.ways(), new FieldErrors());
    }

    @GetMapping("/house/this")
    ModelAndView thisHouse() {
        return thisHouse(Map.of(), new FieldErrors());
    }

    private ModelAndView thisHouse(Map<String, String> typed, FieldErrors errors) {
        return PageView.of("house/this", rooms.thisHouse(typed), errors);
    }

    @GetMapping("/house/you")
    ModelAndView you() {
        return you(Map.of(), new FieldErrors());
    }

    private ModelAndView you(Map<String, String> typed, FieldErrors errors) {
        return PageView.of("house/you", rooms.you(typed), errors);
    }

    @PostMapping("/house/details")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView change(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read(
                "houseName",
                () -> TypedText.of(text(typed, "houseName"), HOUSE_CHARACTERS, new TypedObjection.Missing()));
        ZoneId zone = errors.read("timeZone", () -> HouseholdService.timeZone(text(typed, "timeZone")));
        Units units = errors.read("units", () -> HouseholdService.units(text(typed, "units")));
        String address = errors.read("address", () -> HouseholdService.address(text(typed, "address")));
        CurrencyUnit currency = text(typed, "currency").isBlank()
                ? null
                : errors.read("currency", () -> HouseholdService.currency(text(typed, "currency")));
        return forms.answer(
                typed,
                errors,
                "/house/this?saved=house",
                Beside.field("houseName").or("currency"),
                () -> household.change(
                        FieldErrors.known(name), currency, FieldErrors.known(zone), FieldErrors.known(units), address),
                () -> thisHouse(typed, errors));
    }

    @PostMapping("/house/schools")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView choose(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        String process = text(typed, "process");
        FieldErrors errors = new FieldErrors();
        School school = errors.read(
                "school-" + process,
                () -> TypedChoice.of(
                        School.values(), text(typed, "school-" + process), new FormObjection.UnknownSchool()));
        if (schools.all().stream().noneMatch(each -> each.process().equals(process))) {
            throw Refusal.of(new FormObjection.UnknownProcess());
        }
        return forms.answer(
                typed,
                errors,
                "/house/strictness?saved=school",
                Beside.field("school-" + process),
                () -> schools.choose(member, process, FieldErrors.known(school)),
                () -> strictness(errors));
    }

    @PostMapping("/house/surroundings")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeSurroundings(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        Double cold = errors.read("coldWater", () -> degrees(text(typed, "coldWater")));
        Double hot = errors.read("hotWater", () -> degrees(text(typed, "hotWater")));
        Double room = errors.read("room", () -> degrees(text(typed, "room")));
        Integer weeks = errors.read("deliveryWeeks", () -> weeks(text(typed, "deliveryWeeks")));
        return forms.answer(
                typed,
                errors,
                "/house/this?saved=surroundings",
                Beside.field("hotWater"),
                () -> household.change(new Surroundings(
                        FieldErrors.known(cold),
                        FieldErrors.known(hot),
                        FieldErrors.known(room),
                        FieldErrors.known(weeks))),
                () -> thisHouse(typed, errors));
    }

    @PostMapping("/house/habits")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeHabits(@RequestParam Map<String, String> typed) {
        return forms.answer(
                typed,
                new FieldErrors(),
                "/house/ways?saved=habits",
                Beside.field("habits"),
                () -> household.change(new RunHabits(typed.containsKey("scans"), typed.containsKey("advises"))),
                this::ways);
    }

    private static double degrees(String typed) {
        return Temperature.parse(typed, Units.shown().temperature()).celsius();
    }

    private static int weeks(String typed) {
        String text = typed.strip();
        if (!text.matches("[0-9]|[1-4][0-9]|5[0-2]")) {
            throw Refusal.of(new FormObjection.NotWeeks(text));
        }
        return Integer.parseInt(text);
    }

    /** How a member reads figures, and their PIN. Nobody sets these for somebody else at a shared device. */
    @PostMapping("/house/me")
    ModelAndView changeMe(
            @RequestParam Map<String, String> typed,
            @ModelAttribute("guest") boolean guest,
            @AuthenticationPrincipal SignedIn member) {
        if (guest) {
            throw new AccessDeniedException("a guest at a shared device");
        }
        FieldErrors errors = new FieldErrors();
        String ownUnits = text(typed, "ownUnits");
        Units units = ownUnits.isEmpty() ? null : errors.read("ownUnits", () -> HouseholdService.units(ownUnits));
        return forms.answer(
                typed,
                errors,
                "/house/you?saved=me",
                Beside.field("pin"),
                () -> {
                    String pin = text(typed, "pin").strip();
                    if (typed.containsKey("noPin") || !pin.isEmpty()) {
                        members.setPin(member.id(), typed.containsKey("noPin") ? "" : pin);
                    }
                    members.setUnits(member.id(), units);
                },
                () -> you(typed, errors));
    }

    /** Gives this device to the house, under a name that the Journal will say. */
    @PostMapping("/house/device")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView share(
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn steward,
            HttpServletRequest request,
            HttpServletResponse response) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read(
                "deviceName",
                () -> TypedText.of(text(typed, "deviceName"), DEVICE_CHARACTERS, new TypedObjection.Missing()));
        return forms.answer(
                typed,
                errors,
                "/who",
                Beside.field("deviceName"),
                () -> {
                    Device device = Device.here()
                            .filter(here -> !here.shared())
                            .orElseThrow(() -> Refusal.of(new FormObjection.UnknownDevice()));
                    devices.share(steward, device.signInId(), FieldErrors.known(name));
                    signIns.keepLonger(request, response);
                },
                () -> you(typed, errors));
    }

    private static String text(Map<String, String> typed, String name) {
        return typed.getOrDefault(name, "");
    }
}
