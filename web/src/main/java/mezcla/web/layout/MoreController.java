package mezcla.web.layout;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The places that a phone's bar has no room for. */
@Controller
class MoreController {
    @GetMapping("/more")
    String more() {
        return "layout/more";
    }
}
