package mezcla.web.access.door;

import mezcla.web.forms.LocalAddress;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The way in. */
@Controller
class SignInController {
    @GetMapping("/sign-in")
    String signIn(@RequestParam(defaultValue = "") String to, Model model) {
        model.addAttribute("to", LocalAddress.or(to, ""));
        return "layout/sign-in";
    }
}
