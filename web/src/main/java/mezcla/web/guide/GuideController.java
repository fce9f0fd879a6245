package mezcla.web.guide;

import java.util.List;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.PageView;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;

/** The guide. */
@Controller
class GuideController {
    private final Guide guide;

    GuideController(Guide guide) {
        this.guide = guide;
    }

    /** The guide. */
    record Page(List<Guide.Part> parts) {}

    @GetMapping("/guide")
    ModelAndView page() {
        return PageView.of("guide/guide", new Page(guide.parts()), new FieldErrors());
    }
}
