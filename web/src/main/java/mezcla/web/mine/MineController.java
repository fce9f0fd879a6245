package mezcla.web.mine;

import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;

/** A member's own page. */
@Controller
class MineController {
    private final MinePages pages;

    MineController(MinePages pages) {
        this.pages = pages;
    }

    @GetMapping("/mine")
    ModelAndView mine(@AuthenticationPrincipal SignedIn who) {
        return PageView.of("mine/mine", pages.page(who), new FieldErrors());
    }
}
