package mezcla.web.decided;

import java.util.EnumSet;
import java.util.List;
import mezcla.log.HouseDecided;
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

/** What the house decided, and taking it back. */
@Controller
class DecisionsController {
    private static final int SHOWN = 100;

    private final Decisions decisions;
    private final OneTimeForms forms;

    DecisionsController(Decisions decisions, OneTimeForms forms) {
        this.decisions = decisions;
        this.forms = forms;
    }

    record Page(String heading, List<Decisions.Line> lines) {}

    /** A decision taken back. */
    @RefusedAt("decision-{number}")
    record TakenBackForm() {}

    @GetMapping("/house/decisions")
    ModelAndView all() {
        return page(Sent.nothing());
    }

    private ModelAndView page(Sent<?> sent) {
        List<Decisions.Line> lines = decisions.about(EnumSet.allOf(HouseDecided.Topic.class), SHOWN);
        return PageView.of(
                "house/decisions",
                new Page(
                        lines.isEmpty()
                                ? "Nothing has been decided otherwise yet"
                                : "The last change was made by " + lines.get(0).who() + ", "
                                        + lines.get(0).when(),
                        lines),
                sent);
    }

    @PostMapping("/house/decisions/{number}/take-back")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView takeBack(
            @PathVariable long number, Sent<TakenBackForm> sent, @AuthenticationPrincipal SignedIn steward) {
        return forms.answer(
                sent, "/house/decisions?taken-back", form -> decisions.takeBack(steward, number), () -> page(sent));
    }
}
