package mezcla.web.beginning;

import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The steps of a new house, and putting them aside. */
@Controller
class BeginningController {
    private final Beginnings beginnings;

    BeginningController(Beginnings beginnings) {
        this.beginnings = beginnings;
    }

    @GetMapping("/house/begin")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView steps() {
        return PageView.of("beginning/steps", beginnings.steps(), new FieldErrors());
    }

    @PostMapping("/house/begin/aside")
    @PreAuthorize("hasRole('STEWARD')")
    String houseAside() {
        beginnings.houseIsLed();
        return "redirect:/shelf";
    }

    @PostMapping("/me/first-evening/aside")
    String memberAside(@AuthenticationPrincipal SignedIn who) {
        beginnings.isLed(who);
        return "redirect:/shelf";
    }
}
