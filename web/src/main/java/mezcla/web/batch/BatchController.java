package mezcla.web.batch;

import java.util.Map;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The Batch page. */
@Controller
class BatchController {
    private static final int REASON_CHARACTERS = 200;

    private final BatchService batches;
    private final CorrectionService corrections;
    private final BatchPages pages;
    private final OneTimeForms forms;

    BatchController(BatchService batches, CorrectionService corrections, BatchPages pages, OneTimeForms forms) {
        this.pages = pages;
        this.batches = batches;
        this.corrections = corrections;
        this.forms = forms;
    }

    @GetMapping("/batches/{id}")
    ModelAndView batch(@PathVariable long id) {
        return page(id, emptyForm(), Map.of(), new FieldErrors());
    }

    @PostMapping("/batches/{id}/discards")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView discard(
            @PathVariable long id, @ModelAttribute("form") DiscardForm form, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String reason = errors.read(
                "reason", () -> TypedText.of(form.getReason(), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> {
                    batches.discard(member, id, form.chosen(), FieldErrors.known(reason));
                    return "/batches/" + id + "?discarded";
                },
                objection -> "fills",
                () -> page(id, form, Map.of(), errors));
    }

    @PostMapping("/batches/{id}/notes")
    ModelAndView note(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String note,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String text = errors.read("note", () -> TypedText.of(note, REASON_CHARACTERS, new TypedObjection.Missing()));
        return forms.answer(
                errors,
                formKey,
                () -> {
                    batches.note(member, id, FieldErrors.known(text));
                    return "/batches/" + id + "?noted";
                },
                objection -> "note",
                () -> page(id, emptyForm(), Map.of("note", note), errors));
    }

    @PostMapping("/batches/{id}/guests")
    ModelAndView share(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String fill,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Long fillId = errors.read("fill", () -> TypedChoice.number(fill, new FormObjection.GuestMissing()));
        return forms.answer(
                errors,
                formKey,
                () -> {
                    batches.share(member, id, FieldErrors.known(fillId));
                    return "/batches/" + id + "?shared";
                },
                objection -> "fill",
                () -> page(id, emptyForm(), Map.of("fill", fill), errors));
    }

    private DiscardForm emptyForm() {
        DiscardForm form = new DiscardForm();
        form.setFormKey(forms.newKey());
        return form;
    }

    @GetMapping("/batches/{id}/leaflet")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correction(@PathVariable long id) {
        return correctionPage(id, "", new FieldErrors());
    }

    @PostMapping("/batches/{id}/leaflets")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correct(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String why =
                errors.read("reason", () -> TypedText.of(reason, REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                formKey,
                () -> {
                    corrections.correct(member, id, FieldErrors.known(why));
                    return "/batches/" + id + "?corrected";
                },
                objection -> "reason",
                () -> correctionPage(id, reason, errors));
    }

    /** What a batch would be by another version of its leaflet. */
    record CorrectionPage(CorrectionService.Correction correction, String reason) {}

    private ModelAndView correctionPage(long id, String reason, FieldErrors errors) {
        return PageView.of("batch/leaflet", new CorrectionPage(corrections.correction(id), reason), errors);
    }

    private ModelAndView page(long id, DiscardForm form, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("batch/batch", pages.batch(id, form, typed), errors);
    }
}
