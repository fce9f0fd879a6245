package mezcla.web.batch;

import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
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

    @GetMapping("/leaflets/{id}/switch")
    ModelAndView before(@PathVariable long id) {
        return page(id, new FieldErrors());
    }

    /** What still goes by a version that was mistyped. */
    record Page(CorrectionService.Switching switching) {}

    private ModelAndView page(long id, FieldErrors errors) {
        return PageView.of("batch/switch", new Page(corrections.switching(id)), errors);
    }

    @PostMapping("/leaflets/{id}/switch")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView all(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                formKey,
                () -> {
                    corrections.switchAll(member, id);
                    return "/leaflets/" + id + "/switch?switched";
                },
                objection -> "switch",
                () -> page(id, errors));
    }
}
