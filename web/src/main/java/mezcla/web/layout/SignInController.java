package mezcla.web.layout;

import mezcla.web.access.Members;
import mezcla.web.forms.LocalAddress;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The way in; in a house to which nobody belongs yet, to its first page. */
@Controller
class SignInController {
    private final Members members;

    SignInController(Members members) {
        this.members = members;
    }

    @GetMapping("/sign-in")
    String signIn(@RequestParam(defaultValue = "") String to, Model model) {
        if (members.all().isEmpty()) {
            return "redirect:/begin";
        }
        model.addAttribute("to", LocalAddress.or(to, ""));
        return "layout/sign-in";
    }
}
