package mezcla.web.house.clock;

import java.time.Instant;
import mezcla.batch.BatchObjection;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.settings.HouseService;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
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

    /** The number of an entry. */
    static final class Entry implements FieldReader<Long> {
        @Override
        public Long read(String typed) {
            if (!typed.matches("[1-9][0-9]{0,15}")) {
                throw Refusal.of(new BatchObjection.UnknownEntry(0));
            }
            return Long.valueOf(typed);
        }
    }

    /** From which entry on the clock was wrong, and when that was really. */
    @RefusedAt("really")
    record ClockForm(@Takes(by = Entry.class) long from, @Takes(asTyped = true) String really) {}

    @GetMapping("/house/clock")
    ModelAndView page() {
        return page(Sent.nothing());
    }

    /** The clock is right, whatever the machine's running time or the last entry says. */
    @PostMapping("/house/clock")
    String trust(@AuthenticationPrincipal SignedIn steward) {
        clocks.trust(steward);
        return "redirect:/house/clock";
    }

    /** Entries were made while it was wrong. */
    @PostMapping("/house/clock/corrections")
    ModelAndView correct(Sent<ClockForm> sent, @AuthenticationPrincipal SignedIn steward) {
        Instant really = sent.read(
                "really",
                () -> TypedDay.moment(sent.typed("really"), houses.house().timeZone()));
        return forms.answer(
                sent,
                "/house/clock?corrected",
                form -> clocks.correct(steward, form.from(), FieldErrors.known(really)),
                () -> page(sent));
    }

    private ModelAndView page(Sent<?> sent) {
        return PageView.of("house/clock", clocks.page(), sent);
    }
}
