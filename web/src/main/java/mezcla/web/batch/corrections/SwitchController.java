package mezcla.web.batch.corrections;

import mezcla.web.access.SignedIn;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Everything that goes by a mistyped leaflet, switched with one press. */
@Controller
class SwitchController {
    private final CorrectionService corrections;
    private final OneTimeForms forms;

    SwitchController(CorrectionService corrections, OneTimeForms forms) {
        this.corrections = corrections;
        this.forms = forms;
    }

    /** All of them, switched. */
    @RefusedAt("switch")
    record SwitchForm() {}

    @GetMapping("/leaflets/{id}/switch")
    ModelAndView before(@PathVariable long id) {
        return page(id, Sent.nothing());
    }

    /** What still goes by a version that was mistyped. */
    record Page(CorrectionService.Switching switching) {}

    private ModelAndView page(long id, Sent<?> sent) {
        return PageView.of("batch/switch", new Page(corrections.switching(id)), sent);
    }

    @PostMapping("/leaflets/{id}/switch")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView all(@PathVariable long id, Sent<SwitchForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/leaflets/" + id + "/switch?switched",
                form -> corrections.switchAll(member, id),
                () -> page(id, sent));
    }
}
