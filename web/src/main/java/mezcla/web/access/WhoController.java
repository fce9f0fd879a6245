package mezcla.web.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Optional;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.TypedChoice;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.savedrequest.RequestCache;
import org.springframework.security.web.savedrequest.SavedRequest;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Who is at this shared device? */
@Controller
class WhoController {
    private static final Duration A_YEAR = Duration.ofDays(365);

    private final SharedDevices devices;
    private final RequestCache typed;

    WhoController(SharedDevices devices, RequestCache typed) {
        this.devices = devices;
        this.typed = typed;
    }

    @GetMapping("/who")
    ModelAndView who(@RequestParam(defaultValue = "") String member, Model model) {
        return page(member, new FieldErrors(), model);
    }

    @PostMapping("/who")
    ModelAndView choose(
            @RequestParam(defaultValue = "") String member,
            @RequestParam(defaultValue = "") String pin,
            @RequestAttribute(name = WhoIsThere.ACCOUNT, required = false) @Nullable SignedIn account,
            @AuthenticationPrincipal SignedIn signedIn,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        FieldErrors errors = new FieldErrors();
        SharedDevices.Answer answer = errors.read(
                "pin",
                () -> devices.choose(
                        account == null ? signedIn : account,
                        TypedChoice.number(member, new FormObjection.UnknownMember()),
                        pin.strip()));
        if (answer == null) {
            return page(member, errors, model);
        }
        keep(response, SharedDevices.ANSWER, answer.token(), answer.holds());
        String next = Optional.ofNullable(typed.getRequest(request, response))
                .map(SavedRequest::getRedirectUrl)
                .orElse("/shelf");
        return new ModelAndView("redirect:" + next);
    }

    private ModelAndView page(String member, FieldErrors errors, Model model) {
        model.addAttribute("people", devices.people());
        model.addAttribute(
                "asked",
                devices.people().stream()
                        .filter(each -> Long.toString(each.id()).equals(member) && each.pinHash() != null)
                        .findFirst()
                        .orElse(null));
        model.addAttribute("errors", errors);
        return new ModelAndView(
                "layout/who", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    @PostMapping("/house/device")
    String device(@RequestParam(defaultValue = "false") boolean shared, HttpServletResponse response) {
        keep(response, SharedDevices.SHARED, "yes", shared ? A_YEAR : Duration.ZERO);
        keep(response, SharedDevices.ANSWER, "", Duration.ZERO);
        return shared ? "redirect:/who" : "redirect:/house?saved";
    }

    private static void keep(HttpServletResponse response, String name, String value, Duration holds) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(name, value)
                        .path("/")
                        .maxAge(holds)
                        .httpOnly(true)
                        .sameSite("Lax")
                        .build()
                        .toString());
    }
}
