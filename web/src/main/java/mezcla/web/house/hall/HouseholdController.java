package mezcla.web.house.hall;

import java.time.ZoneId;
import java.util.Map;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.verdict.School;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.RunHabits;
import mezcla.web.house.Surroundings;
import mezcla.web.words.Units;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The House: what it is called, who belongs to it, and how each member reads it. */
@Controller
class HouseholdController {
    private static final int NAME_CHARACTERS = 40;
    private static final int HOUSE_CHARACTERS = 60;

    private final HouseholdService household;
    private final Members members;
    private final SchoolsService schools;
    private final HouseholdPage house;
    private final OneTimeForms forms;

    HouseholdController(
            HouseholdService household,
            Members members,
            SchoolsService schools,
            HouseholdPage house,
            OneTimeForms forms) {
        this.schools = schools;
        this.household = household;
        this.members = members;
        this.house = house;
        this.forms = forms;
    }

    @GetMapping("/house")
    ModelAndView house() {
        return house.show(Map.of(), new FieldErrors());
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
        return saved(typed, errors, "house", "houseName", () -> {
            household.change(FieldErrors.known(name), FieldErrors.known(zone), FieldErrors.known(units), address);
        });
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
        return saved(
                typed,
                errors,
                "school",
                "school-" + process,
                () -> schools.choose(member, process, FieldErrors.known(school)));
    }

    @PostMapping("/house/surroundings")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeSurroundings(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        Double cold = errors.read("coldWater", () -> degrees(text(typed, "coldWater")));
        Double hot = errors.read("hotWater", () -> degrees(text(typed, "hotWater")));
        Double room = errors.read("room", () -> degrees(text(typed, "room")));
        Integer weeks = errors.read("deliveryWeeks", () -> weeks(text(typed, "deliveryWeeks")));
        return saved(
                typed,
                errors,
                "surroundings",
                "hotWater",
                () -> household.change(new Surroundings(
                        FieldErrors.known(cold),
                        FieldErrors.known(hot),
                        FieldErrors.known(room),
                        FieldErrors.known(weeks))));
    }

    @PostMapping("/house/habits")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView changeHabits(@RequestParam Map<String, String> typed) {
        return saved(
                typed,
                new FieldErrors(),
                "habits",
                "habits",
                () -> household.change(new RunHabits(typed.containsKey("scans"), typed.containsKey("advises"))));
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

    @PostMapping("/house/members")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addMember(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read(
                "name", () -> TypedText.of(text(typed, "name"), NAME_CHARACTERS, new TypedObjection.Missing()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    household.addMember(
                            FieldErrors.known(name),
                            text(typed, "signInName").strip(),
                            text(typed, "password"),
                            typed.containsKey("steward"));
                    return "/house?saved=member";
                },
                Beside.field("signInName").or("password"),
                () -> house.show(typed, errors));
    }

    @PostMapping("/house/members/{id}/password")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView resetPassword(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return saved(
                Map.of("formKey", text(typed, "formKey")),
                new FieldErrors(),
                "password",
                "password" + id,
                () -> household.resetPassword(id, text(typed, "password")));
    }

    /** A steward says that the machine's clock is right, although the last entry is long ago. */
    @PostMapping("/house/clock")
    @PreAuthorize("hasRole('STEWARD')")
    String trustClock(@AuthenticationPrincipal SignedIn steward) {
        household.trustClock(steward);
        return "redirect:/shelf";
    }

    @PostMapping("/house/members/{id}/role")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView setRole(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn steward) {
        boolean toSteward = text(typed, "steward").equals("true");
        return saved(typed, new FieldErrors(), "role", "role" + id, () -> members.setRole(steward, id, toSteward));
    }

    @PostMapping("/house/members/{id}/leave")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView leave(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn steward) {
        return saved(typed, new FieldErrors(), "left", "role" + id, () -> members.leave(steward, id));
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
        return saved(typed, errors, "me", "pin", () -> {
            String pin = text(typed, "pin").strip();
            if (typed.containsKey("noPin") || !pin.isEmpty()) {
                members.setPin(member.id(), typed.containsKey("noPin") ? "" : pin);
            }
            members.setUnits(member.id(), units);
        });
    }

    private static String text(Map<String, String> typed, String name) {
        return typed.getOrDefault(name, "");
    }

    private ModelAndView saved(Map<String, String> typed, FieldErrors errors, String what, String field, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/house?saved=" + what;
                },
                Beside.field(field),
                () -> house.show(typed, errors));
    }
}
