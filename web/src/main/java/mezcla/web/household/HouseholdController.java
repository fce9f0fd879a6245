package mezcla.web.household;

import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import mezcla.batch.Bottle;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.house.HouseService;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.Figures;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.TypedText;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The House: members, tanks and bottles. */
@Controller
class HouseholdController {
    private static final int NAME_CHARACTERS = 40;

    private final HouseholdService household;
    private final HouseService houses;
    private final OneTimeForms forms;

    HouseholdController(HouseholdService household, HouseService houses, OneTimeForms forms) {
        this.household = household;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/house")
    String house(Model model) {
        return page(Map.of(), new FieldErrors(), model);
    }

    @PostMapping("/house/members")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addMember(@RequestParam Map<String, String> typed, Model model) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read("name", () -> TypedText.of(text(typed, "name"), NAME_CHARACTERS, "missing"));
        if (name != null) {
            try {
                return once(
                        typed,
                        "member",
                        () -> household.addMember(
                                name,
                                text(typed, "signInName").strip(),
                                text(typed, "password"),
                                typed.containsKey("steward")));
            } catch (Refusal refusal) {
                errors.add(refusal.code().startsWith("password") ? "password" : "signInName", refusal);
            }
        }
        return refused(typed, errors, model);
    }

    @PostMapping("/house/members/{id}/password")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView resetPassword(@PathVariable long id, @RequestParam Map<String, String> typed, Model model) {
        FieldErrors errors = new FieldErrors();
        try {
            return once(typed, "password", () -> household.resetPassword(id, text(typed, "password")));
        } catch (Refusal refusal) {
            errors.add("password" + id, refusal);
            return refused(Map.of(), errors, model);
        }
    }

    @PostMapping("/house/tanks")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addTank(@RequestParam Map<String, String> typed, Model model) {
        FieldErrors errors = new FieldErrors();
        String name = errors.read("tank", () -> TypedText.of(text(typed, "tank"), NAME_CHARACTERS, "missing"));
        Volume volume = errors.read("tankVolume", () -> Volume.parse(text(typed, "tankVolume"), Volume.Unit.ML));
        if (name != null && volume != null) {
            try {
                return once(typed, "tank", () -> household.addTank(name, volume));
            } catch (Refusal refusal) {
                errors.add("tank", refusal);
            }
        }
        return refused(typed, errors, model);
    }

    @PostMapping("/house/bottles")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addBottle(@RequestParam Map<String, String> typed, Model model) {
        FieldErrors errors = new FieldErrors();
        String label = errors.read("bottle", () -> TypedText.of(text(typed, "bottle"), NAME_CHARACTERS, "missing"));
        Volume capacity = errors.read("bottleVolume", () -> Volume.parse(text(typed, "bottleVolume"), Volume.Unit.ML));
        Bottle.Material material = errors.read("material", () -> material(text(typed, "material")));
        if (label != null && capacity != null && material != null) {
            try {
                return once(typed, "bottle", () -> household.addBottle(label, capacity, material));
            } catch (Refusal refusal) {
                errors.add("bottle", refusal);
            }
        }
        return refused(typed, errors, model);
    }

    private static Bottle.Material material(String typed) {
        return Stream.of(Bottle.Material.values())
                .filter(material -> material.name().equals(typed.toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-material"));
    }

    private static String text(Map<String, String> typed, String name) {
        return typed.getOrDefault(name, "");
    }

    private ModelAndView once(Map<String, String> typed, String what, Runnable act) {
        return new ModelAndView("redirect:"
                + forms.once(text(typed, "formKey"), () -> {
                    act.run();
                    return "/house?added=" + what;
                }));
    }

    private ModelAndView refused(Map<String, String> typed, FieldErrors errors, Model model) {
        return new ModelAndView(page(typed, errors, model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private String page(Map<String, String> typed, FieldErrors errors, Model model) {
        model.addAttribute(
                "summary",
                "%s, %s and %s"
                        .formatted(
                                Figures.sentence(
                                        Figures.count(household.people().size(), "member")),
                                Figures.count(houses.tanks().size(), "tank"),
                                Figures.count(houses.bottles().size(), "bottle")));
        model.addAttribute("people", household.people());
        model.addAttribute("tanks", houses.tanks());
        model.addAttribute("bottles", houses.bottles());
        model.addAttribute("materials", Bottle.Material.values());
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        return "household/house";
    }
}
