package mezcla.web.batch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import mezcla.leaflet.WasteRoute;
import mezcla.web.access.SignedIn;
import mezcla.web.batch.corrections.CorrectionService;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Batch page. */
@Controller
class BatchController {
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

    /** Fills that are poured away, and where each goes. */
    @RefusedAt("fills")
    record DiscardForm(
            List<String> fills,
            Map<String, String> routes,
            @Takes(most = 200, or = FormObjection.ReasonMissing.class) String reason) {
        /** Where each ticked fill goes; others unless chosen. */
        Map<Long, String> chosen() {
            Map<Long, String> chosen = new LinkedHashMap<>();
            fills.stream()
                    .filter(fill -> fill.matches("[0-9]{1,9}"))
                    .forEach(fill ->
                            chosen.put(Long.valueOf(fill), routes.getOrDefault(fill, WasteRoute.OTHERS.name())));
            return chosen;
        }
    }

    /** What is to be remembered when that kit is mixed again. */
    record NoteForm(@Takes(most = 200) String note) {}

    /** A bath of another batch that serves here as well. */
    record GuestForm(@Takes(or = FormObjection.GuestMissing.class) long fill) {}

    /** Why a batch goes by another version of its leaflet. */
    record CorrectionForm(@Takes(most = 200, or = FormObjection.ReasonMissing.class) String reason) {}

    @GetMapping("/batches/{id}")
    ModelAndView batch(@PathVariable long id) {
        return page(id, Sent.nothing());
    }

    private ModelAndView page(long id, Sent<?> sent) {
        return PageView.of("batch/batch", pages.batch(id), sent);
    }

    @PostMapping("/batches/{id}/discards")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView discard(@PathVariable long id, Sent<DiscardForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "discarded", form -> batches.discard(member, id, form.chosen(), form.reason()));
    }

    @PostMapping("/batches/{id}/notes")
    ModelAndView note(@PathVariable long id, Sent<NoteForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "noted", form -> batches.note(member, id, form.note()));
    }

    @PostMapping("/batches/{id}/guests")
    ModelAndView share(@PathVariable long id, Sent<GuestForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "shared", form -> batches.share(member, id, form.fill()));
    }

    private <F extends Record> ModelAndView done(long id, Sent<F> sent, String done, Consumer<F> act) {
        return forms.answer(sent, "/batches/" + id + "?" + done, act, () -> page(id, sent));
    }

    @GetMapping("/batches/{id}/leaflet")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correction(@PathVariable long id) {
        return correctionPage(id, Sent.nothing());
    }

    @PostMapping("/batches/{id}/leaflets")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView correct(@PathVariable long id, Sent<CorrectionForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/batches/" + id + "?corrected",
                form -> corrections.correct(member, id, form.reason()),
                () -> correctionPage(id, sent));
    }

    /** What a batch would be by another version of its leaflet. */
    record CorrectionPage(CorrectionService.Correction correction) {}

    private ModelAndView correctionPage(long id, Sent<?> sent) {
        return PageView.of("batch/leaflet", new CorrectionPage(corrections.correction(id)), sent);
    }
}
