package mezcla.web.evidence;

import java.util.Objects;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** What the house has seen of a leaflet. */
@Controller
class EvidenceController {
    private final EvidenceService evidence;
    private final OneTimeForms forms;

    EvidenceController(EvidenceService evidence, OneTimeForms forms) {
        this.evidence = evidence;
        this.forms = forms;
    }

    /** A figure of the house’s own; blank for what is printed. */
    static final class Limit implements FieldReader<Double> {
        @Override
        public Double read(String typed) {
            return Objects.requireNonNull(EvidenceService.figure(typed));
        }
    }

    /** A life of the house’s own, in days or with its unit; blank for what is printed. */
    static final class Life implements FieldReader<Double> {
        @Override
        public Double read(String typed) {
            return Objects.requireNonNull(EvidenceService.days(typed));
        }
    }

    /** What the house allows of a bath. */
    record LimitForm(
            @Takes(field = "rolls-{bath}", by = Limit.class) @Nullable Double rolls,
            @Takes(field = "days-{bath}", by = Life.class) @Nullable Double days,
            @Takes(field = "reason-{bath}", most = 200, or = FormObjection.ReasonMissing.class) String reason) {}

    @GetMapping("/leaflets/{id}/evidence")
    ModelAndView seen(@PathVariable long id) {
        return page(id, Sent.nothing());
    }

    @PostMapping("/leaflets/{id}/limits/{bath}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView allow(
            @PathVariable long id,
            @PathVariable String bath,
            Sent<LimitForm> sent,
            @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/leaflets/" + id + "/evidence?saved",
                form -> evidence.allow(member, id, bath, form.rolls(), form.days(), form.reason()),
                () -> page(id, sent));
    }

    /** What the house has seen of a leaflet’s baths. */
    record Page(EvidenceService.Seen seen) {}

    private ModelAndView page(long id, Sent<?> sent) {
        return PageView.of("evidence/evidence", new Page(evidence.seen(id)), sent);
    }
}
