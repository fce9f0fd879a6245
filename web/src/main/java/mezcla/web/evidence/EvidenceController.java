package mezcla.web.evidence;

import java.util.Map;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What the house has seen of a leaflet. */
@Controller
class EvidenceController {
    private static final int REASON_CHARACTERS = 200;

    private final EvidenceService evidence;
    private final OneTimeForms forms;

    EvidenceController(EvidenceService evidence, OneTimeForms forms) {
        this.evidence = evidence;
        this.forms = forms;
    }

    @GetMapping("/leaflets/{id}/evidence")
    ModelAndView seen(@PathVariable long id) {
        return page(id, Map.of(), new FieldErrors());
    }

    @PostMapping("/leaflets/{id}/limits/{bath}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView allow(
            @PathVariable long id,
            @PathVariable String bath,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Double rolls = errors.read("rolls-" + bath, () -> EvidenceService.figure(text(typed, "rolls-" + bath)));
        Double days = errors.read("days-" + bath, () -> EvidenceService.figure(text(typed, "days-" + bath)));
        String reason = errors.read(
                "reason-" + bath,
                () -> TypedText.of(
                        text(typed, "reason-" + bath), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    evidence.allow(member, id, bath, rolls, days, FieldErrors.known(reason));
                    return "/leaflets/" + id + "/evidence?saved";
                },
                objection -> "rolls-" + bath,
                () -> page(id, typed, errors));
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    /** What the house has seen of a leaflet’s baths. */
    record Page(EvidenceService.Seen seen, Map<String, String> typed) {}

    private ModelAndView page(long id, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("evidence/evidence", new Page(evidence.seen(id), typed), errors);
    }
}
