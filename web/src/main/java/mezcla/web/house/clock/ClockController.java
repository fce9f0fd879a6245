package mezcla.web.house.clock;

import java.time.Instant;
import java.util.Map;
import mezcla.batch.BatchObjection;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.house.HouseService;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A steward looks at the machine's clock. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class ClockController {
    private final ClockService clocks;
    private final HouseService houses;
    private final OneTimeForms forms;

    ClockController(ClockService clocks, HouseService houses, OneTimeForms forms) {
        this.clocks = clocks;
        this.houses = houses;
        this.forms = forms;
    }

    @GetMapping("/house/clock")
    ModelAndView page() {
        return page(Map.of(), new FieldErrors());
    }

    /** The clock is right, whatever the machine's running time or the last entry says. */
    @PostMapping("/house/clock")
    String trust(@AuthenticationPrincipal SignedIn steward) {
        clocks.trust(steward);
        return "redirect:/house/clock";
    }

    /** Entries were made while it was wrong. */
    @PostMapping("/house/clock/corrections")
    ModelAndView correct(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn steward) {
        FieldErrors errors = new FieldErrors();
        Long from = errors.read("from", () -> number(typed.getOrDefault("from", "")));
        Instant really = errors.read(
                "really",
                () -> TypedDay.moment(
                        typed.getOrDefault("really", ""), houses.house().timeZone()));
        return forms.answer(
                typed,
                errors,
                "/house/clock?corrected",
                Beside.field("really"),
                () -> clocks.correct(steward, FieldErrors.known(from), FieldErrors.known(really)),
                () -> page(typed, errors));
    }

    private static long number(String typed) {
        if (!typed.matches("[1-9][0-9]{0,15}")) {
            throw Refusal.of(new BatchObjection.UnknownEntry(0));
        }
        return Long.parseLong(typed);
    }

    private ModelAndView page(Map<String, String> typed, FieldErrors errors) {
        ModelAndView page = PageView.of("house/clock", clocks.page(), errors);
        page.addObject("typed", typed);
        return page;
    }
}
