package mezcla.web.access;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The way in. */
@Controller
class SignInController {
    @GetMapping("/sign-in")
    String signIn() {
        return "layout/sign-in";
    }

    @GetMapping("/")
    String home() {
        return "redirect:/shelf";
    }
}
