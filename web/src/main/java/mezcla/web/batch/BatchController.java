package mezcla.web.batch;

import mezcla.batch.WasteRoute;
import mezcla.measure.Refusal;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.SignedIn;
import mezcla.web.shell.TypedText;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Batch page. */
@Controller
class BatchController {
    private static final int REASON_CHARACTERS = 200;

    private final BatchService batches;
    private final OneTimeForms forms;

    BatchController(BatchService batches, OneTimeForms forms) {
        this.batches = batches;
        this.forms = forms;
    }

    @GetMapping("/batches/{id}")
    String batch(@PathVariable long id, Model model) {
        DiscardForm form = new DiscardForm();
        form.setFormKey(forms.newKey());
        return page(id, form, new FieldErrors(), model);
    }

    @PostMapping("/batches/{id}/discards")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView discard(
            @PathVariable long id,
            @ModelAttribute("form") DiscardForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        String reason =
                errors.read("reason", () -> TypedText.of(form.getReason(), REASON_CHARACTERS, "reason-missing"));
        if (reason != null) {
            try {
                String page = forms.once(form.getFormKey(), () -> {
                    batches.discard(member, id, form.chosen(), reason);
                    return "/batches/" + id + "?discarded";
                });
                return new ModelAndView("redirect:" + page);
            } catch (Refusal refusal) {
                errors.add("fills", refusal);
            }
        }
        return new ModelAndView(page(id, form, errors, model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private String page(long id, DiscardForm form, FieldErrors errors, Model model) {
        model.addAttribute("batch", batches.batch(id));
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("routes", WasteRoute.values());
        return "batch/batch";
    }
}
